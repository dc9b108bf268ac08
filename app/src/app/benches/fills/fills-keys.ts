import type { BenchKey } from '../../frame/keys/bench-keys';
import type { FillsState } from './fills-state';

/** The keys of the Fills bench, beside those of every bench. */
export function fillsKeys(fills: FillsState): readonly BenchKey[] {
  const atPlaces = (): boolean => fills.tab() === 'places';
  return [
    {
      keys: 'W  M  F  G',
      does: 'places, a whole version, intro and ending, plan and repeats',
      run: {
        w: () => fills.tab.set('places'),
        m: () => fills.tab.set('version'),
        f: () => fills.tab.set('frame'),
        g: () => fills.tab.set('grow'),
      },
    },
    {
      keys: '←  →',
      does: 'the place before, the next',
      when: atPlaces,
      run: { ArrowLeft: () => fills.spotBy(-1), ArrowRight: () => fills.spotBy(1) },
    },
    {
      keys: '↑  ↓',
      does: 'hear the proposal before, the next',
      when: atPlaces,
      run: { ArrowUp: () => fills.tryBy(-1), ArrowDown: () => fills.tryBy(1) },
    },
    {
      keys: 'Enter  Delete',
      does: 'take what was heard; leave it out',
      when: atPlaces,
      run: {
        Enter: () => fills.take(),
        Delete: () => fills.leaveOut(),
        Backspace: () => fills.leaveOut(),
      },
    },
  ];
}
