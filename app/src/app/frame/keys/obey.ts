import type { BenchState } from '../bench-state';
import type { Playing } from '../playing';
import type { Command } from './commands';

/** The frame as keys act on it. */
interface Commanded {
  readonly bench: BenchState;
  readonly playing: Playing;
  /** Leaves what is open or being done. */
  leave(): void;
  /** The next rows of the part, or the part after; or back. */
  turn(by: 1 | -1): void;
}

/** What a key does on every bench. */
export function obey(frame: Commanded, command: Command): void {
  const { bench, playing } = frame;
  switch (command.kind) {
    case 'part':
      return bench.goToPart(command.number - 1);
    case 'play-to':
      bench.goToPart(command.number - 1);
      return playing.play('to-part');
    case 'toggle':
      return playing.togglePlaying();
    case 'hands':
      bench.move({ hands: command.hands });
      return playing.play('part');
    case 'tempo':
      return playing.changeTempo(command.by);
    case 'step':
      return bench.step(command.by);
    case 'try':
      return bench.tryBy(command.by);
    case 'take':
      return bench.take();
    case 'leave':
      return frame.leave();
    case 'undo':
      return bench.undo();
    case 'redo':
      return bench.redo();
    case 'staff':
      return bench.move({ showsStaff: !bench.place().showsStaff });
    case 'desk':
      return bench.isOnDesk.update((isOn) => !isOn);
    case 'turn':
      return frame.turn(command.by);
    case 'help':
      return void bench.helpAsked.update((times) => times + 1);
  }
}
