import type { Focus, KeyPress } from './commands';

/** A key of a bench, or a few that belong together: how the list of keys shows them, what they do, and what each press does. */
export interface BenchKey {
  readonly keys: string;
  readonly does: string;
  /**
   * By press: a letter or sign as it is typed, a digit by its place, or the name of a key (`ArrowUp`); before a name or a
   * digit `Shift+` or `Ctrl+`.
   */
  readonly run: Readonly<Record<string, () => void>>;
  /** The keys are the bench's only while this is so. */
  readonly when?: () => boolean;
}

/** What a press does on a bench; null when it means what it means everywhere. Never from a field or a dialog. */
export function runOf(
  keys: readonly BenchKey[],
  press: KeyPress,
  focus: Focus,
  singleKeysAreOn: boolean,
): (() => void) | null {
  if (press.altKey || focus.inField || focus.inDialog || !singleKeysAreOn) return null;
  const [, digit] = /^(?:Digit|Numpad)(\d)$/.exec(press.code) ?? [];
  const name = digit ?? (press.key.length === 1 ? press.key.toLowerCase() : press.key);
  if (focus.onRadio && /^(Arrow|Page)/.test(name)) return null;
  if (focus.onControl && name === 'Enter') return null;
  const runs = (pressed: string): (() => void) | undefined =>
    keys.find((row) => row.run[pressed] && row.when?.() !== false)?.run[pressed];
  return runs(modifierOf(press) + name) ?? (isPlain(press, digit) ? runs(name) : undefined) ?? null;
}

function modifierOf({ ctrlKey, metaKey, shiftKey }: KeyPress): string {
  if (ctrlKey || metaKey) return 'Ctrl+';
  return shiftKey ? 'Shift+' : '';
}

/** Shift makes another sign of most keys by itself; of a digit it would make another command. */
function isPlain({ ctrlKey, metaKey, shiftKey }: KeyPress, digit: string | undefined): boolean {
  return !ctrlKey && !metaKey && !(shiftKey && digit !== undefined);
}
