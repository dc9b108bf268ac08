import { describe, expect, it } from 'vitest';
import { arrange } from '../arrange';
import { normalFrom, seeded } from '../chance';
import { DEMO_SONGS } from '../../demo/songs';
import { TUNES_APART } from '../../demo/kept-apart';
import { Clock } from '../performance';
import { applyEdit, DEFAULT_PROFILE } from '../song';
import { AnyOctave } from './anyOctave';
import { isCleanTurn, judgeTake } from './judge';
import { GOAL } from './goal';
import { wantedKeys } from './wanted';

const HANDS = ['both', 'right', 'left'] as const;
/** Every song, in turn at each level, with each hand, in a part of its own. */
const PIECES = [...DEMO_SONGS, ...TUNES_APART].flatMap((song, i) =>
  [i, i + 3].map((n) => ({ song, level: 1 + (n % 7), hands: HANDS[n % 3], at: n })),
);

describe('keys in any octave', () => {
  it('played in one octave, every song is clean; a wrong note stays wrong', () => {
    for (const { song, level, hands, at: number } of PIECES) {
      const a = arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE);
      const clock = new Clock(a.played.tempoMap, song.feel);
      const part = a.parts[number % a.parts.length];
      const wanted = wantedKeys([...a.right, ...a.left], clock, part, hands);
      if (wanted.length === 0) continue;
      const played = (other: (i: number) => number) => {
        // Slower or faster than agreed, never quite at once.
        const normal = normalFrom(seeded(number));
        const pace = [1, 0.8, 1.3][number % 3];
        const octaves = new AnyOctave(wanted);
        const named = new Map<string, number>();
        // One press for a name at a moment: there is but one key of it.
        wanted.forEach(({ tick, midi }, i) => named.set(`${tick} ${(midi + other(i)) % 12}`, i));
        return [...named.values()]
          .map((i) => ({
            midi: 60 + ((wanted[i].midi + other(i)) % 12),
            seconds: wanted[i].seconds * pace + 0.015 * normal(),
            velocity: 70,
          }))
          .sort((x, y) => x.seconds - y.seconds)
          .flatMap((event) => octaves.keysFor(event).map((midi) => ({ ...event, midi })));
      };
      const clean = judgeTake(
        wanted,
        played(() => 0),
        0.6,
      );
      expect([song.title, level, number, isCleanTurn(clean, GOAL)]).toEqual([
        song.title,
        level,
        number,
        true,
      ]);
      // One wrong note is wrong at its moment, and nowhere else.
      for (const share of [0.2, 0.5, 0.8]) {
        const at = Math.floor(wanted.length * share);
        const { tick } = wanted[at];
        const wrong = judgeTake(
          wanted,
          played((i) => (i === at ? 1 : 0)),
          0.6,
        );
        const off = wrong.keys.filter(({ how }) => how === 'wrong' || how === 'missed');
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
