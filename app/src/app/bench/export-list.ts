import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import type { Arrangement } from '@joined-hands/core/arrangement';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NZ_MODAL_DATA } from 'ng-zorro-antd/modal';
import { download, fileName } from '../ui/download';

type Format = 'project' | 'musicxml' | 'mxl' | 'midi' | 'walkthrough';

/** What a song can be taken away as. */
@Component({
  selector: 'jh-export-list',
  imports: [NzButtonModule],
  template: `
    <ul>
      @for (format of formats; track format.kind) {
        <li>
          <button nz-button type="button" (click)="save(format.kind)">{{ format.name }}</button>
          <span>{{ format.what }}</span>
        </li>
      }
    </ul>
  `,
  styles: `
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
      display: grid;
      gap: 12px;
    }
    li {
      display: grid;
      grid-template-columns: 190px 1fr;
      gap: 16px;
      align-items: center;
      font-size: 17px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ExportList {
  private readonly arrangement = inject<Arrangement>(NZ_MODAL_DATA);

  protected readonly formats: readonly { kind: Format; name: string; what: string }[] = [
    {
      kind: 'project',
      name: 'Project',
      what: 'The song with all your choices and pins, to open again here.',
    },
    {
      kind: 'musicxml',
      name: 'MusicXML',
      what: 'Two staves with chords, lyrics and fingers, for any notation program.',
    },
    { kind: 'mxl', name: 'MusicXML, packed', what: 'The same in a small .mxl file.' },
    { kind: 'midi', name: 'MIDI', what: 'Two tracks with tempo and pedal, for a keyboard or sequencer.' },
    { kind: 'walkthrough', name: 'Walkthrough', what: 'The arrangement told in words, part by part.' },
  ];

  protected async save(kind: Format): Promise<void> {
    const { writeMidi, writeMusicXml, writeMxl, writeProject, writeWalkthrough } =
      { ...(await import('@joined-hands/core/formats')), ...(await import('@joined-hands/core/words')) };
    const { song, profile } = this.arrangement;
    const name = fileName(song.title);
    switch (kind) {
      case 'project':
        return download(`${name}.joined.json`, writeProject({ song, profile }), 'application/json');
      case 'musicxml':
        return download(
          `${name}.musicxml`,
          writeMusicXml(this.arrangement),
          'application/vnd.recordare.musicxml+xml',
        );
      case 'mxl':
        return download(`${name}.mxl`, writeMxl(this.arrangement), 'application/vnd.recordare.musicxml');
      case 'midi':
        return download(`${name}.mid`, writeMidi(this.arrangement), 'audio/midi');
      case 'walkthrough':
        return download(`${name}.txt`, writeWalkthrough(this.arrangement), 'text/plain;charset=utf-8');
    }
  }
}
