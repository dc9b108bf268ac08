import type { BenchKey } from '../../frame/keys/bench-keys';
import type { HandoutState } from './handout-state';

/** The keys of the Handout bench, beside those of every bench. */
export function handoutKeys(handout: HandoutState): readonly BenchKey[] {
  const [back, on] = [(): void => handout.turn(-1), (): void => handout.turn(1)];
  return [
    { keys: 'P', does: 'print the sheets', run: { p: () => handout.print() } },
    {
      keys: 'B',
      does: 'pages side by side, or one as wide as there is room',
      run: { b: () => handout.isSpread.update((isOn) => !isOn) },
    },
    {
      keys: '←  →  Page',
      does: 'the page before, the next',
      run: { ArrowLeft: back, PageUp: back, ArrowRight: on, PageDown: on },
    },
  ];
}
