import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Hand } from '@joined-hands/core/hands';
import { type KeyboardSize, typeset } from '@joined-hands/core/music';
import { BLACK_LENGTH_MM, keyboardShape, WHITE_LENGTH_MM } from './keyboard-layout';

/** A key one hand holds now. */
export interface HeldKey {
  readonly midi: number;
  readonly hand: Hand;
  readonly letter: string;
  readonly finger: number | null;
}

/** The keys a hand lies over, by their outer ones (MIDI). */
export interface HandLie {
  readonly hand: Hand;
  readonly low: number;
  readonly high: number;
}

/** The piano keyboard to scale, with both hands' keys and fingers. */
@Component({
  selector: 'jh-keyboard',
  templateUrl: './keyboard.html',
  styleUrl: './keyboard.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Keyboard {
  readonly size = input.required<KeyboardSize>();
  readonly held = input<readonly HeldKey[]>([]);
  /** Keys of the part on screen: on a narrow screen only their range is shown. */
  readonly used = input<readonly number[]>([]);
  readonly isNarrow = input(false);
  /** Where hands lie: five neighbouring keys each. */
  readonly lies = input<readonly HandLie[]>([]);
  /** What piano keys are called on the keyboard that is played on, by MIDI numbers. */
  readonly letters = input<ReadonlyMap<number, string> | null>(null);
  readonly pressed = output<number>();

  protected readonly middleC = typeset('C');
  protected readonly whiteLength = WHITE_LENGTH_MM;
  protected readonly blackLength = BLACK_LENGTH_MM;
  protected readonly shape = computed(() => keyboardShape(this.size(), this.used(), this.isNarrow()));
  private readonly byKey = computed(() => new Map(this.held().map((key) => [key.midi, key])));

  /** The stretch of each lie in millimetres, where both its ends are on the keyboard. */
  protected readonly bands = computed(() => {
    const byMidi = new Map(this.shape().keys.map((key) => [key.midi, key]));
    return this.lies().flatMap(({ hand, low, high }) => {
      const [from, to] = [byMidi.get(low), byMidi.get(high)];
      return from && to ? [{ hand, x: from.x + 1.5, width: to.x + to.width - from.x - 3 }] : [];
    });
  });

  protected heldAt(midi: number): HeldKey | undefined {
    return this.byKey().get(midi);
  }

  protected readonly label = computed(() => {
    const names = this.held().map(
      (k) => `${k.hand} hand ${k.letter}${k.finger === null ? '' : ` finger ${k.finger}`}`,
    );
    return names.length === 0 ? `Keyboard of ${this.size()} keys` : `Keyboard: ${names.join(', ')}`;
  });
}
