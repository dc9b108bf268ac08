import type { ArrangedChange } from '@joined-hands/core/arrangement';
import type { TextMark } from './seam-lyrics';

/** A key one hand strikes, as it is drawn. */
interface KeyShape {
  readonly tick: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly letter: string;
  readonly finger: number | null;
  /** Where its finger is written: inside, or over or under a key too narrow for it; null where there is no room. */
  readonly fingerAt: 'in' | 'over' | 'under' | null;
  /** Struck inside others: not the highest of the right hand, nor the lowest of the left. */
  readonly isInner: boolean;
  /** The thumb passes under, or a finger over it, to reach this key. */
  readonly isPass: boolean;
  readonly midi: number;
}

/** A note of the right hand: round, pitch as height. */
export interface NoteShape extends KeyShape {
  readonly id: string;
  /** The melody note or change (played id) it comes from. */
  readonly from: string;
  readonly octaveMark: string;
  readonly isGrace: boolean;
  /** It is filled in, and no note of the tune. */
  readonly isFill: boolean;
}

/** A key of the left hand: square. */
export interface BlockShape extends KeyShape {
  readonly id: string;
  readonly changeId: string;
  readonly isFill: boolean;
  /** "8 down" where it is drawn an octave away. */
  readonly octaveMark: string;
}

export interface ChangeShape {
  readonly id: string;
  readonly x: number;
  readonly width: number;
  readonly symbol: string;
  /** Where what stands beside the name begins. */
  readonly besideX: number;
  /** "1st inv."; empty where what is played is not built on it. */
  readonly position: string;
  /** The same, where there is room for it. */
  readonly inversion: string;
  /** "ii7", where there is room. */
  readonly degree: string;
  /** The left hand strikes for it. */
  readonly hasLeft: boolean;
  readonly isPinned: boolean;
  readonly change: ArrangedChange;
  readonly how: 'struck' | 'held' | 'rest';
  /** Said on the seam where the right hand does not strike with it. */
  readonly told: TextMark | null;
}

export interface Stitch {
  readonly x: number;
  readonly fromY: number;
  readonly toY: number;
  readonly isStrong: boolean;
}

export interface SeamRow {
  readonly top: number;
  readonly height: number;
  readonly fromTick: number;
  readonly toTick: number;
  readonly bars: readonly {
    readonly x: number;
    readonly width: number;
    readonly number: number;
    readonly isFirst: boolean;
  }[];
  readonly notes: readonly NoteShape[];
  readonly blocks: readonly BlockShape[];
  readonly changes: readonly ChangeShape[];
  readonly stitches: readonly Stitch[];
  readonly lyrics: readonly TextMark[];
  readonly counts: readonly TextMark[];
  readonly seamY: number;
  /** Baseline of the chord names. */
  readonly chordY: number;
  readonly bottom: number;
  readonly pixelsPerTick: number;
}

export interface SeamLayout {
  readonly rows: readonly SeamRow[];
  readonly height: number;
  /** Right-hand lane from top to bottom, for the backdrop. */
  readonly rightHeight: number;
  /** From one step of the staff to the next. */
  readonly step: number;
}

/** How a note was played: a sign where it was not just right, and how loud, of 1; null where that is not known. */
export interface NoteMark {
  readonly sign: string;
  readonly loudness: number | null;
}
