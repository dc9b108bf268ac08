import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { daysOf, isSaid, type Turn } from '@joined-hands/core/practice';
import { logInWords } from '@joined-hands/core/words';
import { format } from 'date-fns';
import type { BarSeriesOption, LineSeriesOption } from 'echarts/charts';
import type { EChartsCoreOption } from 'echarts/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';
import { colour } from '../../ui/colour';
import { download, fileName } from '../../ui/download';
import { PractiseState } from './practise-state';

const SHOWN_TURNS = 12;
const SHOWN_DAYS = 30;

/** What was practised: minutes a day and the tempo reached, the last turns, and all of it as a file. */
@Component({
  selector: 'jh-log-panel',
  imports: [NgxEchartsDirective, NzButtonModule],
  providers: [
    provideEchartsCore({ echarts: () => import('../../ui/charts').then(({ echarts }) => echarts) }),
  ],
  template: `
    <section>
      <h2>Log</h2>
      @if (state.turns().length === 0) {
        <p>Nothing has been practised yet. Every turn is kept here, in this browser alone.</p>
      } @else {
        <p aria-live="polite">{{ summary() }}</p>
        <div echarts class="chart" role="img" [attr.aria-label]="inWords()" [options]="chart()"></div>
        <p class="note">Minutes a day as bars; the fastest clean tempo as a line.</p>
        <table aria-label="The last turns">
          <thead>
            <tr>
              <th>When</th>
              <th>What</th>
              <th>Tempo</th>
              <th>Clean</th>
            </tr>
          </thead>
          <tbody>
            @for (turn of last(); track turn.at) {
              <tr>
                <td>{{ when(turn) }}</td>
                <td>{{ turn.what }}</td>
                <td>{{ tempo(turn) }}</td>
                <td>{{ turn.isClean ? 'yes' : 'no' }}</td>
              </tr>
            }
          </tbody>
        </table>
        @if (state.problem()) {
          <p class="problem" role="alert">{{ state.problem() }}</p>
        }
        <p class="line">
          <button nz-button type="button" (click)="takeAway()">Take the log away (CSV)</button>
        </p>
      }
    </section>
  `,
  styleUrls: ['../../ui/panel.less', './practise.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LogPanel {
  protected readonly state = inject(PractiseState);
  private readonly allDays = computed(() => daysOf(this.state.turns(), (at) => format(at, 'yyyy-MM-dd')));
  private readonly days = computed(() => this.allDays().slice(-SHOWN_DAYS));
  protected readonly last = computed(() => this.state.turns().slice(-SHOWN_TURNS).reverse());
  protected readonly summary = computed(() => logInWords(this.state.turns(), this.allDays().length));
  protected readonly inWords = computed(() =>
    this.days()
      .map(
        ({ day, minutes, tempoPercent }) =>
          `${day}: ${minutes.toFixed(1)} minutes${tempoPercent === null ? '' : `, ${tempoPercent} %`}`,
      )
      .join('; '),
  );
  protected readonly chart = computed((): EChartsCoreOption => {
    const days = this.days();
    const minutes: BarSeriesOption = {
      type: 'bar',
      data: days.map((day) => Number(day.minutes.toFixed(1))),
      itemStyle: { color: colour('left') },
      barMaxWidth: 26,
    };
    const tempo: LineSeriesOption = {
      type: 'line',
      yAxisIndex: 1,
      data: days.map(({ tempoPercent }) => tempoPercent),
      connectNulls: true,
      symbolSize: 9,
      lineStyle: { color: colour('right'), width: 3 },
      itemStyle: { color: colour('right') },
    };
    const text = { color: colour('ink-soft'), fontSize: 14 };
    return {
      animation: false,
      grid: { left: 34, right: 40, top: 12, bottom: 26 },
      xAxis: { type: 'category', data: days.map(({ day }) => day.slice(5)), axisLabel: text },
      yAxis: [
        { type: 'value', axisLabel: text, splitLine: { lineStyle: { color: colour('rule') } } },
        {
          type: 'value',
          min: 0,
          max: 100,
          axisLabel: { ...text, formatter: '{value} %' },
          splitLine: { show: false },
        },
      ],
      series: [minutes, tempo],
    };
  });

  protected tempo(turn: Turn): string {
    return isSaid(turn) ? '–' : `${turn.tempoPercent} %`;
  }

  protected when({ at }: Turn): string {
    return format(at, 'd MMM HH:mm');
  }

  protected async takeAway(): Promise<void> {
    try {
      const { default: papa } = await import('papaparse');
      const rows = this.state
        .turns()
        .map(({ at, songId: _song, ...turn }) => ({ at: new Date(at).toISOString(), ...turn }));
      const title = this.state.bench.song()?.title ?? 'Song';
      download(`${fileName(title)}-log.csv`, papa.unparse(rows), 'text/csv;charset=utf-8');
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      this.state.problem.set(`The log could not be written: ${why}.`);
    }
  }
}
