import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';

/** How far a note is moved: by letters of the key, or by half steps. */
interface Moved {
  readonly steps?: number;
  readonly semitones?: number;
}

/** What can be done to a note that is picked, of the tune or written by hand: its pitch, its start, its length. */
@Component({
  selector: 'jh-note-changes',
  imports: [NzButtonComponent],
  template: `
    <div class="grid">
      @for (row of pitches; track row.label) {
        <span class="label">{{ row.label }}</span>
        @for (way of row.ways; track way.told) {
          <button
            nz-button
            nzSize="small"
            type="button"
            [attr.aria-label]="way.told"
            (click)="moved.emit(way.by)"
          >
            {{ way.sign }}
          </button>
        }
      }
      <span class="label">Start</span>
      <button nz-button nzSize="small" type="button" (click)="shifted.emit(-1)">Earlier</button>
      <button nz-button nzSize="small" type="button" (click)="shifted.emit(1)">Later</button>
      <span class="label">Length</span>
      <button nz-button nzSize="small" type="button" (click)="lengthened.emit(-1)">Shorter</button>
      <button nz-button nzSize="small" type="button" (click)="lengthened.emit(1)">Longer</button>
    </div>
  `,
  styleUrl: '../ui/panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NoteChanges {
  readonly moved = output<Moved>();
  readonly shifted = output<1 | -1>();
  readonly lengthened = output<1 | -1>();
  protected readonly pitches: readonly {
    readonly label: string;
    readonly ways: readonly { readonly sign: string; readonly told: string; readonly by: Moved }[];
  }[] = [
    {
      label: 'Letter',
      ways: [
        { sign: '↓', told: 'A letter down', by: { steps: -1 } },
        { sign: '↑', told: 'A letter up', by: { steps: 1 } },
      ],
    },
    {
      label: 'Half step',
      ways: [
        { sign: '♭', told: 'A half step down', by: { semitones: -1 } },
        { sign: '♯', told: 'A half step up', by: { semitones: 1 } },
      ],
    },
    {
      label: 'Octave',
      ways: [
        { sign: '↓', told: 'An octave down', by: { semitones: -12 } },
        { sign: '↑', told: 'An octave up', by: { semitones: 12 } },
      ],
    },
  ];
}
