import type { Fuller } from '../song';

/** A way of making the right hand fuller: what sounds with a strong note of the tune. */
interface FullerSchool {
  readonly id: Fuller;
  readonly name: string;
  /** White steps the hand must reach for it. */
  readonly reach: number;
  /** Played in its place where a note has no room for it; null: the note stays alone. */
  readonly else: Fuller | null;
}

const SIXTH = 6;
const OCTAVE = 8;

/** From the thinnest to the fullest. Source: common practice of filling out a tune at the piano. */
export const FULLER_SCHOOLS: readonly FullerSchool[] = [
  { id: 'under', name: 'Third or sixth under', reach: SIXTH, else: null },
  { id: 'above', name: 'Chord note above', reach: SIXTH, else: 'under' },
  { id: 'two-under', name: 'Two notes under', reach: SIXTH, else: 'under' },
  { id: 'octave', name: 'Octaves', reach: OCTAVE, else: 'under' },
  { id: 'frame', name: 'Octave, a chord note inside', reach: OCTAVE, else: 'octave' },
  { id: 'chord', name: 'Tune on top of chords', reach: SIXTH, else: 'two-under' },
];

/** The school played while none has been chosen. */
export const DEFAULT_FULLER: Fuller = 'under';

/** The schools a hand of so many white steps can play. */
export function fullerFor(reach: number): readonly FullerSchool[] {
  return FULLER_SCHOOLS.filter((school) => school.reach <= reach);
}

/** A school and, after it, those that stand in for it, the thinnest last. */
export function withStandIns(id: Fuller): Fuller[] {
  const row = FULLER_SCHOOLS.find((school) => school.id === id);
  return row?.else ? [id, ...withStandIns(row.else)] : [id];
}
