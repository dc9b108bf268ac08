import { arrange, arrangeInSlices } from '@joined-hands/core/arrange';
import type { Arrangement } from '@joined-hands/core/arrangement';
import { applyEdit, DEFAULT_PROFILE, type Song, type SongEdit } from '@joined-hands/core/song';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { SongNumbers, SongsKnown } from './songs-known';
import { Receiver, Sender } from './travelling';

const [lanterns] = DEMO_SONGS;

/** One edit after another; what is sent is copied, as between threads. */
function travel(edits: readonly SongEdit[]) {
  const [numbers, known, sender, receiver] = [
    new SongNumbers(),
    new SongsKnown(),
    new Sender(),
    new Receiver(),
  ];
  let shown = lanterns;
  return edits.map((edit) => {
    const now = applyEdit(shown, edit);
    numbers.edited(shown, edit, now);
    shown = now;
    let message = structuredClone(numbers.message(now));
    let song = known.take(message);
    if (!song) song = known.take((message = structuredClone(numbers.message(now, true))));
    if (!song) throw new Error('The song did not arrive.');
    const parts: { sent: ReturnType<Sender['pack']>; came: Arrangement; made: Arrangement }[] = [];
    const slices = arrangeInSlices(song, DEFAULT_PROFILE, { firstPart: 1 });
    for (;;) {
      const slice = slices.next();
      if (slice.value) {
        const sent = structuredClone(sender.pack(slice.value));
        parts.push({ sent, came: receiver.unpack(sent, now, DEFAULT_PROFILE), made: slice.value });
      }
      if (slice.done) break;
    }
    return { message, parts, song, shown: now };
  });
}

/** All of an arrangement that is derived, as plain values. */
const plain = ({ changes, left, right, findings, meetings, fills, relations, parts, played }: Arrangement) =>
  structuredClone({ changes, left, right, findings, meetings, fills, relations, parts, played });

const pin = { changeId: 'c2', keys: [48, 53, 57], fingers: null };
const trips = travel([
  { kind: 'rename', title: 'First' },
  { kind: 'choose', choices: { level: 5 } },
  { kind: 'pin', pin },
  { kind: 'note-added', tick: 0, length: 480, pitch: { letter: 'E', alter: 0, octave: 5 } },
  { kind: 'dismissed', id: 'nothing' },
  { kind: 'choose', choices: { level: 4 } },
  { kind: 'choose', choices: { level: 5 } },
]);

describe('arrangements between worker and interface', () => {
  it('arrive whole, whatever was left out on the way: the part on screen, then the song', () => {
    for (const { parts, shown } of trips) {
      expect(parts.map(({ came }) => came.isPartial)).toEqual([true, false]);
      for (const { came, made } of parts) expect(plain(came)).toEqual(plain(made));
      expect(plain(parts[1].came)).toEqual(plain(arrange(structuredClone(shown), DEFAULT_PROFILE)));
    }
  });

  it('bring only what an edit altered', () => {
    const counts = trips.map(({ parts }) => parts.map(({ sent }) => sent.entities.size));
    const [first, level, pinned, , dismissed, , back] = counts;
    // Played song and its shape, six parts, all chords, relations, and each part worked out.
    expect(first[0] + first[1]).toBe(2 + 6 + lanterns.changes.length + 6 + 2);
    expect(level[0] + level[1]).toBeLessThan(first[0]);
    expect(pinned[0] + pinned[1]).toBeLessThan((first[0] + first[1]) * 0.6);
    // That no relations are known yet is all there is to say.
    expect(dismissed).toEqual([1, 0]);
    // So it is with what was there two arrangements ago.
    expect(back).toEqual([1, 0]);
  });

  it('leave the interface the very objects it had', () => {
    const [, , pinned, , dismissed] = trips.map(({ parts }) => parts[1].came);
    const [, level] = trips.map(({ parts }) => parts[1].came);
    expect(pinned.played).toBe(level.played);
    expect(pinned.changes.filter((c, i) => c === level.changes[i]).length).toBeGreaterThan(0);
    expect(pinned.arranged.filter((part, i) => part === level.arranged[i]).length).toBeGreaterThan(0);
    const before = trips[3].parts[1].came;
    expect(dismissed.changes).toBe(before.changes);
    expect(dismissed.arranged).toEqual(before.arranged);
    dismissed.arranged.forEach((part, i) => expect(part).toBe(before.arranged[i]));
  });

  it('show the effort of a part as it was until it has come', () => {
    const [first, level] = trips.map(({ parts }) => parts);
    expect(first[0].came.efforts[0]).toBeNull();
    expect(level[0].came.efforts[0]).toBe(first[1].came.efforts[0]);
    expect(level[0].came.efforts[1]).toBe(level[1].came.efforts[1]);
  });

  it('are remembered for three whole ones, and no longer: what is gone is missed', () => {
    const [sender, receiver] = [new Sender(), new Receiver()];
    const sent = [2, 3, 4, 5].map((level) => {
      const song = applyEdit(lanterns, { kind: 'choose', choices: { level } });
      return { song, message: structuredClone(sender.pack(arrange(song, DEFAULT_PROFILE))) };
    });
    const again = (): Arrangement => {
      const [{ song, message }] = sent;
      return receiver.unpack({ ...message, entities: new Map() }, song, DEFAULT_PROFILE);
    };
    for (const { song, message } of sent.slice(0, 3)) receiver.unpack(message, song, DEFAULT_PROFILE);
    expect(again().left).toHaveLength(arrange(sent[0].song, DEFAULT_PROFILE).left.length);
    for (const { song, message } of sent.slice(1)) receiver.unpack(message, song, DEFAULT_PROFILE);
    expect(again).toThrow(/left out/);
  });

  it('say so when something is missing', () => {
    const [, , pinned] = trips;
    expect(() => new Receiver().unpack(pinned.parts[1].sent, lanterns, DEFAULT_PROFILE)).toThrow(/left out/);
  });
});

describe('songs on their way to a worker', () => {
  it('go as an edit of the one before, the first one whole', () => {
    expect(trips.map(({ message }) => [message.edited !== null, message.whole !== null])).toEqual([
      [false, true],
      ...Array<boolean[]>(6).fill([true, false]),
    ]);
    for (const { song, shown } of trips) expect(song).toEqual(shown);
  });

  it('keep what an edit did not touch, and go back by number', () => {
    const [numbers, known] = [new SongNumbers(), new SongsKnown()];
    const take = (song: Song): Song | null => known.take(structuredClone(numbers.message(song)));
    const first = known.take(structuredClone(numbers.message(lanterns, true)));
    const renamed = applyEdit(lanterns, { kind: 'rename', title: 'Lamps' });
    numbers.edited(lanterns, { kind: 'rename', title: 'Lamps' }, renamed);
    expect(take(renamed)?.melody).toBe(first?.melody);
    expect(take(lanterns)).toBe(first);
    expect(take(applyEdit(lanterns, { kind: 'rename', title: 'Never sent' }))).toBeNull();
  });
});
