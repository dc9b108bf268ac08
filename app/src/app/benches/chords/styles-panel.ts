import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { BUILD_UP } from '@joined-hands/core/levels';
import { LAYOUT_ROWS } from '@joined-hands/core/voicing';
import { LengthPipe } from '../../ui/lengths.pipe';
import { Choice } from '../../ui/choice';
import { Offer } from '../../ui/offer';
import { ChordsState } from './chords-state';
import { MovementProofView } from './movement-proof';

/** Every voicing style beside the others on this song: travel, shifts, stretch, findings, in words. */
@Component({
  selector: 'jh-styles-panel',
  imports: [Choice, LengthPipe, MovementProofView, Offer],
  template: `
    <section>
      <h2>Voicing style</h2>
      <jh-choice
        name="scope"
        label="Choose for"
        [options]="scopes"
        [value]="state.forPart() ? 'part' : 'song'"
        (chosen)="state.forPart.set($event === 'part')"
      />
      <h3 id="build-title">Build it up</h3>
      <jh-choice
        name="build"
        labelledBy="build-title"
        [options]="buildUp"
        [value]="state.buildUp()"
        (chosen)="build($event)"
      />
    </section>
    <jh-movement-proof />
    <section aria-label="Voicing styles compared">
      <!-- Rows that grew when their figures come would move away from under the pointer. -->
      @if (state.costs() === null) {
        <p class="note" role="status">Trying every voicing style, to compare them …</p>
      }
      <ol class="ranked">
        @for (row of rows(); track row.layout) {
          <li [class.heard]="row.layout === chosen()">
            <jh-offer
              [name]="row.name"
              [mark]="row.layout === preferred() ? 'your style' : ''"
              [says]="row.says"
              [isPlayed]="row.layout === chosen()"
              (heard)="state.hearLayout(row.layout)"
              (taken)="state.chooseLayout(row.layout)"
            >
              @if (row.cost; as cost) {
                <div class="details">
                  <span class="travel" aria-hidden="true"
                    ><span [style.width.%]="share(cost.millimetres)"></span
                  ></span>
                  <small class="figures"
                    >{{ cost.millimetres | length }} · {{ cost.semitones }} half steps · {{ cost.shifts }}
                    {{ cost.shifts === 1 ? 'shift' : 'shifts' }} · widest {{ cost.widestMm | length }}</small
                  >
                  <small>{{ cost.words }}</small>
                </div>
              }
            </jh-offer>
          </li>
        }
      </ol>
    </section>
  `,
  styleUrls: ['../../ui/panel.less', './chords.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StylesPanel {
  protected readonly state = inject(ChordsState);
  protected readonly scopes = [
    { value: 'song', label: 'Whole song' },
    { value: 'part', label: 'This part' },
  ];
  protected readonly buildUp = BUILD_UP.map(({ notes, name }) => ({ value: notes, label: name }));
  protected readonly preferred = computed(() => this.state.bench.state().profile.layout);
  protected readonly chosen = computed(() => {
    const [bench, song] = [this.state.bench, this.state.bench.song()];
    return this.state.forPart() ? bench.part()?.choices.layout : song?.choices.layout;
  });
  protected readonly rows = computed(() => {
    const known = this.state.costs();
    if (!known) return [];
    const costs = new Map(known.map((cost) => [cost.layout, cost]));
    return LAYOUT_ROWS.map((row) => ({ ...row, cost: costs.get(row.layout) }));
  });

  /** Travel beside the widest travelled, in percent. */
  protected share(millimetres: number): number {
    const most = Math.max(1, ...(this.state.costs() ?? []).map((cost) => cost.millimetres));
    return (100 * millimetres) / most;
  }

  protected build(value: number): void {
    const step = BUILD_UP.find((s) => s.notes === value);
    if (step) this.state.choose(step.choices);
  }
}
