import { type HandNote, type Source } from '../hands';
import {
  chroma,
  KEYBOARDS,
  membersOf,
  type Metre,
  reachMm,
  spanMm,
  TICKS_PER_QUARTER,
  typeset,
} from '../music';
import { type Finding, type PlayedBar, type Profile } from '../song';
import { lowIntervalBreaches, type Sounding, soundingIn, spell, type VoicedChange } from '../voicing';
import type { Pattern, PatternEvent, PatternMember } from './pattern';
import { SUBSTITUTES } from './rows';
import { offers, says } from '../sentences';

/** One chord to be dressed with a pattern. */
export interface DressTask {
  readonly voiced: VoicedChange;
  /** The pattern in each metre the chord is played in. */
  readonly patternIn: (metre: Metre) => Pattern;
  readonly bars: readonly PlayedBar[];
  readonly melody: readonly Sounding[];
  readonly longestNote: number;
  readonly profile: Profile;
  /** Tick where the part ends: its last bar thins, then holds. */
  readonly partEnd: number;
  readonly songEnd: number;
  /** The pianist wants the pattern in full here whatever it meets. */
  readonly refused: boolean;
}

export interface Dressed {
  readonly notes: readonly HandNote[];
  readonly findings: readonly Finding[];
}

interface Strike {
  readonly tick: number;
  readonly length: number;
  readonly keys: readonly number[];
}

/** A left-hand key this near below (or above) a right-hand key would bump it. */
const TOO_NEAR = 2;
/** E2: a moving bass lower than this growls; source: common arranging practice. */
const LOWEST_CLEAR_ROOT = 40;

/**
 * Plays a pattern on one chord, bar by bar. A chord shorter than the pattern gets its first part; the last bar
 * of a part drops its last strike and holds; the last bar of the song holds the block; where the right hand
 * comes near, the pattern thins, drops an octave or holds, and says so.
 */
export function dress(task: DressTask): Dressed {
  const { voiced, bars } = task;
  const from = voiced.change.tick;
  const to = from + voiced.length;
  const notes: HandNote[] = [];
  const findings: Finding[] = [];
  for (const bar of bars) {
    const start = Math.max(from, bar.tick);
    const end = Math.min(to, bar.tick + bar.length);
    if (start >= end || bar.number === 0) continue;
    const result = dressBar(task, bar, start, end);
    notes.push(...result.strikes.flatMap((strike) => toNotes(voiced, strike, result.source)));
    if (result.finding) findings.push(result.finding);
  }
  return { notes, findings };
}

interface DressedBar {
  readonly strikes: readonly Strike[];
  readonly source: Source;
  readonly finding: Finding | null;
}

function dressBar(task: DressTask, bar: PlayedBar, start: number, end: number): DressedBar {
  const { voiced } = task;
  const hold: Strike[] = [{ tick: start, length: end - start, keys: voiced.voicing.keys }];
  const pattern = task.patternIn(bar.metre);
  const lastOfSong = end >= task.songEnd;
  const isTooShort = end - start <= pattern.holdsUpTo * TICKS_PER_QUARTER;
  if (pattern.beats === 0 || lastOfSong || isTooShort)
    return { strikes: hold, source: 'chord', finding: null };
  // A part may end inside a bar, before the next pick-up: that bar is still its last.
  const lastOfPart = task.partEnd > bar.tick && end >= task.partEnd;
  const play = (events: readonly PatternEvent[]): Strike[] =>
    strikesOf(task, pattern, events, bar, start, end, lastOfPart);
  const wide = pattern.base === 'root' && !reachesOctave(task) && pattern.closer;
  const full = play(wide || pattern.events);
  if (task.refused || !bumps(task, full)) return { strikes: full, source: 'pattern', finding: null };
  const remedies: readonly (readonly ['thins' | 'drops an octave', () => Strike[]])[] = [
    ['thins', () => thin(task, pattern.closer ? play(pattern.closer) : full)],
    ['drops an octave', () => dropped(task, full)],
  ];
  for (const [what, remedy] of remedies) {
    const strikes = remedy();
    if (strikes.length > 0 && !bumps(task, strikes)) {
      return { strikes, source: 'pattern', finding: thinnedFinding(task, bar, start, pattern, what) };
    }
  }
  return {
    strikes: hold,
    source: 'chord',
    finding: thinnedFinding(task, bar, start, pattern, 'holds the block'),
  };
}

function reachesOctave(task: DressTask): boolean {
  return task.profile.leftReach >= 8;
}

function strikesOf(
  task: DressTask,
  pattern: Pattern,
  events: readonly PatternEvent[],
  bar: PlayedBar,
  start: number,
  end: number,
  lastOfPart: boolean,
): Strike[] {
  const cycle = pattern.beats * TICKS_PER_QUARTER;
  const root = pattern.base === 'root' ? rootKey(task, Math.max(...rootMembers(events))) : 0;
  const phase = phaseAt(task, cycle, bar, start);
  const strikes: Strike[] = [];
  for (let at = start - phase; at < end; at += cycle) {
    // The last bar of a part thins, then holds: it has the figure once.
    if (lastOfPart && at > start) break;
    for (const event of events) {
      const tick = at + Math.round(event.onset * TICKS_PER_QUARTER);
      if (tick < start || tick >= end) continue;
      const length = Math.min(Math.round(event.length * TICKS_PER_QUARTER), end - tick);
      strikes.push({ tick, length, keys: keysOf(task, event.members, root) });
    }
  }
  if (lastOfPart && strikes.length > 1 && end - start >= Math.min(cycle, bar.length)) strikes.pop();
  const last = strikes.length - 1;
  if (lastOfPart && last >= 0) strikes[last] = { ...strikes[last], length: end - strikes[last].tick };
  return strikes;
}

/** Where a pattern of more than a bar stands when a bar of its chord begins; others begin anew with each bar. */
function phaseAt({ voiced }: DressTask, cycle: number, bar: PlayedBar, start: number): number {
  return cycle > bar.length ? (start - voiced.change.tick) % cycle : 0;
}

function rootMembers(events: readonly PatternEvent[]): number[] {
  return events.flatMap((event) => event.members.filter((m): m is number => typeof m === 'number'));
}

/**
 * The root (or slash bass) nearest the lowest key of the voicing: where the whole figure has room under the
 * melody, else where at least its fifth has, never lower than stays clear unless nothing else is left.
 */
function rootKey(task: DressTask, highestMember: number): number {
  const { voicing, chord, change } = task.voiced;
  const wanted = chroma(chord.bass ?? chord.root);
  const keyboard = KEYBOARDS[task.profile.keyboard];
  const over = soundingIn(task.melody, change.tick, change.tick + task.voiced.length, task.longestNote);
  const ceiling = Math.min(128, ...over.map((n) => n.midi)) - TOO_NEAR;
  const octaves = Array.from({ length: 10 }, (_, octave) => 12 * octave + wanted).filter(
    (key) => key >= keyboard.low,
  );
  const clear = octaves.filter((key) => key >= LOWEST_CLEAR_ROOT);
  const figure = highestMember >= 8 ? 12 : 7;
  const choices = [clear.filter((k) => k + figure < ceiling), clear.filter((k) => k + 7 < ceiling), octaves];
  const roomy = choices.find((list) => list.length > 0) ?? [voicing.keys[0]];
  const aim = voicing.keys[0];
  return roomy.reduce((best, key) => (Math.abs(key - aim) < Math.abs(best - aim) ? key : best));
}

function keysOf(task: DressTask, members: readonly PatternMember[], root: number): number[] {
  const { keys } = task.voiced.voicing;
  return members.flatMap((member) => {
    if (member === 'all') return keys;
    if (member === 'lowest') return keys.slice(0, 1);
    if (member === 'others') return keys.length > 1 ? keys.slice(1) : keys;
    return [root + aboveRoot(task, member)];
  });
}

/** Semitones above the root (or slash bass) of a numbered member; the stated substitute where the chord lacks it. */
function aboveRoot(task: DressTask, member: number): number {
  if (member === 1) return 0;
  if (member === 8) return 12;
  const { chord } = task.voiced;
  const base = chroma(chord.bass ?? chord.root);
  const found = membersOf(chord).find(
    (m) => m.number === member || (member === 3 && (m.number === 4 || m.number === 2)),
  );
  const distance = found ? (found.chroma - base + 12) % 12 : 0;
  return distance > 0 ? distance : aboveRoot(task, SUBSTITUTES[member] ?? 8);
}

function bumps(task: DressTask, strikes: readonly Strike[]): boolean {
  return strikes.some((strike) => strike.keys.some((key) => isInTheWay(task, strike, key)));
}

function isInTheWay(task: DressTask, strike: Strike, key: number): boolean {
  return soundingIn(task.melody, strike.tick, strike.tick + strike.length, task.longestNote).some(
    (note) => key >= note.midi - TOO_NEAR,
  );
}

/** The same strikes without the keys in the way; empty when a strike would be left with none. */
function thin(task: DressTask, strikes: readonly Strike[]): Strike[] {
  const thinned = strikes.map((strike) => ({
    ...strike,
    keys: strike.keys.filter((key) => !isInTheWay(task, strike, key)),
  }));
  return thinned.every((strike) => strike.keys.length > 0) ? thinned : [];
}

function dropped(task: DressTask, strikes: readonly Strike[]): Strike[] {
  const lower = strikes.map((strike) => ({ ...strike, keys: strike.keys.map((key) => key - 12) }));
  const { low } = KEYBOARDS[task.profile.keyboard];
  const reach = reachMm(task.profile.leftReach);
  const playable = lower.every(
    ({ keys }) => keys[0] >= low && spanMm(keys[0], keys[keys.length - 1]) <= reach,
  );
  return playable && lower.every(({ keys }) => lowIntervalBreaches(keys).length === 0) ? lower : [];
}

function thinnedFinding(
  task: DressTask,
  bar: PlayedBar,
  tick: number,
  pattern: Pattern,
  what: Parameters<typeof says.thinned>[1],
): Finding {
  return {
    kind: 'thinned',
    tick,
    text: says.thinned(pattern.name, what, typeset(task.voiced.change.symbol), bar.number),
    sameAs: what,
    remedies: [offers.inFull(), offers.lowerInversion(), offers.raiseMelody()],
    fixes: [
      { label: offers.inFull(), edit: { kind: 'thinning', changeId: task.voiced.change.id, refused: true } },
    ],
  };
}

function toNotes(voiced: VoicedChange, strike: Strike, source: Source): HandNote[] {
  const pitches = spell(strike.keys, voiced.chord, voiced.key);
  return strike.keys.map((midi, i) => ({
    hand: 'left',
    tick: strike.tick,
    length: strike.length,
    midi,
    pitch: pitches[i],
    source,
    from: voiced.change.id,
    lyric: null,
    grace: false,
    finger: null,
  }));
}
