import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RUNGS } from '@joined-hands/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { BenchState } from './bench-state';

/** Rung, tempo, hands, loop, play. */
@Component({
  selector: 'jh-transport',
  imports: [FormsModule, NzButtonModule, NzRadioModule],
  templateUrl: './transport.html',
  styleUrl: './transport.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Transport {
  protected readonly bench = inject(BenchState);
  protected readonly rungs = RUNGS;
  protected readonly rungName = computed(() => RUNGS[this.bench.rung() - 1].name);
  protected readonly tempo = computed(() => {
    const own = this.bench.song()?.tempoMap[0].quartersPerMinute ?? 96;
    return Math.round((own * this.bench.place().tempoPercent) / 100);
  });
}
