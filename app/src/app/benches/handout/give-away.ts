import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { archiveOf } from '@joined-hands/core/formats';
import type { Hand } from '@joined-hands/core/hands';
import { type Page, partPage } from '@joined-hands/core/sheets';
import { songName } from '@joined-hands/core/song';
import { counted } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputNumberModule } from 'ng-zorro-antd/input-number';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { Piano } from '../../sound/piano';
import { type SoundKind, soundFile } from '../../sound/sound-file';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { download, fileName } from '../../ui/download';
import { messageOf } from '../../ui/message';
import { type Current, HandoutState } from './handout-state';
import { pictureOf, type PictureKind } from './page-picture';
import { PdfClient } from './pdf-client';
import { TakeAway } from './take-away';

type FileKind = 'pdf' | PictureKind;

const TYPES = { svg: 'image/svg+xml', png: 'image/png', pdf: 'application/pdf' } as const;

/** The song as files for others: its pages or one part as PDF or pictures, as sound, and everything in one archive. */
@Component({
  selector: 'jh-give-away',
  imports: [Choice, FormsModule, NzButtonComponent, NzInputNumberModule, NzSelectModule],
  providers: [PdfClient, TakeAway],
  templateUrl: './give-away.html',
  styleUrls: ['../../ui/panel.less', './handout.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GiveAway {
  protected readonly state = inject(HandoutState);
  private readonly archive = inject(TakeAway);
  private readonly pdf = inject(PdfClient);
  private readonly piano = inject(Piano);
  protected readonly hasPages = computed(() => (this.state.pages()?.length ?? 0) > 0);
  protected readonly parts = computed(() => this.state.bench.arrangement()?.parts ?? []);
  protected readonly kinds: readonly FileKind[] = ['pdf', 'png', 'svg'];
  /** All pages, the one on screen, or a part by its number. */
  private readonly wanted = signal<'all' | 'page' | number>('all');
  /** A part that is there no more is not given: all pages are. */
  protected readonly what = computed(() => {
    const wanted = this.wanted();
    const isGone = typeof wanted === 'number' && !this.parts().some(({ number }) => number === wanted);
    return isGone ? 'all' : wanted;
  });
  protected choose(what: 'all' | 'page' | number): void {
    this.wanted.set(what);
  }

  protected readonly hands: readonly ChoiceOption<Hand | 'both'>[] = [
    { value: 'both', label: 'Both' },
    { value: 'right', label: 'Right' },
    { value: 'left', label: 'Left' },
  ];
  protected readonly heard = signal<Hand | 'both'>('both');
  protected readonly tempo = signal(100);
  protected readonly problem = signal('');
  protected readonly said = signal('');
  protected readonly isBusy = signal(false);
  /** Stops what takes long; null where nothing does. */
  protected readonly stop = signal<AbortController | null>(null);

  protected give(kind: FileKind): Promise<void> {
    return this.handOver('Drawing the pages …', 'Try another kind of file.', async () => {
      const current = await this.state.current();
      const { pages, suffix } = this.chosen(current);
      const name = `${this.name()}${suffix}`;
      if (kind === 'pdf') {
        const told = (count: number): void =>
          this.said.set(`${counted(count, 'page')} of ${pages.length} drawn.`);
        const bytes = await this.pdf.write(current.arrangement.song.title, pages, current.paper, told);
        return [`${name}.pdf`, bytes, TYPES.pdf];
      }
      const files: { name: string; content: Uint8Array | string }[] = [];
      for (const page of pages) {
        this.said.set(`Drawing page ${files.length + 1} of ${pages.length} …`);
        const number = this.what() === 'all' ? `-page-${page.number}` : '';
        files.push({ name: `${name}${number}.${kind}`, content: await pictureOf(page, kind) });
      }
      const [first, ...others] = files;
      if (others.length === 0) return [first.name, first.content, TYPES[kind]];
      return [`${name}-${kind}.zip`, archiveOf(files), 'application/zip'];
    });
  }

  protected giveSound(kind: SoundKind): Promise<void> {
    const stop = new AbortController();
    this.stop.set(stop);
    return this.handOver('Working out the sound …', 'Try the other kind of file.', async () => {
      const { arrangement } = await this.state.current();
      const [hands, tempoPercent] = [this.heard(), this.tempo()];
      const told = (share: number): void =>
        this.said.set(`${Math.round(100 * share)} % of the sound is done.`);
      const wish = { hands, tempoPercent, kind, sound: this.piano.sound() };
      const { bytes, ending, type } = await soundFile(arrangement, wish, told, stop.signal);
      const which = [
        hands === 'both' ? '' : `-${hands}-hand`,
        tempoPercent === 100 ? '' : `-${tempoPercent}`,
      ];
      return [`${this.name()}${which.join('')}${ending}`, bytes, type];
    });
  }

  protected takeAway(): Promise<void> {
    return this.handOver('Packing the song …', 'Try the files one by one: More, Export.', async () => {
      const { pages, paper } = await this.state.current();
      return this.archive.make(pages, paper);
    });
  }

  private name(): string {
    const song = this.state.bench.song();
    return fileName(song ? songName(song) : '');
  }

  /** The pages wanted, and what their file is called after the song. */
  private chosen({ pages, arrangement, handout, paper, staves }: Current): {
    readonly pages: readonly Page[];
    readonly suffix: string;
  } {
    const what = this.what();
    if (what === 'all') return { pages, suffix: '' };
    if (what === 'page') {
      const page = pages[Math.min(this.state.page(), pages.length - 1)];
      return { pages: [page], suffix: `-page-${page.number}` };
    }
    const sheet = handout.sheets.includes('staves') ? 'staves' : 'parts';
    return { pages: [partPage(arrangement, what, sheet, paper, { staves })], suffix: `-part-${what}` };
  }

  /** Says what is made, and that it was handed over or why not. */
  private async handOver(
    doing: string,
    otherwise: string,
    make: () => Promise<readonly [name: string, content: string | Uint8Array, type: string]>,
  ): Promise<void> {
    this.isBusy.set(true);
    this.said.set(doing);
    this.problem.set('');
    try {
      const [name, content, type] = await make();
      download(name, content, type);
      this.said.set(`${name} was downloaded.`);
    } catch (error) {
      const isStopped = this.stop()?.signal.aborted === true;
      this.said.set(isStopped ? 'Stopped: nothing was downloaded.' : '');
      if (!isStopped) this.problem.set(`It could not be made: ${messageOf(error)}. ${otherwise}`);
    } finally {
      this.stop.set(null);
      this.isBusy.set(false);
    }
  }
}
