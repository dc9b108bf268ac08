import { KEYBOARDS } from './music/keyboard';
import { nameOf, typeset } from './music/pitch';
import type { HandNote } from './joining/handNote';
import type { Finding } from './song/finding';
import type { Profile, Song } from './song/schema';
import type { PlayedSong } from './song/unfold';

/** What the song itself makes a pianist want to know: unreadable symbols, keys off the keyboard, import notes. */
export function arrangeFindings(
  { song, played, profile }: { song: Song; played: PlayedSong; profile: Profile },
  melody: readonly HandNote[],
): Finding[] {
  const unclear = played.changes
    .filter((change) => change.unclear !== null)
    .map((change): Finding => ({
      kind: 'unclear',
      tick: change.tick,
      text: `${change.unclear} The left hand rests here.`,
      remedies: ['Write the chord in another way', 'Leave it out'],
    }));
  const imported = song.imported.map(({ tick, text }): Finding => ({
    kind: 'imported',
    tick,
    text,
    remedies: [],
  }));
  return [...unclear, ...imported, ...offKeyboard(melody, profile)];
}

function offKeyboard(melody: readonly HandNote[], profile: Profile): Finding[] {
  const { low, high } = KEYBOARDS[profile.keyboard];
  const off = melody.filter((note) => note.midi < low || note.midi > high);
  if (off.length === 0) return [];
  const [first] = off;
  const more = off.length > 1 ? ` and ${off.length - 1} more` : '';
  return [
    {
      kind: 'keyboard',
      tick: first.tick,
      text: `${typeset(nameOf(first.pitch))}${more} of the melody lies off a keyboard of ${profile.keyboard} keys.`,
      remedies: [first.midi < low ? 'Play this part an octave higher' : 'Play this part an octave lower'],
    },
  ];
}
