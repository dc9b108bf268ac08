import { eighths, type Pattern, quarters } from './pattern';

/** Member to play where the chord has none of that number: a chord without a third, a triad's seventh. */
export const SUBSTITUTES: Record<number, number> = { 3: 5, 5: 8, 7: 8, 9: 8, 10: 8 };

/** The chord as it is, struck once and held. */
export const BLOCK: Pattern = {
  id: 'block',
  name: 'Block',
  base: 'voicing',
  metres: [],
  beats: 0,
  holdsUpTo: 0,
  energy: 1,
  events: [{ onset: 0, length: 0, members: ['all'] }],
};

/** One row a pattern; each is substituted into every chord. Source: common practice of accompanying at the piano. */
export const PATTERNS: readonly Pattern[] = [
  BLOCK,
  {
    id: 'waltz',
    name: 'Waltz',
    base: 'root',
    metres: ['3/4'],
    // Over two bars: the second bar of the same chord takes its fifth low.
    beats: 6,
    holdsUpTo: 1,
    energy: 3,
    events: quarters(1, 'upper', 'upper', 'second bass', 'upper', 'upper'),
  },
  {
    id: 'waltz-in-place',
    name: 'Waltz in place',
    base: 'voicing',
    metres: ['3/4'],
    beats: 3,
    holdsUpTo: 1,
    energy: 2,
    events: quarters('lowest', 'others', 'others'),
  },
  {
    id: 'rocking',
    name: 'Rocking',
    base: 'root',
    metres: ['2/4', '4/4', '2/2'],
    beats: 2,
    holdsUpTo: 0,
    energy: 3,
    events: eighths(1, 5, 'peak', 5),
  },
  {
    id: 'jig',
    name: 'Jig',
    base: 'root',
    metres: ['6/8', '9/8', '12/8', '3/8'],
    beats: 3,
    holdsUpTo: 0,
    energy: 3,
    events: [
      { onset: 0, length: 1, members: [1] },
      { onset: 1, length: 0.5, members: [5] },
      { onset: 1.5, length: 1, members: ['peak'] },
      { onset: 2.5, length: 0.5, members: [5] },
    ],
  },
  {
    id: 'pulse',
    name: 'Pulse',
    base: 'voicing',
    metres: [],
    unit: 'beat',
    beats: 1,
    holdsUpTo: 0,
    energy: 2,
    events: quarters('all'),
  },
  {
    id: 'fifths',
    name: 'Fifths',
    base: 'root',
    metres: [],
    unit: 'beat',
    beats: 1,
    holdsUpTo: 0,
    energy: 2,
    isByChoice: true,
    events: [{ onset: 0, length: 1, members: [1, 5] }],
  },
  {
    id: 'low-then-chord',
    name: 'Low then chord',
    base: 'root',
    metres: ['4/4', '2/2'],
    beats: 4,
    holdsUpTo: 1,
    energy: 2,
    isByChoice: true,
    events: [
      { onset: 0, length: 2, members: [1] },
      { onset: 2, length: 2, members: ['upper'] },
    ],
  },
  {
    id: 'root-and-low-fifth',
    name: 'Root and low fifth',
    base: 'root',
    metres: ['4/4', '2/2'],
    beats: 4,
    holdsUpTo: 1,
    energy: 2,
    isByChoice: true,
    events: [
      { onset: 0, length: 2, members: [1] },
      { onset: 2, length: 2, members: ['second bass'] },
    ],
  },
  {
    id: 'stride',
    name: 'Stride',
    base: 'root',
    metres: ['2/4', '4/4', '2/2'],
    beats: 4,
    holdsUpTo: 1,
    energy: 4,
    isByChoice: true,
    events: quarters(1, 'upper', 'second bass', 'upper'),
  },
];
