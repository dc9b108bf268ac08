import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { SHAPED_SONGS } from '../../demo/shaped';
import { arrange } from '../arrange';
import type { Arrangement } from '../arrangement';
import { applyEdit, type Choices, DEFAULT_PROFILE, migrateSong, type Song } from '../song';
import { wholeBars } from '../testing';
import { styleInWords } from '../words/leftHand';
import { STYLES } from './styles';

const without = { withoutFingers: true };
const inStyle = (song: Song, style: string, more: Partial<Choices> = {}): Arrangement => {
  const choices = { level: 7, style, fills: { measure: 'many' as const, seed: 0 }, ...more };
  return arrange(applyEdit(song, { kind: 'choose', choices }), DEFAULT_PROFILE, without);
};

/** A song that closes loudly: its second strain climbs over the first. */
const RISING = wholeBars(
  ['C5', 'E5', 'D5', 'C5', 'E5', 'G5', 'A5', 'G5', 'C5', 'E5', 'D5', 'C5', 'G5', 'A5', 'B5', 'C6'],
  ['C', 'Am', 'G', 'C', 'C', 'Em', 'F', 'G', 'C', 'Am', 'G', 'C', 'C', 'F', 'G', 'C'],
);
const lastBar = ({ left, played }: Arrangement): string => {
  const { tick, length } = played.bars[played.bars.length - 1];
  const own = left.filter((note) => note.tick >= tick);
  const ticks = [...new Set(own.map((note) => note.tick))];
  return ticks
    .map((at) => {
      const keys = own.filter((note) => note.tick === at);
      const isShort = keys.every(({ touch }) => touch === 'staccato');
      return `${(4 * (at - tick)) / length + 1}: ${keys.length} ${isShort ? 'short' : 'held'}`;
    })
    .join(', ');
};

describe('a style closes in its own way', () => {
  it.each([
    ['march', '1: 4 short, 3: 4 held'],
    ['classical', '1: 4 held, 2: 4 held, 3: 4 held'],
    ['ballad', '1: 3 held'],
  ])('%s: %s', (style, told) => {
    const said = lastBar(inStyle(RISING, style));
    expect(said.replaceAll(/: \d/g, ':')).toBe(told.replaceAll(/: \d/g, ':'));
  });

  it('stride with a low fifth between two chords', () => {
    const { left, played } = inStyle(RISING, 'stride');
    const bar = played.bars[played.bars.length - 1];
    const [, fifth] = [0, 1].map((beat) => left.filter(({ tick }) => tick === bar.tick + beat * 960));
    expect(fifth.map(({ midi }) => midi % 12)).toEqual([7]);
  });

  it('a drone on the open fifth', () => {
    const { left, played } = inStyle(RISING, 'drone');
    const end = played.endTick;
    const last = left.filter(({ tick, length }) => tick + length === end);
    expect([...new Set(last.map(({ midi }) => midi % 12))].sort()).toEqual([0, 7]);
  });

  it('a soft end on one chord, whatever the style', () => {
    const soft = wholeBars(['C5', 'D5', 'E5', 'C5'], ['C', 'G', 'G', 'C']);
    expect(lastBar(inStyle(soft, 'march'))).toMatch(/^1: \d held$/);
  });
});

describe('a style has its pedal and its tempo', () => {
  const pedals = (a: Arrangement): number => a.timeline.pedals.length;
  it('none for short chords, with each chord where nothing else is said, and as chosen where it is', () => {
    expect(pedals(inStyle(RISING, 'march'))).toBe(0);
    expect(pedals(inStyle(RISING, 'ballad'))).toBeGreaterThan(16);
    expect(pedals(inStyle(RISING, 'march', { pedal: 'change' }))).toBeGreaterThan(16);
    expect(pedals(inStyle(RISING, 'march', { level: 4 }))).toBeGreaterThan(16);
  });

  it('a ballad slows down at its end, unless it is to stay in time; a march does not', () => {
    const tempi = (a: Arrangement): number => a.played.tempoMap.length;
    expect(tempi(inStyle(RISING, 'ballad'))).toBeGreaterThan(2);
    expect(tempi(inStyle(RISING, 'ballad', { ending: 'in-time' }))).toBe(1);
    expect(tempi(inStyle(RISING, 'march'))).toBe(1);
    expect(tempi(inStyle(RISING, 'march', { ending: 'slowing' }))).toBeGreaterThan(2);
    expect(tempi(inStyle(RISING, 'ballad', { level: 4 }))).toBe(1);
  });

  it('a stored song that was pedalled with each chord is pedalled as its style has it', () => {
    const stored = { ...RISING, schemaVersion: 11, choices: { ...RISING.choices, pedal: 'change' } };
    expect(migrateSong(stored).choices.pedal).toBe('auto');
    const chosen = { ...stored, choices: { ...stored.choices, pedal: 'half' } };
    expect(migrateSong(chosen).choices.pedal).toBe('half');
  });
});

describe.each(STYLES.map((style) => [style.id, style] as const))('in the style %s', (id, style) => {
  const songs = [...DEMO_SONGS, ...SHAPED_SONGS].filter(({ changes }) => changes.length > 0);
  const all = songs.filter((_, i) => i % STYLES.length === STYLES.indexOf(style) % 6);

  it('only chords off the bass are short, and only where the style is', () => {
    for (const song of all) {
      const { left } = inStyle(song, id);
      const short = left.filter(({ touch }) => touch === 'staccato');
      if (!style.isShort) expect(short).toEqual([]);
    }
  });

  it('ornaments are those that belong, a phrase apart, and none where few fills are wanted', () => {
    for (const song of all) {
      const ornamentsIn = (measure: 'few' | 'many'): Arrangement['fills'] =>
        inStyle(song, id, { fills: { measure, seed: 0 } }).fills.filter(
          ({ taken, kind }) => taken && ['grace', 'trill', 'turn'].includes(kind),
        );
      expect(ornamentsIn('few')).toEqual([]);
      const found = ornamentsIn('many');
      for (const { kind } of found) expect(kind).toBe(style.ornament);
      const { bars } = inStyle(song, id).played;
      const at = found.map(({ tick }) => bars.findLastIndex((bar) => bar.tick <= tick));
      for (const [i, bar] of at.entries()) if (i > 0) expect(bar - at[i - 1]).toBeGreaterThanOrEqual(4);
    }
  });
});

describe('a figure that is too quick for a hand', () => {
  it('gives way to the quiet one, and is told so', () => {
    const told = (quartersPerMinute: number): string => {
      const song = { ...RISING, tempoMap: [{ tick: 0, quartersPerMinute }] };
      const a = inStyle(song, 'ballad');
      return a.parts.map((part) => styleInWords(a, part)).join(' ');
    };
    expect(told(80)).toMatch(/in full/);
    expect(told(240)).toMatch(/quietly/);
    expect(told(240)).not.toMatch(/in full/);
  });
});
