import type { ScoreNote } from './score';

/** Of the notes of a voice struck together the highest, with the words of any of them. */
export function topOfChords(notes: readonly ScoreNote[]): ScoreNote[] {
  const line: ScoreNote[] = [];
  for (const note of inOrder(notes)) {
    const last = line[line.length - 1];
    if (note.grace || !last || last.grace || last.tick !== note.tick) line.push(note);
    else {
      const higher = note.midi > last.midi ? note : last;
      const sung = last.lyric || last.verses ? last : note;
      line[line.length - 1] = { ...higher, lyric: sung.lyric, verses: sung.verses };
    }
  }
  return line;
}

/** Keys of a MIDI track may be held over one another, the notes of a written voice are not. */
export function hasOverlaps(notes: readonly ScoreNote[]): boolean {
  const line = inOrder(notes).filter((n) => !n.grace);
  return line.some(
    (n, i) => i > 0 && line[i - 1].tick < n.tick && line[i - 1].tick + line[i - 1].length > n.tick,
  );
}

/** The top line of several voices: a note under a higher one still sounding is left out, a higher one cuts in. */
export function skyline(notes: readonly ScoreNote[]): ScoreNote[] {
  const line: ScoreNote[] = [];
  for (const note of topOfChords(notes)) {
    const at = line.findLastIndex(({ grace }) => !grace);
    const last = line[at];
    const overlaps = last && last.tick + last.length > note.tick;
    // What leads in under a higher note belongs to an inner voice.
    const isUnder = overlaps && last.midi >= note.midi;
    if (isUnder && (note.grace || soundsOn(last, note))) continue;
    if (overlaps && !note.grace) line[at] = { ...last, length: note.tick - last.tick, tiedToNext: false };
    line.push(note);
  }
  return line;
}

/** A finger lifted late overlaps a little; a note held under or over another sounds on through half of it. */
function soundsOn(last: ScoreNote, note: ScoreNote): boolean {
  return last.tick + last.length - note.tick >= note.length / 2;
}

function inOrder(notes: readonly ScoreNote[]): ScoreNote[] {
  return [...notes].sort((a, b) => a.tick - b.tick || Number(b.grace) - Number(a.grace));
}
