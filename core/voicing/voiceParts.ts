import { type Part, partIndexAt } from '../parts/parts';
import type { Profile, Song } from '../song/schema';
import { type PlayedChange, type PlayedSong, keyAt } from '../song/unfold';
import type { SolvedLayout } from './members';
import {
  type Alternative,
  type FixedKeys,
  type VoicedSong,
  type VoicingTask,
  alternativesAt,
  voice,
} from './voice';
import { DEFAULT_WEIGHTS, PURE_WEIGHTS } from './weights';

const SOLVED: readonly string[] = ['block', 'three', 'root', 'singing'];
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
  const result = voiceAnew(song, profile, played, parts);
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
    c.rung === 2,
    c.layout,
    c.register,
    c.octaveShift,
  ]);
  return JSON.stringify([chosen, song.pins, song.settled, profile.leftReach, profile.keyboard]);
}

function voiceAnew(song: Song, profile: Profile, played: PlayedSong, parts: readonly Part[]): VoicedSong {
  const task = taskFor(song, profile, played, parts);
  const free = voice(task);
  const shared = sharedKeys(task, parts, free);
  return shared.size === 0 ? free : voice({ ...task, fixed: new Map([...shared, ...task.fixed]) });
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

/** Least semitones the song could be played with under the same constraints and nothing else counted. */
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
    keyAt: (tick) => keyAt(played, tick),
    fixed: fixedKeys(song, played, (change) => layoutOf(change, choices(change)) === 'bass'),
  };
}

function layoutOf(change: PlayedChange, choices: Part['choices']): SolvedLayout {
  if (choices.layout === 'singing') return 'singing';
  if (choices.rung === 2) return 'bass';
  const wanted = change.layout ?? choices.layout;
  return SOLVED.includes(wanted) ? (wanted as SolvedLayout) : 'block';
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

function sharedKeys(task: VoicingTask, parts: readonly Part[], free: VoicedSong): Map<string, FixedKeys> {
  const shared = new Map<string, FixedKeys>();
  for (const part of parts) {
    if (part.sharesWith === null) continue;
    const leader = parts[part.sharesWith - 1];
    if (
      (leader.choices.rung === 2) !== (part.choices.rung === 2) ||
      leader.choices.layout !== part.choices.layout
    )
      continue;
    const inside = (p: Part): VoicedSong['voiced'] =>
      free.voiced.filter((v) => v.change.tick >= p.fromTick && v.change.tick < p.toTick);
    const [from, to] = [inside(leader), inside(part)];
    to.forEach((v, i) => {
      const model = from[i];
      if (!model || model.change.symbol !== v.change.symbol || task.fixed.has(v.change.id)) return;
      shared.set(v.change.id, { keys: model.voicing.keys, by: 'same' });
    });
  }
  return shared;
}
