import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { chroma, classNameOf, type Key, MODES, typeset } from '@joined-hands/core/music';
import { twelveKeys } from '@joined-hands/core/song';
import { NzSelectModule } from 'ng-zorro-antd/select';

/** A key of the song: its tonic, and major, minor or another mode. */
@Component({
  selector: 'jh-key-choice',
  imports: [FormsModule, NzSelectModule],
  template: `
    <nz-select
      class="tonic"
      [nzId]="id()"
      [ngModel]="tonic()"
      (ngModelChange)="chosen.emit(keyOn($event, value().mode))"
    >
      @for (item of tonics(); track item.value) {
        <nz-option [nzValue]="item.value" [nzLabel]="item.name" />
      }
    </nz-select>
    <label class="visually-hidden" [for]="id() + '-mode'">Major, minor or another mode</label>
    <nz-select
      class="mode"
      [nzId]="id() + '-mode'"
      [ngModel]="value().mode"
      (ngModelChange)="chosen.emit(keyOn(tonic(), $event))"
    >
      @for (mode of modes; track mode) {
        <nz-option [nzValue]="mode" [nzLabel]="mode" />
      }
    </nz-select>
  `,
  styles: `
    :host {
      display: inline-flex;
      gap: var(--space-4);
    }
    .tonic {
      width: 78px;
    }
    .mode {
      width: 138px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeyChoice {
  readonly id = input.required<string>();
  readonly value = input.required<Key>();
  readonly chosen = output<Key>();

  protected readonly modes = MODES;
  protected readonly tonic = computed(() => chroma(this.value().tonic));
  protected readonly tonics = computed(() => {
    const { tonic, mode } = this.value();
    return twelveKeys(mode).map((key, value) => ({
      value,
      // The key there is may be written the other way.
      name: typeset(classNameOf(value === chroma(tonic) ? tonic : key.tonic)),
    }));
  });

  protected keyOn(tonic: number, mode: Key['mode']): Key {
    return twelveKeys(mode)[tonic];
  }
}
