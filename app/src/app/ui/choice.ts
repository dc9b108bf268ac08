import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzRadioModule } from 'ng-zorro-antd/radio';

export interface ChoiceOption<T> {
  readonly value: T;
  readonly label: string;
  /** What the label stands for, where it is short. */
  readonly told?: string;
}

/** A few large buttons of which one is chosen. */
@Component({
  selector: 'jh-choice',
  imports: [FormsModule, NzRadioModule],
  template: `
    <nz-radio-group
      role="radiogroup"
      [nzName]="name()"
      [attr.aria-labelledby]="labelledBy()"
      [attr.aria-label]="label()"
      [ngModel]="value()"
      (ngModelChange)="chosen.emit($event)"
      nzButtonStyle="solid"
      [class.rows]="rows() !== null"
      [class.words]="look() === 'words'"
      [style.--columns]="rows()?.columns"
    >
      @for (option of options(); track option.value) {
        <label
          nz-radio-button
          [nzValue]="option.value"
          [title]="option.told ?? option.label"
          [style.grid-column]="rows() && 'span ' + spanOf($index)"
          >{{ option.label }}</label
        >
      }
    </nz-radio-group>
  `,
  styles: `
    .rows {
      display: grid;
      grid-template-columns: repeat(var(--columns), 1fr);
      gap: var(--space-2);
    }
    .rows label {
      padding: 0 var(--space-2);
      text-align: center;
      border-inline-start-width: 1px;
      border-radius: 8px;
    }
    .rows label::before {
      display: none;
    }
    :host {
      display: block;
    }
    .words {
      display: flex;
      flex-wrap: wrap;
      justify-content: space-between;
      gap: 0 1px;
    }
    .words label {
      height: 44px;
      padding: 0 4px;
      border: 0;
      border-bottom: 3px solid transparent;
      border-radius: 0;
      background: none;
      font-size: var(--type-note);
      font-weight: 600;
      line-height: 43px;
    }
    .words label::before {
      display: none;
    }
    .words .ant-radio-button-wrapper-checked {
      border-bottom-color: var(--accent);
      background: none;
      color: var(--accent);
    }
    @media (min-width: 900px) and (max-width: 1100px) {
      .words {
        gap: 0 1px;
      }
      .words label {
        padding: 0 3px;
      }
    }
    /* In a narrow panel a word is never cut: each row takes as many as it holds, and is filled. */
    @media (min-width: 900px) and (max-width: 1100px) {
      .rows {
        display: flex;
        flex-wrap: wrap;
      }
      .rows label {
        flex: 1 1 auto;
        padding: 0 var(--space-4);
        white-space: nowrap;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Choice<T> {
  /** Of the group of radio buttons. */
  readonly name = input.required<string>();
  /** What it is for: the id of the element that says so, or words for who cannot see that. */
  readonly labelledBy = input<string>();
  readonly label = input<string>();
  readonly options = input.required<readonly ChoiceOption<T>[]>();
  readonly value = input.required<T | undefined>();
  readonly chosen = output<T>();
  /** Plain words of which one is underlined: tabs. */
  readonly look = input<'buttons' | 'words'>('buttons');
  /** Buttons a row at most; more of them stand in rows that are all filled from edge to edge. */
  readonly mostInRow = input<number | null>(null);

  /** Buttons in each row, and the columns of which each row's buttons span equal shares; null: one row as wide as it is. */
  protected readonly rows = computed(() => {
    const [count, most] = [this.options().length, this.mostInRow()];
    if (most === null) return null;
    const rows = evenRows(count, most);
    return { sizes: rows, columns: rows.reduce((all, size) => (all * size) / divisor(all, size), 1) };
  });

  protected spanOf(index: number): number {
    const { sizes, columns } = this.rows() ?? { sizes: [1], columns: 1 };
    let from = 0;
    const size = sizes.find((count) => index < (from += count)) ?? 1;
    return columns / size;
  }
}

/** So many things in as few rows as hold them, about as many in each, the longer rows first. `evenRows(7, 4) // [4, 3]` */
export function evenRows(count: number, most: number): number[] {
  const rows = Math.max(1, Math.ceil(count / most));
  return Array.from({ length: rows }, (_, i) => Math.floor((count + rows - 1 - i) / rows));
}

function divisor(a: number, b: number): number {
  return b === 0 ? a : divisor(b, a % b);
}
