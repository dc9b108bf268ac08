import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrange } from '../../arrange';
import { KEYBOARDS, chroma, nameOf } from '../../music';
import { barAt, applyEdit, DEFAULT_PROFILE, type Song } from '../../song';
import { randomSong, runs, wholeBars } from '../../testing';

const onSeven = (song: Song): Song =>
  applyEdit(song, { kind: 'choose', choices: { level: 7, pattern: 'rocking' } });

/** Bars of 4/4 in a key, one long melody note and one chord a bar. */
function held(tonic: 'A' | 'C', mode: 'minor' | 'major', chords: readonly string[], melody = 'E5'): Song {
  const song = wholeBars(
    chords.map(() => melody),
    chords,
  );
  return { ...song, keyMap: [{ tick: 0, tonic: { letter: tonic, alter: 0 }, mode }] };
}

const walked = (song: Song): string[] =>
  arrange(onSeven(song), DEFAULT_PROFILE)
    .fills.filter(({ kind }) => kind === 'walk')
    .map(({ notes }) => notes.map((n) => nameOf(n.pitch)).join(' '));

describe('bass walks', () => {
  it('rise to a minor tonic by its raised sixth and seventh', () => {
    expect(walked(held('A', 'minor', ['Em', 'Am', 'Am']))).toEqual(['F#2 G#2', 'E3 F#3 G#3']);
  });

  it('stay in a major key', () => {
    expect(walked(held('C', 'major', ['C', 'F', 'G7', 'C', 'Am']))).toEqual([
      'B2 A2 G2',
      'D2 E2 F2',
      'A2 B2',
      'E3 F3 G3',
    ]);
  });

  it('are not played where the melody moves, and not to a chord on the same bass', () => {
    const moving = held('C', 'major', ['C', 'F', 'C']);
    const quarters = {
      ...moving,
      melody: moving.melody.flatMap((n) =>
        [0, 1, 2, 3].map((q) => ({ ...n, id: `${n.id}${q}`, tick: n.tick + q * 960, length: 960 })),
      ),
    };
    expect(walked(quarters)).toEqual([]);
    expect(walked(held('C', 'major', ['C', 'C', 'C']))).toEqual([]);
  });

  const songs = fc
    .nat(1e6)
    .map((seed) => onSeven(randomSong({ bars: 8, changesPerBar: 1, seed, lowest: 64, highest: 80 })));

  it('keep clear of the melody, on the keyboard, out of the pick-up, and inside their change', () => {
    fc.assert(
      fc.property(songs, (song) => {
        const a = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
        const walks = new Set(a.fills.flatMap((f) => (f.taken && f.kind === 'walk' ? [f.changeId] : [])));
        for (const note of a.left.filter((n) => n.source === 'fill' && walks.has(n.from))) {
          expect(note.midi).toBeGreaterThanOrEqual(KEYBOARDS[88].low);
          expect(barAt(a.played.bars, note.tick).number).toBeGreaterThan(0);
          const over = a.right.filter(
            (r) => !r.grace && r.tick < note.tick + note.length && r.tick + r.length > note.tick,
          );
          for (const r of over) expect(r.midi - note.midi).toBeGreaterThanOrEqual(3);
          const change = a.changes.find((c) => c.change.id === note.from)?.change;
          expect(
            change && note.tick > change.tick && note.tick + note.length <= change.tick + change.length,
          ).toBe(true);
        }
      }),
      { numRuns: runs(120) },
    );
  });

  it('arrive on the root, taken unasked at most once in two bars', () => {
    fc.assert(
      fc.property(songs, (song) => {
        const a = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
        let last = -9;
        for (const fill of a.fills.filter((f) => f.taken)) {
          const { number } = barAt(a.played.bars, fill.tick);
          expect(number - last).toBeGreaterThanOrEqual(2);
          last = number;
          if (fill.kind !== 'walk') continue;
          const next = a.changes.find((c) => c.change.tick === fill.tick + fill.length);
          const lowest = a.left
            .filter((n) => n.tick === fill.tick + fill.length)
            .sort((x, y) => x.midi - y.midi)[0];
          expect(lowest.midi % 12).toBe(next && chroma(next.chord.bass ?? next.chord.root));
        }
      }),
      { numRuns: runs(120) },
    );
  });

  it('belong to the seventh level only', () => {
    fc.assert(
      fc.property(songs, fc.constantFrom(2, 4, 5), (song, level) => {
        const a = arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE, {
          withoutFingers: true,
        });
        expect(a.fills).toEqual([]);
        expect(a.left.some((n) => n.source === 'fill')).toBe(false);
      }),
      { numRuns: 30 },
    );
  });
});
