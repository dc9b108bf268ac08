import type { BenchKey } from '../../frame/keys/bench-keys';
import type { ChordsState } from './chords-state';

/** The keys of the Chords bench, beside those of every bench. */
export function chordsKeys(chords: ChordsState): readonly BenchKey[] {
  const [earlier, later] = [(): void => chords.moveBy(-1, 'beat'), (): void => chords.moveBy(1, 'beat')];
  return [
    {
      keys: 'N  P',
      does: 'hear the next, the previous suggestion',
      run: { n: () => chords.hearNext(1), p: () => chords.hearNext(-1) },
    },
    { keys: 'T', does: 'take the suggestion heard', run: { t: () => chords.takeHeard() } },
    {
      keys: ',  .',
      does: 'the chord half a beat earlier, later; with Shift a whole beat',
      // With Shift as the usual keyboards have them.
      run: {
        ',': () => chords.moveBy(-1, 'half'),
        '.': () => chords.moveBy(1, 'half'),
        '<': earlier,
        ';': earlier,
        '>': later,
        ':': later,
      },
    },
    {
      keys: 'U  D',
      does: 'brighter, darker: from maj7 to dim7',
      run: { u: () => chords.ladder(-1), d: () => chords.ladder(1) },
    },
    {
      keys: 'Shift + ↑  ↓',
      does: 'the whole chord a half step up, down',
      run: { 'Shift+ArrowUp': () => chords.halfStep(1), 'Shift+ArrowDown': () => chords.halfStep(-1) },
    },
    { keys: 'X', does: 'leave the chord out', run: { x: () => chords.leaveOut() } },
    {
      keys: 'W',
      does: 'write the chord in another way',
      run: {
        w: () => {
          chords.tab.set('chord');
          setTimeout(() => document.getElementById('symbol')?.focus());
        },
      },
    },
    {
      keys: 'K  Y',
      does: 'type a row of chords from here on; give the chord its very keys',
      run: {
        k: () => {
          chords.tab.set('chord');
          setTimeout(() => document.getElementById('chord-row')?.focus());
        },
        y: () => {
          chords.tab.set('name');
          setTimeout(() => document.querySelector<HTMLInputElement>('jh-name-panel input')?.select());
        },
      },
    },
    { keys: 'E', does: 'write the chord by its other name: C♯m, D♭m', run: { e: () => chords.respell() } },
    { keys: 'G', does: 'two notes, three notes, whole chords', run: { g: () => chords.buildOn() } },
    { keys: 'C', does: 'suggest chords for empty bars', run: { c: () => void chords.suggest('gaps') } },
  ];
}
