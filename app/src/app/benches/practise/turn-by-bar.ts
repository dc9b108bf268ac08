import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { byBar, type Judgement, type PlayedBar } from '@joined-hands/core/practice';
import { barAt } from '@joined-hands/core/song';
import { BenchState } from '../../frame/bench-state';
import { Choice } from '../../ui/choice';
import { Listening } from './listening';

/** What a bar was, in this turn and in the one before. */
interface Row {
  readonly bar: string;
  readonly right: string;
  readonly off: string;
  readonly loudness: string;
}

/** The last turn bar by bar, beside the one before it; either is laid over the seam. */
@Component({
  selector: 'jh-turn-by-bar',
  imports: [Choice],
  template: `
    @if (listening.before()) {
      <p class="note" id="over-the-seam">On the seam</p>
      <jh-choice
        name="over-the-seam"
        labelledBy="over-the-seam"
        [options]="turns"
        [value]="listening.isBeforeShown()"
        (chosen)="listening.isBeforeShown.set($event)"
      />
    }
    <table aria-label="Bar by bar">
      <thead>
        <tr>
          <th>Bar</th>
          <th>Keys</th>
          <th>Off, ms</th>
          @if (isLoudnessKnown()) {
            <th>Right:left</th>
          }
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.bar) {
          <tr>
            <td>{{ row.bar }}</td>
            <td>{{ row.right }}</td>
            <td>{{ row.off }}</td>
            @if (isLoudnessKnown()) {
              <td>{{ row.loudness }}</td>
            }
          </tr>
        }
      </tbody>
    </table>
    <p class="note">{{ note() }}</p>
  `,
  styleUrls: ['../../ui/panel.less', './practise.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TurnByBar {
  protected readonly listening = inject(Listening);
  private readonly bench = inject(BenchState);
  protected readonly turns = [
    { value: false, label: 'This turn' },
    { value: true, label: 'The one before' },
  ];
  private readonly bars = computed(() => this.barsOf(this.listening.judgement()));
  private readonly barsBefore = computed(() => this.barsOf(this.listening.before()));
  protected readonly isLoudnessKnown = computed(() =>
    [...this.bars(), ...this.barsBefore()].some(({ force }) => force.right !== null && force.left !== null),
  );
  protected readonly rows = computed(() => {
    const before = new Map(this.barsBefore().map((bar) => [bar.bar, bar]));
    return this.bars().map((bar): Row => {
      const was = before.get(bar.bar);
      return {
        bar: bar.bar === 0 ? 'Pick-up' : `${bar.bar}`,
        right: rightSince(was, bar),
        off: since(was && offIn(was), offIn(bar)),
        loudness: since(was && loudnessIn(was), loudnessIn(bar)),
      };
    });
  });
  protected readonly note = computed(() => {
    const two = this.listening.before() ? 'Before → now. ' : '';
    const loud = this.isLoudnessKnown() ? ' How loud each hand is, out of 127.' : '';
    return `${two}Keys right and in time; how far off your own tempo, in thousandths of a second.${loud}`;
  });

  private barsOf(judgement: Judgement | null): readonly PlayedBar[] {
    const bars = this.bench.arrangement()?.played.bars;
    return judgement && bars ? byBar(judgement, (tick) => barAt(bars, tick).number) : [];
  }
}

/** "3 → 5"; only how it is now, where it was the same or there is no turn before. */
function since(before: string | undefined, now: string): string {
  return before === undefined || before === now ? now : `${before} → ${now}`;
}

function rightSince(was: PlayedBar | undefined, { right, of }: PlayedBar): string {
  const before = was && (was.of === of ? `${was.right}` : `${was.right} of ${was.of}`);
  return `${since(before, `${right}`)} of ${of}`;
}

function offIn({ off }: PlayedBar): string {
  return off === null ? '–' : `${Math.round(off * 1000)}`;
}

function loudnessIn({ force: { right, left } }: PlayedBar): string {
  const told = (force: number | null): string => (force === null ? '–' : `${Math.round(force)}`);
  return `${told(right)}:${told(left)}`;
}
