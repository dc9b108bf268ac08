import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { proofInWords } from '@joined-hands/core/words';
import { ChordsState } from './chords-state';

/** The song's movement beside the least possible and root position throughout, and what holds it above the least. */
@Component({
  selector: 'jh-movement-proof',
  template: `
    @if (state.proof(); as proof) {
      <section aria-labelledby="proof-title">
        <h3 id="proof-title">Half steps the voices move</h3>
        <dl>
          @for (row of rows(); track row.name) {
            <dt>{{ row.name }}</dt>
            <dd>
              <b>{{ row.halfSteps }}</b>
              <span class="travel" aria-hidden="true"><span [style.width.%]="row.share"></span></span>
            </dd>
          }
        </dl>
        @for (sentence of words(); track sentence) {
          <p class="note">{{ sentence }}</p>
        }
      </section>
    }
  `,
  styleUrls: ['../../ui/panel.less', './chords.less'],
  styles: `
    dl {
      display: grid;
      grid-template-columns: auto 1fr;
      gap: var(--space-1) var(--space-6);
      margin: 0 0 var(--space-4);
    }
    dt {
      color: var(--ink-soft);
      font-size: var(--type-note);
    }
    dd {
      display: flex;
      align-items: center;
      gap: var(--space-4);
      margin: 0;
    }
    dd b {
      min-width: 40px;
      text-align: right;
    }
    .travel {
      flex: 1;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MovementProofView {
  protected readonly state = inject(ChordsState);
  protected readonly rows = computed(() => {
    const proof = this.state.proof();
    if (!proof) return [];
    const most = Math.max(1, proof.rootPosition, proof.ours);
    return [
      { name: 'As played', halfSteps: proof.ours },
      { name: 'Least possible', halfSteps: proof.least },
      { name: 'Root position', halfSteps: proof.rootPosition },
    ].map((row) => ({ ...row, share: (100 * row.halfSteps) / most }));
  });
  protected readonly words = computed(() => {
    const proof = this.state.proof();
    return proof ? proofInWords(proof) : [];
  });
}
