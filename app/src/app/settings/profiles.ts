import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type KeyboardSize, type Reach, typeset, WHITE_MM } from '@joined-hands/core/music';
import { cutTo, type Profile } from '@joined-hands/core/song';
import { LAYOUT_ROWS } from '@joined-hands/core/voicing';
import { Actions, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { firstValueFrom } from 'rxjs';
import { type HeldKey, Keyboard } from '../keyboard/keyboard';
import { ProfileActions } from '../state/actions';
import { workbench } from '../state/reducer';
import { Choice, type ChoiceOption } from '../ui/choice';
import { LengthPipe } from '../ui/lengths.pipe';

const INTERVALS: readonly ChoiceOption<Reach>[] = [
  { value: 6, label: 'Sixth' },
  { value: 7, label: 'Seventh' },
  { value: 8, label: 'Octave' },
  { value: 9, label: 'Ninth' },
  { value: 10, label: 'Tenth' },
];
/** White keys from middle C: the top of a reach of n. */
const WHITE_FROM_C = [60, 62, 64, 65, 67, 69, 71, 72, 74, 76];

/** Whose hands songs are arranged for: every arrangement honours their reach and keyboard at once. */
@Component({
  selector: 'jh-profiles',
  imports: [Choice, FormsModule, Keyboard, LengthPipe, NzButtonComponent, NzInputModule, NzSelectModule],
  templateUrl: './profiles.html',
  styleUrl: './settings.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Profiles {
  private readonly store = inject(Store);
  private readonly actions = inject(Actions);
  protected readonly all = this.store.selectSignal(workbench.selectProfiles);
  /** The one that is looked at: the first, until another is chosen. */
  protected readonly id = linkedSignal<readonly Profile[], string>({
    source: this.all,
    computation: (all, before) => all.find(({ id }) => id === before?.value)?.id ?? all[0].id,
  });
  protected readonly profile = computed(() => this.all().find(({ id }) => id === this.id()) ?? this.all()[0]);
  protected readonly deleted = linkedSignal<string, Profile | null>({
    source: this.id,
    computation: () => null,
  });

  protected readonly whose = computed(() => {
    const [first, ...others] = this.all();
    const unless =
      others.length > 0
        ? ', unless you choose another profile for one: More, then Name, hands and notes'
        : '';
    return `Songs are arranged for “${first.name}”${unless}.`;
  });
  protected readonly intervals = INTERVALS;
  protected readonly sizes: readonly ChoiceOption<KeyboardSize>[] = [
    { value: 49, label: `49 keys, ${typeset('C2 to C6')}` },
    { value: 61, label: `61 keys, ${typeset('C2 to C7')}` },
    { value: 73, label: `73 keys, ${typeset('E1 to E7')}` },
    { value: 76, label: `76 keys, ${typeset('E1 to G7')}` },
    { value: 88, label: `88 keys, ${typeset('A0 to C8')}` },
  ];
  protected readonly experiences: readonly ChoiceOption<Profile['experience']>[] = [
    { value: 'first-year', label: 'First year' },
    { value: 'some-years', label: 'Some years' },
    { value: 'fluent', label: 'Fluent' },
  ];
  protected readonly styles = LAYOUT_ROWS;
  protected readonly left = computed(() => this.shown('left', this.profile().leftReach));
  protected readonly right = computed(() => this.shown('right', this.profile().rightReach));

  private shown(hand: 'left' | 'right', reach: Reach): HeldKey[] {
    const top = WHITE_FROM_C[reach - 1];
    const [low, high] = hand === 'left' ? [5, 1] : [1, 5];
    return [
      { midi: 60, hand, letter: typeset('C'), finger: low },
      { midi: top, hand, letter: typeset('CDEFGAB'[(reach - 1) % 7]), finger: high },
    ];
  }

  protected millimetres(reach: Reach): number {
    return Math.round((reach - 1) * WHITE_MM);
  }

  protected change(part: Partial<Profile>): void {
    this.store.dispatch(ProfileActions.changed({ profile: { ...this.profile(), ...part } }));
  }

  protected rename(event: Event): void {
    const name = cutTo((event.target as HTMLInputElement).value.trim(), 60);
    if (name !== '') this.change({ name });
  }

  /** Another, to begin with as the one that is looked at. */
  protected add(): void {
    const id = crypto.randomUUID();
    const names = new Set(this.all().map(({ name }) => name));
    const name = ['Pupil', ...Array.from({ length: names.size + 1 }, (_, i) => `Pupil ${i + 2}`)].find(
      (one) => !names.has(one),
    ) as string;
    this.store.dispatch(ProfileActions.changed({ profile: { ...this.profile(), id, name } }));
    this.id.set(id);
  }

  /** Said to be deleted once it is: a page that is left sooner would bring it back. */
  protected async delete(): Promise<void> {
    const gone = this.profile();
    const stored = firstValueFrom(this.actions.pipe(ofType(ProfileActions.stored)));
    this.store.dispatch(ProfileActions.deleted({ id: gone.id }));
    await stored;
    this.deleted.set(gone);
  }

  protected putBack(profile: Profile): void {
    this.store.dispatch(ProfileActions.changed({ profile }));
    this.id.set(profile.id);
  }
}
