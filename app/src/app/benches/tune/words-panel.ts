import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  linkedSignal,
  signal,
  untracked,
} from '@angular/core';
import {
  type Bar,
  heads,
  lyricOf,
  sungOn,
  timeOf,
  within,
  withWordsInBars,
  wordsInBars,
  wordsOf,
  writtenBars,
} from '@joined-hands/core/song';
import { counted } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { TuneState } from './tune-state';

type Scope = 'part' | 'song';

/** Words typed through: each syllable falls on the next note; what finds no note is kept and shown. */
@Component({
  selector: 'jh-words-panel',
  imports: [Choice, NzButtonComponent, NzInputModule],
  template: `
    <section>
      <h2>Words</h2>
      <jh-choice
        name="words-scope"
        label="Words of"
        [options]="scopes"
        [value]="scope()"
        (chosen)="scope.set($event)"
      />
      @if (times().length > 1) {
        <jh-choice
          name="words-verse"
          label="Which time"
          [options]="times()"
          [value]="verse()"
          (chosen)="verse.set($event)"
        />
      }
      <p class="how">
        @if (chartBars().length > 0) {
          Bar by bar, with “|” between them:
        } @else {
          From {{ where() }} on:
        }
        a space between words, a hyphen between syllables
        @if (chartBars().length === 0) {
          , “_” to hold a syllable over a note
        }
        .
      </p>
      <textarea
        nz-input
        [rows]="spare() ? 5 : scope() === 'song' ? 11 : 8"
        [attr.aria-label]="scope() === 'song' ? 'Words of the song' : 'Words of this part'"
        [value]="text()"
        (input)="type($any($event.target).value)"
        [disabled]="notes().length + chartBars().length === 0"
      ></textarea>
      <p class="note" role="status">{{ count() }}</p>
    </section>
    @if (ofChart(); as words) {
      @if (chartBars().length === 0) {
        <section>
          <h3>Words of the chart</h3>
          <p class="spare">{{ words }}</p>
          <p class="note">They stand over their bars, where the tune has no words of its own.</p>
          <div class="line">
            <button nz-button type="button" [disabled]="notes().length === 0" (click)="singChart(words)">
              Sing them to the tune
            </button>
            <button nz-button type="button" (click)="leaveChartOut()">Leave them out</button>
          </div>
        </section>
      }
    }
    @if (spare(); as words) {
      <section>
        <h3>Words without a note</h3>
        <p class="spare">{{ words }}</p>
        <p class="note">They are kept with the song. Split or add notes, or sing them somewhere else.</p>
        <div class="line">
          <button nz-button type="button" [disabled]="notes().length === 0" (click)="typeOn(words)">
            Sing them on here
          </button>
          <button nz-button type="button" (click)="leaveOut()">Leave them out</button>
        </div>
      </section>
    }
  `,
  styles: `
    jh-choice + jh-choice,
    .how {
      margin-top: var(--space-4);
    }
    .spare {
      font-style: italic;
      overflow-wrap: anywhere;
    }
  `,
  styleUrl: '../../ui/panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WordsPanel {
  private readonly tune = inject(TuneState);
  private readonly bench = this.tune.bench;
  protected readonly scope = signal<Scope>('part');
  protected readonly scopes: readonly ChoiceOption<Scope>[] = [
    { value: 'part', label: 'This part' },
    { value: 'song', label: 'The whole song' },
  ];

  /** Notes that can carry words, from the note picked (else the first) to the end of the part or song. */
  protected readonly notes = computed(() => {
    const all = heads(this.bench.song()?.melody ?? []);
    if (this.scope() === 'song') return all;
    const from = this.tune.note()?.tick ?? 0;
    const written = new Set(
      this.tune
        .notesInPart()
        .filter((n) => n.tick >= from)
        .map((n) => n.writtenId),
    );
    return all.filter((note) => written.has(note.id));
  });
  /** The times these bars are played: each may have words of its own. */
  protected readonly times = computed((): readonly ChoiceOption<number>[] => {
    const written = new Set(this.notes().map(({ id }) => id));
    const passes = this.tune
      .played()
      .flatMap(({ id, writtenId }) => (written.has(writtenId) ? [timeOf(id)] : []));
    const most = Math.max(1, ...passes);
    return Array.from({ length: most }, (_, i) => ({ value: i + 1, label: `Time ${i + 1}` }));
  });
  /** The time the part on screen is; another may be chosen. */
  protected readonly verse = linkedSignal(() => {
    const [first] = this.tune.notesInPart();
    return this.scope() === 'part' && first ? timeOf(first.id) : 1;
  });
  private readonly sung = computed(() =>
    this.notes().map((note) => ({ lyric: lyricOf(note, this.verse()) })),
  );
  /** The written bars whose words are typed bar by bar: those of a song without a tune. */
  protected readonly chartBars = computed((): readonly Bar[] => {
    const [song, part, played] = [this.bench.song(), this.bench.part(), this.bench.arrangement()?.played];
    if (!song || song.melody.length > 0) return [];
    const all = writtenBars(song);
    if (this.scope() === 'song' || !part || !played) return all;
    const inPart = within(played.bars, part.fromTick, part.toTick).map(({ written }) => written);
    return all.filter(({ number }) => inPart.includes(number));
  });
  private readonly place = computed(
    () => `${this.scope()} ${this.verse()} ${this.notes()[0]?.id ?? ''} ${this.chartBars()[0]?.tick ?? ''}`,
  );
  /** What is typed stays as typed; another place brings its own words. */
  protected readonly text = linkedSignal({
    source: this.place,
    // The notes change with every letter typed; the box must not.
    computation: () =>
      untracked(() => {
        const bars = this.chartBars();
        return bars.length > 0 ? wordsInBars(this.bench.song()?.words ?? [], bars) : wordsOf(this.sung());
      }),
  });
  /** Spare words that were there before this place was typed at: they stay. */
  private readonly others = linkedSignal({
    source: this.place,
    computation: () => untracked(() => this.bench.song()?.spareWords ?? ''),
  });
  protected readonly spare = computed(() => this.bench.song()?.spareWords ?? '');
  /** Words that were read with chords, and belong to no note. */
  protected readonly ofChart = computed(() =>
    wordsOf((this.bench.song()?.words ?? []).map((lyric) => ({ lyric }))),
  );
  protected readonly where = computed(() => {
    if (this.scope() === 'song') return 'the first note of the song';
    return this.tune.note() ? 'the selected note' : 'the first note of the part';
  });
  protected readonly count = computed(() => {
    const [bars, words] = [this.chartBars(), this.bench.song()?.words ?? []];
    const from = bars[0]?.tick ?? 0;
    const to = bars.reduce((end, { tick, length }) => Math.max(end, tick + length), from);
    if (bars.length > 0)
      return `${counted(within(words, from, to).length, 'syllable')} in ${counted(bars.length, 'bar')}.`;
    const sung = this.sung().filter(({ lyric }) => lyric).length;
    return `${sung} of ${this.notes().length} notes are sung.`;
  });

  protected type(text: string): void {
    this.text.set(text);
    const bars = this.chartBars();
    if (bars.length > 0) {
      const words = withWordsInBars(this.bench.song()?.words ?? [], bars, text);
      return this.tune.take('words', `words of bars from ${bars[0].number}`, { words });
    }
    const [first, last] = [this.notes()[0], this.notes().at(-1)];
    if (!first || !last) return;
    const others = this.others();
    const verse = this.verse();
    this.bench.edit({ kind: 'words-typed', fromId: first.id, toId: last.id, text, verse, others });
  }

  /** The spare words after those that are sung here. */
  protected typeOn(words: string): void {
    this.others.set('');
    this.type(sungOn(this.sung(), words));
  }

  /** From the first note of the song on, a syllable a note; what finds none is kept. */
  protected singChart(text: string): void {
    const all = heads(this.bench.song()?.melody ?? []);
    const [first, last] = [all[0], all.at(-1)];
    if (!first || !last) return;
    this.tune.singChart(first.id, last.id, text);
    this.text.set(wordsOf(this.sung()));
  }

  protected leaveChartOut(): void {
    this.tune.take('words left out', null, { words: [] });
  }

  protected leaveOut(): void {
    this.others.set('');
    this.tune.take('words left out', null, { spareWords: '' });
  }
}
