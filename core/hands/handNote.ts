import type { Pitch } from '../music';
import type { Touch } from '../song';

export type Hand = 'right' | 'left';
export type Source = 'melody' | 'harmony' | 'chord' | 'figure' | 'pattern' | 'fill' | 'own';

/** One key one hand strikes, in played ticks. */
export interface HandNote {
  readonly hand: Hand;
  readonly tick: number;
  readonly length: number;
  readonly midi: number;
  readonly pitch: Pitch;
  readonly source: Source;
  /** The melody note or change (played id) it comes from. */
  readonly from: string;
  readonly lyric: string | null;
  /** Where the syllable stands in its word. */
  readonly syllabic?: 'single' | 'begin' | 'middle' | 'end';
  readonly grace: boolean;
  readonly touch?: Touch;
  /** Struck as the n-th of a chord that is rolled from below because the hand does not span it. */
  readonly rolled?: number;
  /** 1 thumb … 5 little finger, null while not fingered. */
  readonly finger: number | null;
}

/** By time, then from the lowest key up. */
export function inTime(notes: readonly HandNote[]): HandNote[] {
  return [...notes].sort((a, b) => a.tick - b.tick || a.midi - b.midi);
}
