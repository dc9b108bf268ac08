import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { type Finding, barAt, findingId } from '@joined-hands/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { BenchState } from './bench-state';

/** What should be known about the part, each with its remedies one press away. */
@Component({
  selector: 'jh-findings-list',
  imports: [NzButtonModule],
  template: `
    @if (bench.findings().length > 0) {
      <section>
        <h3>To know about this part</h3>
        <ul class="findings">
          @for (finding of bench.findings(); track $index) {
            <li>
              <b>{{ place(finding) }}</b> {{ finding.text }}
              @if (finding.remedies.length > (finding.fixes?.length ?? 0)) {
                <small>You could: {{ finding.remedies.join(' · ') }}.</small>
              }
              <div class="fixes">
                @for (fix of finding.fixes ?? []; track fix.label) {
                  @if (bench.hearing.can(fix.edit)) {
                    <button
                      nz-button
                      nzSize="small"
                      nzType="text"
                      type="button"
                      class="hear"
                      [attr.aria-label]="'Hear: ' + fix.label"
                      (click)="bench.hearing.edit(fix.edit)"
                    >
                      Hear
                    </button>
                  }
                  <button nz-button nzSize="small" type="button" (click)="bench.edit(fix.edit)">
                    {{ fix.label }}
                  </button>
                }
                <button nz-button nzSize="small" nzType="text" type="button" (click)="leave(finding)">
                  Leave it
                </button>
              </div>
            </li>
          }
        </ul>
      </section>
    }
  `,
  styles: `
    h3 {
      font-size: 19px;
      margin: 12px 0 4px;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      padding: 8px 0;
      border-top: 1.5px solid var(--rule);
    }
    small {
      display: block;
      color: var(--ink-soft);
      font-size: 16px;
    }
    .fixes {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      margin-top: 4px;
      align-items: center;
    }
    .fixes .ant-btn {
      height: auto;
      min-height: 36px;
      white-space: normal;
      text-align: left;
    }
    .hear {
      padding: 0 4px;
      text-decoration: underline;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindingsList {
  protected readonly bench = inject(BenchState);

  protected place({ tick }: Finding): string {
    const bars = this.bench.arrangement()?.played.bars;
    const number = bars ? barAt(bars, tick).number : 1;
    return number === 0 ? 'Pick-up:' : `Bar ${number}:`;
  }

  protected leave(finding: Finding): void {
    this.bench.edit({ kind: 'dismissed', id: findingId(finding) });
  }
}
