import type { Day } from '@joined-hands/core/practice';
import type { BarSeriesOption, LineSeriesOption } from 'echarts/charts';
import type { EChartsCoreOption } from 'echarts/core';
import { colour } from '../../ui/colour';

export type ChartKind = 'minutes' | 'clean' | 'together';

export const CHARTS: readonly { readonly value: ChartKind; readonly label: string }[] = [
  { value: 'minutes', label: 'Minutes' },
  { value: 'clean', label: 'Clean' },
  { value: 'together', label: 'Together' },
];

/** What a chart shows, in a sentence under it. */
export const CHART_NOTES: Record<ChartKind, string> = {
  minutes: 'Minutes a day as bars; the fastest clean tempo as a line, in percent of the full tempo.',
  clean: 'Clean turns of all turns, in percent, day by day.',
  together: 'How far the hands were apart where they meet, in milliseconds: the lower, the better.',
};

const share = ({ clean, turns }: Day): number => Math.round((100 * clean) / Math.max(1, turns));

/** The days of a log as a chart. */
export function chartOf(kind: ChartKind, days: readonly Day[]): EChartsCoreOption {
  const text = { color: colour('ink-soft'), fontSize: 14 };
  const bars = (data: (number | null)[]): BarSeriesOption => ({
    type: 'bar',
    data,
    itemStyle: { color: colour('left') },
    barMaxWidth: 26,
  });
  const line = (data: (number | null)[], yAxisIndex: number): LineSeriesOption => ({
    type: 'line',
    yAxisIndex,
    data,
    connectNulls: true,
    symbolSize: 9,
    lineStyle: { color: colour('right'), width: 3 },
    itemStyle: { color: colour('right') },
  });
  const percent = {
    type: 'value',
    min: 0,
    max: 100,
    axisLabel: { ...text, formatter: '{value} %' },
  };
  const plain = { type: 'value', axisLabel: text, splitLine: { lineStyle: { color: colour('rule') } } };
  const series = {
    minutes: [
      bars(days.map(({ minutes }) => Number(minutes.toFixed(1)))),
      line(
        days.map(({ tempoPercent }) => tempoPercent),
        1,
      ),
    ],
    clean: [bars(days.map(share))],
    together: [
      line(
        days.map(({ apartMs }) => (apartMs === null ? null : Math.round(apartMs))),
        0,
      ),
    ],
  };
  const axes = {
    minutes: [plain, { ...percent, splitLine: { show: false } }],
    clean: [{ ...percent, splitLine: plain.splitLine }],
    together: [{ ...plain, min: 0 }],
  };
  return {
    animation: false,
    grid: { left: 44, right: 46, top: 12, bottom: 26 },
    xAxis: { type: 'category', data: days.map(({ day }) => day.slice(5)), axisLabel: text },
    yAxis: axes[kind],
    series: series[kind],
  };
}

/** The same in words, for those who do not see it. */
export function chartInWords(kind: ChartKind, days: readonly Day[]): string {
  return days
    .map((day) => {
      const { minutes, tempoPercent, apartMs } = day;
      const told = {
        minutes: `${minutes.toFixed(1)} minutes${tempoPercent === null ? '' : `, ${tempoPercent} %`}`,
        clean: `${share(day)} % clean`,
        together: apartMs === null ? 'not measured' : `${Math.round(apartMs)} ms apart`,
      };
      return `${day.day}: ${told[kind]}`;
    })
    .join('; ');
}
