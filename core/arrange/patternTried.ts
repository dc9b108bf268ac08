import { hasMember } from '../patterns';
import type { ArrangedChange } from '../arrangement';
import { bassOf, chroma, membersOf, nameOf, typeset } from '../music';
import { spell } from '../voicing';
import { type Phrase, says } from '../sentences';
import { applyEdit, barAt, type OwnPattern, type Profile, type Song } from '../song';
import { MOVING } from '../levels';
import { arrange } from './song';

/** Where a pattern does not go as it was made. */
export interface Exception {
  /** Of the bar; 0 is the pick-up. */
  readonly bar: number;
  readonly tick: number;
  readonly says: readonly Phrase[];
}

/** What is told of a place where a pattern gives way, or is in the way. */
const TOLD = new Set(['thinned', 'bump', 'crowded', 'pattern', 'reach']);

/** Keys of a fixed line that a chord has not, each chord once. */
function strangersIn(
  { symbol, tick }: ArrangedChange['change'],
  { chord, key }: Pick<ArrangedChange, 'chord' | 'key'>,
  bar: number,
  keys: readonly number[],
  seen: Set<string>,
): Exception[] {
  const members = new Set([...membersOf(chord).map((member) => member.chroma), chroma(bassOf(chord))]);
  const strange = keys.filter((midi) => !members.has(midi % 12));
  if (strange.length === 0 || seen.has(symbol)) return [];
  seen.add(symbol);
  const names = spell(strange, chord, key).map((pitch) => typeset(nameOf(pitch)));
  return [{ bar, tick, says: [says.keysNotInChord(typeset(symbol), names)] }];
}

/**
 * An own pattern tried on every chord of a song, all its parts at a level that moves: chords that have not all its members
 * (each symbol once, where it first comes), and places where it gives way or bumps. In time; empty where it fits throughout.
 */
export function patternTried(song: Song, profile: Profile, pattern: OwnPattern): Exception[] {
  const kept = applyEdit(song, { kind: 'pattern-kept', pattern });
  const settings = Object.fromEntries(
    Object.entries(kept.partSettings).map(([id, { choices, ...rest }]) => {
      const { level: _level, pattern: _pattern, ...others } = choices;
      return [id, { ...rest, choices: others }] as const;
    }),
  );
  const choices = { ...kept.choices, level: Math.max(MOVING, kept.choices.level), pattern: pattern.id };
  const tried = arrange({ ...kept, choices, partSettings: settings }, profile, { withoutFingers: true });
  const numbers = [
    ...new Set(pattern.events.flatMap(({ members }) => members.filter((m) => typeof m === 'number'))),
  ];
  const seen = new Set<string>();
  const substituted = tried.changes.flatMap(({ change, chord, key, meeting }): Exception[] => {
    if (pattern.base === 'keys') return strangersIn(change, { chord, key }, meeting.bar, numbers, seen);
    if (pattern.base === 'voicing') return [];
    const missing = numbers.filter((number) => !hasMember(chord, number, key));
    if (missing.length === 0 || seen.has(change.symbol)) return [];
    seen.add(change.symbol);
    return [
      { bar: meeting.bar, tick: change.tick, says: [says.memberMissing(typeset(change.symbol), missing)] },
    ];
  });
  const found = tried.findings
    .filter(({ kind }) => TOLD.has(kind))
    .map(({ tick, says: said }) => ({ bar: barAt(tried.played.bars, tick).number, tick, says: said }));
  return [...substituted, ...found].sort((a, b) => a.tick - b.tick);
}
