import { noteNames } from '@joined-hands/core/music';
import { Injectable } from '@angular/core';
import type { Judgement, WantedKey } from '@joined-hands/core/practice';
import type { KeyEvent } from '@joined-hands/core/takes';
import { type Remote, wrap } from 'comlink';
import type { JudgeWorker } from './judge.worker';

/** Judges takes in a worker of its own, started with the first: ten minutes of playing take half a second. */
@Injectable({ providedIn: 'root' })
export class Judge {
  private remote: Remote<JudgeWorker> | null = null;

  judge(wanted: readonly WantedKey[], events: readonly KeyEvent[], beatSeconds: number): Promise<Judgement> {
    this.remote ??= wrap<JudgeWorker>(
      new Worker(new URL('./judge.worker', import.meta.url), { type: 'module', name: noteNames() }),
    );
    return this.remote.judge(wanted, events, beatSeconds);
  }
}
