import type { BenchKey } from '../../frame/keys/bench-keys';
import type { PartsState } from './parts-state';

/** The keys of the Parts bench, beside those of every bench. */
export function partsKeys(parts: PartsState): readonly BenchKey[] {
  return [
    {
      keys: '←  →',
      does: 'previous, next part',
      run: { ArrowLeft: () => parts.step(-1), ArrowRight: () => parts.step(1) },
    },
    {
      keys: 'Shift + ←  →',
      does: 'move the cut the part begins with',
      run: { 'Shift+ArrowLeft': () => parts.nudge(-1), 'Shift+ArrowRight': () => parts.nudge(1) },
    },
    {
      keys: ',  .',
      does: 'move the cursor, where the part is split',
      run: { ',': () => parts.moveMark(-1), '.': () => parts.moveMark(1) },
    },
    {
      keys: 'X  J',
      does: 'split at the cursor, join with the next part',
      run: { x: () => parts.split(), j: () => parts.join() },
    },
    {
      keys: 'U  D',
      does: 'its tune an octave higher, lower, this time alone',
      run: { u: () => parts.octaveBy(1), d: () => parts.octaveBy(-1) },
    },
    { keys: 'K', does: 'lock the cut, or open it', run: { k: () => parts.lock() } },
    { keys: 'M', does: 'mark as the same, or free', run: { m: () => parts.toggleSame() } },
    {
      keys: 'E',
      does: 'keep the part as learned, or change it again',
      run: { e: () => parts.bench.settle(!parts.bench.part()?.settled) },
    },
    {
      keys: 'N',
      does: 'name the part',
      run: {
        n: () => {
          parts.tab.set('part');
          setTimeout(() => document.getElementById('part-name')?.focus());
        },
      },
    },
    {
      keys: 'P',
      does: 'play from the cursor on',
      run: { p: () => parts.playing.playFrom(parts.mark() ?? parts.bench.part()?.fromTick ?? 0) },
    },
  ];
}
