import { inject, Injectable } from '@angular/core';
import { BenchBehaviour } from '../../frame/definition';
import type { Focus, KeyPress } from '../../frame/keys/commands';
import { type FillsCommand, fillsCommandFor } from './fills-commands';
import { FillsState } from './fills-state';

/** On the Fills bench places are gone through, proposals are heard, taken and left out. */
@Injectable()
export class FillsBehaviour extends BenchBehaviour {
  private readonly fills = inject(FillsState);
  override readonly isOpen = this.fills.isOpen;
  override readonly places = this.fills.places;

  override readKey(press: KeyPress, focus: Focus, singleKeysAreOn: boolean): (() => void) | null {
    const command = fillsCommandFor(press, focus, singleKeysAreOn, this.fills.job());
    return command && (() => obeyFills(this.fills, command));
  }

  /** A chord pressed is a place: what fits there is shown. */
  override pressChange(id: string): boolean {
    this.fills.job.set('places');
    this.fills.bench.select(id);
    return true;
  }

  override leave(): void {
    this.fills.job.set('places');
    this.fills.noteAt.set(null);
  }
}

/** What a key of the Fills bench does. */
export function obeyFills(fills: FillsState, command: FillsCommand): void {
  switch (command.kind) {
    case 'job':
      return fills.job.set(command.job);
    case 'spot':
      return fills.spotBy(command.by);
    case 'try':
      return fills.tryBy(command.by);
    case 'take':
      return fills.take();
    case 'leave-out':
      return fills.leaveOut();
  }
}
