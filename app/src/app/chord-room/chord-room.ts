import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { Key } from '@joined-hands/core/music';
import { Store } from '@ngrx/store';
import { switchMap } from 'rxjs';
import { ProfileActions } from '../state/actions';
import { SongStore } from '../storage/song-store';
import { Choice } from '../ui/choice';
import { KeyChoice } from '../ui/key-choice';
import { DrillTab } from './drill-tab';
import { SongsComeFrom } from './song-come-from';
import { ShapesTab } from './shapes-tab';
import { WarmUpTab } from './warm-up-tab';

const C_MAJOR: Key = { tonic: { letter: 'C', alter: 0 }, mode: 'major' };
const TABS = [
  { value: 'shapes', label: 'Chords' },
  { value: 'drills', label: 'Drills' },
  { value: 'warm-ups', label: 'Warm-ups' },
] as const;

/** Chords by themselves, with or without a song: shapes on the keyboard, drills through keys, warm-ups. */
@Component({
  selector: 'jh-chord-room',
  imports: [Choice, DrillTab, KeyChoice, RouterLink, ShapesTab, WarmUpTab],
  template: `
    <div class="page">
      <header>
        <a class="home" [routerLink]="song() ? ['/song', song()] : ['/']"
          ><span aria-hidden="true">‹</span> {{ song() ? 'Song' : 'Shelf' }}</a
        >
        <h1>Chord room</h1>
        <div class="key">
          <label for="room-key">Key</label>
          <jh-key-choice id="room-key" [value]="key()" (chosen)="key.set($event)" />
        </div>
        <jh-choice
          name="tab"
          label="What to do"
          [options]="tabs"
          [value]="tab()"
          (chosen)="tab.set($event)"
        />
      </header>
      <main tabindex="-1">
        @if (from()?.title; as title) {
          <p class="from">The key and the progressions are those of {{ title }}.</p>
        }
        @switch (tab()) {
          @case ('shapes') {
            <jh-shapes-tab [key]="key()" />
          }
          @case ('drills') {
            <jh-drill-tab [key]="key()" [own]="own()" />
          }
          @case ('warm-ups') {
            <jh-warm-up-tab [key]="key()" />
          }
        }
      </main>
      <footer class="care">
        Warm up before wide chords, keep wrist and shoulder loose, never force a stretch. Rest a few minutes
        every half hour; stop at pain, numbness or tingling. This program gives no medical advice.
      </footer>
    </div>
  `,
  styleUrl: './chord-room.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChordRoom {
  /** Song to take key and progressions from and to go back to, from the address. */
  readonly song = input<string>();

  private readonly songs = inject(SongStore);
  private readonly store = inject(Store);
  private readonly comeFrom = inject(SongsComeFrom);
  protected readonly from = toSignal(
    toObservable(this.song).pipe(switchMap((id) => (id ? this.comeFrom.read(id) : [null]))),
  );
  protected readonly tabs = TABS;
  protected readonly tab = signal<(typeof TABS)[number]['value']>('shapes');
  protected readonly key = linkedSignal<Key>(() => this.from()?.key ?? C_MAJOR);
  protected readonly own = computed(() => this.from()?.progressions ?? []);

  constructor() {
    void this.songs.profiles().then((profiles) => {
      this.store.dispatch(ProfileActions.read({ profiles }));
    });
  }
}
