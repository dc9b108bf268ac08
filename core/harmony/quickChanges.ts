import { typeset } from '../music';
import { type Finding, lastAtOrBefore, type PlayedSong, type Profile } from '../song';
import { offers, says } from '../sentences';

/** A chord that lasts less than this (in seconds) is gone before the hand has found it. */
const QUICK_SECONDS: Record<Profile['experience'], number> = {
  'first-year': 0.9,
  'some-years': 0.55,
  fluent: 0.35,
};

/** Chords that pass too quickly, each with the offer to leave it out; in the first pass of a repeat only. */
export function quickChanges(played: PlayedSong, experience: Profile['experience']): Finding[] {
  return played.changes.flatMap((change): Finding[] => {
    // A chord that was chosen for want of given ones is as slow as the tune allows.
    if (!change.chord || change.id !== change.writtenId || !change.given) return [];
    const tempo = lastAtOrBefore(played.tempoMap, change.tick).quartersPerMinute;
    const seconds = (change.length / 960) * (60 / tempo);
    if (seconds >= QUICK_SECONDS[experience]) return [];
    const symbol = typeset(change.symbol);
    return [
      {
        kind: 'quick',
        tick: change.tick,
        says: [says.quick(symbol, seconds)],
        sameAs: 'quick',
        remedies: [{ offer: offers.leaveItOut(), edit: { kind: 'change-left-out', id: change.writtenId } }],
      },
    ];
  });
}
