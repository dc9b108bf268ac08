import { type Focus, type KeyPress } from '../../frame/keys/commands';

/** What a key means on the Parts bench beside those of every bench. */
export type PartsCommand =
  | { readonly kind: 'step' | 'move-cut' | 'mark'; readonly by: 1 | -1 }
  | { readonly kind: 'split' | 'join' | 'lock' | 'same' | 'settle' | 'name' | 'from-here' };

/** The command of a key, or null when it means what it means on every bench. */
export function partsCommandFor(
  press: KeyPress,
  focus: Focus,
  singleKeysAreOn: boolean,
): PartsCommand | null {
  if (press.altKey || press.ctrlKey || press.metaKey) return null;
  if (focus.inField || focus.inDialog || !singleKeysAreOn) return null;
  if (press.key === 'ArrowLeft' || press.key === 'ArrowRight') {
    if (focus.onRadio) return null;
    return { kind: press.shiftKey ? 'move-cut' : 'step', by: press.key === 'ArrowRight' ? 1 : -1 };
  }
  return SIGNS[press.key] ?? LETTERS[press.key.toLowerCase()] ?? null;
}

const SIGNS: Record<string, PartsCommand> = {
  ',': { kind: 'mark', by: -1 },
  '.': { kind: 'mark', by: 1 },
};

const LETTERS: Record<string, PartsCommand> = {
  x: { kind: 'split' },
  j: { kind: 'join' },
  k: { kind: 'lock' },
  m: { kind: 'same' },
  e: { kind: 'settle' },
  n: { kind: 'name' },
  p: { kind: 'from-here' },
};

/** Keys of the Parts bench for the list of keys. */
export const PARTS_SHORTCUTS: readonly { readonly keys: string; readonly does: string }[] = [
  { keys: '←  →', does: 'previous, next part' },
  { keys: 'Shift + ←  →', does: 'move the cut the part begins with' },
  { keys: ',  .', does: 'move the mark, where the part is split' },
  { keys: 'X  J', does: 'split at the mark, join with the next part' },
  { keys: 'K', does: 'lock the cut, or open it' },
  { keys: 'M', does: 'mark as the same, or free' },
  { keys: 'E', does: 'settle the part, or open it again' },
  { keys: 'N', does: 'name the part' },
  { keys: 'P', does: 'play from the mark on' },
];
