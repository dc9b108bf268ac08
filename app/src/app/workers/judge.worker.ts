import './own-names';
import { type KeyListener, NoteListener, pianoShapes, ScoreListener } from '@joined-hands/core/listening';
import { judgeTake, type WantedKey } from '@joined-hands/core/practice';
import type { KeyEvent } from '@joined-hands/core/takes';
import { expose } from 'comlink';

let shapes: ReturnType<typeof pianoShapes> | null = null;
let listener: KeyListener | null = null;

const judge = {
  judge: judgeTake,

  listenFor(
    wanted: readonly WantedKey[] | null,
    samplesPerSecond: number,
    pace: number,
    others: readonly WantedKey[],
  ): void {
    shapes ??= pianoShapes();
    listener = wanted
      ? new ScoreListener(wanted, shapes, samplesPerSecond, pace, others)
      : new NoteListener(shapes, samplesPerSecond);
  },

  hear(block: Float32Array, ended: number): KeyEvent[] {
    return listener?.hear(block, ended) ?? [];
  },

  heardInFull(): KeyEvent[] {
    const heard = listener?.inFull() ?? [];
    listener = null;
    return heard;
  },
};

export type JudgeWorker = typeof judge;
expose(judge);
