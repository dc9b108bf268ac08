import { arrange } from '@joined-hands/core/arrange';
import { keepIdentity } from '@joined-hands/core/music';
import { applyEdit, DEFAULT_PROFILE, type SongEdit } from '@joined-hands/core/song';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { type Kept, lightened, NOTHING_KEPT, packed, unpacked } from './travelling';

const [lanterns] = DEMO_SONGS;

/** One edit after another on the worker's side; what is sent is copied, as between threads. */
function travel(edits: readonly SongEdit[]) {
  let song = lanterns;
  let kept: Kept = NOTHING_KEPT;
  return edits.map((edit) => {
    song = keepIdentity(song, structuredClone(applyEdit(song, edit)));
    const arrangement = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
    const sent = structuredClone(packed(arrangement, kept.numbers));
    kept = unpacked(sent, kept);
    return { sent, kept, arrangement };
  });
}

describe('arrangements between worker and interface', () => {
  const pin = { changeId: 'c2', keys: [48, 53, 57], fingers: null };
  const trips = travel([
    { kind: 'rename', title: 'First' },
    { kind: 'choose', choices: { rung: 5 } },
    { kind: 'pin', pin },
    { kind: 'note-added', tick: 0, length: 480, pitch: { letter: 'E', alter: 0, octave: 5 } },
  ]);

  it('arrive whole, whatever was left out on the way', () => {
    for (const { kept, arrangement } of trips)
      expect(kept.came).toEqual(structuredClone(lightened(arrangement)));
  });

  it('bring only what an edit altered', () => {
    const heavy = trips.map(({ sent }) => [sent.played !== null, sent.changes.size > 0]);
    expect(heavy).toEqual([
      [true, true],
      [false, false],
      [false, true],
      [true, true],
    ]);
    // The chord pinned and the one after it; the same two where the part returns, and what else now lies otherwise.
    expect(trips[2].sent.changes.size).toBeLessThan(trips[0].sent.changes.size);
  });

  it('leave the interface the very objects it had', () => {
    const [first, rung, pinned] = trips.map(({ kept }) => kept.came);
    expect(rung.changes).toBe(first.changes);
    expect(pinned.played).toBe(first.played);
    expect(pinned.changes.filter((c, i) => c === first.changes[i]).length).toBeGreaterThan(0);
  });

  it('say so when something is missing', () => {
    const [, rung] = trips;
    expect(() => unpacked(rung.sent, NOTHING_KEPT)).toThrow(/left out/);
  });
});
