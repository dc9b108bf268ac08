import { type Chord, chroma, classNameOf, membersOf, typeset } from '../music';

/** What a melody note is to the chord under it. */
export interface Role {
  readonly kind: 'member' | 'tension' | 'rub' | 'outside';
  /** "third", "9", "♯11"; for a rub what it rubs against. */
  readonly name: string;
  /** Chroma of the member it rubs against, or null. */
  readonly against: number | null;
}

const MEMBER_WORDS: Record<number, string> = {
  1: 'root',
  2: '2nd',
  3: 'third',
  4: '4th',
  5: 'fifth',
  6: 'sixth',
  7: 'seventh',
  9: '9',
  11: '11',
  13: '13',
};

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
 * `roleOf(F, Cmaj7) // => rub, "a half step above the third"` · `roleOf(D, Cmaj7) // => tension "9"`
 */
export function roleOf(midi: number, chord: Chord): Role {
  const note = ((midi % 12) + 12) % 12;
  const above = (note - chroma(chord.root) + 12) % 12;
  const quality = qualityOf(chord);
  const members = membersOf(chord);
  const member = members.find((m) => m.chroma === note);
  if (member && above === 0 && quality.seventh === 'major')
    return { kind: 'rub', name: 'the root against the major seventh', against: (note + 11) % 12 };
  if (member)
    return { kind: 'member', name: MEMBER_WORDS[member.number] ?? String(member.number), against: null };
  if (isAgreed(above, chord, quality)) return { kind: 'tension', name: TENSION_NAMES[above], against: null };
  if (above === 5 && quality.third === 'major')
    return { kind: 'rub', name: 'the 11 over a major third', against: (note + 11) % 12 };
  if (above === 11 && quality.seventh === 'minor')
    return { kind: 'rub', name: 'the major seventh against the minor', against: (note + 11) % 12 };
  if (above === 4 && quality.third === 'minor')
    return { kind: 'rub', name: 'the major third against the minor', against: (note + 11) % 12 };
  if (above === 3 && quality.third === 'major')
    return { kind: 'rub', name: 'the minor third against the major', against: (note + 1) % 12 };
  const below = members.find((m) => (m.chroma + 1) % 12 === note);
  if (below)
    return {
      kind: 'rub',
      name: `a half step above the ${MEMBER_WORDS[below.number] ?? below.number}`,
      against: below.chroma,
    };
  return {
    kind: 'outside',
    name: above === 11 ? 'a half step below the root' : 'no note of the chord',
    against: null,
  };
}

/** "E, the third of C" · "D, the 9 of Cmaj7" · "F rubs: the 11 over a major third". */
export function roleInWords(role: Role, letter: string, symbol: string): string {
  switch (role.kind) {
    case 'member':
      return `${letter}, the ${role.name} of ${symbol}`;
    case 'tension':
      return `${letter}, the ${role.name} over ${symbol}`;
    case 'rub':
      return `${letter} rubs with ${symbol}: ${role.name}`;
    case 'outside':
      return `${letter} is ${role.name === 'no note of the chord' ? `no note of ${symbol}` : `${role.name} of ${symbol}`}`;
  }
}

/** The letter of a chroma in a chord, typeset; empty when it has none. */
export function letterIn(chord: Chord, note: number): string {
  const member = membersOf(chord).find((m) => m.chroma === note);
  return member ? typeset(classNameOf(member.pitchClass)) : '';
}
