import { tempoNote } from '@joined-hands/core/words';
import { asBeatsPerMinute } from '@joined-hands/core/music';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { LEVELS } from '@joined-hands/core/levels';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzSelectModule } from 'ng-zorro-antd/select';
import type { Place } from '../storage/place';
import { Choice, type ChoiceOption } from '../ui/choice';
import { Menu } from '../ui/menu';
import { BenchState } from './bench-state';
import { Playing } from './playing';

/** Level, tempo, hands, loop, play. */
@Component({
  selector: 'jh-transport',
  imports: [Choice, FormsModule, Menu, NzButtonComponent, NzSelectModule],
  templateUrl: './transport.html',
  styleUrl: './transport.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Transport {
  protected readonly bench = inject(BenchState);
  protected readonly playing = inject(Playing);
  protected readonly levels = LEVELS;
  protected readonly hands: readonly ChoiceOption<Place['hands']>[] = [
    { value: 'left', label: 'Left' },
    { value: 'right', label: 'Right' },
    { value: 'both', label: 'Both' },
  ];
  protected readonly tempo = computed(() => {
    const song = this.bench.song();
    if (!song) return { number: 96, note: 'quarter' };
    const [metre] = song.metreMap;
    const own = asBeatsPerMinute(metre, song.tempoMap[0].quartersPerMinute);
    return { number: Math.round((own * this.bench.tempoPercent()) / 100), note: tempoNote(metre) };
  });
}
