import { tempoNote } from '@joined-hands/core/words';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  asQuartersPerMinute,
  barTicks,
  type Key,
  metreInFull,
  METRES,
  unitTicks,
} from '@joined-hands/core/music';
import { emptySong, type Song } from '@joined-hands/core/song';
import { KeyChoice } from '../ui/key-choice';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzInputNumberModule } from 'ng-zorro-antd/input-number';
import { NzModalRef } from 'ng-zorro-antd/modal';
import { NzSelectModule } from 'ng-zorro-antd/select';

/** A song begins with so many empty bars; more come with its notes. */
const FIRST_BARS = 4;

/** What a new tune begins with, in one small step: Enter goes on with what stands there. */
@Component({
  selector: 'jh-new-tune',
  imports: [FormsModule, KeyChoice, NzButtonComponent, NzInputModule, NzInputNumberModule, NzSelectModule],
  templateUrl: './new-tune.html',
  styleUrl: './new-tune.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NewTune {
  private readonly modal = inject<NzModalRef<NewTune, Song>>(NzModalRef);
  protected readonly title = signal('');
  protected readonly key = signal<Key>({ tonic: { letter: 'C', alter: 0 }, mode: 'major' });
  protected readonly metres = METRES.map((metre, value) => ({ value, name: metreInFull(metre) }));
  protected readonly tempoNote = computed(() => tempoNote(METRES[this.metre()]));
  protected readonly metre = signal(0);
  protected readonly tempo = signal<number | null>(96);
  /** Beats of the metre before the first full bar. */
  protected readonly pickup = signal(0);

  protected pickups(): readonly { readonly value: number; readonly name: string }[] {
    const { numerator } = METRES[this.metre()];
    return Array.from({ length: 2 * numerator }, (_, i) => ({ value: i / 2, name: inWords(i / 2) }));
  }

  /** Another metre: a pick-up as long as a bar or longer is none. */
  protected choose(metre: number): void {
    this.metre.set(metre);
    if (this.pickup() >= METRES[metre].numerator) this.pickup.set(0);
  }

  protected begin(): void {
    const { tonic, mode } = this.key();
    const metre = METRES[this.metre()];
    const song = emptySong(crypto.randomUUID(), this.title().trim().slice(0, 200) || 'New tune');
    this.modal.close({
      ...song,
      keyMap: [{ tick: 0, tonic, mode }],
      metreMap: [{ ...(metre as Song['metreMap'][number]), tick: 0 }],
      tempoMap: [
        {
          tick: 0,
          quartersPerMinute: Math.min(400, Math.max(10, asQuartersPerMinute(metre, this.tempo() ?? 96))),
        },
      ],
      pickup: Math.min(Math.round(this.pickup() * unitTicks(metre)), barTicks(metre) - 1),
      barCount: FIRST_BARS,
    });
  }
}

function inWords(beats: number): string {
  if (beats === 0) return 'none';
  const whole = Math.floor(beats);
  const half = beats > whole ? '½' : '';
  return `${whole || ''}${half} ${beats <= 1 ? 'beat' : 'beats'}`;
}
