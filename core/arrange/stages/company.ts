import { changeIndex } from '../../arrangement';
import { closeUnder, type CompanyPlace, dressPhrase, type PhraseToDress } from '../../fuller';
import { type HandNote, inTime } from '../../hands';
import type { PartHands } from '../../joining';
import { levelOf } from '../../levels';
import { groupsOf, membersOf } from '../../music';
import { partIndexAt } from '../../parts';
import { Clock } from '../../performance';
import { restsAt, type ShapedPhrase, styleIn, styleOf } from '../../shaping';
import { barAt, BY_PHRASE, placeIn } from '../../song';
import type { SongContext } from '../context';
import { lasting } from '../windows';
import { type ByPart, once } from './byPart';
import { isSung } from './hands';

/** No note of the tune is dressed that is quicker, in seconds. */
const QUICKEST = 0.24;

/**
 * What the right hand has beside its tune where the pianist has chosen nothing: one manner a phrase, whatever parts it is cut
 * into. The hands of a part with it.
 */
export function companyStage(context: SongContext, handsOf: ByPart<PartHands>): ByPart<PartHands> {
  const { parts, shape, memory } = context;
  if (!parts.some((_, index) => isByPhrase(context, index))) return handsOf;
  const made = memory.of<PartHands>('hands with company');
  const byPhrase = phraseNotes(context, handsOf);
  // Notes that were given harmony notes of their own have those, and the others what they had.
  const given = new Set(context.played.melody.flatMap(({ id, harmony }) => (harmony ? [id] : [])));
  return once((index) => {
    const hands = handsOf(index);
    if (!isByPhrase(context, index)) return hands;
    const { cutId, fromTick, toTick } = parts[index];
    const lists = shape.phrases.flatMap((phrase, i) =>
      phrase.fromTick < toTick && phrase.toTick > fromTick ? [byPhrase(i)] : [],
    );
    return made(cutId, [hands, ...lists, fromTick, toTick, [...given].join()], () => {
      const own = lists
        .flat()
        .filter(({ tick, from }) => tick >= fromTick && tick < toTick && !given.has(from));
      return own.length === 0 ? hands : { ...hands, right: inTime([...hands.right, ...own]) };
    });
  });
}

/** A part in which the right hand is fuller as its phrases are. */
function isByPhrase({ parts, material }: SongContext, index: number): boolean {
  const { choices } = parts[index];
  return (
    levelOf(choices).rightHand === 'fuller' &&
    (choices.fuller ?? BY_PHRASE) === BY_PHRASE &&
    !isSung(parts[index]) &&
    !material[index].settled?.keys
  );
}

function phraseNotes(
  context: SongContext,
  handsOf: ByPart<PartHands>,
): (phrase: number) => readonly HandNote[] {
  const { parts, shape, material, played, profile, song, memory } = context;
  const made = memory.of<readonly HandNote[]>('company');
  const clock = new Clock(played.tempoMap, song.feel);
  return once((at) => {
    const phrase = shape.phrases[at];
    const first = partIndexAt(parts, phrase.fromTick);
    const last = partIndexAt(parts, Math.max(phrase.fromTick, phrase.toTick - 1));
    const inside = parts.map((_, i) => i).slice(Math.max(0, first - 1), last + 1);
    const hands = inside.map(handsOf);
    const from = [
      phrase,
      shape.proposed.style,
      ...inside.flatMap((i) => [
        material[i].melody,
        material[i].voiced,
        material[i].written,
        isByPhrase(context, i),
        parts[i].choices.style,
      ]),
      ...hands,
      played.bars,
      played.tempoMap,
      played.keyMap,
      played.endTick,
      song.feel.kind,
      profile,
    ];
    return made(String(phrase.fromTick), from, () => {
      const left = inTime(hands.flatMap(({ notes }) => notes));
      const beside = new Set(
        hands.flatMap(({ right }) =>
          right.flatMap(({ source, tick }) => (source === 'chord' || source === 'own' ? [tick] : [])),
        ),
      );
      const tune = inside
        .flatMap((i) => material[i].melody)
        .filter(({ tick, grace }) => !grace && tick >= phrase.fromTick && tick < phrase.toTick);
      const places = placesOf(context, {
        phrase,
        tune,
        left,
        beside,
        isFree: (tick) => isByPhrase(context, partIndexAt(parts, tick)),
        clock,
      });
      const seconds = places.map((place) => place.seconds).sort((a, b) => a - b);
      const { metre } = barAt(played.bars, phrase.barTick);
      const task: PhraseToDress = {
        phrase,
        places,
        style: styleOf(parts[first].choices.style ?? shape.proposed.style),
        medianSeconds: seconds[Math.floor(seconds.length / 2)] ?? 1,
        isInThree: groupsOf(metre)[0] === 3 || metre.numerator === 3,
        profile,
      };
      const { notes } = dressPhrase(task);
      const isLast = at === shape.phrases.length - 1;
      return isLast && !styleIn(parts[last], shape)?.closesOpen ? withClose(context, places, notes) : notes;
    });
  });
}

interface Around {
  readonly phrase: ShapedPhrase;
  readonly tune: readonly HandNote[];
  readonly left: readonly HandNote[];
  /** Where the right hand has keys beside the tune already. */
  readonly beside: ReadonlySet<number>;
  readonly isFree: (tick: number) => boolean;
  readonly clock: Clock;
}

function placesOf(
  { changes, played }: SongContext,
  { phrase, tune, left, beside, isFree, clock }: Around,
): CompanyPlace[] {
  const firstBar = played.bars.find(({ number }) => number === 1) ?? played.bars[0];
  return tune.flatMap((note, i): CompanyPlace[] => {
    const index = changeIndex(changes, note.tick + 1) - 1;
    const voiced = changes[index];
    if (!voiced || voiced.change.tick + voiced.length <= note.tick) return [];
    const { strength, beatTicks, inBeat } = placeIn(played.bars, note.tick);
    const end = note.tick + note.length;
    const next = tune[i + 1]?.tick ?? end;
    const seconds = clock.secondsAt(Math.min(next, end)) - clock.secondsAt(note.tick);
    const untilBeat = note.tick - inBeat + beatTicks;
    const sounding = lasting(left, note.tick, end);
    const struckAfter = left.filter(({ tick }) => tick >= note.tick && tick < untilBeat);
    const isLong = note.length >= 2 * beatTicks;
    const isStrong = strength >= 3 || (strength === 2 && note.length >= beatTicks) || isLong;
    const before = tune[i - 1];
    const isWeakAgain = !isStrong && before?.midi === note.midi;
    const isPickUp = note.tick < phrase.barTick;
    // What changes under a note it is held over is not known to suit it.
    const changesUnder = (changes[index + 1]?.change.tick ?? end) < end;
    const chords = membersOf(voiced.chord).filter(({ number }) => number === 3 || number === 7);
    const heard = new Set([
      ...lasting(left, voiced.change.tick, voiced.change.tick + voiced.length).map(({ midi }) => midi % 12),
      note.midi % 12,
    ]);
    return [
      {
        note,
        voiced,
        isStrong,
        isBare:
          note.tick < firstBar.tick + firstBar.length ||
          isPickUp ||
          isWeakAgain ||
          changesUnder ||
          seconds < QUICKEST ||
          beside.has(note.tick) ||
          !isFree(note.tick),
        seconds,
        under: sounding.map(({ midi }) => midi),
        near: struckAfter.map(({ midi }) => midi),
        bass: sounding.length > 0 ? Math.min(...sounding.map(({ midi }) => midi)) : null,
        missing: new Set(chords.map((member) => member.chroma).filter((one) => !heard.has(one))),
      },
    ];
  });
}

/** The last note of a song on top of two notes of its chord, where the hands close. */
function withClose(
  context: SongContext,
  places: readonly CompanyPlace[],
  notes: readonly HandNote[],
): readonly HandNote[] {
  const last = places.at(-1);
  const rest = last && restsAt(context, last.voiced);
  if (!last || last.isBare || rest === null || rest === undefined || last.note.tick < rest) return notes;
  const has = notes.filter(({ tick }) => tick === last.note.tick);
  if (has.length > 1) return notes;
  const close = closeUnder(last, context.profile);
  return close.length === 0 ? notes : [...notes.filter(({ tick }) => tick !== last.note.tick), ...close];
}
