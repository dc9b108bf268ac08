import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import { type Song, songName, tuneDiffers } from '@joined-hands/core/song';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { theBars } from '@joined-hands/core/sentences';
import { SongStore } from '../storage/song-store';
import { Problems } from '../ui/problems';
import { BenchState } from './bench-state';

/** More bars than this are not named one by one. */
const MOST_NAMED = 6;

/** Where the tune of another version of the open song was put right since, it is offered here. */
@Component({
  selector: 'jh-versions-line',
  imports: [NzButtonComponent],
  template: `
    @if (offer(); as offer) {
      <p role="status">
        <span>The tune of “{{ offer.name }}” differs in {{ offer.where }}; it was changed later.</span>
        <button nz-button nzSize="small" type="button" (click)="take(offer.other)">Take that tune</button>
        <button nz-button nzSize="small" type="button" (click)="leave(offer.id)">Keep this one</button>
      </p>
    }
  `,
  styles: `
    p {
      display: flex;
      flex-wrap: wrap;
      gap: var(--space-3);
      align-items: center;
      margin: 0;
      padding: var(--space-3) var(--space-8);
      background: var(--selected);
    }
    span {
      margin-right: auto;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VersionsLine {
  private readonly bench = inject(BenchState);
  private readonly songs = inject(SongStore);
  private readonly problems = inject(Problems);
  /** The other versions whose tune was changed after that of the open one, as they were when it was opened. */
  private readonly others = signal<readonly { readonly song: Song; readonly print: string }[]>([]);
  private readonly opened = computed(() => this.bench.song()?.id ?? null);

  constructor() {
    effect(() => {
      this.opened();
      untracked(() => {
        const song = this.bench.song();
        this.others.set([]);
        if (song) this.problems.guard('The other versions could not be read', this.read(song));
      });
    });
  }

  private async read(song: Song): Promise<void> {
    const cards = await this.songs.all();
    const own = cards.find(({ id }) => id === song.id);
    const first = song.version?.of ?? song.id;
    const later = cards.filter(
      ({ id, version, trouble, tune }) =>
        id !== song.id && !trouble && (version?.of ?? id) === first && tune.at > (own?.tune.at ?? 0),
    );
    const read = await Promise.all(
      later.map(async ({ id, tune: { print } }) => ({ stored: await this.songs.get(id), print })),
    );
    const others = read.flatMap(({ stored, print }) => (stored ? [{ song: stored.song, print }] : []));
    if (this.opened() === song.id) this.others.set(others);
  }

  protected readonly offer = computed(() => {
    const song = this.bench.song();
    if (!song || this.bench.state().isReadOnly) return null;
    for (const { song: other, print } of this.others()) {
      const bars = tuneDiffers(song, other);
      const id = `tune|${other.id}|${print}`;
      if (!bars || bars.length === 0 || song.dismissed.includes(id)) continue;
      return {
        other,
        id,
        where: bars.length > MOST_NAMED ? `${bars.length} bars` : theBars(bars),
        name: other.version?.name ?? songName(other),
      };
    }
    return null;
  });

  protected take(other: Song): void {
    const what = `the tune of “${other.version?.name ?? songName(other)}”`;
    this.bench.edit({ kind: 'tune-taken', what, session: null, fields: { melody: other.melody } });
  }

  protected leave(id: string): void {
    this.bench.edit({ kind: 'dismissed', id });
  }
}
