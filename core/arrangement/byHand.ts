import { type Hand, lineOfRight } from '../hands';
import { asPlayedNow, ownBarsId } from '../own';
import { partIndexAt } from '../parts';
import { lastAtOrBefore, type OwnBars, ownBarsIn, type PlayedBar, within, writtenBars } from '../song';
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
interface Asked {
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
  const { hand, how } = asked;
  const bars = together(played.bars.filter(({ number }) => number >= asked.fromBar && number <= asked.toBar));
  if (bars.length === 0) return null;
  const [first, last] = [bars[0], bars[bars.length - 1]];
  const [fromTick, toTick] = [first.tick, last.tick + last.length];
  const comesBack = played.bars.some((bar) => bar.written === first.written && bar.pass !== first.pass);
  // Bars that are played once have no other time.
  const pass = asked.isThisTime && comesBack ? first.pass : null;
  const isMine = (own: OwnBars): boolean => own.hand === hand && own.how === how && own.pass === pass;
  const written = played.ownBars.findLast(
    (own) => isMine(own) && own.tick <= fromTick && own.tick + own.length >= toTick,
  );
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
          .map(({ tick, length, pitch, grace, touch }) => ({
            after: tick - fromTick,
            length: Math.min(length, toTick - tick),
            pitch,
            ...(grace ? { grace: true as const } : {}),
            ...(touch ? { touch } : {}),
          }));
  const { tick } = writtenBars(song).find(({ number }) => number === first.written) ?? first;
  const place = { hand, tick, length: toTick - fromTick, how, pass };
  return {
    own: { id: ownBarsId(place), ...place, notes },
    isWritten: Boolean(piece),
    fromTick,
    bars,
    comesBack,
  };
}

/** The numbers of other parts that play what is written there: they follow the one it is written in. */
export function alsoPlayedIn({ own, fromTick }: ByHand, { parts, ...hands }: Arrangement): number[] {
  const model = parts[partIndexAt(parts, fromTick)];
  return parts
    .filter((part) => {
      if (part.sharesWith !== model.number) return false;
      const from = part.fromTick + fromTick - model.fromTick;
      return within(hands[own.hand], from, from + own.length).some(({ source }) => source === 'own');
    })
    .map(({ number }) => number);
}

/** The left hand doubles the tune below this key: E4. */
const DOUBLED_BELOW = 64;

/** The bars with the tune once more, as few octaves below as lie under middle E; null where no tune is played. */
export function doubled({ own, fromTick }: ByHand, { right }: Arrangement): OwnBars | null {
  const end = fromTick + own.length;
  const tune = lineOfRight(within(right, fromTick, end));
  if (tune.length === 0) return null;
  const highest = tune.reduce((most, { midi }) => Math.max(most, midi), 0);
  const octaves = Math.max(1, Math.ceil((highest - DOUBLED_BELOW) / 12));
  const notes = tune.map(({ tick, length, pitch }) => ({
    after: tick - fromTick,
    length: Math.min(length, end - tick),
    pitch: { ...pitch, octave: pitch.octave - octaves },
  }));
  return { ...own, notes };
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
