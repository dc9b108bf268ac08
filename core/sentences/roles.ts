const MEMBERS: Readonly<Record<number, string>> = {
  1: 'root',
  2: '2nd',
  3: 'third',
  4: '4th',
  5: 'fifth',
  6: 'sixth',
  7: 'seventh',
};

/** "third", "seventh", "9". */
export function memberInWords(member: number): string {
  return MEMBERS[member] ?? String(member);
}

/** How a note clashes with a chord. */
export type Rub =
  | 'root-on-major-seventh'
  | 'eleventh-on-major-third'
  | 'major-seventh-on-minor'
  | 'major-third-on-minor'
  | 'minor-third-on-major'
  | 'half-step-above';

const RUBS: Readonly<Record<Exclude<Rub, 'half-step-above'>, string>> = {
  'root-on-major-seventh': 'the root against the major seventh',
  'eleventh-on-major-third': 'the 11 over a major third',
  'major-seventh-on-minor': 'the major seventh against the minor',
  'major-third-on-minor': 'the major third against the minor',
  'minor-third-on-major': 'the minor third against the major',
};

/** What a note is to a chord, by its letter and the symbol as they are shown. */
export const ROLES = {
  member: (letter: string, member: number, symbol: string) =>
    `${letter}, the ${memberInWords(member)} of ${symbol}`,
  tension: (letter: string, tension: string, symbol: string) => `${letter}, the ${tension} over ${symbol}`,
  rubs: (letter: string, rub: Rub, member: number, symbol: string) =>
    `${letter} clashes with ${symbol}: ${rub === 'half-step-above' ? `a half step above the ${memberInWords(member)}` : RUBS[rub]}`,
  outside: (letter: string, isBelowRoot: boolean, symbol: string) =>
    `${letter} is ${isBelowRoot ? 'a half step below the root' : 'no note'} of ${symbol}`,
};
