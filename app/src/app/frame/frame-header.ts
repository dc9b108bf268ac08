import { cutTo, type Named } from '@joined-hands/core/song';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { keyName, metreName, typeset } from '@joined-hands/core/music';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { NzModalModule, NzModalService } from 'ng-zorro-antd/modal';
import { firstValueFrom } from 'rxjs';
import { SongStore } from '../storage/song-store';
import { Recorder } from '../input/recorder';
import { openDialog } from '../ui/dialog';
import { Guide } from '../ui/guide';
import { Menu } from '../ui/menu';
import { Offline } from '../ui/offline';
import { Problems } from '../ui/problems';
import { BenchState } from './bench-state';
import type { BenchKey } from './keys/bench-keys';
import { Finder } from './find/finder';
import { BENCHES, type BenchRow } from './registry';

/** Title, benches, undo and redo; the rest behind one menu. */
@Component({
  selector: 'jh-frame-header',
  imports: [Menu, NzButtonComponent, NzIconModule, NzModalModule, RouterLink],
  templateUrl: './frame-header.html',
  styleUrl: './frame-header.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FrameHeader {
  readonly id = input.required<string>();
  readonly row = input.required<BenchRow>();
  /** All keys that are of use on the open bench. */
  readonly keys = input.required<readonly BenchKey[]>();
  /** The bench shows something else in the place of seam and staff. */
  readonly hasStage = input.required<boolean>();
  /** Whether there is a list of parts to be opened. */
  readonly hasRail = input.required<boolean>();
  readonly sheet = input.required<'parts' | 'panel' | null>();
  readonly sheetToggled = output<'parts' | 'panel'>();

  protected readonly bench = inject(BenchState);
  protected readonly offline = inject(Offline);
  private readonly recorder = inject(Recorder);
  /** While something is played in nothing is offered that would end it. */
  protected readonly hasUpdate = computed(() => this.offline.hasNewVersion() && !this.recorder.isBusy());
  protected readonly guide = inject(Guide);
  private readonly finder = inject(Finder);
  private readonly songs = inject(SongStore);
  private readonly modal = inject(NzModalService);
  private readonly problems = inject(Problems);
  protected readonly benches = BENCHES;
  protected readonly facts = computed(() => {
    const song = this.bench.song();
    if (!song) return '';
    const { tonic, mode } = song.keyMap[0];
    return `${typeset(keyName({ tonic, mode }))} · ${metreName(song.metreMap[0])}`;
  });
  protected readonly undoWhat = computed(() => this.bench.state().past.at(-1)?.what ?? null);
  protected readonly redoWhat = computed(() => this.bench.state().future.at(-1)?.what ?? null);

  constructor() {
    const shows = {
      help: () => this.showKeys(),
      find: () => this.finder.open(this.id(), !this.hasStage()),
      export: () => this.showExport(),
      name: () => this.name(),
    };
    this.bench.asked.pipe(takeUntilDestroyed()).subscribe((what) => shows[what]());
  }

  protected rename(event: Event): void {
    const title = (event.target as HTMLInputElement).value.trim();
    if (title && title !== this.bench.song()?.title)
      this.bench.edit({ kind: 'rename', title: cutTo(title, 200) });
  }

  protected name(): void {
    const { song, profiles } = this.bench.state();
    if (!song) return;
    const shown = Promise.all([import('../ui/naming'), this.songs.all()]).then(
      async ([{ Naming }, cards]) => {
        const modal = openDialog(this.modal, {
          nzTitle: 'Name, hands and notes',
          nzContent: Naming,
          // A click beside it loses nothing that was typed.
          nzMaskClosable: false,
          nzData: { song, profiles, tags: [...new Set(cards.flatMap(({ tags }) => tags))].sort() },
          nzWidth: 520,
        });
        const named = (await firstValueFrom(modal.afterClose)) as Named | undefined;
        if (named) this.bench.edit({ kind: 'rename', ...named });
      },
    );
    this.problems.guard('The name could not be shown', shown);
  }

  protected showExport(): void {
    const shown = import('./export-list').then(({ ExportList }) =>
      openDialog(this.modal, {
        nzTitle: 'Export',
        nzContent: ExportList,
        nzData: this.bench.state,
        nzWidth: 620,
      }),
    );
    this.problems.guard('The list of files could not be loaded', shown);
  }

  protected showKeys(): void {
    const shown = import('./keys/keys-list').then(({ KeysList }) =>
      openDialog(this.modal, {
        nzTitle: 'Help and keys',
        nzContent: KeysList,
        nzData: {
          name: this.row().name,
          help: this.row().help,
          keys: this.keys(),
        },
        nzWidth: 680,
      }),
    );
    this.problems.guard('The list of keys could not be loaded', shown);
  }
}
