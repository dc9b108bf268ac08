import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { METHODS } from '@joined-hands/core/parts';
import type { Division } from '@joined-hands/core/song';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputNumberModule } from 'ng-zorro-antd/input-number';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { PartsState } from './parts-state';

/** How the whole song is cut: the methods, each with what it goes by; locked cuts stay. */
@Component({
  selector: 'jh-cutting-panel',
  imports: [Choice, FormsModule, NzButtonComponent, NzInputNumberModule],
  template: `
    <section>
      <h2>How the song is cut</h2>
      @if (isOwn()) {
        <p>As you cut it. Choosing a way below proposes cuts anew; locked cuts stay.</p>
      }
      <ul>
        @for (item of methods; track item.method) {
          <li>
            <button
              nz-button
              class="full"
              type="button"
              [nzType]="division()?.method === item.method ? 'primary' : 'default'"
              [attr.aria-pressed]="division()?.method === item.method"
              (click)="state.divide({ method: item.method })"
            >
              {{ item.name }}
            </button>
            <small>{{ item.says }}</small>
          </li>
        }
      </ul>
    </section>
    @if (division()?.method === 'bars') {
      <div class="field">
        <label for="bars-each">Bars a part</label>
        <nz-input-number
          nzId="bars-each"
          [nzMin]="1"
          [nzMax]="64"
          [ngModel]="division()?.bars"
          (ngModelChange)="setBars($event)"
        />
      </div>
    }
    @if (division()?.method === 'halves') {
      <h3 id="depth-title">As small as</h3>
      <jh-choice
        name="depth"
        labelledBy="depth-title"
        [options]="depths"
        [value]="division()?.depth"
        (chosen)="state.divide({ depth: $event })"
      />
    }
    @if (lacksWords()) {
      <p class="note" role="status">This song has no lines of words to go by: it is cut by phrase.</p>
    }
    <p class="note">{{ lockedWords() }}</p>
  `,
  styleUrls: ['../../ui/panel.less', './parts-panel.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CuttingPanel {
  protected readonly state = inject(PartsState);
  protected readonly methods = METHODS;
  protected readonly division = computed(() => this.state.bench.song()?.division);
  protected readonly isOwn = computed(() => this.division()?.method === 'own');
  protected readonly depths: readonly ChoiceOption<Division['depth']>[] = [
    { value: 1, label: 'Halves' },
    { value: 2, label: 'Quarters' },
    { value: 3, label: 'Eighths' },
  ];
  protected readonly lacksWords = computed(
    () =>
      this.division()?.method === 'lines' &&
      !this.state.bench.song()?.melody.some((note) => note.lyric !== null),
  );
  protected readonly lockedWords = computed(() => {
    const count = this.state.bench.song()?.cuts.filter((cut) => cut.locked).length ?? 0;
    if (count === 0) return 'No cut is locked: all of them may move.';
    return count === 1 ? 'One cut is locked.' : `${count} cuts are locked.`;
  });

  protected setBars(bars: number | null): void {
    if (bars !== null && Number.isInteger(bars) && bars >= 1 && bars <= 64) this.state.divide({ bars });
  }
}
