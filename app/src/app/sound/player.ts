import { inject, Injectable, signal } from '@angular/core';
import type { Arrangement } from '@joined-hands/core/arrangement';
import { Piano } from './piano';
import { type PlannedNote, planProgram, type PlayProgram, type PlayRequest } from './program';
import { messageOf } from '../ui/message';

const CLICK_HIGH = 1760;
const CLICK_LOW = 1175;

/** Plays stretches of the arrangement; tells the seam and the keyboard where it is. */
@Injectable({ providedIn: 'root' })
export class Player {
  private readonly piano = inject(Piano);
  private stopPlaying: (() => void) | null = null;
  private starting = 0;

  readonly isPlaying = signal(false);
  readonly isLoading = signal(false);
  /** The tick that sounds, or null when silent or counting in. */
  readonly tick = signal<number | null>(null);
  /** Keys sounding now with their hand. */
  readonly sounding = signal<readonly PlannedNote[]>([]);
  readonly problem = signal<string | null>(null);

  /** Plays a stretch, over and over when `loops`; stops what was playing. `whenDone` follows its end, not a stop. */
  async play(
    arrangement: Arrangement,
    request: PlayRequest,
    loops: boolean,
    whenDone?: () => void,
  ): Promise<void> {
    this.stop();
    const turn = ++this.starting;
    const program = planProgram(arrangement, request);
    this.isPlaying.set(true);
    this.isLoading.set(true);
    try {
      const { tone, instrument, click, delaySeconds, latencySeconds } = await this.piano.ready(
        program.notes.map(({ midi }) => midi),
      );
      if (turn !== this.starting) return;
      this.isLoading.set(false);
      this.run(tone.getTransport(), program, loops, {
        strike: (note, time) =>
          instrument.triggerAttackRelease(
            tone.Frequency(note.midi, 'midi').toFrequency(),
            note.duration,
            // Tone's own now() lies ahead of the sound: nothing would be struck before it, and most notes a little late.
            Math.max(tone.immediate(), time - delaySeconds),
            note.velocity / 127,
          ),
        click: (isDownbeat, time) =>
          click.triggerAttackRelease(isDownbeat ? CLICK_HIGH : CLICK_LOW, 0.03, time),
        heardAt: () => tone.immediate() - latencySeconds,
        silence: () => instrument.releaseAll(),
        done: () => whenDone?.(),
      });
      document.dispatchEvent(
        new CustomEvent('joined-hands:playing', {
          detail: { notes: program.notes, seconds: program.seconds },
        }),
      );
    } catch (error) {
      if (turn !== this.starting) return;
      this.stop();
      this.problem.set(`The piano could not be started: ${messageOf(error)}.`);
    }
  }

  stop(): void {
    this.starting++;
    this.stopPlaying?.();
    this.stopPlaying = null;
    this.isPlaying.set(false);
    this.isLoading.set(false);
    this.tick.set(null);
    this.sounding.set([]);
  }

  private run(
    transport: ReturnType<typeof import('tone').getTransport>,
    program: PlayProgram,
    loops: boolean,
    act: Acts,
  ): void {
    transport.stop();
    transport.cancel();
    transport.bpm.value = 120;
    for (const note of program.notes) transport.schedule((time) => act.strike(note, time), note.at);
    for (const { at, isDownbeat } of program.clicks)
      transport.schedule((time) => act.click(isDownbeat, time), at);
    transport.loop = loops;
    transport.loopStart = program.countIn;
    transport.loopEnd = program.seconds;
    // A moment ahead, so that the first strike is not late.
    const begins = transport.now() + 0.1;
    let frame = 0;
    const follow = (): void => {
      const heard = act.heardAt();
      const now = heard < begins ? 0 : transport.getSecondsAtTime(heard);
      if (!loops && now >= program.seconds) {
        this.stop();
        return act.done();
      }
      this.tick.set(now < program.countIn ? null : program.tickAt(now));
      this.sounding.set(soundingAt(program.notes, now));
      frame = requestAnimationFrame(follow);
    };
    this.stopPlaying = () => {
      cancelAnimationFrame(frame);
      transport.stop();
      transport.cancel();
      transport.loop = false;
      act.silence();
    };
    transport.start(begins, 0);
    frame = requestAnimationFrame(follow);
  }
}

interface Acts {
  readonly strike: (note: PlannedNote, time: number) => void;
  readonly click: (isDownbeat: boolean, time: number) => void;
  /** The time of the sound's clock that is heard now. */
  readonly heardAt: () => number;
  readonly silence: () => void;
  readonly done: () => void;
}

function soundingAt(notes: readonly PlannedNote[], now: number): PlannedNote[] {
  return notes.filter((note) => note.at <= now && now < note.at + note.duration);
}
