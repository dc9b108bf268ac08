import { type HandNote, inTime } from '../hands';
import type { PartHands } from '../joining';
import { midiOf } from '../music';
import { type Song, onsetsOf, type PlayedSong } from '../song';

type Settled = Song['settled'][number];

/** What a settled part plays beside the melody, as it was stored; null where an older version stored none of it. */
export function keptHands({ keys }: Settled, played: PlayedSong): PartHands | null {
  if (!keys) return null;
  const onsets = onsetsOf(played);
  const notes = keys.flatMap(
    ({ hand, from, after, length, pitch, source, rolled, grace = false }): HandNote[] => {
      const onset = onsets.get(from);
      // What it came from is gone: a chord or note of the part itself was taken out.
      if (onset === undefined) return [];
      const note = { hand, tick: onset + after, length, midi: midiOf(pitch), pitch, source, from };
      return [{ ...note, ...(rolled === null ? {} : { rolled }), lyric: null, grace, finger: null }];
    },
  );
  return {
    notes: inTime(notes.filter((note) => note.hand === 'left')),
    right: inTime(notes.filter((note) => note.hand === 'right')),
    findings: [],
  };
}
