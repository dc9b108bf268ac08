import type { KeyEvent } from './simulatedPianist';

/** What one short stretch of sound is: its pitch, how surely it has one, and how loud it is. */
export interface SoundFrame {
  /** When the middle of the stretch sounded. */
  readonly seconds: number;
  /** 0 where none was found. */
  readonly hertz: number;
  /** 0 no pitch … 1 one pitch and nothing else. */
  readonly clarity: number;
  /** Root mean square, 0 … 1. */
  readonly level: number;
}

/** A stretch this surely pitched, and this near to a key in half steps, is believed. */
const CLEAR = 0.86;
const NEAR = 0.45;
/** So many stretches in a row on one key are a note; fewer are a knock or the beginning of one. */
const FRAMES = 3;
/** A key struck again keeps its pitch for so many stretches. */
const AGAIN_FRAMES = 6;
/** A key that grows so many times louder within a few stretches was struck again. */
const STRUCK_AGAIN = 1.7;
const BEFORE = 4;
/** A note this many times softer than it was at its loudest, or without pitch for so long, is over. */
const OVER = 0.04;
const SILENT_SECONDS = 0.12;
/** Quieter than this is the room. */
const QUIETEST = 0.004;
const VELOCITY = 76;

/**
 * Makes keys of what a microphone hears of one hand playing one note at a time. A note begins where its pitch has been
 * steady for a few stretches, or where it grows louder again. It cannot tell chords, nor notes under a louder one.
 */
export class PitchTrack {
  private held: { midi: number; loudest: number; heard: number } | null = null;
  private rising: { midi: number; count: number; since: number } | null = null;
  private levels: number[] = [];

  /** The keys that went down or up with one more stretch. */
  hear({ seconds, hertz, clarity, level }: SoundFrame): KeyEvent[] {
    this.levels = [...this.levels.slice(-BEFORE), level];
    const exact = hertz > 0 ? 69 + 12 * Math.log2(hertz / 440) : Number.NaN;
    const midi = Math.round(exact);
    const isClear = clarity >= CLEAR && Math.abs(exact - midi) <= NEAR && level > QUIETEST;
    const { held } = this;
    if (!isClear) {
      this.rising = null;
      this.again = null;
      const isOver = held && (seconds - held.heard > SILENT_SECONDS || level < held.loudest * OVER);
      return isOver ? this.letGo(seconds) : [];
    }
    if (held && midi === held.midi) {
      this.rising = null;
      held.loudest = Math.max(held.loudest, level);
      const again = this.struckAgain(seconds, level);
      held.heard = seconds;
      return again === null ? [] : [...this.letGo(again), this.press(midi, again, level)];
    }
    this.again = null;
    if (this.rising?.midi === midi) this.rising.count++;
    else this.rising = { midi, count: 1, since: seconds };
    if (this.rising.count < FRAMES) return [];
    const { since } = this.rising;
    this.rising = null;
    return [...this.letGo(since), this.press(midi, since, level)];
  }

  private lastPress = -Infinity;
  private again: { since: number; count: number } | null = null;

  /**
   * When the key that sounds was struck once more; null while it was not. Another key begins just so: only what keeps its
   * pitch after it grew louder was the same key.
   */
  private struckAgain(seconds: number, level: number): number | null {
    const isLouder = this.levels.length > BEFORE && level > STRUCK_AGAIN * Math.min(...this.levels);
    // The attack of a note is not a second note.
    if (!this.again && isLouder && seconds - this.lastPress > SILENT_SECONDS)
      this.again = { since: seconds, count: 0 };
    if (!this.again || ++this.again.count < AGAIN_FRAMES) return null;
    const { since } = this.again;
    this.again = null;
    return since;
  }

  private press(midi: number, seconds: number, level: number): KeyEvent {
    this.held = { midi, loudest: level, heard: seconds };
    this.lastPress = seconds;
    return { seconds, midi, velocity: VELOCITY };
  }

  private letGo(seconds: number): KeyEvent[] {
    const { held } = this;
    this.held = null;
    return held ? [{ seconds, midi: held.midi, velocity: 0 }] : [];
  }
}
