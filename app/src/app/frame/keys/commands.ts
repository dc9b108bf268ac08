/** What a key means on the bench. */
export type Command =
  | { readonly kind: 'part' | 'play-to'; readonly number: number }
  | { readonly kind: 'toggle' | 'undo' | 'redo' | 'staff' | 'desk' | 'help' | 'take' | 'leave' }
  | { readonly kind: 'hands'; readonly hands: 'right' | 'left' | 'both' }
  | { readonly kind: 'tempo' | 'step' | 'try' | 'turn'; readonly by: 1 | -1 };

/** The key pressed, as the browser tells it. */
export interface KeyPress {
  readonly key: string;
  /** The place of the key, whatever the layout writes on it. */
  readonly code: string;
  readonly shiftKey: boolean;
  readonly ctrlKey: boolean;
  readonly metaKey: boolean;
  readonly altKey: boolean;
}

/** Where the focus was when it was pressed. */
export interface Focus {
  /** In a field one types into. */
  readonly inField: boolean;
  /** On a button or link, whose Space and Enter are its own. */
  readonly onControl: boolean;
  /** On a radio button reached by keyboard, whose arrows are its own. */
  readonly onRadio: boolean;
  readonly inDialog: boolean;
}

/** The command of a key, or null when the key is not for the bench. Digits come one by one. */
export function commandFor(press: KeyPress, focus: Focus, singleKeysAreOn: boolean): Command | null {
  if (press.altKey || focus.inField) return null;
  if (press.ctrlKey || press.metaKey) {
    if (press.key.toLowerCase() !== 'z') return null;
    return { kind: press.shiftKey ? 'redo' : 'undo' };
  }
  if (press.key === '?') return { kind: 'help' };
  if (!singleKeysAreOn || focus.inDialog) return null;
  return named(press.key, focus) ?? digit(press) ?? letter(press.key.toLowerCase());
}

function named(key: string, focus: Focus): Command | null {
  switch (key) {
    case ' ':
      return focus.onControl ? null : { kind: 'toggle' };
    case 'Enter':
      return focus.onControl ? null : { kind: 'take' };
    case 'Escape':
      return { kind: 'leave' };
    case 'ArrowLeft':
    case 'ArrowRight':
      return focus.onRadio ? null : { kind: 'step', by: key === 'ArrowRight' ? 1 : -1 };
    case 'ArrowUp':
    case 'ArrowDown':
      return focus.onRadio ? null : { kind: 'try', by: key === 'ArrowDown' ? 1 : -1 };
    case 'PageUp':
    case 'PageDown':
      return { kind: 'turn', by: key === 'PageDown' ? 1 : -1 };
    case '-':
      return { kind: 'tempo', by: -1 };
    case '+':
      return { kind: 'tempo', by: 1 };
    default:
      return null;
  }
}

/** Digits go by their place, so that they work where the layout needs Shift for them. */
function digit({ code, shiftKey }: KeyPress): Command | null {
  const [, row, value] = /^(Digit|Numpad)(\d)$/.exec(code) ?? [];
  if (value === undefined) return null;
  return { kind: shiftKey && row === 'Digit' ? 'play-to' : 'part', number: Number(value) };
}

function letter(key: string): Command | null {
  const hands = { r: 'right', l: 'left', b: 'both' } as const;
  if (key === 'r' || key === 'l' || key === 'b') return { kind: 'hands', hands: hands[key] };
  if (key === '=') return { kind: 'tempo', by: 1 };
  if (key === 'v') return { kind: 'desk' };
  return key === 's' ? { kind: 'staff' } : null;
}

const TWO_DIGITS_MS = 700;

/** Joins digits typed quickly after one another: 1 then 2 is part 12, where there are so many parts. */
export class DigitJoiner {
  private last = { kind: '', value: 0, at: -Infinity };

  /**
   * The command with the number meant; null for a lone 0. `now` in milliseconds. In a song of fewer than 14 `parts` 1
   * then 4 are two parts, one after the other, and so are digits with another key between them.
   */
  join(command: Command, now: number, parts: number): Command | null {
    const { kind } = command;
    if (kind !== 'part' && kind !== 'play-to') {
      this.last = { kind, value: 0, at: -Infinity };
      return command;
    }
    const together = 10 * this.last.value + command.number;
    const joined = kind === this.last.kind && now - this.last.at < TWO_DIGITS_MS && together <= parts;
    const number = joined ? together : command.number;
    this.last = { kind, value: number, at: now };
    return number === 0 ? null : { ...command, number };
  }
}

/** One line of the list of keys. */
export interface Shortcut {
  readonly keys: string;
  readonly does: string;
}
