import { computed, Injectable, signal } from '@angular/core';
import { GUIDE_STEPS, GUIDED_SONG } from './guide-steps';

const REMEMBERED_AS = 'joined-hands-guide';
/** Not begun, put aside, at a step, left at a step, walked to its end. */
type Stand =
  | { readonly kind: 'offered' | 'declined' | 'done' }
  | { readonly kind: 'walking' | 'left'; readonly step: number };

/** The tour through one song: offered on the first visit, left at any time, taken up again where it was left. */
@Injectable({ providedIn: 'root' })
export class Guide {
  private readonly stand = signal<Stand>(remembered());
  readonly isOffered = computed(() => this.stand().kind === 'offered');
  readonly isLeft = computed(() => this.stand().kind === 'left');
  /** The step it is at, from 0; null where nobody is led. */
  readonly at = computed(() => {
    const stand = this.stand();
    return stand.kind === 'walking' ? stand.step : null;
  });
  readonly step = computed(() => {
    const at = this.at();
    return at === null ? null : GUIDE_STEPS[at];
  });
  /** It was just walked to its end. */
  readonly isEnding = signal(false);
  /** The step it would go on with. */
  readonly next = computed(() => {
    const stand = this.stand();
    return 'step' in stand ? stand.step : 0;
  });

  /** Where it goes on: the address of its song on the bench of the step. */
  readonly address = computed(() => {
    const { bench } = GUIDE_STEPS[this.next()];
    return ['/song', GUIDED_SONG, ...(bench ? [bench] : [])];
  });

  /** Begins, or goes on where it was left. */
  walk(): void {
    this.set({ kind: 'walking', step: this.next() });
  }

  /** To the step before or the next; past the last it is done. */
  go(by: 1 | -1): void {
    const at = this.at();
    if (at === null) return;
    const step = Math.max(0, at + by);
    this.isEnding.set(step >= GUIDE_STEPS.length);
    this.set(this.isEnding() ? { kind: 'done' } : { kind: 'walking', step });
  }

  leave(): void {
    this.set({ kind: 'left', step: this.next() });
  }

  /** Not wanted: it is offered no more, and stays in the list of what there is. */
  decline(): void {
    this.set({ kind: 'declined' });
  }

  private set(stand: Stand): void {
    this.stand.set(stand);
    try {
      localStorage.setItem(REMEMBERED_AS, JSON.stringify(stand));
    } catch {
      // Where the browser keeps nothing it is offered again the next time.
    }
  }
}

function remembered(): Stand {
  try {
    const stand = JSON.parse(localStorage.getItem(REMEMBERED_AS) ?? 'null') as Partial<Stand> | null;
    if (!stand) return { kind: 'offered' };
    if (stand.kind === 'declined' || stand.kind === 'done') return { kind: stand.kind };
    const step = 'step' in stand ? Number(stand.step) : NaN;
    if (step >= 0 && step < GUIDE_STEPS.length && Number.isInteger(step)) return { kind: 'left', step };
  } catch {
    // What cannot be read is as good as nothing.
  }
  return { kind: 'offered' };
}
