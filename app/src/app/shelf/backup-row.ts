import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { FileError } from '@joined-hands/core/formats';
import { format } from 'date-fns';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Backups, restoredInWords } from '../storage/backups';
import { download } from '../ui/download';
import { Offline } from '../ui/offline';
import { messageOf } from '../ui/message';

/** All songs out in one file and in again, with how far it is and what came of it. */
@Component({
  selector: 'jh-backup-row',
  imports: [NzButtonComponent],
  template: `
    @if (packing(); as text) {
      <p class="told" role="status">{{ text }}</p>
    }
    @if (problem(); as text) {
      <p class="told problem" role="alert">{{ text }}</p>
    }
    @if (said(); as text) {
      <p class="told" role="status">
        {{ text }}
        <button nz-button nzSize="small" type="button" (click)="said.set(null)">Close</button>
      </p>
    }
    <footer>
      <p>
        Drop a MusicXML, MIDI, chart, project or backup file anywhere here. Songs stay in this browser: back
        them up now and then.
      </p>
      <button nz-button type="button" [disabled]="packing() !== null || isEmpty()" (click)="backUp()">
        Back up all songs
      </button>
      <button nz-button type="button" [disabled]="packing() !== null" (click)="restoreAsked.emit()">
        Restore a backup
      </button>
      <button nz-button type="button" (click)="binAsked.emit()">Bin and storage</button>
      @if (offline.canInstall()) {
        <button nz-button type="button" (click)="offline.install()">Install on this machine</button>
      }
    </footer>
  `,
  styles: `
    :host {
      display: block;
      margin-top: var(--space-10);
    }
    .told {
      padding: var(--space-5) var(--space-8);
      border-radius: var(--radius);
      background: var(--selected);
      font-size: var(--type-body);
    }
    .problem {
      background: var(--right-soft);
    }
    footer {
      display: flex;
      flex-wrap: wrap;
      gap: var(--space-4) var(--space-6);
      align-items: center;
    }
    footer p {
      flex: 1 1 340px;
      margin: 0;
      color: var(--ink-soft);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BackupRow {
  private readonly backups = inject(Backups);
  protected readonly offline = inject(Offline);
  readonly isEmpty = input.required<boolean>();
  /** A backup is to be chosen among files. */
  readonly restoreAsked = output();
  readonly binAsked = output();
  /** How far a backup is, out or in; null: none is under way. */
  protected readonly packing = signal<string | null>(null);
  protected readonly said = signal<string | null>(null);
  protected readonly problem = signal<string | null>(null);

  protected backUp(): Promise<void> {
    return this.busy('Packing the songs …', 'The backup could not be made', async () => {
      const { bytes, leftOut } = await this.backups.write((done, of) =>
        this.packing.set(`Packing song ${done} of ${of} …`),
      );
      download(`joined-hands-${format(Date.now(), 'yyyy-MM-dd')}.joined.zip`, bytes, 'application/zip');
      const lost = leftOut.length === 0 ? '' : ` Not in it, as they cannot be read: ${leftOut.join(', ')}.`;
      this.said.set(`The backup is downloaded. Keep it somewhere safe, outside this browser.${lost}`);
    });
  }

  /** Restores a file; what of it cannot be is said, and nothing else changes. */
  restore(file: File): Promise<void> {
    return this.busy(`Reading ${file.name} …`, `${file.name} could not be restored`, async () => {
      const bytes = new Uint8Array(await file.arrayBuffer());
      const restored = await this.backups.restore(bytes, (done, of) =>
        this.packing.set(`Restoring song ${done} of ${of} …`),
      );
      this.said.set(restoredInWords(restored));
    });
  }

  private async busy(doing: string, failing: string, work: () => Promise<void>): Promise<void> {
    this.packing.set(doing);
    this.said.set(null);
    this.problem.set(null);
    try {
      await work();
    } catch (error) {
      const why =
        error instanceof FileError
          ? `${error.message} The songs on the shelf are untouched.`
          : `${messageOf(error)}.`;
      this.problem.set(`${failing}: ${why}`);
    } finally {
      this.packing.set(null);
    }
  }
}
