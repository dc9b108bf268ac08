import type { Hand } from '../hands';
import { asPlayedNow } from '../own';
import { lastAtOrBefore, type OwnBars, ownBarsIn, type PlayedBar, writtenBars } from '../song';
import type { Arrangement } from './arrangement';

/** So many bars that were written together are changed together. */
const MOST_TOGETHER = 8;

/** Bars of one hand as they can be changed by hand. */
export interface ByHand {
  /** What is written there; where nothing is yet, what is played there, ready to be written. */
  readonly own: OwnBars;
  readonly isWritten: boolean;
  /** Where it is played, in played ticks. */
  readonly fromTick: number;
  readonly bars: readonly PlayedBar[];
  /** The same written bars are played at another time too. */
  readonly comesBack: boolean;
}

/** What is asked for: a hand, bars by their played numbers, and whether it is for this time alone. */
export interface Asked {
  readonly hand: Hand;
  readonly how: OwnBars['how'];
  readonly fromBar: number;
  readonly toBar: number;
  readonly isThisTime: boolean;
}

/**
 * The bars that are asked for, as far as they follow one another on paper; those of all that was written together where
 * they lie within it. Null where there is no such bar.
 */
export function byHand(arrangement: Arrangement, asked: Asked): ByHand | null {
  const { song, played } = arrangement;
  const { hand, how, isThisTime } = asked;
  const bars = together(played.bars.filter(({ number }) => number >= asked.fromBar && number <= asked.toBar));
  if (bars.length === 0) return null;
  const [first, last] = [bars[0], bars[bars.length - 1]];
  const [fromTick, toTick] = [first.tick, last.tick + last.length];
  const isMine = (own: OwnBars): boolean =>
    own.hand === hand && own.how === how && own.pass === (isThisTime ? first.pass : null);
  const written = played.ownBars.findLast(
    (own) => isMine(own) && own.tick <= fromTick && own.tick + own.length >= toTick,
  );
  const comesBack = played.bars.some((bar) => bar.written === first.written && bar.pass !== first.pass);
  const stored = written && song.ownBars.find(({ id }) => id === written.id);
  const all = written && barsOf(played.bars, written);
  // What was cut where the music jumps is written anew, and so are bars of what goes on for long: a score as written.
  if (stored && all && all.length <= MOST_TOGETHER && stored.length === written.length) {
    const notes = asPlayedNow(written, played).notes;
    return {
      own: { ...stored, notes },
      isWritten: true,
      fromTick: written.tick,
      bars: all,
      comesBack,
    };
  }
  const piece = written && ownBarsIn(written, fromTick, toTick);
  const notes = piece
    ? asPlayedNow(piece, played).notes
    : how === 'beside'
      ? []
      : arrangement[hand]
          .filter(({ tick }) => tick >= fromTick && tick < toTick)
          .map(({ tick, length, pitch, grace }) => ({
            after: tick - fromTick,
            length: Math.min(length, toTick - tick),
            pitch,
            ...(grace ? { grace: true as const } : {}),
          }));
  const { tick } = writtenBars(song).find(({ number }) => number === first.written) ?? first;
  const own: OwnBars = {
    id: freshId(song.ownBars),
    hand,
    tick,
    length: toTick - fromTick,
    how,
    pass: isThisTime ? first.pass : null,
    notes,
  };
  return { own, isWritten: piece !== undefined && piece !== null, fromTick, bars, comesBack };
}

/** Whether its notes follow their chords. */
export function followsChords({ notes }: OwnBars): boolean {
  return notes.some(({ over }) => over !== undefined);
}

/** The same notes, following the chords that stand there now, or keeping their keys. */
export function following({ own, fromTick }: ByHand, { played }: Arrangement, follows: boolean): OwnBars {
  const notes = own.notes.map(({ over: _before, ...note }) => {
    if (!follows || played.changes.length === 0) return note;
    return { ...note, over: lastAtOrBefore(played.changes, fromTick + note.after).symbol };
  });
  return { ...own, notes };
}

/** Bars that follow one another on paper as well, from the first on. */
function together(bars: readonly PlayedBar[]): readonly PlayedBar[] {
  const end = bars.findIndex((bar, i) => i > 0 && bar.written !== bars[i - 1].written + 1);
  return end < 0 ? bars : bars.slice(0, end);
}

/** The bars own bars last; null where they do not begin and end with a bar. */
function barsOf(
  bars: readonly PlayedBar[],
  { tick, length }: Pick<OwnBars, 'tick' | 'length'>,
): readonly PlayedBar[] | null {
  const inside = bars.filter((bar) => bar.tick >= tick && bar.tick + bar.length <= tick + length);
  const whole = inside.reduce((sum, bar) => sum + bar.length, 0);
  return whole === length ? inside : null;
}

function freshId(list: readonly OwnBars[]): string {
  const numbers = list.map(({ id }) => Number(/^o(\d+)$/.exec(id)?.[1] ?? 0));
  return `o${1 + Math.max(0, ...numbers)}`;
}
