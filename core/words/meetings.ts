import { type ArrangedChange, type Arrangement, changesIn } from '../arrangement';
import type { HandNote } from '../hands';
import { countAt } from '../joining';
import { classNameOf, typeset } from '../music';
import type { Part } from '../parts';
import { barAt, type PlayedBar, within } from '../song';
import { theBar } from '../sentences';
import { togetherInWords } from './explain';

/** What the left hand strikes, and the bars it does so in. */
export interface LeftPlayed {
  readonly left: readonly HandNote[];
  readonly bars: readonly PlayedBar[];
}

export function leftPlayed({ left, played: { bars } }: Arrangement): LeftPlayed {
  return { left, bars };
}

/** Where a chord is first struck, when its pattern leaves the beat it changes on to the tune; null where it is struck there. */
export function struckLate(
  { left, bars }: LeftPlayed,
  { change, meeting }: ArrangedChange,
): { readonly count: string; readonly bar: number; readonly after: string } | null {
  const own = within(left, change.tick, change.tick + change.length);
  const first = own.find(({ from, source }) => from === change.id && source !== 'fill');
  if (!first || first.tick === change.tick || first.rolled !== undefined) return null;
  const bar = barAt(bars, first.tick);
  const tune = meeting.note ? typeset(classNameOf(meeting.note.pitch)) : '';
  const name = meeting.syllable ? `“${meeting.syllable}”` : tune;
  return { count: countAt(bar, first.tick), bar: bar.number, after: name ? `after ${name}, ` : '' };
}

/** How a change meets the melody, and what the two are together where they are struck together. */
export function meetsInWords(arrangement: Arrangement, arranged: ArrangedChange): string {
  const strikes = leftPlayed(arrangement);
  const meets = meetingInWords(arranged, strikes, arrangement.played.melody.length > 0);
  if (struckLate(strikes, arranged)) return meets;
  return [meets, togetherInWords(arranged, arranged.meeting.note)].filter(Boolean).join(' ');
}

/** "A minor: Am with *boats* (A), on 1 of bar 3." One line for how a change meets the melody, where it is struck. */
export function meetingInWords(arranged: ArrangedChange, strikes: LeftPlayed, hasMelody = true): string {
  const { change, meeting } = arranged;
  const symbol = typeset(change.symbol);
  const late = struckLate(strikes, arranged);
  if (late) return `${symbol} ${late.after}first on ${late.count} of ${theBar(late.bar)}.`;
  const where = `on ${meeting.count} of ${theBar(meeting.bar)}`;
  if (!meeting.note)
    return meeting.syllable
      ? `${symbol} with “${meeting.syllable}”, ${where}.`
      : `${symbol} alone, ${where}${hasMelody ? ': the melody rests' : ''}.`;
  const letter = typeset(classNameOf(meeting.note.pitch));
  const sung = meeting.syllable ? `“${meeting.syllable}” (${letter})` : letter;
  if (meeting.how === 'struck') return `${symbol} with ${sung}, ${where}.`;
  const next = meeting.next ? typeset(classNameOf(meeting.next.pitch)) : null;
  return next
    ? `${symbol} under ${sung}, which is held: between ${letter} and ${next}, ${where}.`
    : `${symbol} under ${sung}, which is held, ${where}.`;
}

/** The meetings of a part to be said aloud: "G with “tide”, on 1; C with “at”, on 1; …". */
export function sayIt(arrangement: Arrangement, part: Part): string {
  const said = changesIn(arrangement.changes, part).map((arranged) => {
    const { change, meeting } = arranged;
    const symbol = typeset(change.symbol);
    const late = struckLate(leftPlayed(arrangement), arranged);
    if (late) return `${symbol} ${late.after}on ${late.count}`;
    if (!meeting.note)
      return `${symbol} ${meeting.syllable ? `with “${meeting.syllable}”` : 'alone'}, on ${meeting.count}`;
    const name = meeting.syllable ? `“${meeting.syllable}”` : typeset(classNameOf(meeting.note.pitch));
    const how = meeting.how === 'struck' ? `with ${name}` : `under ${name}`;
    return `${symbol} ${how}, on ${meeting.count}`;
  });
  return said.length === 0 ? '' : `${said.join('; ')}.`;
}
