import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Hand } from '@joined-hands/core/hands';
import { classNameOf, hasMinorThird, type Key, keyName, typeset } from '@joined-hands/core/music';
import type { Progression } from '@joined-hands/core/parts';
import {
  drillFrom,
  type DrillPattern,
  DRILLS,
  type DrillStep,
  drillThrough,
  type KeyOrder,
} from '@joined-hands/core/voicing';
import { Store } from '@ngrx/store';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputNumberModule } from 'ng-zorro-antd/input-number';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { simulatedKeys } from '../input/key-sources';
import { PlayOn } from '../input/play-on';
import type { KeySource } from '../input/recorder';
import { ON_COMPUTER, ON_MIDI } from '../input/ways';
import { Keyboard } from '../keyboard/keyboard';
import { Piano } from '../sound/piano';
import { workbench } from '../state/reducer';
import { Choice } from '../ui/choice';
import { DrillSession } from './drill-session';
import { messageOf } from '../ui/message';

const MOST_OWN = 6;

/** A progression drilled through keys with least movement, marked by the keys struck. */
@Component({
  selector: 'jh-drill-tab',
  imports: [Choice, FormsModule, Keyboard, NzButtonComponent, NzInputNumberModule, NzSelectModule, PlayOn],
  templateUrl: './drill-tab.html',
  styleUrl: './drill-tab.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DrillTab {
  readonly key = input.required<Key>();
  /** Progressions of the song the pianist came from. */
  readonly own = input<readonly Progression[]>([]);

  private readonly piano = inject(Piano);
  private readonly profile = inject(Store).selectSignal(workbench.selectProfile);
  /** The stand-in while it plays the drill. */
  private pianist: KeySource | null = null;

  protected readonly patterns = computed<readonly DrillPattern[]>(() => [
    ...DRILLS,
    ...this.own()
      .slice(0, MOST_OWN)
      .map((item) => drillFrom(`${item.numerals} (yours)`, item.chords, this.key())),
  ]);
  protected readonly patternName = linkedSignal(() => {
    const third = hasMinorThird(this.key().mode) ? 'minor' : 'major';
    return (DRILLS.find(({ mode }) => mode === third) ?? DRILLS[0]).name;
  });
  protected readonly orders: readonly { readonly value: KeyOrder; readonly name: string }[] = [
    { value: 'falling-fifths', name: 'falling fifths' },
    { value: 'half-steps-up', name: 'half steps up' },
    { value: 'whole-steps-down', name: 'whole steps down' },
  ];
  protected readonly order = signal<KeyOrder>('falling-fifths');
  protected readonly count = signal(12);
  protected readonly beatsPerMinute = signal(72);
  protected readonly hands = [
    { value: 'left', label: 'Left' },
    { value: 'right', label: 'Right' },
  ] as const;
  protected readonly hand = signal<Hand>('left');
  protected readonly ways = [ON_COMPUTER, ON_MIDI];
  protected readonly problem = signal('');

  protected readonly steps = computed<DrillStep[]>(() => {
    const pattern = this.patterns().find((p) => p.name === this.patternName()) ?? this.patterns()[0];
    return drillThrough(pattern, this.key(), this.order(), this.count(), this.profile(), this.hand());
  });
  protected readonly session = signal<DrillSession | null>(null);
  protected readonly shown = computed(
    () => this.session()?.step() ?? (this.session() ? null : this.steps()[0]),
  );
  protected readonly held = computed(() =>
    (this.shown()?.pitches ?? []).map((pitch, i) => ({
      midi: this.shown()?.keys[i] ?? 0,
      hand: this.hand(),
      letter: typeset(classNameOf(pitch)),
      finger: null,
    })),
  );
  protected readonly used = computed(() => [...this.steps().flatMap((step) => [...step.keys]), 60]);
  protected readonly verdict = computed(() => {
    const mark = this.session()?.last();
    if (!mark) return '';
    if (mark.isRight) return 'Right.';
    const names = (keys: readonly number[]): string => keys.map((key) => this.letterOf(key)).join(' ');
    const missing = mark.missing.length > 0 ? ` Missing: ${names(mark.missing)}.` : '';
    const extra = mark.extra.length > 0 ? ` Not in it: ${names(mark.extra)}.` : '';
    return `Not yet.${missing}${extra} Again.`;
  });
  protected readonly score = computed(() => {
    const session = this.session();
    if (!session) return '';
    const wrong = session.wrong();
    return `${session.right()} of ${session.steps.length} right${wrong > 0 ? `, ${wrong} to try again` : ''}`;
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.stop());
  }

  protected keyOf(step: DrillStep): string {
    return typeset(keyName(step.key));
  }

  protected symbolOf(step: DrillStep): string {
    return typeset(step.symbol);
  }

  private letterOf(midi: number): string {
    const step = this.session()?.step();
    const at = step?.keys.indexOf(midi) ?? -1;
    const known = at >= 0 ? step?.pitches[at] : undefined;
    const names = ['C', 'C#', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];
    return typeset(known ? classNameOf(known) : names[midi % 12]);
  }

  protected begin(): void {
    this.stop();
    this.problem.set('');
    this.session.set(new DrillSession(this.steps()));
  }

  protected stop(): void {
    this.pianist?.stop();
    this.pianist = null;
    this.session.set(null);
  }

  /** The whole drill by the stand-in. */
  protected simulate(): void {
    this.begin();
    this.playNext(0);
  }

  /** The stand-in plays the chord asked for; the first time now and then with a wrong key, then right. */
  private playNext(attempt: number): void {
    this.pianist?.stop();
    const session = this.session();
    const step = session?.step();
    if (!session || !step) return;
    const isMistaken = attempt === 0 && session.at() % 5 === 3;
    const mistakes = isMistaken ? [{ kind: 'wrong-key' as const, note: step.keys.length - 1 }] : [];
    const tune = step.keys.map((midi) => ({ beat: 1, beats: 1, midi }));
    this.pianist = simulatedKeys(tune, this.beatsPerMinute(), session.at() * 7 + attempt, mistakes);
    const begun = performance.now();
    this.pianist.start(
      ({ midi, velocity }) => velocity > 0 && this.press(midi),
      () => (performance.now() - begun) / 1000,
    );
  }

  /** A key from any source; a chord that is complete is marked. */
  protected press(midi: number): void {
    const session = this.session();
    void this.hear([midi]);
    if (!session) return;
    const at = session.at();
    const mark = session.press(midi);
    if (mark && this.pianist) this.playNext(session.at() === at ? 1 : 0);
  }

  /** The first key's chords, one after the other at the tempo. */
  protected async hearFirst(): Promise<void> {
    const beat = 60_000 / this.beatsPerMinute();
    const [first] = this.steps();
    const inFirst = this.steps().filter((step) => step.key === first.key);
    for (const step of inFirst) {
      await this.hear(step.keys);
      await new Promise((resolve) => setTimeout(resolve, 2 * beat));
    }
  }

  private async hear(keys: readonly number[]): Promise<void> {
    try {
      await this.piano.hear(keys);
    } catch (error) {
      this.problem.set(`The piano could not be started: ${messageOf(error)}.`);
    }
  }
}
