import { type Chord, chroma, classNameOf, membersOf, typeset } from '../music';
import { type Phrase, roles, type Rub } from '../sentences';

/** What a melody note is to the chord under it; `against`: chroma of the member it rubs against. */
export type Role =
  /** `member`: its number in the chord, 3 the third. */
  | { readonly kind: 'member'; readonly member: number; readonly against: null }
  /** `tension`: "9", "♯11". */
  | { readonly kind: 'tension'; readonly tension: string; readonly against: null }
  /** `member`: the one it lies a half step above. */
  | { readonly kind: 'rub'; readonly rub: Rub; readonly member: number; readonly against: number }
  | { readonly kind: 'outside'; readonly isBelowRoot: boolean; readonly against: null };

const TENSION_NAMES = ['', '♭9', '9', '♯9', '', '11', '♯11', '', '♭13', '13', '', ''];

/** How a chord sounds at its third, seventh and fifth: what its tensions depend on. */
export interface Quality {
  readonly third: 'major' | 'minor' | 'none';
  readonly seventh: 'major' | 'minor' | 'diminished' | 'none';
  readonly isSuspended: boolean;
  readonly isDominant: boolean;
}

export function qualityOf({ type }: Chord): Quality {
  const has = (semitones: number): boolean => type.semitones.some((s) => s % 12 === semitones);
  const third = has(4) ? 'major' : has(3) ? 'minor' : 'none';
  const isDiminished = type.suffix === 'dim7';
  const seventh = isDiminished ? 'diminished' : has(11) ? 'major' : has(10) ? 'minor' : 'none';
  return {
    third,
    seventh,
    isSuspended: third === 'none',
    isDominant: third === 'major' && seventh === 'minor',
  };
}

/**
 * Tensions agreed on, by half steps above the root: 9 anywhere but on diminished, 11 on minor and suspended, ♯11 on
 * major and dominant, 13, and ♭9 ♯9 ♭13 on dominants. Source: common practice of jazz harmony.
 */
function isAgreed(above: number, chord: Chord, quality: Quality): boolean {
  const isDiminished = chord.type.semitones.includes(6) && quality.third === 'minor';
  switch (above) {
    case 1:
    case 3:
    case 8:
      return quality.isDominant;
    case 2:
      return !isDiminished || quality.seventh === 'minor';
    case 5:
      return quality.third !== 'major';
    case 6:
      return quality.third === 'major';
    case 9:
      return !isDiminished;
    default:
      return false;
  }
}

/**
 * The role of a key over a chord: member, agreed tension, rub or outside. Agreed tensions win over the tests for rubs.
 * `roleOf(F, Cmaj7) // => rub, half step above member 3` · `roleOf(D, Cmaj7) // => tension "9"`
 */
export function roleOf(midi: number, chord: Chord): Role {
  const note = ((midi % 12) + 12) % 12;
  const above = (note - chroma(chord.root) + 12) % 12;
  const quality = qualityOf(chord);
  const members = membersOf(chord);
  const member = members.find((m) => m.chroma === note);
  const rub = (rub: Rub, against: number, of = 0): Role => ({ kind: 'rub', rub, member: of, against });
  if (member && above === 0 && quality.seventh === 'major')
    return rub('root-on-major-seventh', (note + 11) % 12);
  if (member) return { kind: 'member', member: member.number, against: null };
  if (isAgreed(above, chord, quality))
    return { kind: 'tension', tension: TENSION_NAMES[above], against: null };
  if (above === 5 && quality.third === 'major') return rub('eleventh-on-major-third', (note + 11) % 12);
  if (above === 11 && quality.seventh === 'minor') return rub('major-seventh-on-minor', (note + 11) % 12);
  if (above === 4 && quality.third === 'minor') return rub('major-third-on-minor', (note + 11) % 12);
  if (above === 3 && quality.third === 'major') return rub('minor-third-on-major', (note + 1) % 12);
  const below = members.find((m) => (m.chroma + 1) % 12 === note);
  if (below) return rub('half-step-above', below.chroma, below.number);
  return { kind: 'outside', isBelowRoot: above === 11, against: null };
}

/** What a role says of a note: "E, the third of C" · "F clashes with C: the 11 over a major third". */
export function roleSays(role: Role, letter: string, symbol: string): Phrase {
  switch (role.kind) {
    case 'member':
      return roles.member(letter, role.member, symbol);
    case 'tension':
      return roles.tension(letter, role.tension, symbol);
    case 'rub':
      return roles.rubs(letter, role.rub, role.member, symbol);
    case 'outside':
      return roles.outside(letter, role.isBelowRoot, symbol);
  }
}

/** The letter of a chroma in a chord, typeset; empty when it has none. */
export function letterIn(chord: Chord, note: number): string {
  const member = membersOf(chord).find((m) => m.chroma === note);
  return member ? typeset(classNameOf(member.pitchClass)) : '';
}
