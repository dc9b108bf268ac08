import { Injectable } from '@angular/core';
import type { ChartReading } from '@joined-hands/core/formats';
import type { NoteNames } from '@joined-hands/core/music';
import { wrap } from 'comlink';
import type { Reader, ReadResult } from './read.worker';

/** Reads files in a worker of its own, so that reading can be called off. */
@Injectable({ providedIn: 'root' })
export class FileReaderClient {
  private stopReading: (() => void) | null = null;
  private ready: Worker | null = null;

  /** Starts a worker before a file is there: it loads while one is chosen. */
  warm(): void {
    this.ready ??= new Worker(new URL('./read.worker', import.meta.url), { type: 'module' });
  }

  /** Null when it was called off. Files name their notes in English unless it is known that they do not. */
  read(
    name: string,
    bytes: Uint8Array,
    songId: string,
    names: NoteNames = 'english',
    open: ChartReading = {},
  ): Promise<ReadResult | null> {
    this.warm();
    const worker = this.ready as Worker;
    this.ready = null;
    return new Promise<ReadResult | null>((resolve, reject) => {
      this.stopReading = () => resolve(null);
      wrap<Reader>(worker).read(name, bytes, songId, names, open).then(resolve, reject);
    }).finally(() => {
      worker.terminate();
      this.stopReading = null;
    });
  }

  /** Calls off the reading of a file; nothing of it is kept. */
  cancel(): void {
    this.stopReading?.();
  }
}
