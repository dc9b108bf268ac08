import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router } from '@angular/router';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Guide } from '../ui/guide';
import { GUIDE_STEPS } from '../ui/guide-steps';

/** One step of the tour, over the bench it is about. */
@Component({
  selector: 'jh-guide-strip',
  imports: [NzButtonComponent],
  template: `
    @if (guide.step(); as step) {
      <section class="strip" aria-label="The tour">
        <p aria-live="polite">
          <b>{{ (guide.at() ?? 0) + 1 }} of {{ count }} · {{ step.title }}.</b> {{ step.what }}
        </p>
        <span>
          <button nz-button nzSize="small" type="button" [disabled]="guide.at() === 0" (click)="go(-1)">
            Back
          </button>
          <button nz-button nzSize="small" nzType="primary" type="button" (click)="go(1)">
            {{ isLast() ? 'Finish' : 'Next step' }}
          </button>
          <button nz-button nzSize="small" type="button" (click)="guide.leave()">End tour</button>
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
    span {
      display: flex;
      gap: var(--space-3);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GuideStrip {
  protected readonly guide = inject(Guide);
  private readonly router = inject(Router);
  protected readonly count = GUIDE_STEPS.length;
  protected readonly isLast = computed(() => this.guide.at() === GUIDE_STEPS.length - 1);

  protected go(by: 1 | -1): void {
    this.guide.go(by);
    if (this.guide.step()) void this.router.navigate(this.guide.address());
  }
}
