import { type Metre, metreName } from '../music';

/** Members of a root-based row are numbers (1, 3, 5, 8 …); a voicing-based row names keys of the voicing. */
export type PatternMember = number | 'lowest' | 'others' | 'all';

export interface PatternEvent {
  /** In the pattern's beats from its start. */
  readonly onset: number;
  readonly length: number;
  readonly members: readonly PatternMember[];
}

export interface Pattern {
  readonly name: string;
  readonly base: 'root' | 'voicing';
  /** Metres it is made for; empty: any. */
  readonly metres: readonly string[];
  /** Its length in quarter beats; 0: as long as the chord. */
  readonly beats: number;
  readonly energy: number;
  readonly events: readonly PatternEvent[];
  /** The same with keys closer together, where the hand or the melody leaves less room. */
  readonly closer: readonly PatternEvent[] | null;
}

/** Member to play where the chord has none of that number: a chord without a third, a triad's seventh. */
export const SUBSTITUTES: Record<number, number> = { 3: 5, 5: 8, 7: 8, 9: 8, 10: 8 };

/** One row a pattern; each is substituted into every chord. */
export const PATTERNS: readonly Pattern[] = [
  {
    name: 'Block',
    base: 'voicing',
    metres: [],
    beats: 0,
    energy: 1,
    events: [{ onset: 0, length: 0, members: ['all'] }],
    closer: null,
  },
  {
    name: 'Waltz',
    base: 'voicing',
    metres: ['3/4'],
    beats: 3,
    energy: 3,
    events: [
      { onset: 0, length: 1, members: ['lowest'] },
      { onset: 1, length: 1, members: ['others'] },
      { onset: 2, length: 1, members: ['others'] },
    ],
    closer: null,
  },
  {
    name: 'Rocking',
    base: 'root',
    metres: ['2/4', '4/4'],
    beats: 2,
    energy: 3,
    events: eighths(1, 5, 8, 5),
    closer: eighths(1, 5, 3, 5),
  },
];

function eighths(...members: number[]): PatternEvent[] {
  return members.map((member, i) => ({ onset: i / 2, length: 0.5, members: [member] }));
}

/** The pattern of a name in any case, or undefined. */
export function patternNamed(name: string): Pattern | undefined {
  return PATTERNS.find((pattern) => pattern.name.toLowerCase() === name.toLowerCase());
}

/** The pattern a part plays in a metre; "auto" takes the first moving one made for the metre, else Block. */
export function patternFor(choice: string, metre: Metre): Pattern {
  const block = PATTERNS[0];
  const fits = (pattern: Pattern): boolean =>
    pattern.metres.length === 0 || pattern.metres.includes(metreName(metre));
  if (choice === 'auto') return PATTERNS.find((pattern) => pattern !== block && fits(pattern)) ?? block;
  const named = patternNamed(choice) ?? block;
  return fits(named) ? named : block;
}
