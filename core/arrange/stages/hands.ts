import { handsForSinging, leftHand, type PartHands, type PartTask, withRolls } from '../../joining';
import {
  type Harmonised,
  isIn,
  NOTHING_WRITTEN,
  rolledFindings,
  withHarmony,
  withWritten,
  type Written,
} from '../../own';
import { type HandNote, inTime } from '../../hands';
import { levelOf } from '../../levels';
import { keyName, symbolOf } from '../../music';
import type { PartToPlay } from '../../parts';
import { barsIn, keyAt, within } from '../../song';
import type { PartMaterial, SongContext } from '../context';
import { changeIndex } from '../../arrangement';
import { keptHands } from '../settled';
import { rootsOfSong } from './roots';
import { sungWords, windowOf } from '../windows';
import { type ByPart, once } from './byPart';

/** First stage: what each part plays beside the melody: chords and patterns, or bass and chords under a singer. */
export function handsStage(context: SongContext): ByPart<PartHands> {
  const { song, profile, played, material, melody, longestNote, twins, styled } = context;
  const made = context.memory.of<PartHands>('hands');
  const strikesMade = context.memory.of<PartTask['styled']>('styled in part');
  const withOwn = context.memory.of<PartHands>('hands, own bars');
  const harmonised = new Map(
    played.melody.flatMap((note) =>
      note.harmony ? [[note.id, { ...note, harmony: note.harmony }] as const] : [],
    ),
  );
  const words = sungWords(played);
  const roots = rootsOfSong(context);
  const rests = context.shape.phrases.flatMap((phrase) => (phrase.rests ? [{ tick: phrase.toTick }] : []));
  const rootsMade = context.memory.of<ReadonlyMap<string, number>>('roots in part');
  const restsMade = context.memory.of<readonly number[]>('rests in part');
  const inFull = new Set(song.thinningRefused);
  return once((index) => {
    const { toPlay: part, voiced, settled, written } = material[index];
    const kept = settled && keptHands(settled, played);
    // A part that is learned has stored what was written for it.
    if (kept) return made(part.cutId, [settled, played.melody, played.changes], () => kept);
    const until = voiced.reduce((end, v) => Math.max(end, v.change.tick + v.length), part.toTick);
    const ids = voiced.map((v) => v.change.id);
    const following = context.changes[changeIndex(context.changes, part.toTick)];
    const restsIn = within(rests, part.fromTick, until + 1).map(({ tick }) => tick);
    const task = {
      part,
      profile,
      voiced,
      melody: windowOf(melody, part.fromTick, until, longestNote),
      longestNote,
      bars: barsIn(played.bars, part.fromTick, until),
      words: within(words, part.fromTick, until),
      restsAt: restsMade(part.cutId, [restsIn.join()], () => restsIn),
      roots: rootsMade(
        part.cutId,
        [ids.map((id) => `${id} ${roots.get(id) ?? ''}`).join()],
        () =>
          new Map(
            ids.flatMap((id) => {
              const root = roots.get(id);
              return root === undefined ? [] : [[id, root] as const];
            }),
          ),
      ),
      nextRoot: levelOf(part.choices).isMoving ? (roots.get(following?.change.id ?? '') ?? null) : null,
      songEnd: played.endTick,
      ownPatterns: song.patterns,
      styled: strikesMade(
        part.cutId,
        [JSON.stringify(ids.map((id) => styled.get(id)))],
        () =>
          new Map(
            ids.flatMap((id) => {
              const own = styled.get(id);
              return own ? [[id, own] as const] : [];
            }),
          ),
      ),
      playedInFull: ids.filter((id) => inFull.has(id) || inFull.has(twins.get(id) ?? '')),
    };
    const { words: sung, ...rest } = task;
    const hands = made(part.cutId, [...Object.values(rest), JSON.stringify(sung)], () =>
      isSung(part) ? handsForSinging(task) : leftHand(task),
    );
    const isWritten = written !== NOTHING_WRITTEN;
    const tune = material[index].melody;
    const isGiven = harmonised.size > 0 && tune.some(({ from }) => harmonised.has(from));
    if (!isWritten && !isGiven) return hands;
    const given = isGiven ? givenIn(tune, harmonised, context) : [];
    const over = given.map(({ chord, key }) => `${chord ? symbolOf(chord) : ''} ${keyName(key)}`).join();
    return withOwn(part.cutId, [hands, written, isGiven ? tune : null, over, profile], () => {
      const fuller = isGiven ? withGivenHarmony(hands, given, profile) : hands;
      return isWritten ? withWrittenHands(fuller, part, written, profile) : fuller;
    });
  });
}

/** The notes of a part's tune that were given harmony notes, or none, with what sounds there. */
function givenIn(
  tune: readonly HandNote[],
  harmonised: ReadonlyMap<string, Harmonised['written']>,
  { played, changes }: SongContext,
): Harmonised[] {
  return tune.flatMap((struck): Harmonised[] => {
    const written = harmonised.get(struck.from);
    if (!written || struck.grace) return [];
    const { chord } = changes.findLast(({ change }) => change.tick <= struck.tick) ?? { chord: null };
    return [{ struck, written, chord, key: keyAt(played, struck.tick) }];
  });
}

/** These fills take the place of those their level gives them. */
function withGivenHarmony(
  { notes, right, findings }: PartHands,
  given: readonly Harmonised[],
  profile: SongContext['profile'],
): PartHands {
  const own = withHarmony(given, profile);
  const ids = new Set(given.map(({ struck }) => struck.from));
  const rest = right.filter(({ source, from }) => source !== 'harmony' || !ids.has(from));
  const isThere = (note: HandNote): boolean =>
    rest.some(({ tick, midi }) => tick === note.tick && midi === note.midi);
  const beside = own.beside.filter((note) => !isThere(note));
  return { notes, right: inTime([...rest, ...beside]), findings: [...findings, ...own.findings] };
}

/** The hands of a part with what the pianist wrote for them; what is said of keys that are not played is left unsaid. */
function withWrittenHands(
  { notes, right, findings }: PartHands,
  { fromTick, toTick }: PartToPlay,
  written: Written,
  profile: SongContext['profile'],
): PartHands {
  const left = withRolls(withWritten(notes, written.left, fromTick, toTick), profile.leftReach);
  const beside = withRolls(withWritten(right, written.right, fromTick, toTick), profile.rightReach);
  const said = findings.filter(({ tick }) => !isIn(written.left.closed, tick));
  return {
    notes: left,
    right: beside,
    findings: [...said, ...rolledFindings(left), ...rolledFindings(beside)],
  };
}

/** Laid out for someone who sings: the melody is not played. */
export function isSung({ choices }: Pick<PartMaterial['toPlay'], 'choices'>): boolean {
  return choices.layout === 'singing';
}
