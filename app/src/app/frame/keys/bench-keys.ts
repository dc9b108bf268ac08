import { digitOf, type Focus, type KeyPress } from './press';

/** A key, or a few that belong together: how the list of keys shows them, what they do, and what each press does. */
export interface BenchKey {
  readonly keys: string;
  readonly does: string;
  /**
   * By press: a letter or sign as it is typed, a digit by its place, or the name of a key (`ArrowUp`); before a name or a
   * digit `Shift+` or `Ctrl+`.
   */
  readonly run: Readonly<Record<string, () => void>>;
  /** The keys are its own only while this is so. */
  readonly when?: () => boolean;
  /** They work while single keys are switched off too, and over a dialog. */
  readonly isAlways?: boolean;
  /** They mean the same while something is typed. */
  readonly inFields?: boolean;
}

/**
 * What a press does by these keys; null when it is none of them. Nothing is taken from a field (but for a few combinations), a dialog, a button's own
 * Space and Enter, a radio button's arrows; nothing but what is always there while single keys are off.
 */
export function runOf(
  keys: readonly BenchKey[],
  press: KeyPress,
  focus: Focus,
  singleKeysAreOn: boolean,
): (() => void) | null {
  if (press.altKey) return null;
  const name = digitOf(press) ?? (press.key.length === 1 ? press.key.toLowerCase() : press.key);
  if (focus.onRadio && name.startsWith('Arrow')) return null;
  if (focus.onControl && [' ', 'Enter'].includes(name)) return null;
  const isOpen = (row: BenchKey): boolean =>
    (row.inFields || !focus.inField) &&
    (row.isAlways || (singleKeysAreOn && !focus.inDialog)) &&
    row.when?.() !== false;
  const open = keys.filter(isOpen);
  for (const pressed of namesOf(press, name)) {
    const row = open.find(({ run }) => run[pressed]);
    if (row) return row.run[pressed];
  }
  return null;
}

/** What a press may stand under. Shift makes another sign of most keys by itself; of a digit it makes another command. */
function namesOf(press: KeyPress, name: string): readonly string[] {
  const command = press.ctrlKey || press.metaKey ? 'Ctrl+' : '';
  if (!press.shiftKey) return [command + name];
  const shifted = `${command}Shift+${name}`;
  return digitOf(press) === undefined ? [shifted, command + name] : [shifted];
}
