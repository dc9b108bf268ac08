import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { TICKS_PER_QUARTER } from '@joined-hands/core/music';
import { daysOf, isSaid, type Turn } from '@joined-hands/core/practice';
import { keysOf } from '@joined-hands/core/takes';
import { logInWords, turnTitle } from '@joined-hands/core/words';
import { format } from 'date-fns';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';
import { Piano } from '../../sound/piano';
import type { StoredTake } from '../../storage/stored';
import { Choice } from '../../ui/choice';
import { download, fileName } from '../../ui/download';
import { CHART_NOTES, chartInWords, type ChartKind, chartOf, CHARTS } from './log-chart';
import { logAsCsv } from '../../storage/log-csv';
import { logFrom, readInWords } from './log-files';
import { PractiseState } from './practise-state';
import { messageOf } from '../../ui/message';

const SHOWN_TURNS = 12;
const SHOWN_DAYS = 30;
/** A take is heard as it was: a quarter is a second. */
const SECONDS_A_MINUTE = 60;

/** What was practised: minutes a day, tempo, clean turns and togetherness, the last turns, takes, notes, and files. */
@Component({
  selector: 'jh-log-panel',
  imports: [Choice, FormsModule, NgxEchartsDirective, NzButtonComponent, NzInputModule],
  providers: [
    provideEchartsCore({ echarts: () => import('../../ui/charts').then(({ echarts }) => echarts) }),
  ],
  templateUrl: './log-panel.html',
  styleUrls: ['../../ui/panel.less', './practise.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LogPanel {
  protected readonly titleOf = turnTitle;
  protected readonly state = inject(PractiseState);
  private readonly piano = inject(Piano);
  protected readonly charts = CHARTS;
  protected readonly kind = signal<ChartKind>('minutes');
  protected readonly note = computed(() => CHART_NOTES[this.kind()]);
  protected readonly problem = signal('');
  protected readonly said = signal('');
  protected readonly jotting = signal('');
  private readonly allDays = computed(() => daysOf(this.state.log.turns(), (at) => format(at, 'yyyy-MM-dd')));
  private readonly days = computed(() => this.allDays().slice(-SHOWN_DAYS));
  protected readonly summary = computed(() => logInWords(this.state.log.turns(), this.allDays().length));
  protected readonly chart = computed(() => chartOf(this.kind(), this.days()));
  protected readonly inWords = computed(() => chartInWords(this.kind(), this.days()));
  protected readonly jottings = computed(() => this.state.log.jottings().toReversed());
  private readonly takes = computed(() => new Map(this.state.log.takes().map((take) => [take.at, take])));
  protected readonly last = computed(() =>
    this.state.log
      .turns()
      .slice(-SHOWN_TURNS)
      .toReversed()
      .map((turn) => ({
        turn,
        take: this.takeAt(turn.at),
        before: this.state.log.before().get(turn.at) ?? null,
      })),
  );
  /** The turn that is laid over the one before it, by its time. */
  protected readonly opened = signal<number | null>(null);

  protected takeAt(at: number): StoredTake | null {
    return this.takes().get(at) ?? null;
  }

  protected compare(at: number): void {
    this.opened.update((opened) => (opened === at ? null : at));
  }

  protected tempo(turn: Turn): string {
    return isSaid(turn) ? '–' : `${turn.tempoPercent} %`;
  }

  /** How clean it was: in percent where it was listened to. */
  protected clean({ isClean, cleanShare }: Turn): string {
    const share = cleanShare === null ? '' : `, ${Math.round(cleanShare * 100)} %`;
    return `${isClean ? 'yes' : 'no'}${share}`;
  }

  protected when(at: number): string {
    return format(at, 'd MMM HH:mm');
  }

  protected async hear({ events }: StoredTake): Promise<void> {
    const keys = keysOf(events, SECONDS_A_MINUTE);
    const [first] = keys;
    const line = keys.map(({ onset, end, midi }) => ({
      tick: Math.round((onset - first.onset) * TICKS_PER_QUARTER),
      length: Math.round((end - onset) * TICKS_PER_QUARTER),
      midi,
    }));
    await this.guard('The turn could not be played', this.piano.hearLine(line, SECONDS_A_MINUTE));
  }

  /** Keeps what is written; with nothing written there is something to write first. */
  protected async jot(field: HTMLElement): Promise<void> {
    const written = this.jotting();
    if (written.trim() === '') return field.focus();
    // Emptied before it is stored: what is written meanwhile is the next note.
    this.jotting.set('');
    await this.state.log.jot(written);
  }

  protected takeAway(): Promise<void> {
    const title = this.state.bench.song()?.title ?? 'Song';
    const written = logAsCsv(this.state.log.turns()).then((csv) =>
      download(`${fileName(title)}-log.csv`, csv, 'text/csv;charset=utf-8'),
    );
    return this.guard('The log could not be written', written);
  }

  protected picked(event: Event): Promise<void> {
    const chooser = event.target as HTMLInputElement;
    const [file] = chooser.files ?? [];
    return this.guard('The log could not be read', file ? this.read(file) : Promise.resolve()).finally(
      () => (chooser.value = ''),
    );
  }

  private async read(file: File): Promise<void> {
    this.said.set('');
    const read = await logFrom(file, this.state.bench.song()?.id ?? '');
    if ('problem' in read) return this.problem.set(read.problem);
    const added = await this.state.log.take(read.record);
    this.said.set(readInWords(added, read.record.turns.length, read.refused));
    this.state.planAnew();
  }

  private async guard(what: string, work: Promise<void>): Promise<void> {
    this.problem.set('');
    try {
      await work;
    } catch (error) {
      this.problem.set(`${what}: ${messageOf(error)}.`);
    }
  }
}
