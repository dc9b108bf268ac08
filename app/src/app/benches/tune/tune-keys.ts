import type { BenchKey } from '../../frame/keys/bench-keys';
import type { TuneState } from './tune-state';

/** The keys of the Tune bench, beside those of every bench. */
export function tuneKeys(tune: TuneState): readonly BenchKey[] {
  const [earlier, later] = [(): void => tune.shift(-1), (): void => tune.shift(1)];
  return [
    {
      keys: '←  →',
      does: 'previous, next note; with Shift, more notes',
      run: {
        ArrowLeft: () => tune.step(-1, false),
        ArrowRight: () => tune.step(1, false),
        'Shift+ArrowLeft': () => tune.step(-1, true),
        'Shift+ArrowRight': () => tune.step(1, true),
      },
    },
    {
      keys: '↑  ↓',
      does: 'a letter up, down; Shift: a half step; Ctrl: an octave',
      run: {
        ArrowUp: () => tune.movePitch({ steps: 1 }),
        ArrowDown: () => tune.movePitch({ steps: -1 }),
        'Shift+ArrowUp': () => tune.movePitch({ semitones: 1 }),
        'Shift+ArrowDown': () => tune.movePitch({ semitones: -1 }),
        'Ctrl+ArrowUp': () => tune.movePitch({ semitones: 12 }),
        'Ctrl+ArrowDown': () => tune.movePitch({ semitones: -12 }),
      },
    },
    {
      keys: ',  .',
      does: 'shorter, longer',
      run: { ',': () => tune.lengthen(-1), '.': () => tune.lengthen(1) },
    },
    {
      keys: '<  >  or  ;  :',
      does: 'earlier, later',
      run: { '<': earlier, ';': earlier, '>': later, ':': later },
    },
    {
      keys: 'T  X  J',
      does: 'tie, split, join',
      run: { t: () => tune.tie(), x: () => tune.split(), j: () => tune.join() },
    },
    { keys: 'E', does: 'write the note by its other name: F♯, G♭', run: { e: () => tune.respell() } },
    {
      keys: 'N  C  Delete',
      does: 'new note, copy the phrase, delete',
      run: {
        n: () => tune.add(),
        c: () => tune.copy(),
        Delete: () => tune.remove(),
        Backspace: () => tune.remove(),
      },
    },
    {
      keys: 'K',
      does: 'type its chord; Enter goes on to the next note',
      run: { k: () => setTimeout(() => document.querySelector<HTMLInputElement>('#note-chord')?.select()) },
    },
    {
      keys: 'H',
      does: 'choose what is struck with it',
      run: { h: () => document.querySelector<HTMLElement>('#harmony')?.focus() },
    },
    {
      keys: 'Shift + H',
      does: 'a third under it, or again what its level gives it',
      run: { 'Shift+h': () => tune.harmonise(tune.harmony() ? null : { how: 'third-under' }) },
    },
    { keys: 'P', does: 'select the whole part', run: { p: () => tune.pickPart() } },
    {
      keys: 'W',
      does: 'type the words from here',
      run: {
        w: () => {
          tune.tab.set('words');
          setTimeout(() => document.querySelector<HTMLElement>('jh-words-panel textarea')?.focus());
        },
      },
    },
    { keys: 'F', does: 'fix the next problem with its first remedy', run: { f: () => tune.mend() } },
  ];
}
