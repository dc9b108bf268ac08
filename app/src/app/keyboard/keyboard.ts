import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Hand } from '@joined-hands/core/hands';
import type { KeyboardSize } from '@joined-hands/core/music';
import { BLACK_LENGTH_MM, keyboardShape, WHITE_LENGTH_MM } from './keyboard-layout';

/** A key one hand holds now. */
export interface HeldKey {
  readonly midi: number;
  readonly hand: Hand;
  readonly letter: string;
  readonly finger: number | null;
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
  readonly pressed = output<number>();

  protected readonly whiteLength = WHITE_LENGTH_MM;
  protected readonly blackLength = BLACK_LENGTH_MM;
  protected readonly shape = computed(() => keyboardShape(this.size(), this.used(), this.isNarrow()));
  private readonly byKey = computed(() => new Map(this.held().map((key) => [key.midi, key])));

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
