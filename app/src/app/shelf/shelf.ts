import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  type OnDestroy,
  type OnInit,
  signal,
  viewChild,
} from '@angular/core';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { READ_ENDINGS } from '@joined-hands/core/formats';
import { asPreferred, DEFAULT_PROFILE, type Named, type Song, songName } from '@joined-hands/core/song';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzModalModule, NzModalService } from 'ng-zorro-antd/modal';
import { firstValueFrom } from 'rxjs';
import { Bin } from '../storage/bin';
import { SongStore, UnreadableSongError } from '../storage/song-store';
import type { ShelfCard } from '../storage/stored';
import { takeAwayRaw } from '../storage/take-away';
import { openDialog } from '../ui/dialog';
import { Offline } from '../ui/offline';
import { Problems } from '../ui/problems';
import { Asker } from '../workers/asker';
import { FileReaderClient } from '../workers/reader';
import { messageOf } from '../ui/message';
import { BackupRow } from './backup-row';
import { type CardAction, CardMenu } from './card-menu';
import { CardWork } from './card-work';
import { found, type ShelfOrder } from './find';
import { type Card, groupOf, inGroups } from './groups';
import { FindRow } from './find-row';
import { Importing } from './importing';
import { GuideOffer } from './guide-offer';

/** So many songs are seen at a glance; of more, one is looked for. */
const ONE_LOOK = 8;

const NOT_DONE: Readonly<Record<CardAction, string>> = {
  name: 'was not renamed',
  duplicate: 'was not copied',
  version: 'got no new version',
  export: 'was not exported',
  delete: 'was not deleted',
};

/** What browsers that can open files with an installed page bring along. */
type LaunchedWindow = Window & {
  readonly launchQueue?: {
    setConsumer(take: (launched: { readonly files?: readonly { getFile(): Promise<File> }[] }) => void): void;
  };
};

/** The songs, as cards with what a pianist wants to see; files come in by button or by dropping them. */
@Component({
  selector: 'jh-shelf',
  imports: [BackupRow, CardMenu, FindRow, GuideOffer, NzButtonComponent, NzModalModule, RouterLink],
  providers: [Importing],
  templateUrl: './shelf.html',
  styleUrl: './shelf.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Shelf implements OnInit, OnDestroy {
  private readonly songs = inject(SongStore);
  private readonly bin = inject(Bin);
  private readonly work = inject(CardWork);
  protected readonly offline = inject(Offline);
  private readonly reader = inject(FileReaderClient);
  private readonly importing = inject(Importing);
  private readonly asker = inject(Asker);
  private readonly problems = inject(Problems);
  private readonly router = inject(Router);
  private readonly route = inject(ActivatedRoute);
  private readonly modal = inject(NzModalService);
  protected readonly endings = [...READ_ENDINGS, '.zip'].join();
  private readonly backupRow = viewChild.required(BackupRow);
  private readonly picker = viewChild.required<ElementRef<HTMLInputElement>>('picker');

  private readonly stored = signal<readonly ShelfCard[] | null>(null);
  /** Songs there are; null until that is known. */
  protected readonly all = computed(() => this.stored()?.length ?? null);
  protected readonly query = signal('');
  protected readonly order = signal<ShelfOrder>('opened');
  protected readonly tag = signal<string | null>(null);
  protected readonly tags = computed(() =>
    [...new Set((this.stored() ?? []).flatMap((card) => card.tags))].sort((a, b) => a.localeCompare(b)),
  );
  protected readonly cards = computed(() => {
    const stored = this.stored();
    return stored && inGroups(found(stored, this.query(), this.order(), this.tag()));
  });
  /** Also while something is looked for: what is not shown could not be brought back else. */
  protected readonly isFull = computed(
    () => (this.all() ?? 0) > ONE_LOOK || this.query() !== '' || this.tag() !== null,
  );
  /** Songs shown, versions among them. */
  protected readonly shownSongs = computed(() =>
    (this.cards() ?? []).reduce((count, { versions }) => count + 1 + versions.length, 0),
  );
  /** What came of the last thing done. */
  protected readonly notice = signal('');
  /** The song deleted last. */
  protected readonly deleted = signal<ShelfCard | null>(null);
  protected readonly deletedName = computed(() => {
    const song = this.deleted();
    return song && songName(song);
  });
  protected readonly problem = this.importing.problem;
  protected readonly reading = this.importing.reading;
  protected readonly isOver = signal(false);

  private isLeft = false;

  ngOnInit(): void {
    void this.refresh();
    // Asked for at the end of the tour.
    const begins = { tune: () => this.typeTune(), chords: () => this.writeChords(), file: () => this.pick() };
    const begin = begins[this.route.snapshot.queryParams['begin'] as keyof typeof begins] as
      (() => unknown) | undefined;
    if (!begin) return;
    // Once: a page loaded again begins nothing.
    void this.router.navigate([], { queryParams: {}, replaceUrl: true }).then(begin);
    // Where the program is installed, files can be opened with it from the system.
    (window as LaunchedWindow).launchQueue?.setConsumer(({ files }) => {
      const opened = Promise.all((files ?? []).map((handle) => handle.getFile()));
      this.problems.guard(
        'The file could not be opened',
        opened.then((all) => (all.length > 0 ? this.importAll(all) : undefined)),
      );
    });
  }

  ngOnDestroy(): void {
    this.isLeft = true;
  }

  private async refresh(): Promise<void> {
    try {
      this.problems.guard('The bin could not be emptied of what is older than 30 days', this.bin.purge());
      this.stored.set(await this.songs.all());
      this.problems.guard('Parts and length of a song could not be found', this.findFacts());
    } catch (error) {
      this.stored.set([]);
      const why = messageOf(error);
      this.problem.set(
        `The songs stored in this browser cannot be read: ${why}. Check that the browser may store data, then reload.`,
      );
    }
  }

  /** Facts are stored with a song when it is saved; those of a new one are asked for and then stored. */
  private async findFacts(): Promise<void> {
    for (const { id, facts, trouble } of this.stored() ?? []) {
      // A song that is being opened has the machine to itself; the rest is found when the shelf is seen again.
      if (this.isLeft || this.reading() !== null) return;
      if (facts || trouble) continue;
      const opened = await this.songs.get(id).catch((error: unknown) => {
        if (error instanceof UnreadableSongError) this.mark(id, { trouble: error.message });
        else throw error;
      });
      if (!opened) continue;
      const found = await this.asker.ask(opened.song, DEFAULT_PROFILE, { kind: 'facts' });
      await this.songs.saveFacts(id, found);
      this.mark(id, { facts: found });
    }
    this.reader.warm();
  }

  private mark(id: string, change: Partial<ShelfCard>): void {
    this.stored.update((all) => all?.map((card) => (card.id === id ? { ...card, ...change } : card)) ?? null);
  }

  /** What lies in the store of a song that cannot be read, as it is. */
  protected takeAwayRaw({ card: { id, title } }: Card): void {
    this.problems.guard('The stored data could not be downloaded', takeAwayRaw(this.songs, id, title));
  }

  protected pick(): void {
    this.picker().nativeElement.click();
  }

  protected picked(event: Event): void {
    const chooser = event.target as HTMLInputElement;
    void this.importAll([...(chooser.files ?? [])]).finally(() => (chooser.value = ''));
  }

  protected dropped(event: DragEvent): void {
    event.preventDefault();
    this.isOver.set(false);
    void this.importAll([...(event.dataTransfer?.files ?? [])]);
  }

  protected dragged(event: DragEvent, isOver: boolean): void {
    event.preventDefault();
    this.isOver.set(isOver);
  }

  /** Puts files on the shelf; a single good one is opened at once. */
  private async importAll(files: readonly File[]): Promise<void> {
    const last = await this.importing.all(files, (backup) => this.backupRow().restore(backup));
    if (files.length === 1 && last) await this.router.navigate(['/song', last]);
    else await this.refresh();
  }

  protected cancelReading(): void {
    this.reader.cancel();
  }

  /** A tune to be typed, tapped or played: what it begins with is asked, then the Tune bench opens. */
  protected async typeTune(): Promise<void> {
    try {
      const { NewTune } = await import('./new-tune');
      const modal = openDialog(this.modal, {
        nzTitle: 'Type a tune',
        nzContent: NewTune,
        // A click beside it loses nothing that was typed.
        nzMaskClosable: false,
        nzWidth: 520,
      });
      const begun: Song | undefined = await firstValueFrom(modal.afterClose);
      if (!begun) return;
      const song = asPreferred(begun, (await this.songs.profiles())[0]);
      this.songs.begin(song);
      await this.router.navigate(['/song', song.id, 'tune'], { queryParams: { tab: 'letters' } });
    } catch (error) {
      this.wentWrong('The tune could not be begun', error);
    }
  }

  private wentWrong(what: string, error: unknown): void {
    this.problem.set(`${what}: ${messageOf(error)}.`);
  }

  protected async writeChords(): Promise<void> {
    try {
      const written = await this.chordsWritten();
      if (!written) return;
      const song = asPreferred(written, (await this.songs.profiles())[0]);
      await this.songs.add(song);
      await this.router.navigate(['/song', song.id]);
    } catch (error) {
      this.wentWrong('The song could not be stored', error);
    }
  }

  private async chordsWritten(): Promise<Song | undefined> {
    const { writeChords } = await import('./chords-entry');
    return writeChords(this.modal);
  }

  protected async lookAtDemo(): Promise<void> {
    try {
      const id = await this.songs.addDemoSongs();
      await this.router.navigate(['/song', id]);
    } catch (error) {
      this.wentWrong('The demo songs could not be put on the shelf', error);
    }
  }

  /** What the menu of a card asks for. */
  protected async act(action: CardAction, card: ShelfCard): Promise<void> {
    this.notice.set('');
    this.deleted.set(null);
    try {
      if (action === 'export') return await this.work.takeAway(card.id);
      if (action === 'delete') {
        await this.bin.delete(card);
        this.deleted.set(card);
      } else if (action === 'duplicate')
        this.notice.set(`“${await this.work.duplicate(card.id)}” was added.`);
      else if (action === 'name') {
        const named = await this.named(await this.work.nameOf(card.id), 'Name, hands and notes');
        if (named) await this.work.name(card.id, named);
      } else {
        const named = await this.named(
          { ...(await this.work.nameOf(card.id)), version: { of: groupOf(card), name: '' } },
          'New version',
        );
        if (named) await this.work.newVersion(card.id, named);
      }
      await this.refresh();
    } catch (error) {
      this.wentWrong(`“${songName(card)}” ${NOT_DONE[action]}`, error);
    }
  }

  private async named(song: Named, nzTitle: string): Promise<Named | undefined> {
    const { Naming } = await import('../ui/naming');
    const modal = openDialog(this.modal, {
      nzTitle,
      nzContent: Naming,
      // A click beside it loses nothing that was typed.
      nzMaskClosable: false,
      nzData: { song, tags: this.tags(), profiles: await this.songs.profiles() },
      nzWidth: 520,
    });
    return (await firstValueFrom(modal.afterClose)) as Named | undefined;
  }

  protected async putBack(): Promise<void> {
    try {
      const song = this.deleted();
      if (!song) return;
      await this.bin.putBack(song.id);
      this.deleted.set(null);
      await this.refresh();
    } catch (error) {
      this.wentWrong('The song could not be put back', error);
    }
  }

  /** What is in the bin, and what takes room. */
  protected async showBin(): Promise<void> {
    try {
      const { BinList } = await import('./bin-list');
      const modal = openDialog(this.modal, { nzTitle: 'Bin and storage', nzContent: BinList, nzWidth: 620 });
      await firstValueFrom(modal.afterClose);
      this.deleted.set(null);
      await this.refresh();
    } catch (error) {
      this.wentWrong('The bin could not be shown', error);
    }
  }
}
