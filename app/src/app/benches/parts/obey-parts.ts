import type { PartsCommand } from './parts-commands';
import type { PartsState } from './parts-state';

/** What a key of the Parts bench does. */
export function obeyParts(parts: PartsState, command: PartsCommand): void {
  switch (command.kind) {
    case 'step':
      return parts.step(command.by);
    case 'move-cut':
      return parts.nudge(command.by);
    case 'mark':
      return parts.moveMark(command.by);
    case 'split':
      return parts.split();
    case 'join':
      return parts.join();
    case 'lock':
      return parts.lock();
    case 'same':
      return parts.toggleSame();
    case 'settle':
      return parts.bench.settle(!parts.bench.part()?.settled);
    case 'name':
      parts.job.set('part');
      return void setTimeout(() => document.getElementById('part-name')?.focus());
    case 'from-here':
      return parts.playing.playFrom(parts.mark() ?? parts.bench.part()?.fromTick ?? 0);
  }
}
