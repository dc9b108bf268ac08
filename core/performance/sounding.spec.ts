import { describe, expect, it } from 'vitest';
import type { HandNote } from '../hands';
import { emptySong, type PlayedSong, type Song, unfold } from '../song';
import { Clock } from './clock';
import { perform } from './perform';
import { type Pedal, pedalsOf } from './pedal';
import { withSlowing } from './slowing';
import { loudnessOfSections } from '../shaping';
import { wholeBars } from '../testing';

const beat = 960;
/** Four bars of 4/4 at 60: a beat is a second. */
const base: Song = {
  ...wholeBars(['C5', 'C5', 'C5', 'C5'], ['C', 'F', 'G', 'C']),
  tempoMap: [{ tick: 0, quartersPerMinute: 60 }],
};
const key = (at: number, beats: number, midi: number, more: Partial<HandNote> = {}): HandNote =>
  ({
    hand: 'right',
    tick: at * beat,
    length: beats * beat,
    midi,
    source: 'melody',
    grace: false,
    ...more,
  }) as HandNote;

function heard(song: Song, right: HandNote[], left: HandNote[] = []) {
  return perform({
    song,
    played: unfold(song),
    loudness: loudnessOfSections(unfold(song)),
    right,
    left,
    pedalAt: () => 'change',
    partAt: () => 0,
  });
}
const loud = (note: HandNote, song: Song = base): number => heard(song, [note]).notes[0].velocity;

describe('how a key sounds', () => {
  it('as long as it is written, from where it is; the song to its end', () => {
    const { notes, seconds } = heard(base, [key(1, 2, 72)]);
    expect(notes.map((n) => [n.seconds, n.duration])).toEqual([[1, 2]]);
    expect(seconds).toBe(16);
  });

  it('loudest at the bar line, then in the middle, on the other beats, between them, off them', () => {
    expect([0, 2, 1, 1.5, 1.25].map((at) => loud(key(at, 0.25, 72)))).toEqual([93, 90, 88, 84, 82]);
    expect(loud(key(0, 1, 72, { hand: 'left' }))).toBe(67);
    expect(loud(key(0, 1, 72, { source: 'harmony' }))).toBe(77);
  });

  it('a grace note just before its note, never before the song', () => {
    const [first] = heard(base, [key(0, 1, 72, { grace: true })]).notes;
    expect([first.seconds, first.duration]).toEqual([0, 0.07]);
    const [later] = heard(base, [key(1, 1, 72, { grace: true })]).notes;
    expect(later.seconds).toBeCloseTo(0.93, 9);
  });

  it('keys of a rolled chord one after another, let go together, each heard however short', () => {
    const roll = (beats: number) =>
      heard(
        base,
        [0, 1, 2].map((rolled) => key(0, beats, 60 + rolled, { rolled })),
      ).notes;
    expect(roll(1).map((n) => n.seconds)).toEqual([0, 0.045, 0.09]);
    expect(roll(1).map((n) => Number((n.seconds + n.duration).toFixed(6)))).toEqual([1, 1, 1]);
    expect(roll(0.1).map((n) => Number(n.duration.toFixed(6)))).toEqual([0.1, 0.055, 0.045]);
  });

  it('in time, the lower first of two', () => {
    const { notes } = heard(base, [key(1, 1, 72), key(0, 1, 76)], [key(0, 1, 48, { hand: 'left' })]);
    expect(notes.map(({ midi }) => midi)).toEqual([48, 76, 72]);
  });

  it('growing or falling over its section, to the next one or the end of the song', () => {
    const sections = (dynamics: 'growing' | 'falling', energy = 3): Song => ({
      ...base,
      sections: [
        { id: 'a', tick: 0, name: 'A', energy, dynamics },
        { id: 'b', tick: 8 * beat, name: 'B', energy: 3, dynamics: 'even' },
      ],
    });
    const at = (song: Song): number[] => [0, 4, 8].map((tick) => loud(key(tick, 1, 72), song));
    expect(at(sections('growing'))).toEqual([81, 93, 93]);
    expect(at(sections('falling'))).toEqual([105, 93, 93]);
    expect(at(sections('growing', 5))).toEqual([91, 103, 93]);
    const late: Song = { ...base, sections: [{ ...sections('growing').sections[0], tick: 8 * beat }] };
    expect([4, 8, 12].map((tick) => loud(key(tick, 1, 72), late))).toEqual([93, 81, 93]);
  });

  it('of force 1 to 127', () => {
    const song = (energy: number, dynamics: 'growing' | 'falling'): Song => ({
      ...base,
      sections: [{ id: 'a', tick: 0, name: 'A', energy, dynamics }],
    });
    expect(loud(key(0, 1, 72), song(5, 'falling'))).toBe(115);
    expect(loud(key(1.25, 1, 30, { hand: 'left', source: 'harmony' }), song(1, 'growing'))).toBe(20);
  });
});

describe('the clock through tempo and swing', () => {
  it('has the second half of a swung beat even too, and every beat in its place', () => {
    const clock = new Clock([{ tick: 0, quartersPerMinute: 60 }], { kind: 'swing', ratio: 3 });
    const at = [0, 240, 480, 720, 960, 1440].map((tick) => clock.secondsAt(tick));
    expect(at).toEqual([0, 0.375, 0.75, 0.875, 1, 1.75]);
    expect(clock.tickAt(0.75, 9600)).toBe(480);
    expect(clock.tickAt(0.7, 9600)).toBe(448);
    expect(clock.tickAt(99, 960)).toBe(959);
  });

  it('goes on from each tempo to the next', () => {
    const clock = new Clock([
      { tick: 0, quartersPerMinute: 60 },
      { tick: 2 * beat, quartersPerMinute: 30 },
      { tick: 3 * beat, quartersPerMinute: 120 },
    ]);
    expect([1, 2, 2.5, 3, 5].map((at) => clock.secondsAt(at * beat))).toEqual([1, 2, 3, 4, 5]);
  });
});

describe('the pedal goes', () => {
  const told = (
    pedal: Pedal | ((tick: number) => Pedal),
    struck: readonly (number | { readonly at: number; readonly midi: number; readonly source: string })[] = [
      0, 4, 8, 12,
    ],
    played: PlayedSong = unfold(base),
    partAt: (tick: number) => number = () => 0,
  ): string =>
    pedalsOf({
      played,
      left: struck.map((one) => {
        const { at, ...key } = typeof one === 'number' ? { at: one, midi: 48, source: 'chord' } : one;
        return { tick: at * beat, ...key } as HandNote;
      }),
      pedalAt: (tick) => (typeof pedal === 'string' ? pedal : pedal(tick)),
      partAt,
      secondsAt: (tick) => tick / beat,
    })
      .map(({ tick, seconds, down }) => `${down ? '↓' : '↑'}${tick / beat}@${Number(seconds.toFixed(3))}`)
      .join(' ');

  it('down eight hundredths of a second after a chord, up as the next is struck', () => {
    expect(told('change')).toBe('↓0@0.08 ↑4@4 ↓4@4.08 ↑8@8 ↓8@8.08 ↑12@12 ↓12@12.08 ↑16@16');
  });

  it('not where the left hand strikes nothing: it is let go at the end of the chord before', () => {
    expect(told('change', [0, 8])).toBe('↓0@0.08 ↑4@4 ↓8@8.08 ↑12@12');
    expect(told('held', [0, 8, 12])).toBe('↓0@0.08 ↑4@4 ↓8@8.08 ↑16@16');
  });

  it('up between two parts that hold it, and between one that holds and one that changes', () => {
    const halves = (tick: number): number => Math.floor(tick / (8 * beat));
    expect(told('held', undefined, undefined, halves)).toBe('↓0@0.08 ↑8@8 ↓8@8.08 ↑16@16');
    const mixed = (tick: number): Pedal => (tick < 8 * beat ? 'held' : 'change');
    expect(told(mixed)).toBe('↓0@0.08 ↑8@8 ↓8@8.08 ↑12@12 ↓12@12.08 ↑16@16');
    const back = (tick: number): Pedal => (tick < 4 * beat ? 'change' : 'held');
    expect(told(back)).toBe('↓0@0.08 ↑4@4 ↓4@4.08 ↑16@16');
  });

  it('at half bars inside a chord that begins off the bar line', () => {
    const late = unfold({
      ...base,
      changes: [{ ...base.changes[0], tick: 3 * beat, length: 4 * beat }],
    });
    expect(told('half', [3], late)).toBe('↓3@3.08 ↑4@4 ↓4@4.08 ↑6@6 ↓6@6.08 ↑7@7');
  });

  it('changed where the bass walks beside what still rings, and not where the part is held', () => {
    const key = (at: number, midi: number, source = 'fill') => ({ at, midi, source });
    // C, its chord, then B and A walking down to the next chord.
    const walk = [key(0, 48, 'pattern'), key(1, 55, 'pattern'), key(2, 47), key(3, 45), 4, 8, 12];
    expect(told('change', walk)).toBe(
      '↓0@0.08 ↑2@2 ↓2@2.08 ↑3@3 ↓3@3.08 ↑4@4 ↓4@4.08 ↑8@8 ↓8@8.08 ↑12@12 ↓12@12.08 ↑16@16',
    );
    expect(told('held', walk)).toBe('↓0@0.08 ↑16@16');
    // What leaps, and what belongs to the figure, blurs nothing.
    for (const other of [key(2, 52), key(2, 47, 'pattern')])
      expect(told('change', [key(0, 48, 'pattern'), other, 4, 8, 12])).toBe(told('change'));
  });

  it('up after a chord that ends before the next begins', () => {
    const gap = unfold({ ...base, changes: base.changes.map((c) => ({ ...c, length: 3 * beat })) });
    expect(told('change', [0, 4], gap)).toBe('↓0@0.08 ↑3@3 ↓4@4.08 ↑7@7');
  });
});

describe('an end that slows', () => {
  const steps = (song: Song): number[][] =>
    withSlowing(unfold(song)).tempoMap.map(({ tick, quartersPerMinute }) => [tick / beat, quartersPerMinute]);

  it('goes by beats a foot taps, and by the tempo in force', () => {
    const six: Song = {
      ...emptySong('six', 'Six'),
      metreMap: [{ tick: 0, numerator: 6, denominator: 8 }],
      tempoMap: [
        { tick: 0, quartersPerMinute: 90 },
        { tick: 4.5 * beat, quartersPerMinute: 60 },
      ],
      barCount: 2,
    };
    expect(steps(six)).toEqual([
      [0, 90],
      [1.5, 81],
      [3, 72],
      [4.5, 42],
    ]);
  });

  it('leaves the pick-up out, and what was slower than ten a minute there at ten', () => {
    const short: Song = { ...base, pickup: beat, barCount: 1, melody: [], changes: [] };
    expect(steps(short).map(([at]) => at)).toEqual([0, 2, 3, 4]);
    const slow: Song = { ...short, tempoMap: [{ tick: 0, quartersPerMinute: 12 }] };
    expect(steps(slow).map(([, tempo]) => tempo)).toEqual([12, 10.8, 10, 10]);
  });
});
