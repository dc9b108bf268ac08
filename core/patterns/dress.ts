import { type HandNote, type Source } from '../hands';
import { KEYBOARDS, type Metre, TICKS_PER_QUARTER } from '../music';
import { type Finding, type PlayedBar, type Profile } from '../song';
import { type Sounding, soundingIn, spell, type VoicedChange } from '../voicing';
import { endingKeys, type FigureContext, type Peak, thirdOf } from './members';
import type { Pattern } from './pattern';
import { TOO_NEAR, upperOf } from './roots';
import { type Stretch, type Strike, strikesOf } from './strikes';
import { bumps, dropped, thinned, thinnedFinding } from './thinning';

/** One chord to be dressed with a pattern. */
export interface DressTask {
  readonly voiced: VoicedChange;
  /** The pattern in each metre the chord is played in. */
  readonly patternIn: (metre: Metre) => Pattern;
  readonly bars: readonly PlayedBar[];
  readonly melody: readonly Sounding[];
  readonly longestNote: number;
  readonly profile: Profile;
  /** The root (or slash bass) root-based figures are built on. */
  readonly root: number;
  /** The note of a descending line in the bar that begins (or the chord that does) at a tick. */
  readonly lineAt: (tick: number) => number;
  /** The root of the next chord; null where none follows. */
  readonly nextRoot: number | null;
  /** Ticks up to which a phrase comes to rest: its last bar thins, then holds. */
  readonly restsAt: readonly number[];
  readonly songEnd: number;
  /** The pianist wants the pattern in full here whatever it meets. */
  readonly refused: boolean;
}

export interface Dressed {
  readonly notes: readonly HandNote[];
  readonly findings: readonly Finding[];
}

/** White steps a hand must reach for a figure that goes to the octave, and to the tenth. */
const REACH_FOR_OCTAVE = 8;
const REACH_FOR_TENTH = 10;

/**
 * Plays a pattern on one chord, bar by bar. A chord shorter than the pattern gets its first part; the last bar
 * of a phrase that comes to rest rests on root and third; the last bar of the song holds the block; where the right hand
 * comes near, the pattern thins, drops an octave or holds, and says so.
 */
export function dress(task: DressTask): Dressed {
  const { voiced, bars } = task;
  const from = voiced.change.tick;
  const to = from + voiced.length;
  const firstBar = bars.find((bar) => bar.tick >= from)?.tick ?? from;
  const notes: HandNote[] = [];
  const findings: Finding[] = [];
  for (const bar of bars) {
    const start = Math.max(from, bar.tick);
    const end = Math.min(to, bar.tick + bar.length);
    if (start >= end || bar.number === 0) continue;
    // A phrase may end inside a bar, before the next pick-up: that bar is still its last.
    const isAtRest = task.restsAt.some((tick) => tick > bar.tick && end >= tick && start < tick);
    const result = dressBar(task, { bar, start, end, firstBar, isAtRest });
    notes.push(...result.strikes.flatMap((strike) => strikeNotes(voiced, strike, result.source)));
    if (result.finding) findings.push(result.finding);
  }
  return { notes, findings };
}

interface DressedBar {
  readonly strikes: readonly Strike[];
  readonly source: Source;
  readonly finding: Finding | null;
}

function dressBar(task: DressTask, stretch: Stretch): DressedBar {
  const { voiced } = task;
  const { bar, start, end } = stretch;
  const hold: Strike[] = [{ tick: start, length: end - start, keys: voiced.voicing.keys }];
  const pattern = task.patternIn(bar.metre);
  const isTooShort = end - start <= pattern.holdsUpTo * TICKS_PER_QUARTER;
  const root = pattern.base === 'line' ? task.lineAt(start) : belowUpper(task, pattern);
  const contextAt = (peak: Peak): FigureContext => ({
    voiced,
    profile: task.profile,
    root,
    peak,
    takesSteps: pattern.takesSteps,
    next: task.nextRoot,
  });
  if (end >= task.songEnd && pattern.endsThin) {
    const last = [{ tick: start, length: end - start, keys: endingKeys(contextAt(3), true) }];
    if (!bumps(task, last)) return { strikes: last, source: 'pattern', finding: null };
  }
  if (pattern.beats === 0 || end >= task.songEnd || isTooShort)
    return { strikes: hold, source: 'chord', finding: null };
  const play = (peak: Peak): Strike[] => strikesOf(contextAt(peak), pattern, stretch);
  const full = play(peakIn(task, stretch));
  if (task.refused || !bumps(task, full)) return { strikes: full, source: 'pattern', finding: null };
  const remedies: readonly (readonly ['thins' | 'drops-octave', () => Strike[]])[] = [
    ['thins', () => thinned(task, play(3))],
    ['drops-octave', () => dropped(task.profile, full)],
  ];
  for (const [what, remedy] of remedies) {
    const strikes = remedy();
    if (strikes.length > 0 && !bumps(task, strikes))
      return { strikes, source: 'pattern', finding: thinnedFinding(voiced, bar, start, pattern, what) };
  }
  return {
    strikes: hold,
    source: 'chord',
    finding: thinnedFinding(voiced, bar, start, pattern, 'holds-block'),
  };
}

/** The root, an octave lower where the chord above it would lie no higher than it. */
function belowUpper({ root, voiced, profile }: DressTask, { events }: Pattern): number {
  const hasUpper = events.some(({ members }) => members.includes('upper'));
  const [first] = upperOf(voiced.voicing.keys, voiced.chord);
  return hasUpper && root >= first && root - 12 >= KEYBOARDS[profile.keyboard].low ? root - 12 : root;
}

/**
 * How high a broken figure goes in a bar: to the octave where the melody has the third there, else to the third, as a
 * tenth where the hand and the melody leave room for it. A chord without a third goes to the octave.
 */
function peakIn({ voiced, profile, root, melody, longestNote }: DressTask, { start, end }: Stretch): Peak {
  const over = soundingIn(melody, start, end, longestNote);
  const ceiling = Math.min(128, ...over.map((note) => note.midi)) - TOO_NEAR;
  const third = thirdOf(voiced.chord);
  const isHeard = third === null || over.some((note) => note.midi % 12 === third);
  const { leftReach } = profile;
  if (isHeard) return leftReach >= REACH_FOR_OCTAVE && root + 12 < ceiling ? 8 : 3;
  return leftReach >= REACH_FOR_TENTH && root + 16 < ceiling ? 10 : 3;
}

/** The keys of a strike as notes of the left hand, spelled in their chord. */
export function strikeNotes(voiced: VoicedChange, strike: Strike, source: Source): HandNote[] {
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
    grace: strike.grace ?? false,
    ...(strike.touch ? { touch: strike.touch } : {}),
    finger: null,
  }));
}
