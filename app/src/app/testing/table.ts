import '@angular/compiler';
import {
  type AbstractType,
  computed,
  Injector,
  type Provider,
  type Signal,
  signal,
  type Type,
  ɵChangeDetectionScheduler,
  ɵEffectScheduler,
  ɵINJECTOR_SCOPE,
} from '@angular/core';
import { arrange } from '@joined-hands/core/arrange';
import type { Profile, Song, SongEdit } from '@joined-hands/core/song';
import { type Action, Store } from '@ngrx/store';
import { BenchState } from '../frame/bench-state';
import { Hearing } from '../frame/hearing';
import { KeysShown } from '../frame/keys-shown';
import { Playing } from '../frame/playing';
import { Piano } from '../sound/piano';
import { Player } from '../sound/player';
import type { PlannedNote, PlayRequest } from '../sound/program';
import { ArrangementActions, SongActions } from '../state/actions';
import { EMPTY_WORKBENCH, type WorkbenchState } from '../state/model';
import { workbench } from '../state/reducer';
import { FIRST_PLACE } from '../storage/place';
import { type Answers, answerTo, type Question } from '../workers/answers';
import { Asker } from '../workers/asker';

/** What the player was asked to play. */
interface Played extends PlayRequest {
  readonly loops: boolean;
  readonly whenDone?: () => void;
}

/**
 * An open song as the state of a bench sees it, without a browser: the store's own reducer, the core in the place of
 * the workers, a piano that writes down what it is given.
 */
export class Table {
  private readonly workbench = signal<WorkbenchState>(EMPTY_WORKBENCH);
  private readonly injector: Injector;
  /** Questions asked and not yet answered. */
  private waiting: (() => void)[] = [];
  readonly edits: SongEdit[] = [];
  readonly questions: Question[] = [];
  /** Keys struck together, in order. */
  readonly heard: number[][] = [];
  readonly plays: Played[] = [];
  readonly sound = {
    isPlaying: signal(false),
    isLoading: signal(false),
    tick: signal<number | null>(null),
    sounding: signal<readonly PlannedNote[]>([]),
    problem: signal<string | null>(null),
  };
  /** Edits are arranged only when asked. */
  isSlow = false;

  constructor(song: Song, ...providers: Provider[]) {
    this.injector = Injector.create({
      providers: [
        { provide: ɵINJECTOR_SCOPE, useValue: 'root' },
        { provide: ɵChangeDetectionScheduler, useValue: { notify: () => undefined, runningTick: false } },
        { provide: Store, useValue: this.store() },
        { provide: Asker, useValue: this.asker() },
        { provide: Player, useValue: this.player() },
        { provide: Piano, useValue: { hear: async (keys: number[]) => void this.heard.push(keys) } },
        BenchState,
        Hearing,
        Playing,
        KeysShown,
        ...providers,
      ] as Parameters<typeof Injector.create>[0]['providers'],
    });
    this.dispatch(SongActions.opened({ song, revision: 1, place: FIRST_PLACE, isReadOnly: false }));
  }

  get<T>(token: Type<T> | AbstractType<T>): T {
    const made = this.injector.get(token);
    this.settle();
    return made;
  }

  get state(): WorkbenchState {
    return this.workbench();
  }

  get song(): Song {
    return this.state.song as Song;
  }

  /** Effects run, and what the other thread was asked is answered, until nothing is left. */
  settle(): void {
    const effects = this.injector.get(ɵEffectScheduler);
    effects.flush();
    while (this.waiting.length > 0) {
      this.waiting.shift()?.();
      effects.flush();
    }
  }

  /** The part on screen once what was asked for sounds at a tick. */
  partAt(tick: number): number {
    this.sound.tick.set(tick);
    this.settle();
    return this.state.place.part;
  }

  /** The arrangement of the song as it is now comes in. */
  arrange(): void {
    const { song, profile } = this.state;
    if (song) this.reduce(ArrangementActions.came({ arrangement: arrange(song, profile) }));
  }

  dispatch(action: Action): void {
    if (action.type === SongActions.edited.type)
      this.edits.push((action as unknown as { edit: SongEdit }).edit);
    this.reduce(action);
    if (this.state.isArranging && !this.isSlow) this.arrange();
  }

  private reduce(action: Action): void {
    this.workbench.set(workbench.reducer(this.workbench(), action));
  }

  private store(): Pick<Store, 'dispatch'> & { selectSignal<T>(selector: (state: object) => T): Signal<T> } {
    return {
      dispatch: ((action: Action) => this.dispatch(action)) as Store['dispatch'],
      selectSignal: (selector) => computed(() => selector({ workbench: this.workbench() })),
    };
  }

  private asker(): Pick<Asker, 'answer' | 'ask' | 'heard'> {
    const answered = (song: Song, profile: Profile, question: Question): Answers[keyof Answers] => {
      this.questions.push(question);
      return answerTo(song, profile, question);
    };
    return {
      answer: ({ song, profile }, question, came) => {
        this.waiting.push(() => {
          if (this.state.song === song) came(answered(song, profile, question) as never);
        });
      },
      ask: async (song, profile, question) => answered(song, profile, question) as never,
      heard: async (song, profile, question) => {
        this.questions.push(question);
        return arrange(song, profile, { withoutFingers: true });
      },
    };
  }

  private player(): object {
    return {
      ...this.sound,
      play: async (
        _: unknown,
        request: PlayRequest,
        loops: boolean,
        whenDone?: () => void,
      ): Promise<void> => {
        this.plays.push({ ...request, loops, whenDone });
        this.sound.isPlaying.set(true);
      },
      stop: (): void => this.sound.isPlaying.set(false),
    };
  }
}
