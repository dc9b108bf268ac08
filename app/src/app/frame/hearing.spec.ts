import '@angular/compiler';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { Piano } from '../sound/piano';
import { Table } from '../testing/table';
import { BenchState } from './bench-state';
import { Hearing } from './hearing';

const [lanterns] = DEMO_SONGS;

describe('what is heard before it is taken', () => {
  const lines: [object[], number][] = [];
  let problem = '';
  let table: Table;
  let hearing: Hearing;
  const heard: number[][] = [];
  beforeEach(() => {
    lines.length = heard.length = 0;
    problem = '';
    const hear = async (keys: number[]): Promise<void> => {
      if (problem) throw new Error(problem);
      heard.push(keys);
    };
    const hearLine = async (line: object[], tempo: number): Promise<void> => void lines.push([line, tempo]);
    table = new Table(lanterns, { provide: Piano, useValue: { hear, hearLine } });
    hearing = table.get(Hearing);
  });

  it('is a chord in its place below the melody that sounds with it; what is none is not heard', () => {
    const [first] = table.get(BenchState).changesInPart();
    hearing.chord('C', first);
    expect(heard).toEqual([[48, 52, 55, 69]]);
    hearing.chord('H7', first);
    expect(heard).toHaveLength(1);
  });

  it('is nothing while something plays', async () => {
    await hearing.keys([60, 64]);
    table.sound.isPlaying.set(true);
    await hearing.keys([60, 65]);
    expect(heard).toEqual([[60, 64]]);
  });

  it('is a line at the tempo of the song, whatever plays', async () => {
    table.sound.isPlaying.set(true);
    await hearing.line(lanterns.melody.slice(0, 2));
    expect(lines).toEqual([
      [
        [
          { tick: 0, length: 1920, midi: 69 },
          { tick: 1920, length: 960, midi: 71 },
        ],
        96,
      ],
    ]);
    expect(table.sound.isPlaying()).toBe(false);
  });

  it('is the bar of an edit from its chord on, or a stretch, in both hands, without a count-in; nothing is altered', async () => {
    const edit = { kind: 'choose', choices: { level: 5 } } as const;
    await hearing.edit(edit, 3840);
    await hearing.stretch(edit, { fromTick: 100, toTick: 200 });
    expect(
      table.plays.map(({ fromTick, toTick, hands, countsIn, loops }) => [
        fromTick,
        toTick,
        hands,
        countsIn,
        loops,
      ]),
    ).toEqual([
      [2880, 5760, 'both', false, false],
      [100, 200, 'both', false, false],
    ]);
    expect(table.song).toBe(lanterns);
    expect(table.questions).toEqual([
      { kind: 'trial', edit },
      { kind: 'trial', edit },
    ]);
  });

  it('that cannot be sounded is said', async () => {
    problem = 'no sound';
    await hearing.keys([60]);
    expect(table.sound.problem()).toBe('The piano could not be started: no sound.');
  });
});
