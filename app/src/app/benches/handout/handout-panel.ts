import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Paper } from '@joined-hands/core/sheets';
import { cutTo, type Song } from '@joined-hands/core/song';
import { counted } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { GiveAway } from './give-away';
import { HandoutState } from './handout-state';

/** Which sheets are printed, in what order, on what paper and for whom; and what of the song is given away as files. */
@Component({
  selector: 'jh-handout-panel',
  imports: [Choice, FormsModule, GiveAway, NzButtonComponent, NzInputModule],
  templateUrl: './handout-panel.html',
  styleUrls: ['../../ui/panel.less', './handout.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandoutPanel {
  protected readonly state = inject(HandoutState);
  protected readonly hasPages = computed(() => (this.state.pages()?.length ?? 0) > 0);
  protected readonly summary = computed(() => {
    const pages = this.state.pages();
    if (this.state.notLaidOut()) return 'The sheets could not be laid out.';
    const systems = this.state.drawing();
    if (!pages || !this.state.isLaidOut())
      return `Laying out the sheets …${systems > 0 ? ` ${counted(systems, 'line')} of music drawn.` : ''}`;
    return pages.length === 0
      ? 'No sheet is chosen.'
      : `${counted(pages.length, 'page')}, as they are shown.`;
  });

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
    { field: 'isBound', label: 'Margin', options: either('Normal margins', 'For binding') },
    {
      field: 'fingers',
      label: 'Fingers on staves',
      options: [
        { value: 'all', label: 'All fingers' },
        { value: 'moves', label: 'Some', told: 'Where a phrase begins or the hand moves' },
        { value: 'none', label: 'None', told: 'No fingers' },
      ],
    },
    {
      field: 'repeats',
      label: 'Repeats on staves',
      options: [
        { value: 'signs', label: 'Repeat signs', told: 'Where both times are alike' },
        { value: 'written-out', label: 'Written out' },
      ],
    },
    { field: 'hasSlurs', label: 'Slurs on staves', options: either('No slurs', 'Slurs over phrases') },
  ];

  protected readonly words = computed(() => this.state.bench.song()?.handout ?? NO_WORDS);
  protected readonly parts = computed(() => this.state.bench.arrangement()?.parts ?? []);

  protected write(field: 'for' | 'from', event: Event): void {
    this.change({ ...this.words(), [field]: typed(event, 80) });
  }

  protected writeLine(cutId: string, event: Event): void {
    const { [cutId]: _before, ...lines } = this.words().lines;
    const line = typed(event, 200);
    this.change({ ...this.words(), lines: line ? { ...lines, [cutId]: line } : lines });
  }

  protected writeNotes(event: Event): void {
    this.state.bench.edit({ kind: 'rename', notes: typed(event, 2000) });
  }

  private change(handout: Song['handout']): void {
    this.state.bench.edit({ kind: 'handout-written', handout });
  }

  protected setPaper(field: keyof Paper, value: Paper[keyof Paper]): void {
    this.state.setPaper({ [field]: value });
  }
}

const NO_WORDS: Song['handout'] = { for: '', from: '', lines: {} };

/** What was typed into a field, cut to the signs it may have. */
function typed({ target }: Event, most: number): string {
  return cutTo((target as HTMLInputElement | HTMLTextAreaElement).value.trim(), most);
}

/** A choice between what is usual and what is not. */
function either(no: string, yes: string): readonly ChoiceOption<boolean>[] {
  return [
    { value: false, label: no },
    { value: true, label: yes },
  ];
}
