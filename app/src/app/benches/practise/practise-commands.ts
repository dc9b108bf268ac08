import type { Focus, KeyPress, Shortcut } from '../../frame/keys/commands';
import type { PractiseJob } from './practise-state';

/** What a key means on the Practise bench beside those of every bench. */
export type PractiseCommand =
  | { readonly kind: 'job'; readonly job: PractiseJob }
  | { readonly kind: 'hear' }
  | { readonly kind: 'tap' }
  | { readonly kind: 'next'; readonly by: 1 | -1 }
  | { readonly kind: 'said'; readonly isClean: boolean };

const JOBS: Readonly<Record<string, PractiseJob>> = {
  w: 'now',
  p: 'plan',
  i: 'places',
  g: 'log',
  o: 'recording',
};

/** The command of a key, or null when it means what it means on every bench. */
export function practiseCommandFor(
  { key, altKey, ctrlKey, metaKey }: KeyPress,
  focus: Focus,
  singleKeysAreOn: boolean,
  job: PractiseJob,
): PractiseCommand | null {
  if (altKey || ctrlKey || metaKey || focus.inField || focus.inDialog || !singleKeysAreOn) return null;
  const asked = JOBS[key.toLowerCase()];
  if (asked) return { kind: 'job', job: asked };
  if (job === 'recording' && key.toLowerCase() === 't') return { kind: 'tap' };
  if (job !== 'now') return null;
  switch (key.toLowerCase()) {
    case 'h':
      return { kind: 'hear' };
    case 'y':
      return { kind: 'said', isClean: true };
    case 'n':
      return { kind: 'said', isClean: false };
    case 'enter':
      return focus.onControl ? null : { kind: 'next', by: 1 };
    case 'arrowright':
      return focus.onRadio ? null : { kind: 'next', by: 1 };
    case 'arrowleft':
      return focus.onRadio ? null : { kind: 'next', by: -1 };
    default:
      return null;
  }
}

/** Keys of the Practise bench for the list of keys. */
export const PRACTISE_SHORTCUTS: readonly Shortcut[] = [
  { keys: 'W  P  I  G  O', does: 'what is practised now, the plan, the places, the log, your recording' },
  { keys: 'T', does: 'a bar of your recording begins here' },
  { keys: 'H', does: 'hear the job at the tempo of now' },
  { keys: 'Y  N', does: 'it went well; it did not' },
  { keys: '←  →  Enter', does: 'the job before, the next' },
];
