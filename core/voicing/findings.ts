import { KEYBOARDS, reachMm, spanMm } from '../music/keyboard';
import { nameOf, typeset } from '../music/pitch';
import type { Finding } from '../song/finding';
import { soundingIn } from './bounds';
import { lowIntervalBreaches } from './cost';
import type { VoicedChange, VoicingTask } from './voice';

/** Pairs this far (semitones) or further below their low-interval limit are worth a word. */
const MUDDY_FROM = 3;

/** Said once for a part whose melody was raised to make room. */
export function raisedFinding(first: VoicedChange | undefined): Finding {
  return {
    kind: 'melody-raised',
    tick: first?.change.tick ?? 0,
    text: 'The left hand has no room below the melody here: the melody of this part is played an octave higher.',
    remedies: ['Use a thinner layout', 'Let the hands cross'],
  };
}

/** What had to give way at this change. */
export function relaxationFindings(v: VoicedChange): Finding[] {
  const symbol = typeset(v.change.symbol);
  const at = { tick: v.change.tick };
  const found: Finding[] = [];
  if (v.relaxed === 'crossing') {
    found.push({
      ...at,
      kind: 'crossing',
      text: `No room for ${symbol} below the melody, even an octave higher: the hands cross here.`,
      remedies: ['Raise the melody another octave', 'Leave the chord out', 'Play the root alone'],
    });
  }
  if (v.relaxed === 'shortened') {
    found.push({
      ...at,
      kind: 'shortened',
      text: `${symbol} is let go early: the melody comes down onto its keys.`,
      remedies: ['Thin the chord', 'Raise the melody an octave'],
    });
  }
  if (v.voicing.missing.length > 0) {
    found.push({
      ...at,
      kind: 'thin-chord',
      text: `${symbol} is thinned to ${v.pitches.map((p) => typeset(nameOf(p))).join(' ')}: the whole chord has no room here.`,
      remedies: ['Raise the melody an octave', 'Shorten the left-hand note', 'Choose another inversion'],
    });
  }
  const breach = Math.max(0, ...lowIntervalBreaches(v.voicing.keys));
  if (breach >= MUDDY_FROM) {
    found.push({
      ...at,
      kind: 'muddy',
      text: `${symbol} lies low: its notes are so close together down here that it sounds thick.`,
      remedies: ['Thin the chord to two notes', 'Raise the melody an octave and the chord with it'],
    });
  }
  return found;
}

/** A pinned or settled voicing is kept whatever happens; where it no longer fits, that is said. */
export function fixedFindings(v: VoicedChange, task: VoicingTask): Finding[] {
  if (!v.fixedBy) return [];
  const { keys } = v.voicing;
  const keyboard = KEYBOARDS[task.profile.keyboard];
  const top = keys[keys.length - 1];
  const symbol = typeset(v.change.symbol);
  const kept = v.fixedBy === 'pin' ? 'pinned' : v.fixedBy === 'settled' ? 'settled' : 'shared';
  const problems: string[] = [];
  if (spanMm(keys[0], top) > reachMm(task.profile.leftReach)) problems.push('is wider than your left hand');
  if (keys[0] < keyboard.low || top > keyboard.high)
    problems.push(`runs off a keyboard of ${task.profile.keyboard} keys`);
  const melody = soundingIn(task.melody, v.change.tick, v.change.tick + v.change.length, 100_000);
  if (melody.some((note) => note.midi <= top)) problems.push('meets the melody');
  return problems.map((problem) => ({
    kind: v.fixedBy === 'settled' ? 'settled' : 'pin',
    tick: v.change.tick,
    text: `The ${kept} voicing of ${symbol} ${problem}; it is kept as it is.`,
    remedies: ['Release it, and the nearest voicing that fits is chosen'],
  }));
}
