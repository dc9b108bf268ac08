import { costOfFingers, keyOfPin } from '../fingering';
import type { Hand, HandNote } from '../hands';
import { applyEdit, type Profile, type Song, type SongEdit } from '../song';
import { arrange } from './song';

/** A finger a key could be played with, and what that comes to when the part is solved round it. */
export interface OtherFinger {
  readonly finger: number;
  /** Points more than the fingers now played, by the measure they are chosen by; less than 0 where a pin costs more. */
  readonly extra: number;
  /** Other keys of the part that change their fingers with it. */
  readonly others: number;
  /** The part's keys of that hand with their fingers, in time: "C4 1" … as they would be. */
  readonly fingers: readonly number[];
  readonly edit: SongEdit;
}

/** Where a key is: its part by index, its hand, played tick and MIDI number. */
export interface KeyPlace {
  readonly part: number;
  readonly hand: Hand;
  readonly tick: number;
  readonly midi: number;
}

/**
 * The fingers a key could have, the cheapest first, each with the rest of its part solved anew; a finger that the other
 * keys struck with it leave no room for is left out. Empty for a key that is not there.
 */
export function otherFingers(song: Song, profile: Profile, place: KeyPlace): OtherFinger[] {
  const now = arrange(song, profile);
  const own = now.arranged[place.part]?.[place.hand] ?? [];
  const isIt = ({ tick, midi }: HandNote): boolean => tick === place.tick && midi === place.midi;
  const note = own.find(isIt);
  if (!note) return [];
  const reach = place.hand === 'right' ? profile.rightReach : profile.leftReach;
  const { thumb } = now.parts[place.part].choices;
  const cost = costOfFingers(own, place.hand, reach, thumb);
  return [1, 2, 3, 4, 5]
    .flatMap((finger): OtherFinger[] => {
      const edit: SongEdit = { kind: 'finger-pinned', pin: { ...keyOfPin(note, now.played), finger } };
      const notes = arrange(applyEdit(song, edit), profile).arranged[place.part]?.[place.hand] ?? [];
      if (notes.find(isIt)?.finger !== finger) return [];
      const others = notes.filter((other, i) => !isIt(other) && other.finger !== own[i]?.finger).length;
      const extra = costOfFingers(notes, place.hand, reach, thumb) - cost;
      return [{ finger, extra, others, fingers: notes.map((n) => n.finger ?? 0), edit }];
    })
    .sort((a, b) => a.extra - b.extra);
}
