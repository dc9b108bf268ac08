import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { choicesInWords, partsListed } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { BenchState } from './bench-state';

/** What the part on screen has of its own, and the way back to what holds for the song. */
@Component({
  selector: 'jh-own-choices',
  imports: [NzButtonComponent],
  template: `
    @if (bench.part()?.settled) {
      <p>This part is kept as learned: choices for the song leave it as it is.</p>
    } @else if (bench.ownChoices(); as own) {
      <p>
        <span>This part has its own {{ names() }}.</span>
        <button nz-button nzSize="small" type="button" (click)="bench.releaseChoices(false)">
          As the song
        </button>
        @if (own.others.length > 0) {
          <span>So {{ own.others.length === 1 ? 'has' : 'have' }} {{ others() }}.</span>
          <button nz-button nzSize="small" type="button" (click)="bench.releaseChoices(true)">
            All parts as the song
          </button>
        }
      </p>
    }
  `,
  styles: `
    p {
      display: flex;
      flex-wrap: wrap;
      gap: var(--space-3) var(--space-4);
      align-items: center;
      margin: var(--space-4) 0 0;
      font-size: var(--type-note);
      color: var(--ink-soft);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OwnChoices {
  protected readonly bench = inject(BenchState);
  protected readonly names = computed(() => choicesInWords(this.bench.ownChoices()?.names ?? []));
  protected readonly others = computed(() => partsListed(this.bench.ownChoices()?.others ?? []));
}
