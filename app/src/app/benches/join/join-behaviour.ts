import { computed, inject, Injectable, type WritableSignal } from '@angular/core';
import type { HandNote } from '@joined-hands/core/hands';
import { midiOf } from '@joined-hands/core/music';
import { BenchBehaviour, type PressedKey } from '../../frame/definition';
import type { Dragged } from '../../frame/drag-key';
import { leftShapeOf, shapeOf } from '../../frame/seam-keys';
import { ByHandState } from './by-hand-state';
import { joinKeys } from './join-keys';
import { asHeld, JoinState } from './join-state';

/** On the Join bench voicings are tried, keys are stepped through, fingers are pinned. */
@Injectable()
export class JoinBehaviour extends BenchBehaviour {
  private readonly join = inject(JoinState);
  private readonly byHand = inject(ByHandState);
  override readonly tab = this.join.tab as WritableSignal<string>;
  override readonly keys = joinKeys(this.join, this.byHand);
  override readonly isOpen = this.join.isOpen;
  override readonly weighsVoicings = true;
  /** By hand the keys struck with the note picked. */
  override readonly shownKeys = computed(() => {
    const [tick, arrangement] = [this.byHand.pickedTick(), this.join.bench.arrangement()];
    if (tick === null || !arrangement) return this.join.keysToShow();
    return [...arrangement.left, ...arrangement.right].filter((note) => note.tick === tick).map(asHeld);
  });
  override readonly shownLies = this.join.lies;
  override readonly picked = computed(() => {
    const note = this.join.note();
    if (note) return note.hand === 'right' ? [shapeOf(note)] : [];
    if (this.byHand.isOpen()) return this.pickedByHand();
    return this.step()?.right.map(shapeOf) ?? [];
  });
  /** The strike that is wanted is marked in both lanes. */
  override readonly shownTick = computed(
    () => this.step()?.tick ?? this.join.note()?.tick ?? this.byHand.pickedTick(),
  );
  private readonly pickedByHand = computed((): readonly string[] => {
    const [tick, note, arrangement] = [
      this.byHand.pickedTick(),
      this.byHand.note(),
      this.join.bench.arrangement(),
    ];
    if (tick === null || !note || !arrangement) return [];
    const isIt = (own: HandNote): boolean => own.tick === tick && own.midi === midiOf(note.pitch);
    return this.byHand.hand() === 'right'
      ? arrangement.right.filter(isIt).map(shapeOf)
      : arrangement.left.filter(isIt).map(leftShapeOf);
  });
  private readonly step = computed(() => (this.join.tab() === 'steps' ? this.join.step() : null));

  /** At the fingers and by hand a key pressed is picked; while stepping the hands go there. */
  override pressNote(id: string, _isExtending: boolean, key?: PressedKey): boolean {
    const { join } = this;
    const isIt = (note: HandNote): boolean =>
      note.from === id && (key === undefined || (note.midi === key.midi && note.tick === key.tick));
    const arrangement = join.bench.arrangement();
    const note = arrangement?.right.find(isIt) ?? (key ? arrangement?.left.find(isIt) : undefined);
    if (!note) return false;
    switch (join.tab()) {
      case 'steps': {
        const at = join.steps().findIndex(({ tick }) => tick === note.tick);
        if (at >= 0) join.goToStep(at);
        return at >= 0;
      }
      case 'fingers':
        join.pickNote(note);
        return true;
      case 'hand':
        this.byHand.pick(note);
        return true;
      default:
        return false;
    }
  }

  override readonly canDrag = this.byHand.isOpen;

  /** By hand: along by half counts, up and down by letters of the key. */
  override dragNote(id: string, key: PressedKey, { ticks, steps }: Dragged): void {
    if (!this.byHand.isOpen() || !this.pressNote(id, false, key)) return;
    const half = this.byHand.half();
    const shift = Math.round(ticks / half) * half;
    if (steps !== 0) this.byHand.change({ kind: 'moved', steps });
    if (shift !== 0) this.byHand.change({ kind: 'shifted', ticks: shift });
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
