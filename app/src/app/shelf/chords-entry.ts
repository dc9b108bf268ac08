import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { type NoteNames, noteNames, typeset } from '@joined-hands/core/music';
import type { Song } from '@joined-hands/core/song';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzModalRef } from 'ng-zorro-antd/modal';
import { Choice, type ChoiceOption } from '../ui/choice';
import { messageOf } from '../ui/message';
import { FileReaderClient } from '../workers/reader';

const EXAMPLE = `Title: Net Mending
Metre: 3/4
Tempo: 92
| Am | Dm | E7 | Am |
Thread the nee-dle, pull it through`;

/** Chords and words typed as text: a song to sing to. */
@Component({
  selector: 'jh-chords-entry',
  imports: [Choice, NzButtonComponent, NzInputModule],
  template: `
    <p>
      Put bars between | signs; a point holds a chord, % repeats a bar. Put the words on the line below. Or
      write the words with the chords in brackets: [Am]Thread the nee-[Dm]dle.
    </p>
    <textarea
      nz-input
      rows="9"
      aria-label="Chords and words"
      spellcheck="false"
      [value]="text()"
      (input)="text.set($any($event.target).value)"
    ></textarea>
    @if (hasOwnNames) {
      <jh-choice
        name="names"
        label="Its chords are named"
        [options]="names"
        [value]="named()"
        (chosen)="named.set($event)"
      />
    }
    @if (problem(); as sentence) {
      <p class="problem" role="alert">{{ sentence }}</p>
    }
    <button nz-button nzType="primary" type="button" (click)="take()">Make it a song</button>
  `,
  styles: `
    p,
    textarea {
      font-size: var(--type-body);
    }
    textarea {
      margin-bottom: var(--space-6);
      font-family: var(--text);
    }
    .problem {
      padding: var(--space-4) var(--space-6);
      background: var(--right-soft);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChordsEntry {
  private readonly modal = inject<NzModalRef<ChordsEntry, Song>>(NzModalRef);
  private readonly reader = inject(FileReaderClient);
  protected readonly text = signal(EXAMPLE);
  protected readonly problem = signal<string | null>(null);
  /** What is pasted is in English unless it is said to be otherwise. */
  protected readonly named = signal<NoteNames>('english');
  protected readonly hasOwnNames = noteNames() !== 'english';
  protected readonly names: readonly ChoiceOption<NoteNames>[] = [
    { value: 'english', label: 'C D E' },
    { value: noteNames(), label: typeset('C D E F G A B') },
  ];

  /** Reads it where files are read: whatever was pasted, the page goes on. */
  protected async take(): Promise<void> {
    const bytes = new TextEncoder().encode(this.text());
    try {
      const read = await this.reader.read('New song.txt', bytes, crypto.randomUUID(), this.named());
      if (read?.kind === 'refused') this.problem.set(read.reason);
      else if (read?.opened.kind === 'tunes') this.modal.close(read.opened.tunes[0].song);
    } catch (error) {
      this.problem.set(`It could not be read: ${messageOf(error)}.`);
    }
  }
}
