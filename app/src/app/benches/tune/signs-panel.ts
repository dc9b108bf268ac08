import { ChangeDetectionStrategy, Component } from '@angular/core';
import { asTyped } from '@joined-hands/core/music';

/** How a tune is told in letters and counts. */
@Component({
  selector: 'jh-signs-panel',
  template: `
    <section class="signs">
      <h2>How to write notes</h2>
      <dl>
        @for (sign of signs; track sign[0]) {
          <dt>{{ sign[0] }}</dt>
          <dd>{{ sign[1] }}</dd>
        }
      </dl>
    </section>
  `,
  styles: `
    h2 {
      font-size: var(--type-heading);
      margin-bottom: var(--space-4);
    }
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: var(--space-3) var(--space-7);
      margin: 0 0 var(--space-7);
    }
    dt {
      font-weight: 700;
      white-space: pre;
    }
    dd {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SignsPanel {
  protected readonly signs: readonly (readonly [string, string])[] = [
    [asTyped('A B C'), 'the nearest note of that name'],
    [asTyped('F# Bb'), `sharp, flat; ${asTyped('F')}n natural`],
    [asTyped('/C \\C'), 'the next one up, down; doubled, an octave more'],
    [asTyped('A*3'), 'three times'],
    [asTyped(';B'), 'grace note'],
    [asTyped('A3'), 'in that octave, for the first'],
    ['1 2& 3', 'the counts that are struck'],
    ['4e 4a', 'sixteenths; 2t 2l triplets'],
    ['(3)', 'a rest from 3'],
    ['| - 2', 'held over the bar line, then 2'],
    ['4 | 1', 'a pick-up that begins on 4'],
  ];
}
