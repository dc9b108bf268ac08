import { inject, Injectable, signal } from '@angular/core';
import { Router } from '@angular/router';
import { type NzModalRef, NzModalService, NzModalState } from 'ng-zorro-antd/modal';
import { songName } from '@joined-hands/core/song';
import { SongStore } from '../../storage/song-store';
import type { ShelfCard } from '../../storage/stored';
import { openDialog } from '../../ui/dialog';
import { Guide } from '../../ui/guide';
import { Problems } from '../../ui/problems';
import { BenchState } from '../bench-state';
import { Playing } from '../playing';
import { BENCHES } from '../registry';
import { FindAction } from './find-action';
import type { Findable } from './found';
import { PLACES, SETTINGS } from './places';

/** Everything of the open song, and every other song, to be found by a word. */
@Injectable()
export class Finder {
  private readonly bench = inject(BenchState);
  private readonly playing = inject(Playing);
  private readonly router = inject(Router);
  private readonly modal = inject(NzModalService);
  private readonly songs = inject(SongStore);
  private readonly guide = inject(Guide);
  private readonly problems = inject(Problems);

  private dialog: NzModalRef | null = null;

  /** Opens the list over a song. `hasSeam`: the open bench shows the part, as seam or staff. */
  open(id: string, hasSeam: boolean): void {
    if (this.dialog?.getState() === NzModalState.OPEN) return;
    const rows = signal<readonly Findable[]>([
      ...this.places(id),
      ...this.actions(id),
      ...(hasSeam ? this.views() : []),
    ]);
    // At once, so that what is typed next is typed into it; the songs come when they are read.
    this.dialog = openDialog(this.modal, {
      nzTitle: 'Find',
      nzContent: FindAction,
      nzData: rows,
      nzWidth: 560,
    });
    const read = this.songs
      .all()
      .then((cards) => rows.update((all) => [...all, ...this.otherSongs(cards, id)]));
    this.problems.guard('The other songs could not be read', read);
  }

  private otherSongs(cards: readonly ShelfCard[], id: string): Findable[] {
    return cards
      .filter((card) => card.id !== id)
      .map((card) => ({
        label: songName(card),
        where: 'Song',
        words: [card.subtitle, ...card.tags].join(' '),
        run: () => this.go(['/song', card.id]),
      }));
  }

  private places(id: string): Findable[] {
    return PLACES.map(({ label, bench, tab, words }) => ({
      label,
      where: BENCHES.find(({ address }) => address === bench)?.name ?? '',
      words,
      run: () =>
        this.problems.guard(
          'The bench could not be opened',
          this.goToTab(['/song', id, ...(bench ? [bench] : [])], tab),
        ),
    }));
  }

  private actions(id: string): Findable[] {
    const { bench, playing } = this;
    return [
      row('Play or stop', 'Playing', 'hear listen sound space', () => playing.togglePlaying()),
      row('Play the whole song', 'Playing', 'hear listen all', () => playing.play('song')),
      row('Loop the part', 'Playing', 'repeat again round', () =>
        bench.move({ loops: !bench.place().loops }),
      ),
      row('Metronome', 'Playing', 'click beat', () => bench.move({ clicks: !bench.place().clicks })),
      row('Count in', 'Playing', 'click beats before', () =>
        bench.move({ countsIn: !bench.place().countsIn }),
      ),
      row('Slower', 'Playing', 'tempo speed bpm', () => playing.changeTempo(-1)),
      row('Faster', 'Playing', 'tempo speed bpm', () => playing.changeTempo(1)),
      row('Undo', 'Edit', 'back revert', () => bench.undo()),
      row('Redo', 'Edit', 'again', () => bench.redo()),
      row('Export', 'File', 'midi musicxml download save share send project', () =>
        bench.asked.next('export'),
      ),
      row('Name, tags, hands and notes', 'Song', 'rename title pupil profile version comment', () =>
        bench.asked.next('name'),
      ),
      ...SETTINGS.map(([label, words]) =>
        row(label, 'Settings', words, () => this.go(['/settings'], { song: id })),
      ),
      row('Chord room', 'Learn', 'drill exercises chords quiz', () => this.go(['/chords'], { song: id })),
      row('Tour', 'Help', 'tutorial guide introduction', () => {
        void this.router.navigate(this.guide.address());
        this.guide.walk();
      }),
      row('Help and keys', 'Help', 'shortcuts keyboard about', () => bench.asked.next('help')),
      row('All songs', 'Shelf', 'library open import file new', () => this.go(['/'])),
    ];
  }

  private views(): Findable[] {
    const { bench } = this;
    return [
      row('Show the staff, or the seam', 'View', 'notation sheet music notes', () =>
        bench.move({ showsStaff: !bench.place().showsStaff }),
      ),
      row('Full screen', 'View', 'stage desk large big', () => bench.isOnDesk.set(true)),
    ];
  }

  private go(address: string[], queryParams: Record<string, string> = {}): void {
    this.problems.guard('The page could not be opened', this.router.navigate(address, { queryParams }));
  }

  /** Where the address asks for that tab already, and another was opened since, it is opened here. */
  private async goToTab(address: string[], tab: string | undefined): Promise<void> {
    const before = this.router.url;
    await this.router.navigate(address, { queryParams: tab ? { tab } : {} });
    if (tab && this.router.url === before) this.bench.open()?.tab.set(tab);
  }
}

function row(label: string, where: string, words: string, run: () => void): Findable {
  return { label, where, words, run };
}
