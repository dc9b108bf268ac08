import { inject, Injectable } from '@angular/core';
import { archiveOf } from '@joined-hands/core/formats';
import { songName } from '@joined-hands/core/song';
import { type Page, type Paper, sheetDocument } from '@joined-hands/core/sheets';
import { logAsCsv } from '../../storage/log-csv';
import { PracticeStore } from '../../storage/practice-store';
import { fileName } from '../../ui/download';
import type { FileKind } from '../../workers/answers';
import { Asker } from '../../workers/asker';
import { FILES } from '../../workers/file-kinds';
import { HandoutState } from './handout-state';
import { sheetFonts } from './sheet-fonts';

/** Everything but what another of them holds already. */
const TAKEN: readonly FileKind[] = ['project', 'musicxml', 'midi', 'walkthrough', 'cards'];

/** Everything there is of the open song, in one archive. */
@Injectable()
export class TakeAway {
  private readonly state = inject(HandoutState);
  private readonly asker = inject(Asker);
  private readonly practice = inject(PracticeStore);

  /** The archive with its name and type; none where one of its files fails. */
  async make(
    pages: readonly Page[],
    paper: Paper,
  ): Promise<readonly [name: string, content: Uint8Array, type: string]> {
    const { song, profile } = this.state.bench.state();
    if (!song) throw new Error('no song is open');
    const name = fileName(songName(song));
    const record = await this.practice.recordOf(song.id);
    const files: { name: string; content: string | Uint8Array }[] = [];
    for (const format of TAKEN) {
      const practice = format === 'project' ? record : undefined;
      const content = await this.asker.ask(song, profile, { kind: 'file', format, practice });
      files.push({ name: `${name}${FILES[format][0]}`, content });
    }
    if (pages.length > 0) {
      const content = sheetDocument(song.title, pages, paper, await sheetFonts());
      files.push({ name: `${name}-sheets.html`, content });
    }
    if (record && record.turns.length > 0)
      files.push({ name: `${name}-log.csv`, content: await logAsCsv(record.turns) });
    return [`${name}.zip`, archiveOf(files), 'application/zip'];
  }
}
