import { computed, signal } from '@angular/core';
import { type DrillStep, type Mark, markKeys } from '@joined-hands/core/voicing';

/** A drill as it is played: one chord after the other, each marked by the keys struck. */
export class DrillSession {
  /** Index of the chord asked for; the length of the drill when it is done. */
  readonly at = signal(0);
  readonly right = signal(0);
  readonly wrong = signal(0);
  /** Keys struck for the chord asked for so far. */
  readonly struck = signal<readonly number[]>([]);
  /** How the last chord was marked, or null before the first. */
  readonly last = signal<Mark | null>(null);
  readonly step = computed<DrillStep | null>(() => this.steps[this.at()] ?? null);
  readonly isDone = computed(() => this.at() >= this.steps.length);

  constructor(readonly steps: readonly DrillStep[]) {}

  /** A key was struck: when as many are down as the chord has, they are marked. Gives the mark, or null before. */
  press(midi: number): Mark | null {
    const step = this.step();
    if (!step || this.struck().includes(midi)) return null;
    const struck = [...this.struck(), midi];
    if (struck.length < step.keys.length) {
      this.struck.set(struck);
      return null;
    }
    const mark = markKeys(step.keys, struck);
    this.struck.set([]);
    this.last.set(mark);
    if (mark.isRight) {
      this.right.update((n) => n + 1);
      this.at.update((n) => n + 1);
    } else this.wrong.update((n) => n + 1);
    return mark;
  }
}
