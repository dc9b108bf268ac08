import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Choices } from '@joined-hands/core/song';
import { slowsAtEnd } from '@joined-hands/core/shaping';
import { Choice, type ChoiceOption } from '../ui/choice';
import { BenchState } from './bench-state';

/** Whether the song slows down in its last two bars. */
@Component({
  selector: 'jh-last-bars',
  imports: [Choice],
  template: `
    <h3 id="ending-title">The last two bars</h3>
    <jh-choice
      name="ending"
      labelledBy="ending-title"
      [options]="endings"
      [value]="ending()"
      (chosen)="bench.choose({ ending: $event })"
    />
  `,
  styleUrl: '../ui/panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LastBars {
  protected readonly bench = inject(BenchState);
  protected readonly endings: readonly ChoiceOption<NonNullable<Choices['ending']>>[] = [
    { value: 'in-time', label: 'In time' },
    { value: 'slowing', label: 'Slowing' },
  ];
  protected readonly ending = computed((): NonNullable<Choices['ending']> => {
    const arrangement = this.bench.arrangement();
    if (!arrangement) return 'in-time';
    const { song, parts, shape } = arrangement;
    return slowsAtEnd(song, parts, shape) ? 'slowing' : 'in-time';
  });
}
