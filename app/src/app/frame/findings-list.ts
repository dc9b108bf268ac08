import { barInWords } from '@joined-hands/core/sentences';
import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { barAt, type Finding, findingId, type Remedy } from '@joined-hands/core/song';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { GivesWay } from '../ui/gives-way';
import { WordsPipe } from '../ui/words.pipe';
import { BenchState } from './bench-state';
import { Playing } from './playing';

/** Remedies shown at first. */
const FEW = 3;

/** What should be known about the part, each with its remedies one press away. */
@Component({
  selector: 'jh-findings-list',
  imports: [GivesWay, NzButtonComponent, WordsPipe],
  template: `
    @if (bench.findings().length > 0) {
      <section>
        <h3>Worth knowing about this part</h3>
        <ul class="findings">
          @for (finding of bench.findings(); track $index) {
            <li class="finding">
              <b>{{ place(finding) }}</b> {{ finding.says | words }}
              <ul class="remedies">
                @for (remedy of shown(finding); track $index) {
                  <li>
                    <button
                      nz-button
                      jhGivesWay=".finding"
                      nzSize="small"
                      type="button"
                      (click)="bench.edit(remedy.edit)"
                    >
                      {{ remedy.offer | words }}
                    </button>
                    <button
                      nz-button
                      nzSize="small"
                      nzType="text"
                      type="button"
                      class="hear"
                      [attr.aria-label]="'Hear: ' + (remedy.offer | words)"
                      (click)="playing.hearEdit(remedy.edit, finding.tick)"
                    >
                      Hear
                    </button>
                  </li>
                }
                <li>
                  @if (finding.remedies.length > shown(finding).length) {
                    <button
                      nz-button
                      jhGivesWay=".finding"
                      nzSize="small"
                      nzType="text"
                      type="button"
                      (click)="openAll(finding)"
                    >
                      {{ finding.remedies.length - shown(finding).length }} more remedies
                    </button>
                  }
                  <button
                    nz-button
                    jhGivesWay=".finding"
                    nzSize="small"
                    nzType="text"
                    type="button"
                    (click)="leave(finding)"
                  >
                    Ignore
                  </button>
                </li>
              </ul>
            </li>
          }
        </ul>
      </section>
    }
  `,
  styles: `
    h3 {
      font-size: var(--type-body);
      margin: var(--space-6) 0 var(--space-4);
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      padding: var(--space-4) 0;
      border-top: 1.5px solid var(--rule);
    }
    small {
      display: block;
      color: var(--ink-soft);
      font-size: var(--type-note);
    }
    .remedies {
      margin-top: var(--space-2);
    }
    .remedies li {
      display: flex;
      gap: var(--space-3);
      padding: var(--space-2) 0;
      border: 0;
      align-items: center;
      justify-content: space-between;
    }
    .remedies li:last-child {
      justify-content: flex-start;
    }
    .remedies .ant-btn {
      height: auto;
      min-height: 36px;
      white-space: normal;
      text-align: left;
    }
    .hear {
      padding: 0 var(--space-2);
      text-decoration: underline;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindingsList {
  protected readonly bench = inject(BenchState);
  protected readonly playing = inject(Playing);

  protected place({ tick }: Finding): string {
    const bars = this.bench.arrangement()?.played.bars;
    const number = bars ? barAt(bars, tick).number : 1;
    return `${barInWords(number)}:`;
  }

  /** Findings of which all remedies are shown; of the others the first few, which change least. */
  private readonly opened = signal<ReadonlySet<string>>(new Set());

  protected shown(finding: Finding): readonly Remedy[] {
    const { remedies } = finding;
    const isFew = remedies.length <= FEW + 1 || this.opened().has(findingId(finding));
    return isFew ? remedies : remedies.slice(0, FEW);
  }

  protected openAll(finding: Finding): void {
    this.opened.update((ids) => new Set([...ids, findingId(finding)]));
  }

  protected leave(finding: Finding): void {
    this.bench.edit({ kind: 'dismissed', id: findingId(finding) });
  }
}
