import { inject, Injectable, type WritableSignal } from '@angular/core';
import { BenchBehaviour } from '../../frame/definition';
import { fillsKeys } from './fills-keys';
import { FillsState } from './fills-state';

/** On the Fills bench places are gone through, proposals are heard, taken and left out. */
@Injectable()
export class FillsBehaviour extends BenchBehaviour {
  private readonly fills = inject(FillsState);
  override readonly tab = this.fills.tab as WritableSignal<string>;
  override readonly keys = fillsKeys(this.fills);
  override readonly isOpen = this.fills.isOpen;
  override readonly places = this.fills.places;

  /** A chord pressed is a place: what fits there is shown. */
  override pressChange(id: string): boolean {
    this.fills.tab.set('places');
    this.fills.bench.select(id);
    return true;
  }

  override leave(): void {
    this.fills.tab.set('places');
    this.fills.noteAt.set(null);
  }
}
