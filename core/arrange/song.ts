import { type ArrangedChange, type Arrangement } from '../arrangement';
import { type Effort, effortOf } from '../effort';
import { fillIn, walkIdOf } from '../fills';
import { fixedFingers, withFingers } from '../fingering';
import { type HandNote, inTime } from '../hands';
import { degreeOf } from '../harmony';
import {
  bumpsBetween,
  choicesAt,
  handsForSinging,
  leftHand,
  meetingOf,
  meetingsOf,
  NO_RELATIONS,
  relateHands,
  rightHand,
  rubFindings,
} from '../joining';
import { keyName, rememberLast } from '../music';
import { type Part, partIndexAt, partsOf, twinsOf } from '../parts';
import { Clock, perform, type Timeline } from '../performance';
import { withRhythms } from '../rhythm';
import { findingId, type PlayedSong, type Profile, type Song, unfold } from '../song';
import { keysInPlace, type VoicedChange, type VoicedSong, voiceParts, type Voicing } from '../voicing';
import { arrangeFindings } from './songFindings';

export interface ArrangeOptions {
  /** Leave the fingers out: for measuring. */
  readonly withoutFingers?: boolean;
  /** Work out the hands of this part (by index) first and yield it before the rest. */
  readonly firstPart?: number;
}

/** The whole pipeline in one go. */
export function arrange(song: Song, profile: Profile, options: ArrangeOptions = {}): Arrangement {
  const slices = arrangeInSlices(song, profile, options);
  for (;;) {
    const slice = slices.next();
    if (slice.done) return slice.value;
  }
}

/**
 * The pipeline in slices, so that a newer job can win between them: song → parts → voicing → hands → fills →
 * fingers → performance. Yields the part asked for as soon as it is right, and null between other stages.
 */
export function* arrangeInSlices(
  song: Song,
  profile: Profile,
  options: ArrangeOptions = {},
): Generator<Arrangement | null, Arrangement> {
  const written = unfoldOnce(song);
  const parts = partsOf(song, written);
  const played = rhythmsOnce(written, parts);
  yield null;
  const voiced = voiceParts(song, profile, played, parts);
  const changes = describeChanges(played, voiced);
  yield null;
  const stage: Stage = { song, profile, played, parts, voiced, changes, options };
  const { firstPart } = options;
  if (firstPart !== undefined && parts[firstPart]) yield finish(stage, [firstPart], firstPart);
  return finish(
    stage,
    parts.map((_, i) => i),
    null,
  );
}

/** Unfolding looks at nothing a pianist chooses: it is remembered as long as notes, changes and maps are the same. */
const unfoldFields = rememberLast(
  (
    melody: Song['melody'],
    changes: Song['changes'],
    words: Song['words'],
    sections: Song['sections'],
    keyMap: Song['keyMap'],
    metreMap: Song['metreMap'],
    tempoMap: Song['tempoMap'],
    playingOrder: Song['playingOrder'],
    pickup: number,
    barCount: number,
  ) =>
    unfold({ melody, changes, words, sections, keyMap, metreMap, tempoMap, playingOrder, pickup, barCount }),
);

function unfoldOnce(song: Song): PlayedSong {
  const { melody, changes, words, sections, keyMap, metreMap, tempoMap, playingOrder, pickup, barCount } =
    song;
  return unfoldFields(
    melody,
    changes,
    words,
    sections,
    keyMap,
    metreMap,
    tempoMap,
    playingOrder,
    pickup,
    barCount,
  );
}

/** Rhythm versions look only at the rhythms chosen: remembered, so that later stages meet the same song again. */
let lastRhythms: {
  readonly written: PlayedSong;
  readonly chosen: string;
  readonly played: PlayedSong;
} | null = null;

function rhythmsOnce(written: PlayedSong, parts: readonly Part[]): PlayedSong {
  const chosen = parts.map((part) => `${part.fromTick}:${part.choices.rhythm}`).join();
  if (lastRhythms?.written !== written || lastRhythms.chosen !== chosen)
    lastRhythms = { written, chosen, played: withRhythms(written, parts) };
  return lastRhythms.played;
}

interface Stage {
  readonly song: Song;
  readonly profile: Profile;
  readonly played: PlayedSong;
  readonly parts: readonly Part[];
  readonly voiced: VoicedSong;
  readonly changes: readonly ArrangedChange[];
  readonly options: ArrangeOptions;
}

/**
 * Remembered: a new rung mostly leaves every chord as it is and a pin most of them; those keep their identity, so that
 * nothing of them needs to travel to the interface.
 */
const describeChanges = (() => {
  let last: { readonly played: PlayedSong; readonly changes: readonly ArrangedChange[] } | null = null;
  return rememberLast((played: PlayedSong, { voiced }: VoicedSong): readonly ArrangedChange[] => {
    const before = last?.played === played ? last.changes : [];
    const changes = voiced.map((v, i) => {
      const old = before[i];
      if (old && isAsBefore(old, v) && areSameKeys(before[i - 1]?.voicing, voiced[i - 1]?.voicing))
        return old;
      return describeChange(played, voiced, i);
    });
    last = { played, changes };
    return changes;
  });
})();

function describeChange(played: PlayedSong, voiced: VoicedSong['voiced'], i: number): ArrangedChange {
  const v = voiced[i];
  const around = { before: voiced[i - 1]?.chord, afterNext: voiced[i + 2]?.chord };
  return {
    ...v,
    degree: degreeOf(v.chord, voiced[i + 1]?.chord ?? null, v.key, around),
    meeting: meetingOf(played, v),
  };
}

/** Whether a change of the same song is voiced as before; all else of it follows from that and the chord before. */
function isAsBefore(old: VoicedChange, now: VoicedChange): boolean {
  const ofItself = ['change', 'chord', 'layout'] as const;
  const ofChoice = ['fixedBy', 'closeHands', 'relaxed', 'couldLetGo', 'length'] as const;
  return (
    [...ofItself, ...ofChoice].every((field) => old[field] === now[field]) &&
    keyName(old.key) === keyName(now.key) &&
    areSameKeys(old.voicing, now.voicing) &&
    areSameKeys(old.nextBest?.voicing, now.nextBest?.voicing) &&
    old.nextBest?.extra === now.nextBest?.extra
  );
}

function areSameKeys(a: Voicing | undefined, b: Voicing | undefined): boolean {
  return a === b || (a !== undefined && a.keys.join() === b?.keys.join());
}

/** Joins the hands of the parts named, adds fills, fingers and the performance. */
function finish(stage: Stage, wanted: readonly number[], onlyPart: number | null): Arrangement {
  const { song, profile, played, parts, voiced, changes } = stage;
  const isSung = (tick: number): boolean => parts[partIndexAt(parts, tick)].choices.layout === 'singing';
  const melody = rightHand(played, parts, voiced.raisedParts).filter((note) => !isSung(note.tick));
  const inWanted = (tick: number): boolean => onlyPart === null || partIndexAt(parts, tick) === onlyPart;
  const longestNote = melody.reduce((most, note) => Math.max(most, note.length), 0);
  const twins = twinsOf(parts, played.changes);
  const task = { song, played, parts, profile, voiced, melody, longestNote, twins };
  const hands = wanted.map((index) =>
    parts[index].choices.layout === 'singing' ? handsForSinging(task, index) : leftHand(task, index),
  );
  const right = inTime([
    ...(onlyPart === null ? melody : melody.filter((note) => inWanted(note.tick))),
    ...hands.flatMap((hand) => hand.right ?? []),
  ]);
  const declined = new Set(song.fillsDeclined);
  const filled = fillIn(
    { played, profile, longestNote, melody, partStarts: new Set(parts.map((part) => part.fromTick)) },
    voiced.voiced.filter((v) => inWanted(v.change.tick) && !isSung(v.change.tick)),
    inTime(hands.flatMap((hand) => hand.notes)),
    (tick) => choicesAt(parts, tick).rung === 7,
    (walkId, changeId) => declined.has(walkId) || declined.has(walkIdOf(twins.get(changeId) ?? changeId)),
  );
  const fingered = fingerBoth(stage, right, filled.left, twins);
  const findings = [
    ...arrangeFindings(stage, melody),
    ...rubFindings(played, voiced.voiced),
    ...voiced.findings,
    ...hands.flatMap((hand) => hand.findings),
    ...bumpsBetween(fingered.right, fingered.left, {
      parts,
      changeOf: (id) => voiced.voiced.find((v) => v.change.id === id),
      lowerKeys: ({ chord, voicing }, ceiling) => {
        const keys = keysInPlace(chord, voicing.keys, ceiling, profile);
        return keys.length > 0 ? keys : null;
      },
    }),
  ]
    .filter((finding) => !song.dismissed.includes(findingId(finding)))
    .sort((a, b) => a.tick - b.tick);
  return {
    song,
    profile,
    played,
    parts,
    changes,
    raisedParts: [...voiced.raisedParts],
    ...fingered,
    meetings: meetingsOf(played, fingered.right, fingered.left),
    fills: filled.fills,
    efforts: efforts(stage, fingered.right, fingered.left),
    relations: onlyPart === null ? relateHands(played, parts, fingered) : NO_RELATIONS,
    findings,
    timeline: timelineOf({ song, played, parts, ...fingered }),
    onlyPart,
  };
}

/** The performance of an arrangement: for those who got it without. */
export function timelineOf({
  song,
  played,
  parts,
  right,
  left,
}: Pick<Arrangement, 'song' | 'played' | 'parts' | 'right' | 'left'>): Timeline {
  return perform({ song, played, right, left, choicesAt: (tick) => choicesAt(parts, tick) });
}

function fingerBoth(
  stage: Stage,
  right: readonly HandNote[],
  left: readonly HandNote[],
  twins: ReadonlyMap<string, string>,
): Pick<Arrangement, 'right' | 'left'> {
  if (stage.options.withoutFingers) return { right, left };
  const { song, profile, played } = stage;
  const fixed = fixedFingers(song, played, twins);
  const starts = new Set(stage.parts.map((part) => part.fromTick));
  return {
    right: withFingers(right, 'right', profile.rightReach, starts, fixed),
    left: withFingers(left, 'left', profile.leftReach, starts, fixed),
  };
}

function efforts(stage: Stage, right: readonly HandNote[], left: readonly HandNote[]): Effort[] {
  const { parts, played, profile, song } = stage;
  const clock = new Clock(played.tempoMap, song.feel);
  const [rights, lefts] = [split(right, parts), split(left, parts)];
  return parts.map((part, i) =>
    effortOf({
      right: rights[i],
      left: lefts[i],
      seconds: clock.secondsAt(part.toTick) - clock.secondsAt(part.fromTick),
      bars: part.toBar - part.fromBar + 1,
      profile,
    }),
  );
}

function split(notes: readonly HandNote[], parts: readonly Part[]): HandNote[][] {
  const lists: HandNote[][] = parts.map(() => []);
  for (const note of notes) lists[partIndexAt(parts, note.tick)].push(note);
  return lists;
}
