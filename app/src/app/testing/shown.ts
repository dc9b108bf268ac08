import { signal } from '@angular/core';
import type { ShownByBench } from '../frame/bench-state';

/** An open bench that shows nothing of its own but this. */
export function shownBy(own: Partial<ShownByBench>): ShownByBench {
  return {
    tab: signal(''),
    showsMelodyOnly: false,
    weighsVoicings: false,
    pickedTick: signal(null),
    shownKeys: signal(null),
    tempoPercent: signal(null),
    shownLies: signal([]),
    ...own,
  };
}
