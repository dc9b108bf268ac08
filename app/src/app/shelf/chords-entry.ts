import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FileError, readChart } from '@joined-hands/core/formats';
import type { Song } from '@joined-hands/core/song';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzModalRef } from 'ng-zorro-antd/modal';

const EXAMPLE = `Title: Net Mending
Metre: 3/4
Tempo: 92
| Am | Dm | E7 | Am |
Thread the nee-dle, pull it through`;

/** Chords and words typed as text: a song to sing to. */
@Component({
  selector: 'jh-chords-entry',
  imports: [NzButtonComponent, NzInputModule],
  template: `
    <p>
      Bars between strokes, "." holds a chord, "%" repeats a bar; the words on the line below. Or words with
      chords in brackets: [Am]Thread the nee-[Dm]dle.
    </p>
    <textarea
      nz-input
      rows="9"
      aria-label="Chords and words"
      spellcheck="false"
      [value]="text()"
      (input)="text.set($any($event.target).value)"
    ></textarea>
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
  protected readonly text = signal(EXAMPLE);
  protected readonly problem = signal<string | null>(null);

  protected take(): void {
    try {
      this.modal.close(readChart(this.text(), crypto.randomUUID(), 'New song'));
    } catch (error) {
      if (!(error instanceof FileError)) throw error;
      this.problem.set(error.message);
    }
  }
}
