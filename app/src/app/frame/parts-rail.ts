import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import type { Part } from '@joined-hands/core/parts';
import { barsInWords, typesetForm } from '@joined-hands/core/words';
import { BenchState } from './bench-state';

/** The parts of the song, numbered: where to work next. */
@Component({
  selector: 'jh-parts-rail',
  template: `
    <h2 id="parts-title">Parts</h2>
    <ol aria-labelledby="parts-title">
      @for (part of bench.arrangement()?.parts ?? []; track part.cutId; let i = $index) {
        <li>
          <button
            type="button"
            [class.current]="i === bench.partIndex()"
            [attr.aria-current]="i === bench.partIndex() ? 'step' : null"
            (click)="bench.goToPart(i)"
          >
            <span class="number">{{ part.number }}</span>
            <span class="what">
              <span class="name"
                >{{ part.sectionName || 'Part' }} <i>{{ form(part) }}</i></span
              >
              <span class="bars">{{ bars(part) }}{{ relation(part) }}{{ order(part) }}</span>
            </span>
            <span class="effort" [attr.aria-label]="'Effort ' + effort(i) + ' of 100'" [title]="reasons(i)">
              <span class="fill" [style.height.%]="effort(i)"></span>
            </span>
            @if (part.settled) {
              <span class="settled">settled</span>
            }
          </button>
        </li>
      }
    </ol>
  `,
  styleUrl: './parts-rail.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartsRail {
  protected readonly bench = inject(BenchState);

  protected form(part: Part): string {
    // What frames the song goes by its name alone.
    return part.label === part.sectionName ? '' : typesetForm(part.label);
  }

  protected bars(part: Part): string {
    return barsInWords(part);
  }

  protected relation(part: Part): string {
    const words = {
      same: ' · same as ',
      ending: ' · new end to ',
      varied: ' · varied from ',
      moved: ' · moved from ',
      rhythm: ' · rhythm of ',
      new: '',
    };
    return part.relatedTo === null ? '' : words[part.relation] + part.relatedTo;
  }

  /** Right hand first is the custom; the others are said. */
  protected order({ choices }: Part): string {
    return { right: '', left: ' · left hand first', chords: ' · chords first' }[choices.firstHand];
  }

  protected effort(index: number): number {
    return this.bench.arrangement()?.efforts[index]?.total ?? 0;
  }

  protected reasons(index: number): string {
    return this.bench.arrangement()?.efforts[index]?.reasons.join('; ') ?? '';
  }
}
