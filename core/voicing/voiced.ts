import { type Chord, type Key, type Pitch, pitchAt, spellingInChord, spellInKey } from '../music';
import { type CloseHands, type Finding, type PlayedChange } from '../song';
import type { Relaxation } from './bounds';
import type { SolvedLayout } from './members';
import { commonKeys, movesBetween, type VoiceMove } from './movement';
import type { FixedBy } from './task';
import type { Voicing } from './voicing';

export interface Step {
  readonly semitones: number;
  readonly kept: number;
  /** Travel of the midpoint of the hand. */
  readonly millimetres: number;
  readonly moves: readonly VoiceMove[];
}

export interface VoicedChange {
  readonly change: PlayedChange;
  readonly chord: Chord;
  readonly key: Key;
  readonly layout: SolvedLayout;
  readonly voicing: Voicing;
  readonly pitches: readonly Pitch[];
  readonly fixedBy: FixedBy | null;
  readonly relaxed: Relaxation | null;
  readonly couldLetGo: boolean;
  readonly closeHands: CloseHands | null;
  /** Ticks the left hand may hold it. */
  readonly length: number;
  readonly step: Step | null;
  /** The best other voicing here and what the whole song would cost more with it, in points. */
  readonly nextBest: { readonly voicing: Voicing; readonly extra: number } | null;
}

export interface VoicedSong {
  readonly voiced: readonly VoicedChange[];
  /** Parts (by index) whose melody is played an octave higher to make room. */
  readonly raisedParts: ReadonlySet<number>;
  readonly findings: readonly Finding[];
  /** Points of the whole song. */
  readonly cost: number;
}

/** A voicing that could stand in the place of the chosen one. */
export interface Alternative {
  readonly voicing: Voicing;
  readonly pitches: readonly Pitch[];
  /** What the whole song, solved anew round it, costs more than its best, in points; less where it breaks a rule. */
  readonly extra: number;
  readonly step: Step | null;
  /** The song would begin on a second inversion, or not end on the root of its last chord. */
  readonly isAgainstEnds: boolean;
  /** Another part that shares the chord has no room for it: it would be played in this part alone, and may cost less there. */
  readonly isApart: boolean;
}

/** Movement from one voicing to the next, voice by voice. */
export function stepFrom(before: Voicing, after: Voicing): Step {
  const moves = movesBetween(before.keys, after.keys);
  return {
    semitones: moves.reduce((sum, move) => sum + move.semitones, 0),
    kept: commonKeys(before.keys, after.keys),
    millimetres: Math.round(Math.abs(after.middleMm - before.middleMm)),
    moves,
  };
}

/**
 * Keys spelled as members of their chord; foreign keys as the key in force has them, and so a member that would bear a double
 * sign, unless the key has it so: B double flat of a diminished seventh on C is A.
 */
export function spell(keys: readonly number[], chord: Chord, key: Key): Pitch[] {
  return keys.map((midi) => {
    const member = spellingInChord(midi, chord);
    if (member && Math.abs(member.alter) < 2) return pitchAt(midi, member);
    return spellInKey(midi, key);
  });
}
