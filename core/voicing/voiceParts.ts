import { levelOf } from '../levels';
import { gotOrMade, Memory, memoryOf } from '../memory';
import { melodyUp, type Part, partIndexAt, twinsOf } from '../parts';
import {
  type CloseHands,
  keyAt,
  type PlayedChange,
  type PlayedNote,
  type PlayedSong,
  type Profile,
  type Song,
} from '../song';
import { alternativesAt } from './alternatives';
import type { Sounding } from './bounds';
import type { SolvedLayout } from './members';
import { shareVoicings } from './sharing';
import { type FixedKeys, type VoicingTask } from './task';
import { withTwoNotes } from './twoNotes';
import { voice, type VoicingMemory } from './voice';
import { type Alternative, type VoicedSong } from './voiced';
import { DEFAULT_WEIGHTS, PURE_WEIGHTS } from './weights';

/** Half steps from the left hand's register to middle C. */
const SINGING_REGISTER = 5;

/** Voices the song part by part's choices; parts that are the same share their voicings. */
export function voiceParts(
  song: Song,
  profile: Profile,
  played: PlayedSong,
  parts: readonly Part[],
): VoicedSong {
  return voicedOnce(song, profile, played, parts).result;
}

/** A song as it was voiced, its chords whole and as they are played at their levels. */
interface WholeAndResult {
  readonly whole: VoicedSong;
  readonly result: VoicedSong;
}

/** Remembered while nothing a voicing depends on changes; a new level often leaves every voicing as it is. */
function voicedOnce(
  song: Song,
  profile: Profile,
  played: PlayedSong,
  parts: readonly Part[],
): WholeAndResult {
  const task = taskFor(song, profile, played, parts);
  const memory = memoryOf(song.id);
  const from = [played, signatureOf(song, profile, parts)];
  return memory.of<WholeAndResult>('voiced song')('song', from, () => {
    const solvedOn = memory.of<SolvedLast>('solved last')('song', [], () => ({
      solved: null,
      shared: { solved: null },
    }));
    const whole = shareVoicings(task, parts, voice(task, solvedOn), solvedOn);
    return { whole, result: twoWhereAsked(task, parts, whole) };
  });
}

/** Where the song on screen is solved on from. */
type SolvedLast = VoicingMemory & { readonly shared: VoicingMemory };

function signatureOf(song: Song, profile: Profile, parts: readonly Part[]): string {
  const chosen = parts.map(({ fromTick, sharesWith, choices: c }) => [
    fromTick,
    sharesWith,
    levelOf(c).chords,
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
  const task = { ...taskFor(song, profile, played, parts), memory: new Memory() };
  return twoWhereAsked(task, parts, shareVoicings(task, parts, voice(task)));
}

/** The song as voiced, with two notes of each chord where the level asks for two. */
export function twoWhereAsked(task: VoicingTask, parts: readonly Part[], song: VoicedSong): VoicedSong {
  return withTwoNotes(song, playsTwoIn(parts), task);
}

/** Whether a change stands at a level of two notes. */
export function playsTwoIn(parts: readonly Part[]): (change: PlayedChange) => boolean {
  return ({ tick }) => levelOf(parts[partIndexAt(parts, tick)].choices).chords === 'two-notes';
}

/** Ranked voicings for one change of the song, everything else solved round each; what same parts share stays. */
export function alternativesFor(
  song: Song,
  profile: Profile,
  played: PlayedSong,
  parts: readonly Part[],
  changeId: string,
): Alternative[] {
  const task = taskFor(song, profile, played, parts);
  return alternativesAt(task, parts, voicedOnce(song, profile, played, parts).whole, changeId);
}

/** Least semitones the song could be played with under the same constraints, nothing shared and nothing else counted. */
export function optimumSemitones(
  song: Song,
  profile: Profile,
  played: PlayedSong,
  parts: readonly Part[],
): number {
  const task = taskFor(song, profile, played, parts);
  return semitonesOf(voice({ ...task, weights: PURE_WEIGHTS, playsTwo: playsTwoIn(parts) }));
}

/** Half steps of all voices from chord to chord. */
export function semitonesOf({ voiced }: VoicedSong): number {
  return voiced.reduce((sum, v) => sum + (v.step?.semitones ?? 0), 0);
}

/** All the voicing stage looks at, from the song. */
export function taskFor(
  song: Song,
  profile: Profile,
  played: PlayedSong,
  parts: readonly Part[],
): VoicingTask {
  const partOf = (tick: number): number => partIndexAt(parts, tick);
  const choices = (change: PlayedChange): Part['choices'] => parts[partOf(change.tick)].choices;
  return {
    changes: played.changes,
    melody: played.melody
      .filter((note) => !note.grace && parts[partOf(note.tick)].choices.layout !== 'singing')
      .map((note) => inOctave(note, parts[partOf(note.tick)].choices.octaveShift)),
    profile,
    weights: DEFAULT_WEIGHTS,
    partOf,
    layoutOf: (change) => layoutOf(change, choices(change)),
    registerOf: (change) =>
      choices(change).register + (layoutOf(change, choices(change)) === 'singing' ? SINGING_REGISTER : 0),
    closeHandsOf: closeHandsOf(song, parts, played),
    keyAt: (tick) => keyAt(played, tick),
    raiseMelodyAt: (tick, label) => melodyUp(parts[partOf(tick)], label),
    memory: memoryOf(song.id),
    fixed: fixedKeys(song, played, (change) => layoutOf(change, choices(change)) === 'bass'),
  };
}

/** A melody note so many octaves away, the same object for the same note. */
function inOctave(note: PlayedNote, octaves: number): Sounding {
  if (octaves === 0) return note;
  const moved = gotOrMade(octavesOf, note, () => new Map<number, Sounding>());
  return gotOrMade(moved, octaves, () => ({ ...note, midi: note.midi + 12 * octaves }));
}

const octavesOf = new WeakMap<PlayedNote, Map<number, Sounding>>();

function layoutOf(change: PlayedChange, choices: Part['choices']): SolvedLayout {
  if (choices.layout === 'singing') return 'singing';
  const { chords } = levelOf(choices);
  if (chords === 'bass') return 'bass';
  const wanted = change.layout ?? choices.layout;
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
