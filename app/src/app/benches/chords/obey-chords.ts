import type { ChordsCommand } from './chords-commands';
import type { ChordsState } from './chords-state';

/** What a key of the Chords bench does. */
export function obeyChords(chords: ChordsState, command: ChordsCommand): void {
  switch (command.kind) {
    case 'suggestion':
      return chords.hearNext(command.by);
    case 'take':
      return chords.takeHeard();
    case 'move':
      return chords.moveBy(command.by, command.step);
    case 'ladder':
      return chords.ladder(command.by);
    case 'half-step':
      return chords.halfStep(command.by);
    case 'leave-out':
      return chords.leaveOut();
    case 'build':
      return chords.buildOn();
    case 'respell':
      return chords.respell();
    case 'set':
      return void chords.suggest('gaps');
    case 'write':
      chords.job.set('chord');
      return void setTimeout(() => document.getElementById('symbol')?.focus());
  }
}
