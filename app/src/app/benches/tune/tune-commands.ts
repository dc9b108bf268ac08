import { type Focus, type KeyPress } from '../../frame/keys/commands';

/** What a key means on the Tune bench beside those of every bench. */
export type TuneCommand =
  | { readonly kind: 'step'; readonly by: 1 | -1; readonly isExtending: boolean }
  | { readonly kind: 'pitch'; readonly steps?: number; readonly semitones?: number }
  | { readonly kind: 'length' | 'shift'; readonly by: 1 | -1 }
  | {
      readonly kind:
        'tie' | 'split' | 'join' | 'remove' | 'copy' | 'add' | 'mend' | 'words' | 'pick-part' | 'respell';
    };

/** The command of a key, or null when it means what it means on every bench. */
export function tuneCommandFor(press: KeyPress, focus: Focus, singleKeysAreOn: boolean): TuneCommand | null {
  if (press.altKey || focus.inField || focus.inDialog || !singleKeysAreOn) return null;
  const isCommand = press.ctrlKey || press.metaKey;
  if (press.key === 'ArrowUp' || press.key === 'ArrowDown') {
    if (focus.onRadio) return null;
    const by = press.key === 'ArrowUp' ? 1 : -1;
    if (isCommand) return { kind: 'pitch', semitones: 12 * by };
    return press.shiftKey ? { kind: 'pitch', semitones: by } : { kind: 'pitch', steps: by };
  }
  if (isCommand) return null;
  if (press.key === 'ArrowLeft' || press.key === 'ArrowRight') {
    if (focus.onRadio) return null;
    return { kind: 'step', by: press.key === 'ArrowRight' ? 1 : -1, isExtending: press.shiftKey };
  }
  if (press.key === 'Delete' || press.key === 'Backspace') return { kind: 'remove' };
  return SIGNS[press.key] ?? LETTERS[press.key.toLowerCase()] ?? null;
}

const SIGNS: Record<string, TuneCommand> = {
  ',': { kind: 'length', by: -1 },
  '.': { kind: 'length', by: 1 },
  '<': { kind: 'shift', by: -1 },
  '>': { kind: 'shift', by: 1 },
  ';': { kind: 'shift', by: -1 },
  ':': { kind: 'shift', by: 1 },
};

const LETTERS: Record<string, TuneCommand> = {
  t: { kind: 'tie' },
  x: { kind: 'split' },
  j: { kind: 'join' },
  e: { kind: 'respell' },
  c: { kind: 'copy' },
  n: { kind: 'add' },
  f: { kind: 'mend' },
  w: { kind: 'words' },
  p: { kind: 'pick-part' },
};

/** Keys of the Tune bench for the list of keys. */
export const TUNE_SHORTCUTS: readonly { readonly keys: string; readonly does: string }[] = [
  { keys: '←  →', does: 'previous, next note; with Shift, more notes' },
  { keys: '↑  ↓', does: 'a letter up, down; Shift: a half step; Ctrl: an octave' },
  { keys: ',  .', does: 'shorter, longer' },
  { keys: '<  >  or  ;  :', does: 'earlier, later' },
  { keys: 'T  X  J', does: 'tie, split, join' },
  { keys: 'E', does: 'write the note by its other name: F♯, G♭' },
  { keys: 'N  C  Delete', does: 'new note, copy the phrase, delete' },
  { keys: 'P', does: 'pick the whole part' },
  { keys: 'W', does: 'type the words from here' },
  { keys: 'F', does: 'mend the next finding with its first remedy' },
];
