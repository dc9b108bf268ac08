import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { CHORD_BARS, type ChordBars, isGuessed } from '@joined-hands/core/formats';
import { type NoteNames, noteNames, typeset } from '@joined-hands/core/music';
import type { Phrase } from '@joined-hands/core/sentences';
import type { Song } from '@joined-hands/core/song';
import { counted } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NZ_MODAL_DATA, NzModalRef, type NzModalService } from 'ng-zorro-antd/modal';
import { firstValueFrom } from 'rxjs';
import { Choice, type ChoiceOption } from '../ui/choice';
import { openDialog } from '../ui/dialog';
import { messageOf } from '../ui/message';
import { WordsPipe } from '../ui/words.pipe';
import { FileReaderClient } from '../workers/reader';
import { barsRead } from './chart-bars';

const EXAMPLE: ChartText = {
  name: 'New song.txt',
  text: `Title: Net Mending
Metre: 3/4
Tempo: 92
| Am | Dm | E7 | Am |
Thread the nee-dle, pull it through`,
};

/** A chart as text, and what its file is called. */
interface ChartText {
  readonly name: string;
  readonly text: string;
}

/** So long nothing is typed before it is read, in milliseconds. */
const REST = 250;
const LASTING: Record<ChordBars, string> = { 0.5: 'Half a bar', 1: 'One bar', 2: 'Two bars' };
const CHART_METRES = ['4/4', '3/4', '2/4', '6/8'] as const;

/** Asks for chords and words as text, what is read of them beside it; undefined where no song comes of it. */
export async function writeChords(modal: NzModalService, chart = EXAMPLE): Promise<Song | undefined> {
  const dialog = openDialog(modal, {
    nzTitle: 'Chords and words',
    nzContent: ChordsEntry,
    nzData: chart,
    // A click beside it loses nothing that was typed.
    nzMaskClosable: false,
    nzWidth: 1080,
  });
  return (await firstValueFrom(dialog.afterClose)) as Song | undefined;
}

/** Chords and words typed or pasted as text: a song to sing to, shown bar by bar before it is made. */
@Component({
  selector: 'jh-chords-entry',
  imports: [Choice, NzButtonComponent, NzInputModule, WordsPipe],
  templateUrl: './chords-entry.html',
  styleUrl: './chords-entry.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChordsEntry {
  private readonly modal = inject<NzModalRef<ChordsEntry, Song>>(NzModalRef);
  private readonly chart = inject<ChartText>(NZ_MODAL_DATA);
  private readonly reader = inject(FileReaderClient);
  /** How often it was read. */
  private turn = 0;
  protected readonly text = signal(this.chart.text);
  protected readonly problem = signal<string | null>(null);
  protected readonly song = signal<Song | null>(null);
  /** What is pasted is in English unless it is said to be otherwise. */
  protected readonly named = signal<NoteNames>('english');
  protected readonly hasOwnNames = noteNames() !== 'english';
  protected readonly names: readonly ChoiceOption<NoteNames>[] = [
    { value: 'english', label: 'C D E' },
    { value: noteNames(), label: typeset('C D E F G A B') },
  ];
  protected readonly lasts = signal<ChordBars>(1);
  protected readonly lasting: readonly ChoiceOption<ChordBars>[] = CHORD_BARS.map((value) => ({
    value,
    label: LASTING[value],
  }));
  protected readonly metre = signal<string>('4/4');
  protected readonly metres: readonly ChoiceOption<string>[] = CHART_METRES.map((value) => ({
    value,
    label: value,
  }));

  private readonly wanted = computed((): Wanted => ({
    text: this.text(),
    named: this.named(),
    chordBars: this.lasts(),
    metre: this.metre(),
  }));
  protected readonly sections = computed(() => {
    const song = this.song();
    return song ? barsRead(song) : [];
  });
  protected readonly isGuessed = computed(() => {
    const song = this.song();
    return song !== null && isGuessed(song);
  });
  /** A chart that tells its metre keeps it. */
  protected readonly isMetreOpen = computed(() => {
    const map = this.song()?.metreMap ?? [];
    return map.length === 1 && `${map[0].numerator}/${map[0].denominator}` === this.metre();
  });
  protected readonly facts = computed(() => {
    const song = this.song();
    if (!song) return '';
    const { title, barCount, changes } = song;
    return `${title}: ${counted(barCount, 'bar')}, ${counted(changes.length, 'chord')}`;
  });
  protected readonly found = computed(() =>
    (this.song()?.imported ?? [])
      .map(({ said }) => said as Phrase)
      .filter(({ code }) => code !== 'lengthsGuessed'),
  );

  constructor() {
    effect((onCleanup) => {
      const wanted = this.wanted();
      const rest = setTimeout(() => void this.show(wanted), this.turn > 0 ? REST : 0);
      onCleanup(() => clearTimeout(rest));
    });
  }

  /** Shows what is read of it, unless something else was asked since. */
  private async show(wanted: Wanted): Promise<void> {
    const turn = ++this.turn;
    const { song, problem } = await this.read(wanted);
    if (turn !== this.turn) return;
    this.song.set(song);
    this.problem.set(problem);
  }

  /** Reads it where files are read: whatever was pasted, the page goes on. */
  private async read({ text, named, ...open }: Wanted): Promise<ReadText> {
    try {
      const bytes = new TextEncoder().encode(text);
      const read = await this.reader.read(this.chart.name, bytes, crypto.randomUUID(), named, open);
      if (read?.kind === 'refused') return { song: null, problem: read.reason };
      const opened = read?.kind === 'opened' && read.opened.kind === 'tunes' ? read.opened : null;
      return { song: opened?.tunes[0].song ?? null, problem: null };
    } catch (error) {
      return { song: null, problem: `It could not be read: ${messageOf(error)}.` };
    }
  }

  /** What was typed in the last moment is in it. */
  protected async take(): Promise<void> {
    const { song, problem } = await this.read(this.wanted());
    if (song) return this.modal.close(song);
    this.turn++;
    this.song.set(null);
    this.problem.set(problem);
  }
}

/** The song a text is read as, or why it is none. */
interface ReadText {
  readonly song: Song | null;
  readonly problem: string | null;
}

/** What is to be read, and how. */
interface Wanted {
  readonly text: string;
  readonly named: NoteNames;
  readonly chordBars: ChordBars;
  readonly metre: string;
}
