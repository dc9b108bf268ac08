import { ChangeDetectionStrategy, Component, computed, inject, signal, type Signal } from '@angular/core';
import { hasFrame, songName, withoutFrame } from '@joined-hands/core/song';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NZ_MODAL_DATA } from 'ng-zorro-antd/modal';
import { download, fileName } from '../ui/download';
import type { FileKind } from '../workers/answers';
import { FILES } from '../workers/file-kinds';
import type { WorkbenchState } from '../state/model';
import { PracticeStore } from '../storage/practice-store';
import { Asker } from '../workers/asker';
import { messageOf } from '../ui/message';

/** What a song can be taken away as. */
@Component({
  selector: 'jh-export-list',
  imports: [NzButtonComponent],
  template: `
    @if (isFramed()) {
      <label class="frame"
        ><input type="checkbox" [checked]="withFrame()" (change)="withFrame.set(!withFrame())" /> With intro,
        interludes and ending</label
      >
    }
    <ul>
      @for (format of formats; track format.kind) {
        <li>
          <button nz-button type="button" (click)="save(format.kind)">{{ format.name }}</button>
          <span>{{ format.what }}</span>
        </li>
      }
    </ul>
    @if (problem(); as text) {
      <p role="alert">{{ text }}</p>
    }
  `,
  styles: `
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
      display: grid;
      gap: var(--space-6);
    }
    .frame {
      display: block;
      margin-bottom: var(--space-7);
      font-size: var(--type-label);
    }
    li {
      display: grid;
      grid-template-columns: 190px 1fr;
      gap: var(--space-8);
      align-items: center;
      font-size: var(--type-label);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ExportList {
  /** The open song as it is, whatever of it is still being arranged. */
  private readonly state = inject<Signal<WorkbenchState>>(NZ_MODAL_DATA);
  private readonly asker = inject(Asker);
  private readonly practice = inject(PracticeStore);

  protected readonly formats: readonly { kind: FileKind; name: string; what: string }[] = [
    {
      kind: 'project',
      name: 'Project',
      what: 'The song with all your choices, pins and what was practised, to open again here.',
    },
    {
      kind: 'musicxml',
      name: 'MusicXML',
      what: 'Two staves with chords, lyrics and fingers, for any notation program.',
    },
    { kind: 'mxl', name: 'MusicXML, packed', what: 'The same in a small .mxl file.' },
    { kind: 'midi', name: 'MIDI', what: 'Two tracks with tempo and pedal, for a keyboard or sequencer.' },
    { kind: 'walkthrough', name: 'Walkthrough', what: 'The arrangement told in words, part by part.' },
    {
      kind: 'cards',
      name: 'Part cards',
      what: 'A card for each part: first key, letters, counts, words, chords.',
    },
  ];

  /** Something frames the song: it can be taken away without. */
  protected readonly isFramed = computed(() => {
    const { song } = this.state();
    return song !== null && hasFrame(song);
  });
  protected readonly withFrame = signal(true);
  protected readonly problem = signal<string | null>(null);

  protected async save(kind: FileKind): Promise<void> {
    const { song, profile } = this.state();
    if (!song) return;
    const [ending, type] = FILES[kind];
    try {
      const asked = this.withFrame() ? song : withoutFrame(song);
      // What was practised goes along with the project.
      const practice = kind === 'project' ? await this.practice.recordOf(song.id) : undefined;
      const content = await this.asker.ask(asked, profile, { kind: 'file', format: kind, practice });
      download(`${fileName(songName(song))}${ending}`, content, type);
      this.problem.set(null);
    } catch (error) {
      this.problem.set(`The file could not be written: ${messageOf(error)}. Try the project file.`);
    }
  }
}
