import { inWords } from '@joined-hands/core/sentences';
import { lastAtOrBefore } from '@joined-hands/core/song';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { watchFor } from '@joined-hands/core/arrange';
import {
  type Along,
  alongs,
  alongWith,
  isOfSong,
  type PractiseSettings,
  type Pushing,
  type Trouble,
  widePassages,
} from '@joined-hands/core/practice';
import {
  careInWords,
  taskInWords,
  taskTitle,
  judgementInWords,
  restInWords,
  signsInWords,
  standingInWords,
  troubleInWords,
  verdictInWords,
} from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { HEARD_BY_MICROPHONE, microphoneKeys } from '../../input/microphone';
import { type Playable, PlayOn } from '../../input/play-on';
import { pupilKeys } from '../../input/pupil-keys';
import type { KeySource } from '../../input/recorder';
import { ScreenKeyboard } from '../../input/screen-keyboard';
import { ON_COMPUTER, ON_MIDI, onScreen, simulated, type Way } from '../../input/ways';
import { Choice } from '../../ui/choice';
import { Judge } from '../../workers/judge';
import { MicrophoneCheck } from './microphone-check';
import { PractiseState } from './practise-state';
import { TurnByBar } from './turn-by-bar';
import { WarmUpList } from './warm-up-list';

const ALONG: Record<Along, string> = { click: 'The click', hand: 'The other hand', bass: 'The bass alone' };

/** The task of now, large: what to play, at what tempo, how it went, what comes next. */
@Component({
  selector: 'jh-now-panel',
  imports: [Choice, MicrophoneCheck, NzButtonComponent, PlayOn, TurnByBar, WarmUpList],
  template: `
    @if (state.current(); as task) {
      <section>
        <p class="label">Task {{ state.at() + 1 }} of {{ state.plan()?.tasks?.length }}</p>
        <h2 class="title">{{ title() }}</h2>
        <p>{{ told() }}.</p>
        @if (!state.isSaid()) {
          <p class="standing" aria-live="polite">{{ standing() }}</p>
        }
        @if (watch(); as text) {
          <p class="note">{{ text }}</p>
        }
        @for (care of cares(); track care) {
          <p class="note">{{ care }}</p>
        }
        @if (state.restDue(); as minutes) {
          <p class="rest" role="status">{{ rest(minutes) }}</p>
        }
        @switch (task.kind) {
          @case ('warm-up') {
            <jh-warm-up-list />
          }
          @case ('level') {
            <p>
              Done takes the song up to level {{ task.level + 1 }}; it can be undone like any other choice.
            </p>
          }
        }
        <p class="line">
          @if (isOfSong(task)) {
            <button nz-button nzSize="large" type="button" (click)="state.hear()">Hear it</button>
          }
          <button nz-button nzSize="large" nzType="primary" type="button" (click)="state.next()">
            Next task
          </button>
        </p>
      </section>
      @if (state.lastTurn(); as last) {
        <section aria-live="polite" aria-label="The last turn">
          <h3>{{ verdict() }}</h3>
          @for (line of judged(); track line) {
            <p>{{ line }}</p>
          }
          @if (state.troubles().length > 0) {
            <ol class="ranked">
              @for (trouble of state.troubles(); track trouble.tick + trouble.kind + trouble.hand) {
                <li>
                  <span>{{ words(trouble) }}</span>
                  <button
                    nz-button
                    nzSize="small"
                    type="button"
                    [attr.aria-label]="'Hear ' + words(trouble)"
                    (click)="state.hearTrouble(trouble, false)"
                  >
                    Hear
                  </button>
                  <button
                    nz-button
                    nzSize="small"
                    type="button"
                    [attr.aria-label]="'Loop ' + words(trouble)"
                    (click)="state.hearTrouble(trouble, true)"
                  >
                    Loop
                  </button>
                </li>
              }
            </ol>
          }
          @if (state.listening.judgement()) {
            <jh-turn-by-bar />
          }
        </section>
      }
      <section>
        @if (state.isSaid()) {
          <h3>Done?</h3>
        } @else if (state.listening.isListening()) {
          <p role="status" class="standing">{{ state.listening.counted() }}</p>
          @if (way()?.note; as note) {
            <p class="note">{{ note }}</p>
          }
          <p class="line"><button nz-button type="button" (click)="state.stop()">Stop</button></p>
        } @else {
          <h3>Play a turn</h3>
          <jh-play-on
            [ways]="ways"
            [about]="task"
            otherwise="Say how it went, or use other keys."
            (begun)="listen($event)"
          />
          <details>
            <summary>{{ how() }}</summary>
            @if (alongs().length > 1) {
              <p class="note">Meanwhile the program plays</p>
              <jh-choice
                name="along"
                label="What the program plays with you"
                [mostInRow]="2"
                [options]="alongs()"
                [value]="along()"
                (chosen)="state.wishes.change({ along: $event })"
              />
            }
            <p class="note">{{ alongs().length > 1 ? 'and' : 'The click' }}</p>
            <jh-choice
              name="pushing"
              label="How it stays with you"
              [mostInRow]="3"
              [options]="pushings"
              [value]="state.wishes.all().pushing"
              (chosen)="state.wishes.change({ pushing: $event })"
            />
            <p class="note">After a clean turn, the next starts</p>
            <jh-choice
              name="goes-on"
              label="When the next turn begins after a clean one"
              [mostInRow]="3"
              [options]="goings"
              [value]="state.wishes.all().goesOn"
              (chosen)="goOn($event)"
            />
          </details>
          <jh-microphone-check />
          <h3>Or say how it went</h3>
        }
        @if (!state.listening.isListening()) {
          <p class="line">
            <button nz-button type="button" (click)="state.said(true)">
              {{ state.isSaid() ? 'Done' : 'Clean' }} (Y)
            </button>
            @if (!state.isSaid()) {
              <button nz-button type="button" (click)="state.said(false)">Not yet (N)</button>
            }
          </p>
        }
        @for (problem of problems(); track problem) {
          <p class="problem" role="alert">{{ problem }}</p>
        }
      </section>
    } @else if (state.plan()?.tasks?.length) {
      <section>
        <h2>That was the plan for today</h2>
        <p>Rest the hands. What was clean comes back when it is due; what was not comes first tomorrow.</p>
        <button nz-button nzType="primary" type="button" (click)="state.planAnew()">Plan once more</button>
      </section>
    } @else {
      <section>
        <h2>Nothing to practise</h2>
        <p>{{ nothing() }}</p>
      </section>
    }
  `,
  styleUrls: ['../../ui/panel.less', './practise.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NowPanel {
  protected readonly state = inject(PractiseState);
  protected readonly isOfSong = isOfSong;
  protected readonly title = computed(() => {
    const task = this.state.current();
    return task ? taskTitle(task) : '';
  });
  protected readonly told = computed(() => {
    const task = this.state.current();
    return task ? taskInWords(task) : '';
  });
  protected readonly standing = computed(() =>
    standingInWords(this.state.standing(), this.state.wishes.goal().turns),
  );
  /** What makes it hard for the hands that play is what to watch. */
  protected readonly watch = computed(() => {
    const [task, arrangement] = [this.state.current(), this.state.bench.arrangement()];
    if (!task || !arrangement || !isOfSong(task)) return '';
    const reasons = watchFor(arrangement, task, task.hands);
    return reasons.length > 0 ? `Watch for: ${reasons.map(inWords).join(', ')}.` : '';
  });
  protected readonly verdict = computed(() => {
    const last = this.state.lastTurn();
    return last ? verdictInWords(last.isClean, last.standing) : '';
  });
  protected readonly judged = computed(() => {
    const judgement = this.state.listening.judgement();
    return judgement ? [...judgementInWords(judgement), signsInWords(judgement)].filter(Boolean) : [];
  });
  protected readonly nothing = computed(() => {
    const song = this.state.bench.song();
    if (song && song.melody.length + song.changes.length === 0)
      return 'This song has no note and no chord yet: begin on the Tune bench.';
    return 'All of it was passed, and nothing is due today.';
  });

  protected words(trouble: Trouble): string {
    const keyMap = this.state.bench.song()?.keyMap ?? [];
    return troubleInWords(trouble, lastAtOrBefore(keyMap, trouble.tick));
  }

  /** Passages that ask for care with these hands. */
  protected readonly cares = computed(() => {
    const [task, arrangement] = [this.state.current(), this.state.bench.arrangement()];
    if (!task || !arrangement || this.state.isSaid()) return [];
    return widePassages(arrangement, task, arrangement.profile)
      .filter(({ hand }) => task.hands === 'both' || hand === task.hands)
      .map(careInWords);
  });
  protected readonly problems = computed(() =>
    [this.state.problem(), this.state.log.problem(), this.state.wishes.problem()].filter(Boolean),
  );

  protected rest(minutes: number): string {
    return restInWords(minutes);
  }

  /** How a turn is played and followed by the next, in a line. */
  protected readonly how = computed(() => {
    const { pushing, goesOn } = this.state.wishes.all();
    const labelOf = <T>(all: readonly { value: T; label: string }[], value: T): string =>
      all.find((each) => each.value === value)?.label.toLowerCase() ?? '';
    const after = `after a clean turn, the next starts ${labelOf(this.goings, goesOn)}`;
    return `${ALONG[this.along()]} ${labelOf(this.pushings, pushing)}; ${after}`;
  });

  /** What comes after a clean turn: nothing, or the next one. */
  protected readonly goings: readonly {
    readonly value: PractiseSettings['goesOn'];
    readonly label: string;
  }[] = [
    { value: false, label: 'On a key' },
    { value: 'bar', label: 'After a bar' },
    { value: 'beat', label: 'At once' },
  ];

  /** What the program can play with this task. */
  protected readonly alongs = computed(() => {
    const task = this.state.current();
    return task ? alongs(task).map((value) => ({ value, label: ALONG[value] })) : [];
  });
  protected readonly along = computed(() => {
    const [task, { along }] = [this.state.current(), this.state.wishes.all()];
    return task ? alongWith(task, along) : along;
  });
  protected readonly pushings: readonly { readonly value: Pushing; readonly label: string }[] = [
    { value: 'strict', label: 'Keeps time' },
    { value: 'follows', label: 'Follows you' },
    { value: 'waits', label: 'Waits' },
  ];

  protected goOn(goesOn: PractiseSettings['goesOn']): void {
    this.state.wishes.change({ goesOn });
  }

  private readonly judge = inject(Judge);
  protected readonly ways = [
    ON_MIDI,
    {
      label: 'Microphone',
      note: HEARD_BY_MICROPHONE,
      keys: () => microphoneKeys(this.judge, this.state.wanted(), this.state.pace(), this.state.others()),
    },
    ON_COMPUTER,
    onScreen(inject(ScreenKeyboard)),
    simulated(() => this.pupil(true), 'Demo player, careful'),
    simulated(() => this.pupil(false), 'Demo player, careless'),
  ];

  /** What is played on. */
  protected readonly way = signal<Way | null>(null);

  protected listen({ keys, way }: Playable): void {
    this.way.set(way);
    void this.state.listen(keys, way.keys);
  }

  private pupil(isCareful: boolean): KeySource {
    const tempo = this.state.standing().tempoPercent / 100;
    return pupilKeys(this.state.wanted(), tempo, this.state.log.turns().length + 1, isCareful);
  }
}
