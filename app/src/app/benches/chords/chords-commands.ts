import { type Focus, type KeyPress } from '../../frame/keys/commands';

/** What a key means on the Chords bench beside those of every bench. */
export type ChordsCommand =
  | { readonly kind: 'suggestion' | 'ladder' | 'half-step'; readonly by: 1 | -1 }
  | { readonly kind: 'move'; readonly by: 1 | -1; readonly step: 'half' | 'beat' }
  | { readonly kind: 'take' | 'leave-out' | 'write' | 'build' | 'set' | 'respell' };

/** The command of a key, or null when it means what it means on every bench. */
export function chordsCommandFor(
  press: KeyPress,
  focus: Focus,
  singleKeysAreOn: boolean,
): ChordsCommand | null {
  if (press.altKey || press.ctrlKey || press.metaKey) return null;
  if (focus.inField || focus.inDialog || !singleKeysAreOn) return null;
  if (press.shiftKey && (press.key === 'ArrowUp' || press.key === 'ArrowDown')) {
    return focus.onRadio ? null : { kind: 'half-step', by: press.key === 'ArrowUp' ? 1 : -1 };
  }
  return SIGNS[press.key] ?? LETTERS[press.key.toLowerCase()] ?? null;
}

const SIGNS: Record<string, ChordsCommand> = {
  ',': { kind: 'move', by: -1, step: 'half' },
  '.': { kind: 'move', by: 1, step: 'half' },
  // The same keys with Shift, as the usual keyboards have them.
  '<': { kind: 'move', by: -1, step: 'beat' },
  '>': { kind: 'move', by: 1, step: 'beat' },
  ';': { kind: 'move', by: -1, step: 'beat' },
  ':': { kind: 'move', by: 1, step: 'beat' },
};

const LETTERS: Record<string, ChordsCommand> = {
  n: { kind: 'suggestion', by: 1 },
  p: { kind: 'suggestion', by: -1 },
  t: { kind: 'take' },
  u: { kind: 'ladder', by: -1 },
  d: { kind: 'ladder', by: 1 },
  x: { kind: 'leave-out' },
  w: { kind: 'write' },
  g: { kind: 'build' },
  e: { kind: 'respell' },
  c: { kind: 'set' },
};

/** Keys of the Chords bench for the list of keys. */
export const CHORDS_SHORTCUTS: readonly { readonly keys: string; readonly does: string }[] = [
  { keys: '←  →', does: 'previous, next chord' },
  { keys: '↑  ↓', does: 'hear the next-best position of the chord; Enter takes it' },
  { keys: 'N  P', does: 'hear the next, the previous suggestion' },
  { keys: 'T', does: 'take the suggestion heard' },
  { keys: ',  .', does: 'the chord half a beat earlier, later; with Shift a whole beat' },
  { keys: 'U  D', does: 'up, down the ladder from maj7 to dim7' },
  { keys: 'Shift + ↑  ↓', does: 'the whole chord a half step up, down' },
  { keys: 'X', does: 'leave the chord out' },
  { keys: 'W', does: 'write the chord in another way' },
  { keys: 'E', does: 'write the chord by its other name: C♯m, D♭m' },
  { keys: 'G', does: 'two notes, three notes, whole chords' },
  { keys: 'C', does: 'suggest chords where there are none' },
];
