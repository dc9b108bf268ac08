import { inject, Injectable } from '@angular/core';
import { Router } from '@angular/router';
import { NzModalService } from 'ng-zorro-antd/modal';
import { SongStore } from '../../storage/song-store';
import { openDialog } from '../../ui/dialog';
import { Guide } from '../../ui/guide';
import { Problems } from '../../ui/problems';
import { BenchState } from '../bench-state';
import { Playing } from '../playing';
import { BENCHES } from '../registry';
import type { Findable } from './found';
import { PLACES } from './places';

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

  open(id: string): void {
    const opened = Promise.all([import('./find-action'), this.songs.all()]).then(
      ([{ FindAction }, cards]) => {
        const songs = cards
          .filter((card) => card.id !== id)
          .map((card): Findable => ({
            label: card.title,
            where: 'Song',
            words: 'open',
            run: () => this.go(['/song', card.id]),
          }));
        openDialog(this.modal, {
          nzTitle: 'Find',
          nzContent: FindAction,
          nzData: [...this.places(id), ...this.actions(id), ...songs],
          nzWidth: 560,
        });
      },
    );
    this.problems.guard('The list of what can be found could not be loaded', opened);
  }

  private places(id: string): Findable[] {
    return PLACES.map(({ label, bench, tab, words }) => ({
      label,
      where: BENCHES.find(({ address }) => address === bench)?.name ?? '',
      words,
      run: () => this.go(['/song', id, ...(bench ? [bench] : [])], tab ? { tab } : {}),
    }));
  }

  private actions(id: string): Findable[] {
    const { bench, playing } = this;
    const row = (label: string, where: string, words: string, run: () => void): Findable => ({
      label,
      where,
      words,
      run,
    });
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
      row('Show the staff, or the seam', 'View', 'notation sheet music notes', () =>
        bench.move({ showsStaff: !bench.place().showsStaff }),
      ),
      row('Full screen', 'View', 'stage desk large big', () => bench.isOnDesk.set(true)),
      row('Export', 'File', 'midi musicxml download save share send project', () =>
        bench.asked.next('export'),
      ),
      row('Profile', 'Settings', 'hands reach span keyboard size preferences', () =>
        this.go(['/profile'], { song: id }),
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

  private go(address: string[], queryParams: Record<string, string> = {}): void {
    this.problems.guard('The page could not be opened', this.router.navigate(address, { queryParams }));
  }
}
