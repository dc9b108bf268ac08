import { type KeyEvent, USUAL_VELOCITY } from '../takes';
import { Ear } from './ear';
import { FIRST_KEY, type KeyShapes, LAST_KEY } from './keyShapes';

const ALL_KEYS = Array.from({ length: LAST_KEY - FIRST_KEY + 1 }, (_, i) => FIRST_KEY + i);
/** A sound that keys explain less of than this is no piano. */
const EXPLAINED = 0.2;
/** A key this many times softer than it was at its loudest is let go. */
const OVER = 0.04;

/** What is taken to stay of what sounded before: little, so that a key that is struck again is heard. */
const STAYS = 0.6;

/** Listens for keys. */
export interface KeyListener {
  /** Hears the next block, which ended at `ended` seconds; what it tells is a first word. */
  hear(block: Float32Array, ended: number): KeyEvent[];
  /** All that was struck, judged by all that was heard. */
  inFull(): KeyEvent[];
}

/** Hears a tune of single notes, with nothing known of it. */
export class NoteListener implements KeyListener {
  private readonly ear: Ear;
  private readonly events: KeyEvent[] = [];
  private held: { readonly midi: number; loudest: number } | null = null;

  constructor(
    private readonly shapes: KeyShapes,
    samplesPerSecond: number,
  ) {
    this.ear = new Ear(samplesPerSecond, STAYS);
  }

  hear(block: Float32Array, ended: number): KeyEvent[] {
    const events = this.ear.hear(block, ended).flatMap(({ came, seconds, isFull }): KeyEvent[] => {
      if (!isFull) return [];
      const { shareOf, explained } = this.shapes.fit(this.shapes.likeness(came), ALL_KEYS);
      if (explained < EXPLAINED) return [];
      const midi = ALL_KEYS.reduce((best, key) => (shareOf(key) > shareOf(best) ? key : best));
      const before = this.letGo(seconds);
      this.held = { midi, loudest: 0 };
      return [...before, { seconds, midi, velocity: USUAL_VELOCITY }];
    });
    const level = Math.sqrt(block.reduce((sum, x) => sum + x * x, 0) / block.length);
    if (this.held) {
      this.held.loudest = Math.max(this.held.loudest, level);
      if (level < OVER * this.held.loudest) events.push(...this.letGo(ended));
    }
    this.events.push(...events);
    return events;
  }

  inFull(): KeyEvent[] {
    return this.events;
  }

  private letGo(seconds: number): KeyEvent[] {
    const { held } = this;
    this.held = null;
    return held ? [{ seconds, midi: held.midi, velocity: 0 }] : [];
  }
}
