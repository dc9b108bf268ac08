import type { Focus, KeyPress, Shortcut } from '../../frame/keys/commands';
import type { JoinJob } from './join-state';

/** What a key means on the Join bench beside those of every bench. */
export type JoinCommand =
  | { readonly kind: 'job'; readonly job: JoinJob }
  | { readonly kind: 'step' | 'note'; readonly by: 1 | -1 }
  | { readonly kind: 'finger'; readonly finger: number }
  | { readonly kind: 'release' | 'other-hand' | 'hear-step' };

/** The command of a key, or null when it means what it means on every bench; it depends on the job that is done. */
export function joinCommandFor(
  press: KeyPress,
  focus: Focus,
  singleKeysAreOn: boolean,
  job: JoinJob,
): JoinCommand | null {
  if (press.altKey || press.ctrlKey || press.metaKey || focus.inField || focus.inDialog) return null;
  if (!singleKeysAreOn) return null;
  if (job === 'steps') return stepping(press, focus) ?? jobs(press);
  if (job === 'fingers') return fingering(press, focus) ?? jobs(press);
  return jobs(press);
}

function stepping({ key }: KeyPress, focus: Focus): JoinCommand | null {
  if (focus.onRadio) return null;
  if (key === 'ArrowRight' || (key === 'Enter' && !focus.onControl)) return { kind: 'step', by: 1 };
  if (key === 'ArrowLeft') return { kind: 'step', by: -1 };
  return key === 'ArrowDown' ? { kind: 'hear-step' } : null;
}

function fingering({ key, code, shiftKey }: KeyPress, focus: Focus): JoinCommand | null {
  const [, finger] = /^(?:Digit|Numpad)([1-5])$/.exec(code) ?? [];
  if (finger && !shiftKey) return { kind: 'finger', finger: Number(finger) };
  if (key === 'Delete' || key === 'Backspace') return { kind: 'release' };
  if (focus.onRadio) return null;
  if (key === 'ArrowRight') return { kind: 'note', by: 1 };
  if (key === 'ArrowLeft') return { kind: 'note', by: -1 };
  return key === 'ArrowUp' || key === 'ArrowDown' ? { kind: 'other-hand' } : null;
}

const JOBS: Readonly<Record<string, JoinJob>> = {
  p: 'patterns',
  n: 'steps',
  f: 'fingers',
  e: 'effort',
  w: 'why',
};

function jobs({ key }: KeyPress): JoinCommand | null {
  const job = JOBS[key.toLowerCase()];
  return job ? { kind: 'job', job } : null;
}

/** Keys of the Join bench for the list of keys. */
export const JOIN_SHORTCUTS: readonly Shortcut[] = [
  { keys: 'W  P  N  F  E', does: 'the part, its patterns, step through it, fingers, effort' },
  {
    keys: '←  →',
    does: 'while stepping: the strike before, the next; at the fingers: the note before, the next',
  },
  { keys: '↓', does: 'while stepping: hear what is wanted' },
  { keys: '1 … 5', does: 'at the fingers: this finger on the note picked; Delete lets it go' },
  { keys: '↑  ↓', does: 'at the fingers: the other hand' },
];
