import { eighths, type Pattern } from './pattern';

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
  closer: null,
};

/** One row a pattern; each is substituted into every chord. */
export const PATTERNS: readonly Pattern[] = [
  BLOCK,
  {
    id: 'waltz',
    name: 'Waltz',
    base: 'voicing',
    metres: ['3/4'],
    beats: 3,
    holdsUpTo: 1,
    energy: 3,
    events: [
      { onset: 0, length: 1, members: ['lowest'] },
      { onset: 1, length: 1, members: ['others'] },
      { onset: 2, length: 1, members: ['others'] },
    ],
    closer: null,
  },
  {
    id: 'rocking',
    name: 'Rocking',
    base: 'root',
    metres: ['2/4', '4/4'],
    beats: 2,
    holdsUpTo: 0,
    energy: 3,
    events: eighths(1, 5, 8, 5),
    closer: eighths(1, 5, 3, 5),
  },
];
