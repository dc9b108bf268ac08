import { computed, inject, Injectable, type WritableSignal } from '@angular/core';
import type { HandNote } from '@joined-hands/core/hands';
import { BenchBehaviour } from '../../frame/definition';
import { shapeOf } from '../../frame/seam-keys';
import { joinKeys } from './join-keys';
import { JoinState } from './join-state';

/** On the Join bench voicings are tried, keys are stepped through, fingers are pinned. */
@Injectable()
export class JoinBehaviour extends BenchBehaviour {
  private readonly join = inject(JoinState);
  override readonly tab = this.join.tab as WritableSignal<string>;
  override readonly keys = joinKeys(this.join);
  override readonly isOpen = this.join.isOpen;
  override readonly weighsVoicings = true;
  override readonly shownKeys = this.join.keysToShow;
  override readonly shownLies = this.join.lies;
  override readonly picked = computed(() => {
    const note = this.join.note();
    if (note) return note.hand === 'right' ? [shapeOf(note)] : [];
    return this.step()?.right.map(shapeOf) ?? [];
  });
  /** The strike that is wanted is marked in both lanes. */
  override readonly shownTick = computed(() => this.step()?.tick ?? this.join.note()?.tick ?? null);
  private readonly step = computed(() => (this.join.tab() === 'steps' ? this.join.step() : null));

  /** At the fingers a note pressed is picked; while stepping the hands go there. */
  override pressNote(id: string, _isExtending: boolean, midi?: number): boolean {
    const { join } = this;
    const isIt = (note: HandNote): boolean => note.from === id && (midi === undefined || note.midi === midi);
    if (join.tab() === 'steps') {
      const at = join.steps().findIndex(({ right }) => right.some(isIt));
      if (at >= 0) join.goToStep(at);
      return at >= 0;
    }
    if (join.tab() !== 'fingers') return false;
    const note = join.bench.arrangement()?.right.find(isIt);
    if (note) join.pickNote(note);
    return note !== undefined;
  }

  /** At the fingers a chord pressed is the left hand's: its lowest key is picked. */
  override pressChange(id: string): boolean {
    const { join } = this;
    const first = join.bench.arrangement()?.left.find(({ from }) => from === id);
    if (join.tab() !== 'fingers' || !first) return false;
    join.pickNote(first);
    return true;
  }

  override leave(): void {
    this.join.tab.set('why');
  }
}
