import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { Paper } from '@joined-hands/core/sheets';
import { counted } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { messageOf } from '../../ui/message';
import { HandoutState } from './handout-state';
import { TakeAway } from './take-away';

/** Which sheets are printed and in what order, on what paper; and the whole song as one archive. */
@Component({
  selector: 'jh-handout-panel',
  imports: [Choice, NzButtonComponent],
  providers: [TakeAway],
  templateUrl: './handout-panel.html',
  styleUrls: ['../../ui/panel.less', './handout.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandoutPanel {
  protected readonly state = inject(HandoutState);
  private readonly archive = inject(TakeAway);
  protected readonly hasPages = computed(() => (this.state.pages()?.length ?? 0) > 0);
  protected readonly summary = computed(() => {
    const pages = this.state.pages();
    if (this.state.notLaidOut()) return 'The sheets could not be laid out.';
    if (!pages || !this.state.isLaidOut()) return 'Laying out the sheets …';
    return pages.length === 0
      ? 'No sheet is chosen.'
      : `${counted(pages.length, 'page')}, as they are shown.`;
  });
  protected readonly problem = signal('');
  protected readonly said = signal('');
  protected readonly isBusy = signal(false);

  /** What is chosen of the paper, a row each. */
  protected readonly papers: readonly {
    readonly field: keyof Paper;
    readonly label: string;
    readonly options: readonly ChoiceOption<Paper[keyof Paper]>[];
  }[] = [
    {
      field: 'size',
      label: 'Paper',
      options: [
        { value: 'a4', label: 'A4' },
        { value: 'letter', label: 'Letter' },
      ],
    },
    { field: 'isAcross', label: 'Orientation', options: either('Portrait', 'Landscape') },
    { field: 'isDesk', label: 'Size of letters', options: either('Normal print', 'Large print') },
    { field: 'isBound', label: 'Margin', options: either('Normal margins', 'Binding margin') },
  ];

  protected setPaper(field: keyof Paper, value: Paper[keyof Paper]): void {
    this.state.setPaper({ [field]: value });
  }

  protected async takeAway(): Promise<void> {
    this.isBusy.set(true);
    this.said.set('Packing the song …');
    this.problem.set('');
    try {
      const { pages, paper } = await this.state.current();
      this.said.set(`${await this.archive.take(pages, paper)} was downloaded.`);
    } catch (error) {
      this.said.set('');
      this.problem.set(
        `The archive could not be made: ${messageOf(error)}. Try the files one by one: More, Export.`,
      );
    } finally {
      this.isBusy.set(false);
    }
  }
}

/** A choice between what is usual and what is not. */
function either(no: string, yes: string): readonly ChoiceOption<boolean>[] {
  return [
    { value: false, label: no },
    { value: true, label: yes },
  ];
}
