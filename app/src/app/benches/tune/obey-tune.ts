import type { TuneCommand } from './tune-commands';
import type { TuneState } from './tune-state';

/** What a key of the Tune bench does. */
export function obeyTune(tune: TuneState, command: TuneCommand): void {
  switch (command.kind) {
    case 'step':
      return tune.step(command.by, command.isExtending);
    case 'pitch':
      return tune.movePitch({ steps: command.steps, semitones: command.semitones });
    case 'length':
      return tune.lengthen(command.by);
    case 'shift':
      return tune.shift(command.by);
    case 'words':
      tune.job.set('words');
      return void setTimeout(() => document.querySelector<HTMLElement>('jh-words-panel textarea')?.focus());
    case 'pick-part':
      return tune.pickPart();
    case 'tie':
      return tune.tie();
    case 'split':
      return tune.split();
    case 'join':
      return tune.join();
    case 'respell':
      return tune.respell();
    case 'copy':
      return tune.copy();
    case 'add':
      return tune.add();
    case 'remove':
      return tune.remove();
    case 'mend':
      return tune.mend();
  }
}
