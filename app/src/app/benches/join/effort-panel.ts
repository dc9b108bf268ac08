import { theBar, inWords } from '@joined-hands/core/sentences';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { EasierBy } from '@joined-hands/core/arrange';
import { LEVELS } from '@joined-hands/core/levels';
import type { BarSeriesOption } from 'echarts/charts';
import type { EChartsCoreOption } from 'echarts/core';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';
import { Playing } from '../../frame/playing';
import { colour } from '../../ui/colour';
import { Offer } from '../../ui/offer';
import { JoinState } from './join-state';
import { WordsPipe } from '../../ui/words.pipe';

/** Where the work is: effort over the song by part and hand, over the part by bar, at each level; and what lessens it. */
@Component({
  selector: 'jh-effort-panel',
  imports: [NgxEchartsDirective, Offer, WordsPipe],
  providers: [
    provideEchartsCore({ echarts: () => import('../../ui/charts').then(({ echarts }) => echarts) }),
  ],
  template: `
    <section>
      <h2>Difficulty</h2>
      <p>{{ hardest() }}</p>
      <div
        echarts
        class="chart"
        role="img"
        [attr.aria-label]="songInWords()"
        [options]="songChart()"
        (chartClick)="toPart($event)"
      ></div>
      <p class="note">Both hands, and each by itself. Press a part to go to it.</p>
    </section>
    <section>
      <h3>Part {{ state.bench.partIndex() + 1 }}, bar by bar</h3>
      <div
        echarts
        class="chart low"
        role="img"
        [attr.aria-label]="barsInWords()"
        [options]="barChart()"
        (chartClick)="hearBar($event)"
      ></div>
      <p class="note">{{ because() }} Press a bar to hear it.</p>
      @if (levels(); as rows) {
        <h3>At each level</h3>
        <div class="levels">
          @for (row of rows; track row.number) {
            <span [class.own]="row.isOwn">{{ row.number }}</span>
            <span><span class="bar" [style.display]="'block'" [style.width.%]="row.total"></span></span>
            <span [class.own]="row.isOwn">{{ row.total }}</span>
          }
        </div>
      }
    </section>
    <section aria-label="What would make it easier">
      <h3>What would make it easier</h3>
      @if (state.bench.part()?.settled) {
        <p class="note">This part is kept as learned: press “Change this part again” first.</p>
      } @else if (state.easier(); as list) {
        <ol class="ranked">
          @for (way of list; track $index) {
            <li>
              <jh-offer
                [name]="way.offer | words"
                [says]="way.from + ' → ' + way.to"
                (heard)="hear(way)"
                (taken)="state.bench.edit(way.edit)"
              />
            </li>
          } @empty {
            <li class="note">Nothing that was tried makes this part easier.</li>
          }
        </ol>
      } @else {
        <p class="note" role="status">Trying levels, patterns, voicings and keys …</p>
      }
    </section>
  `,
  styleUrls: ['../../ui/panel.less', './join.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EffortPanel {
  protected readonly state = inject(JoinState);
  private readonly playing = inject(Playing);

  private readonly efforts = computed(() => this.state.bench.arrangement()?.efforts ?? []);
  private readonly totals = computed(() => this.efforts().map((effort) => effort?.total ?? 0));
  private readonly effort = computed(() => this.efforts()[this.state.bench.partIndex()] ?? null);
  /** Index of the hardest part; the first of equals. */
  private readonly hardestPart = computed(() => this.totals().indexOf(Math.max(...this.totals())));

  protected readonly hardest = computed(() => {
    const effort = this.efforts()[this.hardestPart()];
    if (!effort?.total || effort.hardestBar === null) return 'Nothing is played yet.';
    const because = effort.reasons.length > 0 ? `: ${effort.reasons.map(inWords).join(' and ')}` : '';
    const bar = theBar(effort.hardestBar);
    return `Hardest is part ${this.hardestPart() + 1}, ${effort.total} of 100, most of all ${bar}${because}.`;
  });
  protected readonly because = computed(() => {
    const effort = this.effort();
    if (!effort?.total || effort.hardestBar === null) return '';
    const bar = theBar(effort.hardestBar);
    return `${effort.total} of 100; hardest is ${bar}${effort.reasons.length > 0 ? `, ${effort.reasons.map(inWords).join(' and ')}` : ''}.`;
  });
  protected readonly songInWords = computed(
    () =>
      `Difficulty by part: ${this.totals()
        .map((total, i) => `part ${i + 1} ${total}`)
        .join(', ')}`,
  );
  protected readonly barsInWords = computed(() => {
    const bars = this.effort()?.bars ?? [];
    return `Difficulty by bar: ${bars.map(({ number, total }) => `${theBar(number)} ${total}`).join(', ')}`;
  });
  protected readonly levels = computed(() => {
    const [over, at] = [this.state.efforts(), this.state.bench.partIndex()];
    if (!over || !(at in (over.levels[0] ?? []))) return null;
    const own = this.state.bench.level();
    return LEVELS.map(({ number }, i) => ({ number, total: over.levels[i][at], isOwn: number === own }));
  });

  /** Labels are drawn with the face the page has; the chart is painted and knows no style sheet. */
  private readonly face = signal("'Atkinson Hyperlegible Next', sans-serif");

  protected readonly songChart = computed((): EChartsCoreOption => {
    const over = this.state.efforts();
    const names = this.totals().map((_, i) => String(i + 1));
    const isKnown = over?.right.length === names.length;
    return {
      ...this.frame(names, this.state.bench.partIndex()),
      legend: {
        top: 0,
        textStyle: { color: colour('ink'), fontSize: 16, fontFamily: this.face() },
        itemWidth: 16,
      },
      series: [
        this.bars('both', this.totals(), colour('thread')),
        ...(isKnown
          ? [this.bars('left', over.left, colour('left')), this.bars('right', over.right, colour('right'))]
          : []),
      ],
    };
  });

  protected readonly barChart = computed((): EChartsCoreOption => {
    const bars = this.effort()?.bars ?? [];
    const hardest = bars.findIndex(({ number }) => number === this.effort()?.hardestBar);
    return {
      ...this.frame(
        bars.map(({ number }) => (number === 0 ? '•' : String(number))),
        hardest,
      ),
      series: [
        this.bars(
          'both',
          bars.map(({ total }) => total),
          colour('thread'),
        ),
      ],
    };
  });

  private frame(names: readonly string[], marked: number): EChartsCoreOption {
    const text = { color: colour('ink'), fontSize: 16, fontFamily: this.face() };
    return {
      animation: false,
      grid: { left: 34, right: 4, top: 30, bottom: 26 },
      xAxis: {
        type: 'category',
        data: names.map((value, i) => (i === marked ? { value, textStyle: { fontWeight: 700 } } : value)),
        axisLabel: { ...text, interval: 'auto' },
        axisTick: { show: false },
        axisLine: { lineStyle: { color: colour('rule') } },
      },
      yAxis: {
        type: 'value',
        max: 100,
        interval: 50,
        axisLabel: text,
        splitLine: { lineStyle: { color: colour('rule') } },
      },
    };
  }

  private bars(name: string, totals: readonly number[], color: string): BarSeriesOption {
    return {
      name,
      type: 'bar',
      data: [...totals],
      itemStyle: { color, borderRadius: 3 },
      barGap: '8%',
      cursor: 'pointer',
    };
  }

  protected toPart({ dataIndex }: { readonly dataIndex: number }): void {
    this.state.bench.goToPart(dataIndex);
  }

  protected hearBar({ dataIndex }: { readonly dataIndex: number }): void {
    const [arrangement, part, bar] = [
      this.state.bench.arrangement(),
      this.state.bench.part(),
      this.effort()?.bars[dataIndex],
    ];
    const there = arrangement?.played.bars.find(
      ({ number, tick, length }) =>
        number === bar?.number && part && tick + length > part.fromTick && tick < part.toTick,
    );
    if (there) this.playing.playStretch(there.tick, there.tick + there.length, { stays: true });
  }

  protected hear({ edit }: EasierBy): void {
    this.playing.hearPartAfter(edit);
  }
}
