import { noteNames } from '@joined-hands/core/music';
import { Injectable } from '@angular/core';
import type { Judgement, WantedKey } from '@joined-hands/core/practice';
import type { KeyEvent } from '@joined-hands/core/takes';
import { type Remote, transfer, wrap } from 'comlink';
import type { JudgeWorker } from './judge.worker';

/** Sound that is listened to, until other sound is. */
export interface Hearing {
  /** Keys heard with one more block of sound, which ended at `ended` seconds; the block is handed over. */
  hear(block: Float32Array<ArrayBuffer>, ended: number): Promise<KeyEvent[]>;
  /** All keys that were heard, judged by all of the sound. */
  inFull(): Promise<KeyEvent[]>;
}

/** Judges takes, and listens to sound, in a worker of its own, started with the first: ten minutes of playing take half a second. */
@Injectable({ providedIn: 'root' })
export class Judge {
  private remote: Remote<JudgeWorker> | null = null;

  judge(
    wanted: readonly WantedKey[],
    events: readonly KeyEvent[],
    beatSeconds: number,
    bySound: boolean,
  ): Promise<Judgement> {
    return this.worker.judge(wanted, events, beatSeconds, bySound);
  }

  /**
   * From now on sound is listened to: for keys that are wanted, `pace` seconds a second of the music, while the program
   * strikes `others`; for any where it is null.
   */
  async listenFor(
    wanted: readonly WantedKey[] | null,
    samplesPerSecond: number,
    pace: number,
    others: readonly WantedKey[],
  ): Promise<Hearing> {
    const mine = ++this.hearings;
    await this.worker.listenFor(wanted, samplesPerSecond, pace, others);
    const ifMine = (hear: () => Promise<KeyEvent[]>): Promise<KeyEvent[]> =>
      mine === this.hearings ? hear() : Promise.resolve([]);
    return {
      hear: (block, ended) => ifMine(() => this.worker.hear(transfer(block, [block.buffer]), ended)),
      inFull: () => ifMine(() => this.worker.heardInFull()),
    };
  }

  /** How often listening was begun: only the last is listened to. */
  private hearings = 0;

  private get worker(): Remote<JudgeWorker> {
    this.remote ??= wrap<JudgeWorker>(
      new Worker(new URL('./judge.worker', import.meta.url), { type: 'module', name: noteNames() }),
    );
    return this.remote;
  }
}
