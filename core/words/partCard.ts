import { handsInWords } from './handsAgain';
import { type Arrangement, changesIn } from '../arrangement';
import { type HandNote, lineOfRight, strikesOf } from '../hands';
import { countAt } from '../joining';
import { besideBlacks, landmarkOf, typeset } from '../music';
import type { Part } from '../parts';
import { Clock } from '../performance';
import { barAt, within } from '../song';
import { firstHandOf } from './partLine';
import { handsThen } from './returning';
import { leftPlayed, struckLate } from './meetings';
import {
  barsInWords,
  differingInWords,
  lineInBar,
  relationInWords,
  shownNote,
  sungWords,
  typesetForm,
} from './walkthrough';
import { struckInWords } from './strikes';
import { capital } from './titles';

/** What a teacher would hand out for one part. */
interface PartCard {
  /** "Part 2 A′, Verse". */
  readonly title: string;
  readonly bars: string;
  /** How long it lasts at the song's own tempo. */
  readonly seconds: number;
  /** "A below middle C, with finger 2"; empty when the right hand is silent. */
  readonly firstKey: string;
  readonly lines: readonly CardLine[];
  /** What it is the same as; empty when it is new. */
  readonly relation: string;
  /** What each hand repeats on its own; empty when there is nothing to say. */
  readonly hands: string;
  /** What there is to learn that no earlier part had. */
  readonly isNew: string;
  /** What is learned first; null where one hand plays alone. */
  readonly order: Part['choices']['firstHand'] | null;
}

/** One bar of a card. */
export interface CardLine {
  /** Its number; 0 for the pick-up. */
  readonly bar: number;
  readonly letters: string;
  readonly counts: string;
  readonly words: string;
  /** Chords with the count they are struck on: "Dm on 1, G7 on 3". */
  readonly chords: string;
}

/** The card of a part, by its index. */
export function partCard(arrangement: Arrangement, index: number): PartCard {
  const { parts, played, song } = arrangement;
  const part = parts[index];
  const clock = new Clock(played.tempoMap, song.feel);
  const section = part.sectionName ? `, ${part.sectionName}` : '';
  return {
    title: `Part ${part.number} ${typesetForm(part.label)}${section}`,
    bars: barsInWords(part),
    seconds: clock.secondsAt(part.toTick) - clock.secondsAt(part.fromTick),
    firstKey: firstKeyOf(arrangement, part),
    lines: linesOf(arrangement, part),
    relation: relationInWords(part, handsThen(arrangement, index)),
    hands: handsInWords(arrangement.relations, index),
    isNew: newInWords(arrangement, index),
    order: firstHandOf(arrangement, index),
  };
}

function firstKeyOf({ right, profile }: Arrangement, part: Part): string {
  const [first] = tuneOf(within(right, part.fromTick, part.toTick));
  if (!first) return '';
  const landmark = profile.landmarks === 'black-keys' ? besideBlacks : landmarkOf;
  return `${landmark(shownNote(first, part).pitch)}${first.finger === null ? '' : `, with finger ${first.finger}`}`;
}

/** The tune without the keys struck beside it; in an accompaniment for singing, the chords. */
function tuneOf(right: readonly HandNote[]): readonly HandNote[] {
  const notes = right.filter((n) => !n.grace);
  const tune = lineOfRight(notes);
  return tune.length > 0 ? tune : notes;
}

function linesOf(arrangement: Arrangement, part: Part): CardLine[] {
  const { right, changes, played } = arrangement;
  const countOf = (c: (typeof changes)[number]): string =>
    struckLate(leftPlayed(arrangement), c)?.count ?? c.meeting.count;
  const inPart = within(right, part.fromTick, part.toTick);
  const tune = lineOfRight(inPart);
  const graces = inPart.filter(({ grace }) => grace);
  const chords = changesIn(changes, part);
  const bars = played.bars.filter((bar) => bar.tick < part.toTick && bar.tick + bar.length > part.fromTick);
  return bars.flatMap((bar): CardLine[] => {
    const strikes = strikesOf(within(inPart, bar.tick, bar.tick + bar.length));
    const own = tune.length > 0 ? within(tune, bar.tick, bar.tick + bar.length) : strikes.map(([low]) => low);
    const struck = within(
      chords.map(({ change }) => change),
      bar.tick,
      bar.tick + bar.length,
    );
    const letters =
      tune.length > 0 ? lineInBar(tune, graces, bar) : strikes.length > 0 ? struckInWords(strikes) : '';
    if (letters === '' && struck.length === 0) return [];
    const isPickup = bar.number === 0 || bar.tick < part.fromTick;
    return [
      {
        bar: isPickup ? 0 : bar.number,
        letters,
        counts: own.map((n) => countAt(barAt(played.bars, n.tick), n.tick)).join(', '),
        words: sungWords(own),
        chords: chords
          .filter(({ change }) => struck.includes(change))
          .map((c) => `${typeset(c.change.symbol)} on ${countOf(c)}`)
          .join(', '),
      },
    ];
  });
}

/** Bars and chords that no earlier part had, and what only the left hand has anew. */
function newInWords(arrangement: Arrangement, index: number): string {
  const { parts, changes } = arrangement;
  const part = parts[index];
  const symbolsIn = (p: Part): string[] => changesIn(changes, p).map((c) => typeset(c.change.symbol));
  const known = new Set(parts.slice(0, index).flatMap(symbolsIn));
  const fresh = [...new Set(symbolsIn(part))].filter((symbol) => !known.has(symbol));
  const chords =
    fresh.length === 0 ? '' : `${fresh.length === 1 ? 'the chord' : 'the chords'} ${fresh.join(', ')}`;
  const hasTune = within(arrangement.played.melody, part.fromTick, part.toTick).length > 0;
  const tune = hasTune ? freshMelody(part) : '';
  // Without a tune it is the chords that make a part a new one.
  const order = !hasTune && chords === '' && part.relation !== 'same' ? 'the order of the chords' : '';
  const all = [tune, chords, order, freshHand(arrangement, index)].filter(Boolean);
  return all.length === 0 ? 'Nothing: you know it already.' : `${capital(all.join(' and '))}.`;
}

/** Where melody and chords are those of an earlier part: the bars in which the left hand is as it never was, or the right hand. */
function freshHand(arrangement: Arrangement, index: number): string {
  const { relation, fromBar } = arrangement.parts[index];
  const hands = handsThen(arrangement, index);
  if (relation === 'same' && hands === 'right-differs') return 'the right hand';
  if (relation !== 'same' || hands !== 'differs') return '';
  const left = arrangement.relations.left[index];
  // Known from a part with another tune.
  if (left.relation === 'same') return 'the hands together';
  const bars = differingInWords({ differs: left.differs, fromBar });
  return bars === '' ? 'the left hand' : `the left hand in ${bars}`;
}

function freshMelody(part: Part): string {
  if (part.relation === 'new' || part.relation === 'rhythm') return 'the melody';
  if (part.relation === 'moved') return 'where the hand lies';
  return part.differs.length === 0 ? '' : differingInWords(part);
}
