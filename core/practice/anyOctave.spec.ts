import { describe, expect, it } from 'vitest';
import { arrange } from '../arrange';
import { DEMO_SONGS } from '../../demo/songs';
import { Clock } from '../performance';
import { applyEdit, DEFAULT_PROFILE } from '../song';
import { AnyOctave } from './anyOctave';
import { isCleanTurn, judgeTake } from './judge';
import { GOAL } from './goal';
import { wantedKeys } from './wanted';

/** Every song, in turn at each level. */
const PIECES = DEMO_SONGS.flatMap((song, i) =>
  [1 + (i % 7), 1 + ((i + 3) % 7)].map((level) => ({ song, level })),
);

describe('keys in any octave', () => {
  it('played in one octave, every song is clean; a wrong note stays wrong', () => {
    for (const { song, level } of PIECES) {
      const a = arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE);
      const clock = new Clock(a.played.tempoMap, song.feel);
      const wanted = wantedKeys([...a.right, ...a.left], clock, a.parts[0]);
      const played = (other: (i: number) => number) => {
        const octaves = new AnyOctave(wanted);
        const named = new Map<string, number>();
        // One press for a name at a moment: there is but one key of it.
        wanted.forEach(({ tick, midi }, i) => named.set(`${tick} ${(midi + other(i)) % 12}`, i));
        return [...named.values()]
          .sort((x, y) => x - y)
          .flatMap((i) =>
            octaves
              .keysFor({
                midi: 60 + ((wanted[i].midi + other(i)) % 12),
                seconds: wanted[i].seconds,
                velocity: 70,
              })
              .map((midi) => ({ midi, seconds: wanted[i].seconds, velocity: 70 })),
          );
      };
      const clean = judgeTake(
        wanted,
        played(() => 0),
        0.6,
      );
      expect([song.title, level, isCleanTurn(clean, GOAL)]).toEqual([song.title, level, true]);
      // One wrong note is wrong at its moment, and nowhere else.
      for (const share of [0.2, 0.5, 0.8]) {
        const at = Math.floor(wanted.length * share);
        const { tick } = wanted[at];
        const wrong = judgeTake(
          wanted,
          played((i) => (i === at ? 1 : 0)),
          0.6,
        );
        const off = wrong.keys.filter(({ how }) => how !== 'right');
        expect([song.title, level, share, off.every((key) => key.wanted.tick === tick)]).toEqual([
          ...[song.title, level, share, true],
        ]);
        expect(off.length + wrong.extra.length).toBeGreaterThan(0);
      }
    }
  });

  it('goes back with who begins again', () => {
    const wanted = [48, 50, 52, 53, 55, 57].map((midi, i) => ({
      ...{ tick: i * 960, seconds: i, midi },
      ...{ hand: 'left' as const, from: 'c' },
    }));
    const octaves = new AnyOctave(wanted);
    const pressed = [60, 62, 64, 65, 60, 62, 64, 65, 67, 69];
    const keys = pressed.flatMap((midi, i) => octaves.keysFor({ midi, seconds: i / 2, velocity: 70 }));
    // Three notes tell that it is begun again; the first two are put where it was.
    expect(keys.slice(0, 4)).toEqual([48, 50, 52, 53]);
    expect(keys.slice(6)).toEqual([52, 53, 55, 57]);
  });
});
