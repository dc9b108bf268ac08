import type { Fuller } from '../song';

/** A way of making the right hand fuller: what sounds with a strong note of the tune. */
interface FullerManner {
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
export const FULLER_MANNERS: readonly FullerManner[] = [
  { id: 'under', name: 'Third or sixth under', reach: SIXTH, else: null },
  { id: 'above', name: 'Chord note above', reach: SIXTH, else: 'under' },
  { id: 'two-under', name: 'Two notes under', reach: SIXTH, else: 'under' },
  { id: 'octave', name: 'Octaves', reach: OCTAVE, else: 'under' },
  { id: 'frame', name: 'Octave, a chord note inside', reach: OCTAVE, else: 'octave' },
  { id: 'chord', name: 'Tune on top of chords', reach: SIXTH, else: 'two-under' },
];

/** The manners a hand of so many white steps can play. */
export function fullerFor(reach: number): readonly FullerManner[] {
  return FULLER_MANNERS.filter((manner) => manner.reach <= reach);
}

/** A manner and, after it, those that stand in for it, the thinnest last. */
export function withStandIns(id: Fuller): Fuller[] {
  const row = FULLER_MANNERS.find((manner) => manner.id === id);
  return row?.else ? [id, ...withStandIns(row.else)] : [id];
}
