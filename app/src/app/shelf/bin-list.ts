import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { counted } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Bin, daysLeft, type SongSize } from '../storage/bin';
import { SongStore } from '../storage/song-store';
import type { ShelfCard } from '../storage/stored';
import { songName } from '@joined-hands/core/song';
import { messageOf } from '../ui/message';

interface Row {
  readonly card: ShelfCard;
  readonly size: SongSize;
  /** "12 days left · 31 MB, of it 30 MB your recording". */
  readonly about: string;
}

/** What is in the bin, and the room each song takes. */
@Component({
  selector: 'jh-bin-list',
  imports: [NzButtonComponent],
  template: `
    @if (problem()) {
      <p class="problem" role="alert">{{ problem() }}</p>
    }
    @if (rows(); as all) {
      <section>
        <h2>In the bin</h2>
        @if (inBin().length === 0) {
          <p>Nothing. A song that is deleted stays here for 30 days, with what you practised and recorded.</p>
        } @else {
          <ul>
            @for (row of inBin(); track row.card.id) {
              <li>
                <span>
                  <b>{{ name(row) }}</b>
                  <small>{{ row.about }}</small>
                </span>
                <button
                  nz-button
                  nzSize="small"
                  type="button"
                  [attr.aria-label]="'Put back ' + name(row)"
                  (click)="putBack(row)"
                >
                  Put back
                </button>
                <button
                  nz-button
                  nzSize="small"
                  type="button"
                  [attr.aria-label]="'Delete ' + name(row) + ' for good'"
                  (click)="empty([row])"
                >
                  Delete for good
                </button>
              </li>
            }
          </ul>
          <p class="line">
            <button nz-button type="button" (click)="empty(inBin())">Empty the bin</button>
            <small>This frees {{ freed() }} and cannot be undone.</small>
          </p>
        }
      </section>
      <section>
        <h2>Room</h2>
        <p>{{ room() }}</p>
        <ul>
          @for (row of onShelf(); track row.card.id) {
            <li>
              <span
                ><b>{{ name(row) }}</b></span
              >
              <small>{{ row.about }}</small>
            </li>
          }
        </ul>
      </section>
    } @else if (!problem()) {
      <p role="status">Looking through the songs …</p>
    }
  `,
  styleUrl: '../ui/panel.less',
  styles: `
    li {
      display: flex;
      flex-wrap: wrap;
      gap: var(--space-3) var(--space-4);
      align-items: center;
    }
    li span {
      flex: 1 1 200px;
      min-width: 0;
      overflow-wrap: anywhere;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BinList {
  private readonly songs = inject(SongStore);
  private readonly bin = inject(Bin);
  protected readonly rows = signal<readonly Row[] | null>(null);
  protected readonly problem = signal('');
  protected readonly room = signal('');
  protected readonly inBin = computed(() =>
    (this.rows() ?? [])
      .filter(({ card }) => card.deletedAt)
      .sort((a, b) => (b.card.deletedAt ?? 0) - (a.card.deletedAt ?? 0)),
  );
  protected readonly onShelf = computed(() =>
    (this.rows() ?? []).filter(({ card }) => !card.deletedAt).sort((a, b) => b.size.all - a.size.all),
  );
  protected readonly freed = computed(() =>
    inBytes(this.inBin().reduce((sum, { size }) => sum + size.all, 0)),
  );

  constructor() {
    void this.doing('The bin could not be read', async () => undefined);
  }

  protected name({ card }: Row): string {
    return songName(card);
  }

  protected putBack({ card }: Row): Promise<void> {
    return this.doing('The song could not be put back', async () => void (await this.bin.putBack(card.id)));
  }

  protected empty(rows: readonly Row[]): Promise<void> {
    return this.doing('The bin could not be emptied', () => this.bin.empty(rows.map(({ card }) => card.id)));
  }

  private async doing(failing: string, work: () => Promise<void>): Promise<void> {
    try {
      await work();
      this.problem.set('');
      await this.look();
    } catch (error) {
      this.problem.set(`${failing}: ${messageOf(error)}.`);
    }
  }

  private async look(): Promise<void> {
    const rows: Row[] = [];
    for (const card of await this.songs.cards()) {
      const size = await this.bin.sizeOf(card.id);
      rows.push({ card, size, about: aboutRow(card, size) });
    }
    this.rows.set(rows);
    const all = rows.reduce((sum, { size }) => sum + size.all, 0);
    const { quota } = await roomOf();
    this.room.set(
      `${counted(rows.length, 'song')}, with what you practised and recorded: ${inBytes(all)}${quota ? ` of the ${inBytes(quota)} the browser allows` : ''}.`,
    );
  }
}

function aboutRow({ deletedAt }: ShelfCard, { all, recording }: SongSize): string {
  const left = deletedAt ? `${counted(daysLeft(deletedAt), 'day')} left · ` : '';
  return `${left}${inBytes(all)}${recording > 0 ? `, of it ${inBytes(recording)} your recording` : ''}`;
}

/** "31 MB", "12 kB". */
function inBytes(bytes: number): string {
  const [unit, by] = bytes >= 1e9 ? ['GB', 1e9] : bytes >= 1e6 ? ['MB', 1e6] : ['kB', 1e3];
  const amount = bytes / by;
  return `${amount >= 10 ? Math.round(amount) : amount.toFixed(1)} ${unit}`;
}

async function roomOf(): Promise<StorageEstimate> {
  return 'storage' in navigator ? navigator.storage.estimate() : {};
}
