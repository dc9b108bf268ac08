import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { heads, wordsOf } from '@joined-hands/core/song';
import { NzInputModule } from 'ng-zorro-antd/input';
import { TuneState } from './tune-state';

/** Words typed through: each syllable falls on the next note. */
@Component({
  selector: 'jh-words-panel',
  imports: [NzInputModule],
  template: `
    <section>
      <h2>Words</h2>
      <p>
        From {{ where() }} on: words apart by spaces, syllables by hyphens. “_” lets a syllable go on over a
        note.
      </p>
      <textarea
        nz-input
        rows="9"
        aria-label="Words of this part"
        [value]="text()"
        (input)="type($any($event.target).value)"
        [disabled]="notes().length === 0"
      ></textarea>
      <p class="note" role="status">{{ count() }}</p>
    </section>
  `,
  styleUrl: '../../ui/panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WordsPanel {
  private readonly tune = inject(TuneState);
  private readonly bench = this.tune.bench;

  /** Notes that can carry words, from the note picked (else the part's first) to the end of the part. */
  protected readonly notes = computed(() => {
    const from = this.tune.note()?.tick ?? 0;
    const written = new Set(
      this.tune
        .notesInPart()
        .filter((n) => n.tick >= from)
        .map((n) => n.writtenId),
    );
    return heads(this.bench.song()?.melody ?? []).filter((note) => written.has(note.id));
  });
  private readonly firstId = computed(() => this.notes()[0]?.id ?? '');
  /** What is typed stays as typed; another place brings its own words. */
  protected readonly text = linkedSignal({ source: this.firstId, computation: () => wordsOf(this.notes()) });
  protected readonly where = computed(() =>
    this.tune.note() ? 'the note picked' : 'the first note of the part',
  );
  protected readonly count = computed(() => {
    const spare = this.bench.song()?.spareWords ?? '';
    const sung = this.notes().filter((note) => note.lyric).length;
    const rest = spare ? ` No note is left for “${spare}”.` : '';
    return `${sung} of ${this.notes().length} notes are sung.${rest}`;
  });

  protected type(text: string): void {
    this.text.set(text);
    const toId = this.notes().at(-1)?.id;
    if (!toId) return;
    this.bench.edit({ kind: 'words-typed', fromId: this.firstId(), toId, text });
  }
}
