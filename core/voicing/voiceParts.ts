import { type Part, partIndexAt } from '../parts/parts';
import { twinsOf } from '../parts/twins';
import type { CloseHands, Profile, Song } from '../song/schema';
import { type PlayedChange, type PlayedSong, keyAt } from '../song/unfold';
import { fitsUnder } from './findings';
import { type SolvedLayout, isUnderMelody } from './members';
import {
  type Alternative,
  type FixedKeys,
  type VoicedChange,
  type VoicedSong,
  type VoicingTask,
  alternativesAt,
  voice,
} from './voice';
import { DEFAULT_WEIGHTS, PURE_WEIGHTS } from './weights';

/** Layouts of two notes: on the third rung they stay, others become shells. */
const TWO_NOTES: readonly string[] = ['partial', 'shell', 'fifth'];
/** Half steps from the left hand's register to middle C. */
const SINGING_REGISTER = 5;

/**
 * Voices the song part by part's choices. Parts that share voicings are solved once: the whole song first, then
 * again with the later parts fixed to what the first of them got.
 */
export function voiceParts(
  song: Song,
  profile: Profile,
  played: PlayedSong,
  parts: readonly Part[],
): VoicedSong {
  const signature = signatureOf(song, profile, parts);
  if (last?.played === played && last.signature === signature) return last.result;
  const result = voiceFresh(song, profile, played, parts);
  last = { played, signature, result };
  return result;
}

/** Remembered while nothing a voicing depends on changes; a new rung often leaves every voicing as it is. */
let last: { readonly played: PlayedSong; readonly signature: string; readonly result: VoicedSong } | null =
  null;

function signatureOf(song: Song, profile: Profile, parts: readonly Part[]): string {
  const chosen = parts.map(({ fromTick, sharesWith, choices: c }) => [
    fromTick,
    sharesWith,
    c.rung === 2 || c.rung === 3 ? c.rung : 4,
    c.layout,
    c.register,
    c.octaveShift,
  ]);
  const { pins, closeHands, settled } = song;
  return JSON.stringify([chosen, pins, closeHands, settled, profile.leftReach, profile.keyboard]);
}

/** The same, remembering nothing: for trying layouts without losing what the song on screen has worked out. */
export function voiceFresh(
  song: Song,
  profile: Profile,
  played: PlayedSong,
  parts: readonly Part[],
): VoicedSong {
  const task = taskFor(song, profile, played, parts);
  return shareVoicings(task, parts, voice(task));
}

/** Ranked voicings for one change of the song, everything else solved round each. */
export function alternativesFor(
  song: Song,
  profile: Profile,
  played: PlayedSong,
  parts: readonly Part[],
  changeId: string,
): Alternative[] {
  const task = taskFor(song, profile, played, parts);
  return alternativesAt(task, changeId);
}

/** Least semitones the song could be played with under the same constraints, nothing shared and nothing else counted. */
export function optimumSemitones(
  song: Song,
  profile: Profile,
  played: PlayedSong,
  parts: readonly Part[],
): number {
  const task = { ...taskFor(song, profile, played, parts), weights: PURE_WEIGHTS, fixed: new Map() };
  return voice(task).voiced.reduce((sum, v) => sum + (v.step?.semitones ?? 0), 0);
}

function taskFor(song: Song, profile: Profile, played: PlayedSong, parts: readonly Part[]): VoicingTask {
  const partOf = (tick: number): number => partIndexAt(parts, tick);
  const choices = (change: PlayedChange): Part['choices'] => parts[partOf(change.tick)].choices;
  return {
    changes: played.changes,
    melody: played.melody
      .filter((note) => !note.grace && parts[partOf(note.tick)].choices.layout !== 'singing')
      .map((note) => ({ ...note, midi: note.midi + 12 * parts[partOf(note.tick)].choices.octaveShift })),
    profile,
    weights: DEFAULT_WEIGHTS,
    partOf,
    layoutOf: (change) => layoutOf(change, choices(change)),
    registerOf: (change) =>
      choices(change).register + (layoutOf(change, choices(change)) === 'singing' ? SINGING_REGISTER : 0),
    closeHandsOf: closeHandsOf(song, parts, played),
    keyAt: (tick) => keyAt(played, tick),
    fixed: fixedKeys(song, played, (change) => layoutOf(change, choices(change)) === 'bass'),
  };
}

function layoutOf(change: PlayedChange, choices: Part['choices']): SolvedLayout {
  if (choices.layout === 'singing') return 'singing';
  if (choices.rung === 2) return 'bass';
  const wanted = change.layout ?? choices.layout;
  if (choices.rung === 3) return TWO_NOTES.includes(wanted) ? wanted : 'shell';
  // A voice sings a whole part: for a single change the block is meant.
  return wanted === 'singing' ? 'block' : wanted;
}

/** What was chosen for a change holds wherever it is played, and at those that stand for it in parts that follow. */
function closeHandsOf(
  song: Song,
  parts: readonly Part[],
  played: PlayedSong,
): (change: PlayedChange) => CloseHands | null {
  if (song.closeHands.length === 0) return () => null;
  const chosen = new Map(song.closeHands.map(({ changeId, how }) => [changeId, how]));
  const writtenIds = new Map(played.changes.map((change) => [change.id, change.writtenId]));
  const twins = twinsOf(parts, played.changes);
  return ({ id, writtenId }) => {
    const own = chosen.has(writtenId) ? writtenId : writtenIds.get(twins.get(id) ?? '');
    return own === undefined ? null : (chosen.get(own) ?? null);
  };
}

/** Pins and settled voicings by played change; what is settled wins. A pin without "@" holds in every pass. */
function fixedKeys(
  song: Song,
  played: PlayedSong,
  isBassOnly: (change: PlayedChange) => boolean,
): Map<string, FixedKeys> {
  const settled = new Map(song.settled.flatMap((s) => s.voicings).map((v) => [v.changeId, v.keys]));
  const pinned = new Map(song.pins.map((pin) => [pin.changeId, pin.keys]));
  const fixed = new Map<string, FixedKeys>();
  for (const change of played.changes) {
    if (isBassOnly(change)) continue;
    const kept = settled.get(change.id);
    const keys = kept ?? pinned.get(change.id) ?? pinned.get(change.writtenId);
    if (keys) fixed.set(change.id, { keys, by: kept ? 'settled' : 'pin' });
  }
  return fixed;
}

/** Chords voiced at most (songs solved × their chords) to find what parts that are the same should share. */
const MOST_WORK = 6_000;
/** Rounds over all families of such parts. */
const ROUNDS = 2;

type Fixed = ReadonlyMap<string, FixedKeys>;

/**
 * Parts that are the same share one set of voicings. Which, is tried out: for each family of such parts the song is
 * solved with that family free, and what each of its parts was given is held against the others; the cheapest for the
 * whole song stays. A second round tries again with the other families' choices known.
 */
function shareVoicings(task: VoicingTask, parts: readonly Part[], free: VoicedSong): VoicedSong {
  const twins = twinsOf(parts, task.changes);
  const families = familiesOf(parts);
  const shared: Fixed[] = families.map(() => new Map());
  let trials = Math.floor(MOST_WORK / Math.max(1, task.changes.length));
  const solveWith = (own: Fixed, at: number): VoicedSong => {
    trials--;
    const others = shared.filter((_, i) => i !== at).flatMap((map) => [...map]);
    return voice({ ...task, fixed: new Map([...others, ...own, ...task.fixed]) });
  };
  // The first of each family decides where there is no time to try.
  families.forEach((family, at) => {
    shared[at] = sharedFrom(task, parts, twins, free, family, family[0]) ?? new Map<string, FixedKeys>();
  });
  let best = families.length === 0 ? free : solveWith(shared[0], 0);
  for (let round = 0; round < ROUNDS; round++) {
    families.forEach((family, at) => {
      if (trials <= family.length) return;
      const solved = solveWith(new Map(), at);
      for (const model of family) {
        const own = sharedFrom(task, parts, twins, solved, family, model);
        if (!own) continue;
        const voiced = solveWith(own, at);
        // Where nothing could be shared yet, anything that can be is better.
        if (voiced.cost < best.cost || shared[at].size < own.size) [best, shared[at]] = [voiced, own];
      }
    });
  }
  return best;
}

/** A chord for singing lies in the right hand: no melody is in its way. */
function isSung({ layout }: VoicedChange): boolean {
  return layout === 'singing';
}

/** Indexes of parts that share, each list led by the one the others follow. */
function familiesOf(parts: readonly Part[]): number[][] {
  const families = new Map<number, number[]>();
  parts.forEach(({ sharesWith }, index) => {
    if (sharesWith === null) return;
    const leader = sharesWith - 1;
    families.set(leader, [...(families.get(leader) ?? [leader]), index]);
  });
  return [...families.values()];
}

/** Every part of a family fixed to what one of them was given, where they are voiced in the same way. */
function sharedFrom(
  task: VoicingTask,
  parts: readonly Part[],
  twins: ReadonlyMap<string, string>,
  solved: VoicedSong,
  family: readonly number[],
  model: number,
): Map<string, FixedKeys> | null {
  const shared = new Map<string, FixedKeys>();
  const members = new Set(family);
  const leaderOf = (id: string): string => twins.get(id) ?? id;
  const inFamily = solved.voiced.filter((v) => members.has(partIndexAt(parts, v.change.tick)));
  const models = new Map(
    inFamily
      .filter((v) => partIndexAt(parts, v.change.tick) === model)
      .map((v) => [leaderOf(v.change.id), v]),
  );
  for (const own of inFamily) {
    const given = models.get(leaderOf(own.change.id));
    if (!given || own.layout !== given.layout || task.fixed.has(own.change.id)) continue;
    // Under a melody the chord follows its note; and what has no room in one of the parts cannot be shared.
    if (isUnderMelody(own.layout)) continue;
    const mayMeet = isSung(own) || own.closeHands !== null;
    if (!mayMeet && !fitsUnder(task, own.change, given.voicing.keys)) return null;
    const by = partIndexAt(parts, own.change.tick) === family[0] ? 'shared' : 'same';
    shared.set(own.change.id, { keys: given.voicing.keys, by });
  }
  return shared;
}
