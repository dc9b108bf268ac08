import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Guide } from '../ui/guide';
import { GUIDE_STEPS, type Seen } from '../ui/guide-steps';
import { BenchState } from './bench-state';
import { Playing } from './playing';

/** One step of the tour, over the bench it is about; after the last, the ways to a song of one's own. */
@Component({
  selector: 'jh-guide-strip',
  imports: [NzButtonComponent, RouterLink],
  template: `
    @if (guide.step(); as step) {
      <section class="strip" aria-label="The tour">
        <p aria-live="polite">
          <b>{{ (guide.at() ?? 0) + 1 }} of {{ count }} · {{ step.title }}.</b> {{ step.what }}
          <b>{{ isTouched ? step.tap : step.press }}</b>
          @if (isDone()) {
            <span class="done">✓ Done.</span>
          }
        </p>
        <span class="buttons">
          <button nz-button nzSize="small" type="button" [disabled]="guide.at() === 0" (click)="go(-1)">
            Back
          </button>
          <button
            nz-button
            nzSize="small"
            [nzType]="isDone() ? 'primary' : 'default'"
            type="button"
            (click)="go(1)"
          >
            {{ isDone() ? (isLast() ? 'Finish' : 'Next step') : 'Skip this step' }}
          </button>
          <button nz-button nzSize="small" type="button" (click)="guide.leave()">End tour</button>
        </span>
      </section>
    } @else if (guide.isEnding()) {
      <section class="strip" aria-label="The tour">
        <p aria-live="polite"><b>That was the tour.</b> Now your own song:</p>
        <span class="buttons">
          <a nz-button nzSize="small" nzType="primary" routerLink="/" [queryParams]="{ begin: 'tune' }"
            >Type a tune</a
          >
          <a nz-button nzSize="small" routerLink="/" [queryParams]="{ begin: 'chords' }">Write chords</a>
          <a nz-button nzSize="small" routerLink="/" [queryParams]="{ begin: 'file' }">Open a file</a>
          <button nz-button nzSize="small" type="button" (click)="guide.isEnding.set(false)">Close</button>
        </span>
      </section>
    }
  `,
  styles: `
    .strip {
      display: flex;
      flex-wrap: wrap;
      gap: var(--space-3) var(--space-8);
      align-items: center;
      padding: var(--space-4) var(--space-8);
      background: var(--selected);
    }
    p {
      flex: 1 1 420px;
      margin: 0;
    }
    .buttons {
      display: flex;
      flex-wrap: wrap;
      gap: var(--space-3);
    }
    .done {
      font-weight: 700;
      color: var(--good);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GuideStrip {
  protected readonly guide = inject(Guide);
  private readonly router = inject(Router);
  private readonly bench = inject(BenchState);
  private readonly playing = inject(Playing);
  protected readonly count = GUIDE_STEPS.length;
  protected readonly isLast = computed(() => this.guide.at() === GUIDE_STEPS.length - 1);
  protected readonly isTouched = matchMedia('(pointer: coarse)').matches;
  private readonly seen = computed<Seen>(() => ({
    part: this.bench.partIndex(),
    hands: this.bench.place().hands,
    isPlaying: this.playing.player.isPlaying(),
    level: this.bench.level(),
    pins: this.bench.song()?.pins.length ?? 0,
  }));
  /** What the step asks for was done; it stays so. */
  protected readonly isDone = signal(false);

  constructor() {
    let begun: { readonly at: number | null; readonly seen: Seen } | null = null;
    effect(() => {
      const [at, step, seen] = [this.guide.at(), this.guide.step(), this.seen()];
      if (!step || !this.bench.song()) return;
      if (begun?.at !== at) {
        begun = { at, seen };
        this.isDone.set(false);
      }
      if (step.isDone(seen, begun.seen)) this.isDone.set(true);
    });
  }

  protected go(by: 1 | -1): void {
    this.guide.go(by);
    if (!this.guide.step()) return;
    // The keys mean the song again, not the button that was pressed.
    void this.router
      .navigate(this.guide.address())
      .then(() => setTimeout(() => document.querySelector('main')?.focus()));
  }
}
