import { ChangeDetectionStrategy, Component, inject, linkedSignal, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { asTyped } from '@joined-hands/core/music';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzInputNumberModule } from 'ng-zorro-antd/input-number';
import { ChordsState } from './chords-state';

/** A row of chords, typed or pasted over the bars of the song, from the part on screen on or from any bar. */
@Component({
  selector: 'jh-row-entry',
  imports: [FormsModule, NzButtonComponent, NzInputModule, NzInputNumberModule],
  template: `
    <section>
      <h3><label for="chord-row">Write a row of chords</label></h3>
      <textarea
        nz-input
        id="chord-row"
        rows="2"
        spellcheck="false"
        [placeholder]="example"
        [value]="text()"
        (input)="type($event)"
        (keydown.control.enter)="write()"
      ></textarea>
      <p class="from">
        <label for="chord-row-from">from bar</label>
        <nz-input-number
          nzId="chord-row-from"
          [nzMin]="1"
          [nzMax]="state.bench.song()?.barCount ?? 1"
          [ngModel]="from()"
          (ngModelChange)="from.set($event ?? 1)"
        />
        <button nz-button type="button" [disabled]="text().trim() === ''" (click)="write()">
          Write them
        </button>
      </p>
      @if (problem(); as sentence) {
        <p class="problem" role="alert">{{ sentence }}</p>
      } @else {
        <p class="note">Bars between strokes; a point holds, % repeats a bar. Ctrl + Enter writes them.</p>
      }
    </section>
  `,
  styles: `
    .from {
      display: flex;
      align-items: center;
      gap: var(--space-4);
      margin: var(--space-4) 0;
    }
    nz-input-number {
      width: 80px;
    }
    button {
      margin-left: auto;
    }
  `,
  styleUrl: '../../ui/panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RowEntry {
  protected readonly state = inject(ChordsState);
  protected readonly example = `| ${asTyped('Am')} | ${asTyped('Dm')} ${asTyped('E7')} | % |`;
  protected readonly text = signal('');
  protected readonly problem = signal('');
  protected readonly from = linkedSignal(() => this.state.rowFrom());

  /** While it is typed nothing is wrong with it. */
  protected type(event: Event): void {
    this.text.set((event.target as HTMLTextAreaElement).value);
    this.problem.set('');
  }

  protected write(): void {
    this.problem.set(this.state.writeRow(this.text(), this.from()));
    if (this.problem() === '') this.text.set('');
  }
}
