/** Semitone limits between two fingers of a medium right hand. */
export interface FingerSpan {
  readonly minPractical: number;
  readonly minComfortable: number;
  readonly minRelaxed: number;
  readonly maxRelaxed: number;
  readonly maxComfortable: number;
  readonly maxPractical: number;
}

/** Source: Parncutt, Sloboda, Clarke, Raekallio and Desain (1997), Music Perception 14, table 1. */
const ROWS: Record<string, readonly number[]> = {
  '12': [-5, -3, 1, 5, 8, 10],
  '13': [-4, -2, 3, 7, 10, 12],
  '14': [-3, -1, 5, 9, 12, 14],
  '15': [-1, 1, 7, 10, 13, 15],
  '23': [1, 1, 1, 2, 3, 5],
  '24': [1, 1, 3, 4, 5, 7],
  '25': [2, 2, 5, 6, 8, 10],
  '34': [1, 1, 1, 2, 2, 4],
  '35': [1, 1, 3, 4, 5, 7],
  '45': [1, 1, 1, 2, 3, 5],
};

/** The reach the table was made for, in white keys. */
const TABLE_REACH = 9;

/** Limits between fingers a < b, upper limits scaled by the hand's reach (6 … 10). */
export function fingerSpan(a: number, b: number, reach: number): FingerSpan {
  const row = ROWS[`${a}${b}`];
  const scale = (limit: number): number => Math.round((limit * (reach + 1)) / (TABLE_REACH + 1));
  return {
    minPractical: row[0],
    minComfortable: row[1],
    minRelaxed: row[2],
    maxRelaxed: Math.max(row[2], scale(row[3])),
    maxComfortable: Math.max(row[2], scale(row[4])),
    maxPractical: Math.max(row[2] + 1, scale(row[5])),
  };
}
