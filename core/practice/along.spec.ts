import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { TUNES_APART } from '../../demo/kept-apart';
import { arrange } from '../arrange';
import { Clock } from '../performance';
import { applyEdit, beatsOfBar, DEFAULT_PROFILE } from '../song';
import { alongs, type AlongStrike, companionFor } from './along';
import type { Companion } from './companion';
import { wantedKeys } from './wanted';

const PACE = 1.25;
const PUSHINGS = ['strict', 'follows', 'waits'] as const;
const HANDS = ['right', 'left', 'both'] as const;

/** When each moment of the music was struck along, and when each of the player's was due. */
function struckAlong(companion: Companion<AlongStrike>, own: readonly { seconds: number; midi: number }[]) {
  const keys = own.map(({ seconds, midi }) => ({ seconds: seconds * PACE, midi, velocity: 70 }));
  const struck = new Map<number, number>();
  const end = Math.max(...[...own, ...companion.other].map(({ seconds }) => seconds)) * PACE + 4;
  for (let now = -0.2; now < end; now += 0.005) {
    while (keys.length > 0 && keys[0].seconds <= now) companion.hear(keys.splice(0, 1)[0]);
    const next = companion.next();
    if (!next || next.seconds > now) continue;
    struck.set(next.strikes[0].seconds, now);
    companion.strike(next);
  }
  return struck;
}

// Each song with a part, a level, hands and a way of its own: all values occur, and meet.
const CASES = [...DEMO_SONGS, ...TUNES_APART].flatMap((song, i) =>
  HANDS.map((hands, h) => ({ song, hands, level: 1 + ((i + 2 * h) % 7), at: i + h, i: i + h })),
);

describe('what the program plays along with a task', () => {
  it('is in time with who plays in time, whatever is played, in every song', () => {
    for (const { song, hands, level, at, i } of CASES) {
      const a = arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE);
      const part = a.parts[at % a.parts.length];
      const clock = new Clock(a.played.tempoMap, song.feel);
      const start = clock.secondsAt(part.fromTick);
      const own = wantedKeys([...a.right, ...a.left], clock, part, hands).map((key) => ({
        ...key,
        seconds: clock.secondsAt(key.tick) - start,
      }));
      for (const along of alongs({ hands })) {
        const pushing = PUSHINGS[(i + along.length) % 3];
        const companion = companionFor(a, { ...part, hands }, clock, PACE, { along, pushing });
        if (along === 'click' && pushing === 'strict') {
          expect(companion).toBeNull();
          continue;
        }
        if (!companion || own.length === 0) continue;
        const name = [song.title, level, part.number, hands, along, pushing];
        const struck = struckAlong(companion, own);
        const wanted = [...new Set(companion.other.map(({ seconds }) => seconds))];
        // Where it follows it ends with the player: what comes after the player's last moment may still come.
        expect([...name, [...struck.keys()]]).toEqual([...name, wanted]);
        const off = Math.max(...[...struck].map(([music, seconds]) => Math.abs(seconds - music * PACE)));
        expect([...name, off < 0.05 ? 0 : off]).toEqual([...name, 0]);
      }
    }
  });

  it('is clicks on the beats, or the lowest key of each chord and bar', () => {
    const [lanterns] = DEMO_SONGS;
    const a = arrange(applyEdit(lanterns, { kind: 'choose', choices: { level: 5 } }), DEFAULT_PROFILE);
    const clock = new Clock(a.played.tempoMap, lanterns.feel);
    const task = { ...a.parts[0], hands: 'right' as const };
    const of = (along: 'click' | 'bass') =>
      companionFor(a, task, clock, 1, { along, pushing: 'follows' })?.other ?? [];
    const beats = a.played.bars.flatMap(beatsOfBar).filter((tick) => tick < task.toTick);
    expect(of('click').map(({ seconds }) => seconds)).toEqual(beats.map((tick) => clock.secondsAt(tick)));
    const bass = of('bass').flatMap((strike) => ('midi' in strike ? [strike] : []));
    expect(new Set(bass.map(({ tick }) => tick)).size).toBe(bass.length);
    for (const { tick, midi } of bass) {
      const together = a.left.filter((note) => note.tick === tick).map((note) => note.midi);
      expect(midi).toBe(Math.min(...together));
    }
    const bars = a.played.bars.filter(({ tick }) => tick < task.toTick);
    for (const bar of bars)
      expect([bar.number, bass.filter(({ tick }) => tick === bar.tick).length]).toEqual([bar.number, 1]);
  });

  it('of both hands is the click alone, of the left no bass', () => {
    expect(HANDS.map((hands) => alongs({ hands }))).toEqual([
      ['click', 'hand', 'bass'],
      ['click', 'hand'],
      ['click'],
    ]);
  });
});
