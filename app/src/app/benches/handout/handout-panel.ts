import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { Paper } from '@joined-hands/core/sheets';
import { songName } from '@joined-hands/core/song';
import { counted } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { download, fileName } from '../../ui/download';
import { messageOf } from '../../ui/message';
import { HandoutState } from './handout-state';
import { pictureOf, type PictureKind } from './page-picture';
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
  protected readonly isLastPage = computed(() => this.state.page() >= (this.state.pages()?.length ?? 0) - 1);
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
    {
      field: 'fingers',
      label: 'Fingers on staves',
      options: [
        { value: 'all', label: 'All fingers' },
        { value: 'moves', label: 'Some', told: 'Where a phrase begins or the hand moves' },
        { value: 'none', label: 'No fingers' },
      ],
    },
  ];

  protected setPaper(field: keyof Paper, value: Paper[keyof Paper]): void {
    this.state.setPaper({ [field]: value });
  }

  protected takeAway(): Promise<void> {
    return this.handOver('Packing the song …', 'Try the files one by one: More, Export.', async () => {
      const { pages, paper } = await this.state.current();
      return this.archive.take(pages, paper);
    });
  }

  /** The page that is looked at, as a file of its own. */
  protected savePicture(kind: PictureKind): Promise<void> {
    return this.handOver('Drawing the page …', 'Try the other kind of picture.', async () => {
      const { pages } = await this.state.current();
      const page = pages[Math.min(this.state.page(), pages.length - 1)];
      const song = this.state.bench.song();
      const name = `${fileName(song ? songName(song) : '')}-page-${page.number}.${kind}`;
      download(name, await pictureOf(page, kind), kind === 'svg' ? 'image/svg+xml' : 'image/png');
      return name;
    });
  }

  /** Says what is made, and that it was handed over or why not. */
  private async handOver(doing: string, otherwise: string, make: () => Promise<string>): Promise<void> {
    this.isBusy.set(true);
    this.said.set(doing);
    this.problem.set('');
    try {
      this.said.set(`${await make()} was downloaded.`);
    } catch (error) {
      this.said.set('');
      this.problem.set(`It could not be made: ${messageOf(error)}. ${otherwise}`);
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
