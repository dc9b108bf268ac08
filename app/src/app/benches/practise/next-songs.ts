import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { type Aim, type RankedSong, rankSongs, type SongToRank } from '@joined-hands/core/practice';
import { rankedInWords } from '@joined-hands/core/words';
import { Store } from '@ngrx/store';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { workbench } from '../../state/reducer';
import { SongStore } from '../../storage/song-store';
import { Choice } from '../../ui/choice';
import { Asker } from '../../workers/asker';
import { messageOf } from '../../ui/message';

const AIMS: readonly { readonly value: Aim; readonly label: string }[] = [
  { value: 'easiest', label: 'The easiest' },
  { value: 'left-hand', label: 'Left hand' },
  { value: 'leaps', label: 'Leaps' },
  { value: 'off-beats', label: 'Off-beats' },
  { value: 'stretches', label: 'Stretches' },
  { value: 'black-keys', label: 'Black keys' },
  { value: 'speed', label: 'Speed' },
  { value: 'reading', label: 'Reading a key' },
];
const SHOWN = 5;

/** Which of the songs on the shelf next, for what one wants to work on. */
@Component({
  selector: 'jh-next-songs',
  imports: [Choice, NzButtonComponent, RouterLink],
  template: `
    <section>
      <h2 id="aim-title">Suggest my next song</h2>
      <jh-choice
        name="aim"
        labelledBy="aim-title"
        [mostInRow]="3"
        [options]="aims"
        [value]="aim()"
        (chosen)="aim.set($event)"
      />
      @if (looking(); as progress) {
        <p role="status">{{ progress }}</p>
      } @else if (songs().length === 0) {
        <p class="line">
          <button nz-button type="button" (click)="look()">Look through the shelf</button>
        </p>
      }
      @if (problem()) {
        <p class="problem" role="alert">{{ problem() }}</p>
      }
      <ol class="ranked" aria-live="polite">
        @for (song of ranked(); track song.id) {
          <li>
            <span
              ><a [routerLink]="['/song', song.id, 'practise']">{{ song.title }}</a
              ><small>{{ words(song) }}</small></span
            >
          </li>
        }
      </ol>
    </section>
  `,
  styleUrls: ['../../ui/panel.less', './practise.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NextSongs {
  private readonly store = inject(SongStore);
  private readonly asker = inject(Asker);
  private readonly profile = inject(Store).selectSignal(workbench.selectProfile);
  protected readonly aims = AIMS;
  protected readonly aim = signal<Aim>('left-hand');
  protected readonly songs = signal<readonly SongToRank[]>([]);
  protected readonly looking = signal('');
  protected readonly problem = signal('');
  protected readonly ranked = computed(() => rankSongs(this.songs(), this.aim()).slice(0, SHOWN));

  protected words(song: RankedSong): string {
    return rankedInWords(song, this.aim());
  }

  /** Each song is arranged once, one after the other; one that cannot be read is left out and said. */
  protected async look(): Promise<void> {
    this.problem.set('');
    try {
      const cards = (await this.store.all()).filter(({ trouble }) => trouble === null);
      const found: SongToRank[] = [];
      for (const [i, { id, title }] of cards.entries()) {
        this.looking.set(`Looking at ${title}, ${i + 1} of ${cards.length} …`);
        const opened = await this.store.get(id);
        if (opened) found.push(await this.asker.ask(opened.song, this.profile(), { kind: 'to-rank' }));
      }
      this.songs.set(found);
    } catch (error) {
      this.problem.set(`The songs could not be compared: ${messageOf(error)}.`);
    } finally {
      this.looking.set('');
    }
  }
}
