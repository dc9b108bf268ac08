import { functionInWords } from '@joined-hands/core/sentences';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { degreeOf, diatonicChords, inversionName, numeralOf } from '@joined-hands/core/harmony';
import {
  type Chord,
  CHORD_TYPES,
  classNameOf,
  type Key,
  membersOf,
  reachMm,
  spanMm,
  symbolOf,
  typeset,
} from '@joined-hands/core/music';
import { candidatesFor, spell } from '@joined-hands/core/voicing';
import { Store } from '@ngrx/store';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { Keyboard } from '../keyboard/keyboard';
import { Piano } from '../sound/piano';
import { workbench } from '../state/reducer';
import { inLength } from '../ui/lengths.pipe';
import { Ways } from '../ui/own-ways';
import { Choice } from '../ui/choice';
import { messageOf } from '../ui/message';

/** Shapes start between these keys: the octave of the left hand below middle C. */
const LOWEST = 48;
const OCTAVE = 12;

/** The chords of a key, or all on one root, each with its inversions on a keyboard to scale and whether the hand reaches. */
@Component({
  selector: 'jh-shapes-tab',
  imports: [Choice, FormsModule, Keyboard, NzButtonComponent, NzSelectModule],
  templateUrl: './shapes-tab.html',
  styleUrl: './shapes-tab.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShapesTab {
  readonly key = input.required<Key>();
  private readonly piano = inject(Piano);
  private readonly ways = inject(Ways);
  private readonly profile = inject(Store).selectSignal(workbench.selectProfile);

  protected readonly kinds = [
    { value: 'triads', label: 'Triads' },
    { value: 'sevenths', label: 'Sevenths' },
    { value: 'root', label: 'All on one root' },
  ] as const;
  protected readonly kind = signal<'triads' | 'sevenths' | 'root'>('sevenths');
  protected readonly root = linkedSignal(() => classNameOf(this.key().tonic));
  protected readonly roots = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];
  protected readonly problem = signal('');

  protected readonly chords = computed<readonly Chord[]>(() => {
    const kind = this.kind();
    if (kind !== 'root') return diatonicChords(this.key(), kind);
    const [letter, sign] = [this.root().charAt(0), this.root().slice(1)];
    const root = {
      letter: letter as Chord['root']['letter'],
      alter: sign === '#' ? 1 : sign === 'b' ? -1 : 0,
    };
    return CHORD_TYPES.filter((type) => type.members.length <= 5 && type.members.length > 1).map((type) => ({
      root,
      type,
      bass: null,
    }));
  });
  protected readonly chosen = linkedSignal<readonly Chord[], Chord>({
    source: this.chords,
    computation: (chords) => chords[0],
  });

  protected readonly facts = computed(() => {
    const chord = this.chosen();
    const members = membersOf(chord).map((m) => typeset(classNameOf(m.pitchClass)));
    const degree =
      this.kind() === 'root' ? '' : `: ${functionInWords(degreeOf(chord, null, this.key()).chordFunction)}`;
    return `${members.join(' ')} · ${chord.type.words}${degree}`;
  });

  /** Every inversion, starting in the same octave. */
  protected readonly shapes = computed(() => {
    const chord = this.chosen();
    const bounds = { low: LOWEST, high: LOWEST + 3 * OCTAVE, reachMm: Infinity };
    const { leftReach } = this.profile();
    const told = (millimetres: number): string => inLength(millimetres, this.ways.now().lengths);
    return candidatesFor(chord, 'block', bounds)
      .filter(({ keys }) => keys[0] < LOWEST + OCTAVE)
      .sort((a, b) => (a.inversion ?? 9) - (b.inversion ?? 9))
      .map(({ keys, inversion }) => {
        const wide = Math.round(spanMm(keys[0], keys[keys.length - 1]));
        const fits = wide <= reachMm(leftReach);
        return {
          keys,
          name: inversionName(inversion),
          held: spell(keys, chord, this.key()).map((pitch, i) => ({
            midi: keys[i],
            hand: 'left' as const,
            letter: typeset(classNameOf(pitch)),
            finger: null,
          })),
          used: [LOWEST, LOWEST + 2 * OCTAVE],
          reach: fits
            ? `${told(wide)}: within your hand`
            : `${told(wide)}: wider than your hand (${told(reachMm(leftReach))}). Roll it, or leave a note out.`,
          fits,
        };
      });
  });

  protected numeral(chord: Chord): string {
    return this.kind() === 'root' ? '' : numeralOf(chord, this.key());
  }

  protected symbol(chord: Chord): string {
    return typeset(symbolOf(chord));
  }

  protected async hear(keys: readonly number[]): Promise<void> {
    try {
      this.problem.set('');
      await this.piano.hear(keys);
    } catch (error) {
      this.problem.set(`The piano could not be started: ${messageOf(error)}.`);
    }
  }

  protected readonly typeset = typeset;
}
