import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { firstBarTick, type Part } from '@joined-hands/core/parts';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { BenchState } from '../../frame/bench-state';
import { Playing } from '../../frame/playing';
import { Seam } from '../../frame/seam';
import { stretchView } from '../../frame/seam-view';

/** Bars that differ shown at most; more are told by their number. */
const MOST_BARS = 3;

/** A part beside the one it comes from: only the bars that differ, to be looked at and heard in turn. */
@Component({
  selector: 'jh-part-difference',
  imports: [NzButtonComponent, Seam],
  template: `
    <h2>Only this differs</h2>
    <div class="both">
      @for (side of sides(); track side.part.cutId) {
        <section>
          <h3>Part {{ side.part.number }}</h3>
          <jh-seam [view]="side.view" [tick]="playing.player.tick()" />
          <button
            nz-button
            nzSize="small"
            type="button"
            (click)="playing.playStretch(side.from, side.to, { stays: true })"
          >
            Hear it in part {{ side.part.number }}
          </button>
        </section>
      }
    </div>
  `,
  styles: `
    :host {
      display: block;
      margin-top: var(--space-8);
    }
    h2 {
      font-size: var(--type-heading);
    }
    h3 {
      font-size: var(--type-body);
      margin: var(--space-2) 0;
    }
    .both {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
      gap: var(--space-8);
    }
    section {
      min-width: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartDifference {
  protected readonly bench = inject(BenchState);
  protected readonly playing = inject(Playing);

  protected readonly sides = computed(() => {
    const [arrangement, part] = [this.bench.arrangement(), this.bench.part()];
    const model = arrangement?.parts[(part?.relatedTo ?? 0) - 1];
    if (!arrangement || !part || !model || part.differs.length === 0) return [];
    const { bars, endTick } = arrangement.played;
    const [first, last] = [part.differs[0], part.differs[Math.min(part.differs.length, MOST_BARS) - 1]];
    return [model, part].map((side: Part) => {
      const origin = firstBarTick(arrangement.played, side.fromTick);
      const at = bars.findIndex((bar) => bar.tick >= origin);
      const tickOf = (bar: number): number => bars[at + bar]?.tick ?? endTick;
      const from = first < 0 ? side.fromTick : tickOf(first);
      const to = Math.min(side.toTick, tickOf(last + 1));
      return { part: side, from, to, view: stretchView(arrangement, side.number - 1, from, to) };
    });
  });
}
