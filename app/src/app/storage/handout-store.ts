import { inject, Injectable } from '@angular/core';
import { type Handout, readHandout } from '@joined-hands/core/sheets';
import { Database } from './database';

/** Remembers for each song which sheets it is printed on, and how. */
@Injectable({ providedIn: 'root' })
export class HandoutStore {
  private readonly database = inject(Database);

  async get(songId: string): Promise<Handout> {
    return readHandout((await this.database.settings.get(`handout ${songId}`))?.value);
  }

  /** A copy of a song is printed as the song is, until that is changed. */
  async copy(from: string, to: string): Promise<void> {
    const stored = await this.database.settings.get(`handout ${from}`);
    if (stored) await this.database.settings.put({ ...stored, key: `handout ${to}` });
  }

  async save(songId: string, handout: Handout): Promise<void> {
    await this.database.settings.put({ key: `handout ${songId}`, value: handout });
  }
}
