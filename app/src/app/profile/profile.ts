import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { type KeyboardSize, type Reach, WHITE_MM } from '@joined-hands/core';
import { Store } from '@ngrx/store';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { Keyboard, type HeldKey } from '../keyboard/keyboard';
import { keysBetween } from '../keyboard/keyboard-layout';
import { ProfileActions } from '../state/actions';
import { workbench } from '../state/reducer';
import { SongStore } from '../storage/song-store';

const INTERVALS: readonly { readonly reach: Reach; readonly name: string }[] = [
  { reach: 6, name: 'Sixth' },
  { reach: 7, name: 'Seventh' },
  { reach: 8, name: 'Octave' },
  { reach: 9, name: 'Ninth' },
  { reach: 10, name: 'Tenth' },
];
const KEYBOARD_SIZES: readonly { readonly size: KeyboardSize; readonly range: string }[] = [
  { size: 49, range: 'C2 to C6' },
  { size: 61, range: 'C2 to C7' },
  { size: 73, range: 'E1 to E7' },
  { size: 76, range: 'E1 to G7' },
  { size: 88, range: 'A0 to C8' },
];
/** White keys from middle C: the top of a reach of n. */
const WHITE_FROM_C = [60, 62, 64, 65, 67, 69, 71, 72, 74, 76];

/** The pianist's hands and keyboard; every arrangement honours them at once. */
@Component({
  selector: 'jh-profile',
  imports: [FormsModule, Keyboard, NzButtonModule, NzRadioModule, RouterLink],
  templateUrl: './profile.html',
  styleUrl: './profile.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ProfileView {
  /** Song to go back to, from the address. */
  readonly song = input<string>();

  private readonly store = inject(Store);
  private readonly songs = inject(SongStore);
  protected readonly profile = this.store.selectSignal(workbench.selectProfile);
  protected readonly intervals = INTERVALS;
  protected readonly sizes = KEYBOARD_SIZES;
  protected readonly shape = keysBetween(60, 76);

  constructor() {
    void this.songs.profile().then((profile) => {
      if (profile) this.store.dispatch(ProfileActions.read({ profile }));
    });
  }

  protected readonly left = computed(() => this.shown('left', this.profile().leftReach));
  protected readonly right = computed(() => this.shown('right', this.profile().rightReach));

  private shown(hand: 'left' | 'right', reach: Reach): HeldKey[] {
    const top = WHITE_FROM_C[reach - 1];
    const [low, high] = hand === 'left' ? [5, 1] : [1, 5];
    const letter = 'CDEFGAB'[(reach - 1) % 7];
    return [
      { midi: 60, hand, letter: 'C', finger: low },
      { midi: top, hand, letter, finger: high },
    ];
  }

  protected millimetres(reach: Reach): number {
    return Math.round((reach - 1) * WHITE_MM);
  }

  protected change(part: Partial<{ leftReach: Reach; rightReach: Reach; keyboard: KeyboardSize }>): void {
    this.store.dispatch(ProfileActions.changed({ profile: { ...this.profile(), ...part } }));
  }
}
