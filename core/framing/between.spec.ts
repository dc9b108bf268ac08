import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { membersOf, midiOf, parseChord, placeAt } from '../music';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../song';
import { betweenFor } from './between';

describe('an instrumental chorus', () => {
  it('takes in each bar the first of the best orders there are: every rotation, then backwards, never the own', () => {
    let compared = 0;
    for (const song of DEMO_SONGS.filter(({ playingOrder }) => playingOrder.length === 0)) {
      const a = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
      a.parts.slice(1).forEach((_, i) => {
        const piece = betweenFor(a, i + 1).find((proposal) => proposal.piece.kind === 'chorus')?.piece;
        const source = a.parts[i];
        const bars = a.played.bars.filter(
          ({ number, tick }) => number > 0 && tick >= source.fromTick && tick < source.toTick,
        );
        for (const bar of bars) {
          const from = bar.tick - bars[0].tick;
          const own = a.played.melody.filter(
            (n) => !n.grace && n.tick >= bar.tick && n.tick < bar.tick + bar.length,
          );
          const now = (piece?.melody ?? []).filter((n) => n.tick >= from && n.tick < from + bar.length);
          // Before a pick-up the tune is cut short: what it was taken from is not seen there.
          if (now.length !== own.length) continue;
          const keys = own.map(({ pitch }) => midiOf(pitch));
          if (new Set(keys).size < 2) continue;
          const fitOf = (order: readonly number[]): number =>
            order.reduce((sum, key, at) => {
              const tick = own[at].tick - bar.tick;
              const over = piece?.changes.findLast((change) => change.tick <= tick + from);
              const chord = parseChord(over?.symbol ?? 'N.C.');
              const isMember = chord !== null && membersOf(chord).some(({ chroma }) => chroma === key % 12);
              return sum + (isMember ? (1 + placeAt(bar.metre, tick).strength) * own[at].length : 0);
            }, 0);
          const rotations = keys
            .slice(1)
            .map((_key, by) => [...keys.slice(by + 1), ...keys.slice(0, by + 1)]);
          const others = [...rotations, keys.toReversed()].filter((order) => order.join() !== keys.join());
          const fits = others.map(fitOf);
          const wanted = others[fits.indexOf(Math.max(...fits))];
          expect([song.title, bar.number, now.map(({ pitch }) => midiOf(pitch))]).toEqual([
            song.title,
            bar.number,
            wanted,
          ]);
          compared++;
        }
      });
    }
    expect(compared).toBeGreaterThan(20);
  });
});

describe('ways back between two parts', () => {
  const [lanterns] = DEMO_SONGS;
  const arranged = (song: Song) => arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
  const kinds = (song: Song): string[] => {
    const a = arranged(song);
    return a.parts.map((_, i) =>
      betweenFor(a, i)
        .map(({ piece }) => piece.kind[0])
        .join(''),
    );
  };

  it('are proposed before every part but the first and what was put in itself', () => {
    const plain = kinds(lanterns);
    expect(plain[0]).toBe('');
    expect(plain.slice(1).every((own) => own.length > 0)).toBe(true);
    for (const { piece } of betweenFor(arranged(lanterns), 2)) {
      const added = kinds(applyEdit(lanterns, { kind: 'frame-added', piece }));
      const own = added.findIndex((own, i) => i > 0 && own === '');
      // The part it was put before, and those after it, may have more.
      expect([piece.kind, own, added.filter((other) => other === '').length]).toEqual([piece.kind, 2, 2]);
      expect(added).toHaveLength(7);
    }
  });

  it('are none where there is no such part, and none without chords', () => {
    const a = arranged(lanterns);
    expect([betweenFor(a, 6), betweenFor(a, -1)]).toEqual([[], []]);
    expect(betweenFor({ ...a, changes: [] }, 1)).toEqual([]);
  });
});
