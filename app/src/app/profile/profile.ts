import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { type KeyboardSize, type Reach, WHITE_MM } from '@joined-hands/core/music';
import type { Profile } from '@joined-hands/core/song';
import { LAYOUT_ROWS } from '@joined-hands/core/voicing';
import { Store } from '@ngrx/store';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { type HeldKey, Keyboard } from '../keyboard/keyboard';
import { keysBetween } from '../keyboard/keyboard-layout';
import { ProfileActions } from '../state/actions';
import { workbench } from '../state/reducer';
import { SongStore } from '../storage/song-store';
import { Choice, type ChoiceOption } from '../ui/choice';

const INTERVALS: readonly ChoiceOption<Reach>[] = [
  { value: 6, label: 'Sixth' },
  { value: 7, label: 'Seventh' },
  { value: 8, label: 'Octave' },
  { value: 9, label: 'Ninth' },
  { value: 10, label: 'Tenth' },
];
const KEYBOARD_SIZES: readonly ChoiceOption<KeyboardSize>[] = [
  { value: 49, label: '49 keys, C2 to C6' },
  { value: 61, label: '61 keys, C2 to C7' },
  { value: 73, label: '73 keys, E1 to E7' },
  { value: 76, label: '76 keys, E1 to G7' },
  { value: 88, label: '88 keys, A0 to C8' },
];
/** White keys from middle C: the top of a reach of n. */
const WHITE_FROM_C = [60, 62, 64, 65, 67, 69, 71, 72, 74, 76];

/** The pianist's hands and keyboard; every arrangement honours them at once. */
@Component({
  selector: 'jh-profile',
  imports: [Choice, FormsModule, Keyboard, NzSelectModule, RouterLink],
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

  protected readonly experiences: readonly ChoiceOption<Profile['experience']>[] = [
    { value: 'first-year', label: 'First year' },
    { value: 'some-years', label: 'Some years' },
    { value: 'fluent', label: 'Fluent' },
  ];
  protected readonly styles = LAYOUT_ROWS;

  protected change(part: Partial<Profile>): void {
    this.store.dispatch(ProfileActions.changed({ profile: { ...this.profile(), ...part } }));
  }
}
