import type { Focus, KeyPress, Shortcut } from '../../frame/keys/commands';

/** What a key means on the Handout bench beside those of every bench. */
export type HandoutCommand = { readonly kind: 'print' } | { readonly kind: 'page'; readonly by: 1 | -1 };

/** The command of a key, or null when it means what it means on every bench. */
export function handoutCommandFor(
  { key, altKey, ctrlKey, metaKey }: KeyPress,
  focus: Focus,
  singleKeysAreOn: boolean,
): HandoutCommand | null {
  if (altKey || ctrlKey || metaKey || focus.inField || focus.inDialog || !singleKeysAreOn) return null;
  switch (key.toLowerCase()) {
    case 'p':
      return { kind: 'print' };
    case 'arrowright':
    case 'pagedown':
      return focus.onRadio ? null : { kind: 'page', by: 1 };
    case 'arrowleft':
    case 'pageup':
      return focus.onRadio ? null : { kind: 'page', by: -1 };
    default:
      return null;
  }
}

/** Keys of the Handout bench for the list of keys. */
export const HANDOUT_SHORTCUTS: readonly Shortcut[] = [
  { keys: 'P', does: 'print the sheets' },
  { keys: '←  →  Page', does: 'the page before, the next' },
];
