import { inject, Injectable } from '@angular/core';
import { counted } from '@joined-hands/core/words';
import { Problems } from '../ui/problems';

/** What tells whether something stored is what it should be. */
export interface Schema<T> {
  safeParse(stored: unknown): { readonly success: true; readonly data: T } | { readonly success: false };
}

/** Checks stored records one by one: one that is not what it should be costs itself alone, and is said. */
@Injectable({ providedIn: 'root' })
export class Checked {
  private readonly problems = inject(Problems);
  /** Those that were said, as text. */
  private readonly said = new Set<string>();

  /** The records that can be read; the others are left out, and said the first time, with what is stored. */
  good<T>(schema: Schema<T>, records: readonly unknown[]): T[] {
    const bad: unknown[] = [];
    const good = records.flatMap((record) => {
      const read = schema.safeParse(record);
      if (!read.success) bad.push(record);
      return read.success ? [read.data] : [];
    });
    this.tell(bad);
    return good;
  }

  private tell(bad: readonly unknown[]): void {
    const unsaid = bad.filter((record) => !this.said.has(JSON.stringify(record)));
    if (unsaid.length === 0) return;
    for (const record of unsaid) this.said.add(JSON.stringify(record));
    const [are, it] = unsaid.length === 1 ? ['is', 'it'] : ['are', 'them'];
    this.problems.tell(
      `${counted(unsaid.length, 'entry', 'entries')} of what you practised cannot be read and ${are} left out; all others are as they were. Download ${it} before you delete the song.`,
      unsaid,
    );
  }
}
