import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { TICKS_PER_QUARTER, typeset } from '@joined-hands/core/music';
import { keyAt } from '@joined-hands/core/song';
import { warmUpInWords, warmUpsOf } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Piano } from '../../sound/piano';
import { PractiseState } from './practise-state';
import { messageOf } from '../../ui/message';

const TICKS = TICKS_PER_QUARTER / 2;
const BEATS_PER_MINUTE = 84;
/** So many shapes are warmed; more would be practising. */
const MOST_SHAPES = 6;

interface Item {
  readonly name: string;
  readonly told: string;
  readonly line: readonly { readonly tick: number; readonly length: number; readonly midi: number }[];
}

/** What warms the hands for this song: the scale and broken chord of its key, and its own chord shapes. */
@Component({
  selector: 'jh-warm-up-list',
  imports: [NzButtonComponent],
  template: `
    <ul class="ranked">
      @for (item of items(); track item.name) {
        <li>
          <span
            ><b>{{ item.name }}</b
            ><small>{{ item.told }}</small></span
          >
          <button
            nz-button
            nzSize="small"
            type="button"
            [attr.aria-label]="'Hear ' + item.name"
            (click)="hear(item)"
          >
            Hear
          </button>
        </li>
      }
    </ul>
  `,
  styleUrls: ['../../ui/panel.less', './practise.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WarmUpList {
  private readonly state = inject(PractiseState);
  private readonly piano = inject(Piano);

  protected readonly items = computed((): readonly Item[] => {
    const arrangement = this.state.bench.arrangement();
    if (!arrangement) return [];
    const lines = warmUpsOf(keyAt(arrangement.played, 0)).map((item) => ({
      name: item.name,
      told: warmUpInWords(item),
      line: item.notes.map(({ midi }, i) => ({ tick: i * TICKS, length: TICKS, midi })),
    }));
    const shapes = new Map(
      arrangement.changes.map(({ change, voicing }) => [
        voicing.keys.join(),
        { symbol: change.symbol, voicing },
      ]),
    );
    const chords = [...shapes.values()].slice(0, MOST_SHAPES);
    if (chords.length === 0) return lines;
    return [
      ...lines,
      {
        name: 'The chord shapes of the song, left hand',
        told: chords.map(({ symbol }) => typeset(symbol)).join('  '),
        line: chords.flatMap(({ voicing }, i) =>
          voicing.keys.map((midi) => ({ tick: i * 2 * TICKS, length: 2 * TICKS, midi })),
        ),
      },
    ];
  });

  protected async hear({ line }: Item): Promise<void> {
    try {
      await this.piano.hearLine(line, BEATS_PER_MINUTE);
    } catch (error) {
      this.state.problem.set(`The piano could not be started: ${messageOf(error)}.`);
    }
  }
}
