import type { BenchKey } from '../../frame/keys/bench-keys';
import type { FillsState } from './fills-state';

/** The keys of the Fills bench, beside those of every bench. */
export function fillsKeys(fills: FillsState): readonly BenchKey[] {
  const atPlaces = (): boolean => fills.job() === 'places';
  return [
    {
      keys: 'W  M  F  G',
      does: 'places, a whole version, the frame, growth',
      run: {
        w: () => fills.job.set('places'),
        m: () => fills.job.set('version'),
        f: () => fills.job.set('frame'),
        g: () => fills.job.set('grow'),
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
