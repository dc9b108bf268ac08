import { divides, type Phrase } from '../sentences';
import type { PlayedNote } from '../song';
import { STRENGTH } from './boundary';

type Note = PlayedNote;

/** What the words say of a line that ends and one that begins. */
export function lineReasons(
  before: Note,
  note: Note,
  capitalsMean: boolean,
): [points: number, reason: Phrase][] {
  const reasons: [number, Phrase][] = [];
  const mark = /[,.;:!?…]$/.exec(before.lyric?.text ?? '')?.[0];
  const begins = capitalsMean && startsLine(note);
  if (mark === ',' && !begins) reasons.push([STRENGTH.comma, divides.comma()]);
  else if (mark) reasons.push([STRENGTH.endOfLine, divides.lineEnds()]);
  if (begins) reasons.push([STRENGTH.capital, divides.lineBegins()]);
  return reasons;
}

/** A capital begins a line, but "I" is written so anywhere. */
function startsLine({ lyric }: Note): boolean {
  const begins = lyric?.syllabic === 'single' || lyric?.syllabic === 'begin';
  return begins && /^\p{Lu}/u.test(lyric.text) && !/^I(['’]|$)/.test(lyric.text);
}

/** In a language that writes every noun with a capital (or in words all in capitals) capitals tell no lines. */
const MOST_CAPITALS = 0.3;

export function doCapitalsMean(notes: readonly Note[]): boolean {
  const words = notes.filter((note) => note.lyric?.syllabic === 'single' || note.lyric?.syllabic === 'begin');
  return words.filter(startsLine).length <= MOST_CAPITALS * words.length;
}
