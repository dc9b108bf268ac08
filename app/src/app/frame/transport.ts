import { tempoNote } from '@joined-hands/core/words';
import { asBeatsPerMinute } from '@joined-hands/core/music';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RUNGS } from '@joined-hands/core/ladder';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import type { Place } from '../storage/place';
import { Choice, type ChoiceOption } from '../ui/choice';
import { BenchState } from './bench-state';
import { Playing } from './playing';

/** Rung, tempo, hands, loop, play. */
@Component({
  selector: 'jh-transport',
  imports: [Choice, NzButtonComponent],
  templateUrl: './transport.html',
  styleUrl: './transport.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Transport {
  protected readonly bench = inject(BenchState);
  protected readonly playing = inject(Playing);
  protected readonly rungs: readonly ChoiceOption<number>[] = RUNGS.map(({ number, name }) => ({
    value: number,
    label: String(number),
    told: `Rung ${number}: ${name.toLowerCase()}`,
  }));
  protected readonly hands: readonly ChoiceOption<Place['hands']>[] = [
    { value: 'left', label: 'Left' },
    { value: 'right', label: 'Right' },
    { value: 'both', label: 'Both' },
  ];
  protected readonly rungName = computed(() => RUNGS[this.bench.rung() - 1].name);
  protected readonly tempo = computed(() => {
    const song = this.bench.song();
    if (!song) return { number: 96, note: 'quarter' };
    const [metre] = song.metreMap;
    const own = asBeatsPerMinute(metre, song.tempoMap[0].quartersPerMinute);
    return { number: Math.round((own * this.bench.place().tempoPercent) / 100), note: tempoNote(metre) };
  });
}
