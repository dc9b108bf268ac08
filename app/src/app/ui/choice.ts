import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzRadioModule } from 'ng-zorro-antd/radio';

export interface ChoiceOption<T> {
  readonly value: T;
  readonly label: string;
  /** Why it cannot be chosen now; undefined when it can. */
  readonly notYet?: string;
}

/** A few large buttons of which one is chosen. */
@Component({
  selector: 'jh-choice',
  imports: [FormsModule, NzRadioModule],
  template: `
    <nz-radio-group
      [nzName]="name()"
      [attr.aria-labelledby]="labelledBy()"
      [ngModel]="value()"
      (ngModelChange)="chosen.emit($event)"
      nzButtonStyle="solid"
    >
      @for (option of options(); track option.value) {
        <label
          nz-radio-button
          [nzValue]="option.value"
          [nzDisabled]="option.notYet !== undefined"
          [title]="option.notYet ?? option.label"
          >{{ option.label }}</label
        >
      }
    </nz-radio-group>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Choice<T> {
  /** Of the group of radio buttons. */
  readonly name = input.required<string>();
  /** Id of the element that names it. */
  readonly labelledBy = input.required<string>();
  readonly options = input.required<readonly ChoiceOption<T>[]>();
  readonly value = input.required<T | undefined>();
  readonly chosen = output<T>();
}
