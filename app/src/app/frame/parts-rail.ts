import { inWords } from '@joined-hands/core/sentences';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import type { Part } from '@joined-hands/core/parts';
import { partLine, typesetForm } from '@joined-hands/core/words';
import { BenchState } from './bench-state';

/** Rows of the rail drawn in one go, and how long the rest of the page has to itself between two. */
const ROWS_AT_ONCE = 40;
const PAUSE_MS = 30;

/** The parts of the song, numbered: where to work next. */
@Component({
  selector: 'jh-parts-rail',
  template: `
    <h2 id="parts-title">Parts</h2>
    <ol aria-labelledby="parts-title">
      @for (part of shown(); track part.cutId; let i = $index) {
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
              <span class="bars" [class.visually-hidden]="i !== bench.partIndex()">{{ line(i) }}</span>
            </span>
            <span
              class="effort"
              [attr.aria-label]="'Difficulty ' + effort(i) + ' of 100'"
              [title]="reasons(i)"
            >
              <span class="fill" [style.height.%]="effort(i)"></span>
            </span>
            @if (part.settled) {
              <span class="settled">learned</span>
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
  private readonly parts = computed(() => this.bench.arrangement()?.parts ?? []);
  private readonly drawn = signal(ROWS_AT_ONCE);
  /** A long song has hundreds of parts: those of now are drawn with the music, the others after it, a handful at a time. */
  protected readonly shown = computed(() =>
    this.parts().slice(0, Math.max(this.drawn(), this.bench.partIndex() + ROWS_AT_ONCE)),
  );

  constructor() {
    effect((onCleanup) => {
      if (this.shown().length >= this.parts().length) return;
      const later = setTimeout(() => this.drawn.set(this.shown().length + ROWS_AT_ONCE), PAUSE_MS);
      onCleanup(() => clearTimeout(later));
    });
  }

  protected form(part: Part): string {
    // What frames the song goes by its name alone.
    return part.label === part.sectionName ? '' : typesetForm(part.label);
  }

  protected line(index: number): string {
    const arrangement = this.bench.arrangement();
    return arrangement ? partLine(arrangement, index) : '';
  }

  protected effort(index: number): number {
    return this.bench.arrangement()?.efforts[index]?.total ?? 0;
  }

  protected reasons(index: number): string {
    return this.bench.arrangement()?.efforts[index]?.reasons.map(inWords).join('; ') ?? '';
  }
}
