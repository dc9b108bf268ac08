import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import type { Arrangement } from '../arrangement';
import { chroma, membersOf, scaleOf } from '../music';
import { applyEdit, DEFAULT_PROFILE, keyAt, placeIn } from '../song';
import { songs } from '../testing';
import fc from 'fast-check';

/** Counted from the keys that are struck, by no rule of the fills. */
function faults(a: Arrangement): string[] {
  const both = [...a.right, ...a.left];
  const tune = a.right.filter(({ source }) => source === 'melody');
  const first = a.played.bars.find(({ number }) => number === 1);
  return both
    .filter(({ source, grace }) => source === 'fill' && !grace)
    .flatMap((fill) => {
      const { tick, length, midi, hand } = fill;
      const under = a.changes.findLast(({ change }) => change.tick <= tick)?.chord;
      const members = under ? membersOf(under).map((member) => member.chroma) : [];
      const key = keyAt(a.played, tick);
      const scale = [...scaleOf(key).map(chroma), (chroma(key.tonic) + 11) % 12];
      const over = tune.findLast((note) => note.tick <= tick && note.tick + note.length > tick);
      const rubs = both.some(
        (other) =>
          other.tick < tick + length &&
          tick < other.tick + other.length &&
          [1, 13].includes(Math.abs(other.midi - midi)),
      );
      return [
        ...(members.includes(midi % 12) || scale.includes(midi % 12) ? [] : ['outside']),
        ...(members.includes(midi % 12) || placeIn(a.played.bars, tick).strength < 3 ? [] : ['strong']),
        ...(hand === 'right' && over && midi > over.midi && midi - over.midi !== 12 ? ['above'] : []),
        ...(rubs ? ['rubs'] : []),
        ...(hand === 'right' && first && tick < first.tick + first.length ? ['first bar'] : []),
      ].map((what) => `${what} at ${tick}`);
    });
}

describe('what is filled in unasked', () => {
  const filled = (song: (typeof DEMO_SONGS)[number], seed: number): Arrangement =>
    arrange(
      applyEdit(song, { kind: 'choose', choices: { level: 7, fills: { measure: 'many', seed } } }),
      DEFAULT_PROFILE,
      { withoutFingers: true },
    );

  it('has hardly a fault a teacher would strike out, over the demo songs and songs of chance', () => {
    let [bars, found] = [0, [] as string[]];
    const count = (a: Arrangement): void => {
      bars += a.played.bars.length;
      found = [...found, ...faults(a)];
    };
    for (const song of DEMO_SONGS) count(filled(song, 1));
    fc.assert(
      fc.property(songs, fc.nat(5), (song, seed) => count(filled(song, seed))),
      { numRuns: 20 },
    );
    const kinds = new Map<string, number>();
    for (const fault of found) {
      const [kind] = fault.split(' at ');
      kinds.set(kind, (kinds.get(kind) ?? 0) + 1);
    }
    // One fill may rub with another that was chosen before it: at most two in a hundred bars.
    for (const [kind, times] of kinds) expect([kind, (100 * times) / bars < 2]).toEqual([kind, true]);
    expect(kinds.get('first bar')).toBeUndefined();
  });
});
