import { type MelodyNote, type Song, type Touch } from '../song';
import type { BarSigns } from './repeats';

/** A note of a score before it is known whether it belongs to the melody. Ticks. */
export interface ScoreNote extends Omit<MelodyNote, 'id' | 'harmony'> {
  /** As it is written; absent: none is. */
  readonly finger?: number;
  readonly touch?: Touch;
  readonly midi: number;
  /** Goes on from a note tied before it. */
  readonly isHeldOn: boolean;
  readonly staff: string;
  readonly voice: string;
}

/** One part (or track) of a file as read: all its notes and everything written above them. */
export interface ReadPart {
  readonly name: string;
  readonly notes: readonly ScoreNote[];
  readonly chords: readonly { readonly tick: number; readonly symbol: string }[];
  readonly sections: readonly { readonly tick: number; readonly name: string }[];
  /** When its pedal is down; absent: it has no sign for it. */
  readonly pedals?: readonly { readonly tick: number; readonly length: number }[];
  readonly keyMap: Song['keyMap'];
  /** How sure the mode of its key is: written out, left out, or one of the two a MIDI file can say. */
  readonly mode: 'given' | 'left-out' | 'major-or-minor';
  readonly metreMap: Song['metreMap'];
  readonly tempoMap: Song['tempoMap'];
  readonly pickup: number;
  readonly barCount: number;
  /** Tick at which the last bar ends. */
  readonly end: number;
  readonly signs: readonly BarSigns[];
  readonly imported: Song['imported'];
  /** The notes of all parts together: offered as a line, but heard only once. */
  readonly isEverything?: boolean;
}

/** A file as read, whatever its format: parts whose maps agree. */
export interface ReadScore {
  /** Swung or straight, where the file tells it; else straight. */
  readonly feel?: Song['feel'];
  readonly title: string | null;
  /** Who wrote it, where the file tells it. */
  readonly credits?: Song['credits'];
  readonly parts: readonly ReadPart[];
}
