import type { Focus, KeyPress, Shortcut } from '../../frame/keys/commands';
import type { FillsJob } from './fills-state';

/** What a key means on the Fills bench beside those of every bench. */
export type FillsCommand =
  | { readonly kind: 'job'; readonly job: FillsJob }
  | { readonly kind: 'spot' | 'try'; readonly by: 1 | -1 }
  | { readonly kind: 'take' | 'leave-out' };

const JOBS: Readonly<Record<string, FillsJob>> = { w: 'places', m: 'version', f: 'frame', g: 'grow' };

/** The command of a key, or null when it means what it means on every bench. */
export function fillsCommandFor(
  { key, altKey, ctrlKey, metaKey }: KeyPress,
  focus: Focus,
  singleKeysAreOn: boolean,
  job: FillsJob,
): FillsCommand | null {
  if (altKey || ctrlKey || metaKey || focus.inField || focus.inDialog || !singleKeysAreOn) return null;
  const asked = JOBS[key.toLowerCase()];
  if (asked) return { kind: 'job', job: asked };
  if (job !== 'places' || focus.onRadio) return null;
  switch (key) {
    case 'ArrowRight':
      return { kind: 'spot', by: 1 };
    case 'ArrowLeft':
      return { kind: 'spot', by: -1 };
    case 'ArrowDown':
      return { kind: 'try', by: 1 };
    case 'ArrowUp':
      return { kind: 'try', by: -1 };
    case 'Enter':
      return focus.onControl ? null : { kind: 'take' };
    case 'Delete':
    case 'Backspace':
      return { kind: 'leave-out' };
    default:
      return null;
  }
}

/** Keys of the Fills bench for the list of keys. */
export const FILLS_SHORTCUTS: readonly Shortcut[] = [
  { keys: 'W  M  F  G', does: 'places, a whole version, the frame, growth' },
  { keys: '←  →', does: 'the place before, the next' },
  { keys: '↑  ↓', does: 'hear the proposal before, the next' },
  { keys: 'Enter  Delete', does: 'take what was heard; leave it out' },
];
