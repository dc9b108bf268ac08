import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Choices } from '@joined-hands/core/song';
import { typesetForm } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { PartsState } from './parts-state';
import { WordsPipe } from '../../ui/words.pipe';

/** A number of a part, or 0 for "no other part". */
const NO_OTHER = 0;

/** The part on screen: why it is cut here, its name, what it follows, the order of hands, settling. */
@Component({
  selector: 'jh-this-part-panel',
  imports: [Choice, FormsModule, NzButtonComponent, NzInputModule, NzSelectModule, WordsPipe],
  templateUrl: './this-part-panel.html',
  styleUrls: ['../../ui/panel.less', './parts-panel.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ThisPartPanel {
  protected readonly state = inject(PartsState);
  protected readonly bench = this.state.bench;
  protected readonly part = this.bench.part;

  protected readonly title = computed(() => {
    const part = this.part();
    return part ? `Part ${part.number} ${typesetForm(part.label)}` : '';
  });
  /** What speaks for the cut: none, some, much. */
  protected readonly strength = computed(() => {
    const strength = this.part()?.strength ?? 0;
    return strength >= 12 ? 'A clear cut' : strength >= 7 ? 'A good cut' : 'A cut that little speaks for';
  });
  protected readonly hasNext = computed(
    () => this.bench.partIndex() + 1 < (this.bench.arrangement()?.parts.length ?? 0),
  );
  protected readonly follows = computed(() => this.part()?.sharesWith ?? NO_OTHER);
  protected readonly others = computed(() => {
    const own = this.part()?.number;
    const parts = this.bench.arrangement()?.parts ?? [];
    return [
      { value: NO_OTHER, label: 'no other part' },
      ...parts
        .filter((part) => part.number !== own)
        .map((part) => ({ value: part.number, label: `part ${part.number} ${typesetForm(part.label)}` })),
    ];
  });
  protected readonly following = computed(() => {
    const part = this.part();
    if (!part) return '';
    if (part.sharesWith === null)
      return part.isFreed
        ? 'You unlinked it: it is edited on its own.'
        : 'What you choose here is for this part alone.';
    const why = part.isDeclared ? 'You said they are the same' : 'They were found the same';
    return `${why}: voicing style, patterns, fills and fingers of part ${part.sharesWith} are played here too.`;
  });
  protected readonly octaves: readonly ChoiceOption<Choices['octaveShift']>[] = [
    { value: -1, label: 'Lower' },
    { value: 0, label: 'As written' },
    { value: 1, label: 'Higher' },
  ];
  protected readonly orders: readonly ChoiceOption<Choices['firstHand']>[] = [
    { value: 'right', label: 'Right' },
    { value: 'left', label: 'Left' },
    { value: 'chords', label: 'Chords list' },
  ];
  protected readonly settledWords = computed(() => {
    const part = this.part();
    if (!part || part.settled || part.settledChanges === 0) return '';
    return `${part.settledChanges} of its chords are kept as learned.`;
  });

  protected follow(number: number): void {
    this.state.sameAs(number === NO_OTHER ? null : number);
  }

  protected rename(event: Event): void {
    this.state.rename((event.target as HTMLInputElement).value.trim());
  }
}
