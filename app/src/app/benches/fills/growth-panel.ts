import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { type Growth, growing, growthProposed } from '@joined-hands/core/arrange';
import { timeInWords, typesetForm } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Playing } from '../../frame/playing';
import { Offer } from '../../ui/offer';
import { FillsState } from './fills-state';
import { PlanPanel } from './plan-panel';

/** The plan of the song, and how strains that come back grow. */
@Component({
  selector: 'jh-growth-panel',
  imports: [NzButtonComponent, Offer, PlanPanel],
  template: `
    <jh-plan-panel />
    <section>
      <h2>Vary repeats</h2>
      @if (growths().length === 0) {
        <p>No part of this song comes back.</p>
      } @else {
        <ol class="ranked">
          @for (row of growths(); track row.part) {
            <li [class.heard]="row.isTaken">
              <jh-offer
                [isStacked]="row.isTaken"
                [name]="'Part ' + row.part + ' ' + form(row.label) + ', ' + times(row.time)"
                [says]="row.step"
                [isPlayed]="row.isTaken"
                (heard)="hear(row)"
                (taken)="take([row], true)"
              >
                @for (by of [-1, 1]; track by) {
                  <button
                    nz-button
                    nzSize="small"
                    type="button"
                    [disabled]="!row.steps[row.at + by]"
                    [attr.aria-label]="(by < 0 ? 'Less in part ' : 'More in part ') + row.part"
                    (click)="stepBy(row, by)"
                  >
                    {{ by < 0 ? 'Less' : 'More' }}
                  </button>
                }
                <button
                  nz-button
                  nzSize="small"
                  type="button"
                  [attr.aria-label]="'Remove the variation of part ' + row.part"
                  (click)="take([row], false)"
                >
                  Remove
                </button>
              </jh-offer>
            </li>
          }
        </ol>
        <p class="line">
          <button nz-button type="button" (click)="take(growths(), true)">Take all</button>
          <button nz-button type="button" [disabled]="!someTaken()" (click)="take(growths(), false)">
            Remove all
          </button>
        </p>
      }
    </section>
  `,
  styleUrls: ['../../ui/panel.less', './fills.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GrowthPanel {
  protected readonly state = inject(FillsState);
  private readonly playing = inject(Playing);
  private readonly arrangement = this.state.bench.arrangement;
  protected readonly growths = computed(() => {
    const arrangement = this.arrangement();
    return arrangement ? growthProposed(arrangement) : [];
  });
  protected readonly someTaken = computed(() => this.growths().some(({ isTaken }) => isTaken));

  protected form(label: string): string {
    return typesetForm(label);
  }

  protected times(time: number): string {
    return timeInWords(time);
  }

  protected hear(row: Growth): void {
    const arrangement = this.arrangement();
    const part = arrangement?.parts[row.part - 1];
    if (arrangement && part)
      this.playing.hearStretch(growing(arrangement, [row], true), {
        fromTick: part.fromTick,
        toTick: part.toTick,
      });
  }

  protected take(rows: readonly Growth[], isTaken: boolean): void {
    const arrangement = this.arrangement();
    if (arrangement) this.state.bench.edit(growing(arrangement, rows, isTaken));
  }

  /** A step more or less than is played. */
  protected stepBy({ part, at, steps }: Growth, by: number): void {
    const arrangement = this.arrangement();
    const next = steps[at + by];
    if (arrangement && next)
      this.state.bench.edit(growing(arrangement, [{ part, choices: next.choices }], true));
  }
}
