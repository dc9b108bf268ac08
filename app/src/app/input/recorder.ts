import { computed, inject, Injectable, signal } from '@angular/core';
import { KEYBOARDS, TICKS_PER_QUARTER } from '@joined-hands/core/music';
import type { Click, Stretch } from '@joined-hands/core/performance';
import type { AlongStrike, Companion } from '@joined-hands/core/practice';
import type { KeyEvent } from '@joined-hands/core/takes';
import { Piano } from '../sound/piano';
import { Player } from '../sound/player';
import { timetableOf } from './timetable';

/**
 * Seconds since the first beat to be played, negative while counting in: of now, or of a time on the browser's own clock
 * (milliseconds, as events carry it). What happened is told by its own time: it may be heard of later, while much is done.
 */
export type TakeClock = (at?: DOMHighResTimeStamp) => number;

/** Something that sends keys: told when to begin, it calls back with every key until it is told to stop. */
export interface KeySource {
  /** Catches its keys from now on, so that they mean nothing else; they count once it is told to begin. */
  prepare?(): void;
  /** `gone` is told, with what and what to do, where it can no more be heard. */
  start(press: (event: KeyEvent) => void, now: TakeClock, gone?: (problem: string) => void): void;
  stop(): void;
  /** Whether it is heard by itself: then its keys are not sounded once more. */
  readonly sounds?: boolean;
  /** Whether it lets go of what it listens to when it is told to stop: then it cannot be started again. */
  readonly isOnce?: boolean;
  /** Whether it has too few keys for two hands: then a key stands for its note in any octave. */
  readonly isAnyOctave?: boolean;
  /** What its keys are called, by their piano keys: shown there while it is listened to. */
  readonly letters?: ReadonlyMap<number, string>;
  /** All that was played, once it was stopped, for what hears sound: what it told at once was a first word, and not all there was. */
  inFull?(): Promise<readonly KeyEvent[]>;
}

/** What is wanted of a take beside its bars. */
export interface TakeWishes {
  /** Gets each key as it comes. */
  readonly heard?: (event: KeyEvent) => void;
  /** One beat is counted in, not a bar. */
  readonly countsInBeat?: boolean;
  /** Plays along; what follows the player is not clicked to. */
  readonly along?: Companion<AlongStrike>;
  readonly isClicked?: boolean;
  /** When a tick of the stretch is due, in seconds at its tempo; else all ticks take as long. */
  readonly secondsAt?: (tick: number) => number;
  /** Asked once the bars are over: while something is to come, who came in late or drags is listened to till the end. */
  readonly hasMoreToCome?: () => boolean;
}

/** What will be pressed is not known. */
const ANY_KEY = Array.from(
  { length: KEYBOARDS[88].high - KEYBOARDS[88].low + 1 },
  (_, i) => KEYBOARDS[88].low + i,
);
/** How long a click lasts, in seconds, and how long before it comes it is handed on: what is handed on sounds, though it is stopped meanwhile. */
const [CLICK_LASTS, CLICK_AHEAD] = [0.03, 0.25];
/** Time for the first click to be ready, in seconds. */
const HEAD_START = 0.15;
/** A note begun on the last beat may end late, in seconds. */
const TAIL = 0.25;
/** Who has pressed no key for so long does not play any more, in seconds. */
const STILL_PLAYS = 2;

/** How keys are struck along: how long and how loud a key is, how long before it is due it is handed on, and how often it is looked. */
const ALONG = { lasts: 0.7, velocity: 0.5, ahead: 0.045, step: 0.008 };

/** Records keys against a click: a bar of count-in, then the bars asked for. */
@Injectable()
export class Recorder {
  private readonly piano = inject(Piano);
  private readonly player = inject(Player);

  readonly quartersPerMinute = signal(96);
  readonly state = signal<'idle' | 'counting-in' | 'recording'>('idle');
  readonly isBusy = computed(() => this.state() !== 'idle');
  /** The click that sounded last; null while idle. */
  private readonly click = signal<Click | null>(null);
  /** Its beat, from 1. */
  readonly beat = computed(() => this.click()?.beat ?? null);
  /** "Count-in: 2", "Bar 5, beat 1": where the click is. */
  readonly counted = computed(() => {
    const { beat, bar } = this.click() ?? { beat: '…', bar: null };
    if (bar === null) return `Count-in: ${beat}`;
    return bar === 0 ? `Pick-up, beat ${beat}` : `Bar ${bar}, beat ${beat}`;
  });
  /** What keys are called that are listened to, by their piano keys. */
  readonly letters = signal<ReadonlyMap<number, string> | null>(null);
  private timers: number[] = [];
  /** Takes begun and ended: what was begun before is not the one of now. */
  private takes = 0;
  private finish: (() => void) | null = null;

  /**
   * Records from a source for a stretch of bars. Resolves with the keys, their times in seconds from its first tick; rejects
   * when there is no sound, and where the source is gone: such a take is none. It is over with the stretch; where more is to
   * come, once no key was pressed for two seconds, at most as long again.
   */
  async record(
    source: KeySource,
    stretch: Stretch,
    {
      heard,
      countsInBeat = false,
      hasMoreToCome = () => false,
      secondsAt,
      along,
      isClicked = true,
    }: TakeWishes = {},
  ): Promise<KeyEvent[]> {
    this.stop();
    this.player.stop();
    source.prepare?.();
    // Until the piano is there it can be told to stop.
    this.finish = () => source.stop();
    const take = ++this.takes;
    this.state.set('counting-in');
    this.letters.set(source.letters ?? null);
    const { tone, click, instrument, delaySeconds, latencySeconds } = await this.ready(source);
    // Stopped meanwhile, or another take was begun.
    if (take !== this.takes) return [];
    const perTick = 60 / (this.quartersPerMinute() * TICKS_PER_QUARTER);
    const { clicks, beforehand, earliest, lasts } = timetableOf(
      stretch,
      perTick,
      secondsAt ?? ((tick) => tick * perTick),
      countsInBeat,
    );
    const begun = performance.now() / 1000 + HEAD_START;
    // What is told to the sound for this is heard with the first beat of the music.
    const audioStart = tone.immediate() + HEAD_START + beforehand - latencySeconds;
    const now: TakeClock = (at = performance.now()) => at / 1000 - begun - beforehand;
    // What hears sound would hear the click: there it is only shown.
    const isHeard = !source.inFull;
    for (const each of clicks) {
      const comesIn = HEAD_START + beforehand + each.seconds;
      if (isHeard && (isClicked || each.bar === null))
        this.later(comesIn - CLICK_AHEAD, () =>
          click.triggerAttackRelease(pitchOf(each), CLICK_LASTS, audioStart + each.seconds),
        );
      this.later(comesIn, () => this.click.set(each));
    }
    this.later(HEAD_START + beforehand, () => this.state.set('recording'));
    const events: KeyEvent[] = [];
    const fromCountIn = (all: readonly KeyEvent[]): KeyEvent[] =>
      all.filter(({ seconds }) => seconds > earliest);
    let pressed = -Infinity;
    const endWhenQuiet = (): void => {
      const isStillPlayed = now() - pressed < STILL_PLAYS && now() < 2 * lasts;
      if (isStillPlayed && hasMoreToCome()) this.later(TAIL, endWhenQuiet);
      else this.stop();
    };
    return new Promise((resolve, reject) => {
      this.finish = () => {
        source.stop();
        if (source.inFull) source.inFull().then((all) => resolve(fromCountIn(all)), reject);
        else resolve(fromCountIn(events));
      };
      const press = (event: KeyEvent): void => {
        events.push(event);
        pressed = now();
        heard?.(event);
        along?.hear(event);
        if (event.velocity > 0 && !source.sounds)
          instrument.triggerAttackRelease(
            tone.Frequency(event.midi, 'midi').toFrequency(),
            0.8,
            tone.immediate(),
          );
      };
      source.start(press, now, (problem) => {
        this.finish = () => source.stop();
        this.stop();
        reject(new Error(problem));
      });
      const strike = (what: AlongStrike, seconds: number): unknown => {
        const at = Math.max(tone.immediate(), audioStart + seconds);
        if ('beat' in what) return isHeard && click.triggerAttackRelease(pitchOf(what), CLICK_LASTS, at);
        const pitch = tone.Frequency(what.midi, 'midi').toFrequency();
        const struck = Math.max(tone.immediate(), at - delaySeconds);
        return instrument.triggerAttackRelease(pitch, ALONG.lasts, struck, ALONG.velocity);
      };
      if (along) this.playAlong(along, now, strike);
      this.later(HEAD_START + beforehand + lasts + TAIL, endWhenQuiet);
    });
  }

  /** Strikes what is struck along as it comes due: only the next is known, and it changes with each key of the player. */
  private playAlong(
    along: Companion<AlongStrike>,
    now: TakeClock,
    strike: (what: AlongStrike, seconds: number) => void,
  ): void {
    const step = (): void => {
      const next = along.next();
      const wait = next ? next.seconds - now() : Infinity;
      if (next && wait < ALONG.ahead) {
        for (const each of next.strikes) strike(each, next.seconds);
        along.strike(next);
      }
      this.later(ALONG.step, step);
    };
    step();
  }

  /** Ends the take; what was played so far is kept. */
  stop(): void {
    this.takes++;
    for (const timer of this.timers) clearTimeout(timer);
    this.timers = [];
    const { finish } = this;
    this.finish = null;
    this.state.set('idle');
    this.click.set(null);
    this.letters.set(null);
    finish?.();
  }

  private async ready(source: KeySource): ReturnType<Piano['ready']> {
    try {
      return await this.piano.ready(source.sounds ? [] : ANY_KEY);
    } catch (error) {
      this.stop();
      throw error;
    }
  }

  private later(seconds: number, act: () => void): void {
    this.timers.push(window.setTimeout(act, Math.max(0, seconds) * 1000));
  }
}

/** How high a click is, in hertz: the downbeat higher. */
function pitchOf({ beat }: Click): number {
  return beat === 1 ? 1760 : 1175;
}
