import { computed, inject, Injectable, signal } from '@angular/core';
import { PRACTISE_SETTINGS, type PractiseSettings } from '@joined-hands/core/practice';
import { PracticeStore } from '../../storage/practice-store';
import { messageOf } from '../../ui/message';

const DAY_MS = 86_400_000;

/** How one wants to practise: minutes, goal, rests, and until when; kept from one sitting to the next. */
@Injectable()
export class PractiseWishes {
  private readonly store = inject(PracticeStore);
  readonly all = signal<PractiseSettings>(PRACTISE_SETTINGS);
  readonly goal = computed(() => this.all().goal);
  readonly problem = signal('');
  /** The day the song should be ready, in milliseconds; null: whenever it is. */
  readonly readyBy = signal<number | null>(null);
  private songId = '';

  async load(songId: string): Promise<void> {
    this.songId = songId;
    this.all.set(await this.store.settings());
    this.readyBy.set(await this.store.readyBy(songId));
  }

  change(differs: Partial<PractiseSettings>): void {
    this.all.update((all) => ({ ...all, ...differs }));
    this.kept(this.store.saveSettings(this.all()));
  }

  /** Days until the song should be ready, today among them; null: none is set. */
  days(now: number): number | null {
    const day = this.readyBy();
    return day === null ? null : Math.max(1, Math.ceil((day - now) / DAY_MS));
  }

  setDays(days: number | null, now: number): void {
    this.readyBy.set(days === null ? null : now + days * DAY_MS);
    this.kept(this.store.setReadyBy(this.songId, this.readyBy()));
  }

  private kept(stored: Promise<void>): void {
    stored.then(
      () => this.problem.set(''),
      (error: unknown) =>
        this.problem.set(
          `What you chose could not be stored: ${messageOf(error)}. It will be lost when you close this page.`,
        ),
    );
  }
}
