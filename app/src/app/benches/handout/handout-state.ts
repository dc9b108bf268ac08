import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import type { Arrangement } from '@joined-hands/core/arrangement';
import {
  DEFAULT_HANDOUT,
  type Handout,
  layOut,
  type Page,
  roomOn,
  type SheetId,
  sheetMoved,
  SHEETS,
  type Staves,
  type System,
  withSheet,
} from '@joined-hands/core/sheets';
import { BenchState } from '../../frame/bench-state';
import { HandoutStore } from '../../storage/handout-store';
import { PracticeStore } from '../../storage/practice-store';
import { told } from '../../ui/told';

/** Drawing gives way to the screen after so long, in milliseconds. */
const SLICE_MS = 40;

/** What of the open song goes on paper, and its pages. */
@Injectable()
export class HandoutState {
  readonly bench = inject(BenchState);
  private readonly store = inject(HandoutStore);
  private readonly practice = inject(PracticeStore);
  readonly isOpen = signal(false);
  readonly handout = signal<Handout>(DEFAULT_HANDOUT);
  private readonly notStored = signal('');
  private readonly notLaidOut = signal('');
  /** What went wrong, the sheets before what was chosen. */
  readonly problem = computed(() => this.notLaidOut() || this.notStored());
  /** The pages; null while they are worked out for the first time. */
  readonly pages = signal<readonly Page[] | null>(null);
  /** The page that is looked at, from 0. */
  readonly page = signal(0);
  private turnOf = 0;
  /** The song whose choice was read. */
  private loaded = '';

  readonly chosen = computed(() =>
    this.handout().sheets.map((id) => SHEETS.find((sheet) => sheet.id === id) ?? SHEETS[0]),
  );
  readonly others = computed(() => SHEETS.filter(({ id }) => !this.handout().sheets.includes(id)));

  constructor() {
    effect(() => {
      const song = this.bench.song()?.id;
      if (song !== undefined && this.isOpen()) untracked(() => void this.load(song));
    });
    effect(() => {
      const [arrangement, { sheets, paper }] = [this.bench.arrangement(), this.handout()];
      if (!this.isOpen() || !arrangement || arrangement.isPartial) return;
      untracked(() => void this.laidOut(arrangement, { sheets, paper }));
    });
  }

  private async load(songId: string): Promise<void> {
    if (this.loaded === songId) return;
    this.loaded = songId;
    try {
      this.handout.set(await this.store.get(songId));
    } catch (error) {
      this.notStored.set(
        `What was chosen last could not be read: ${told(error)}. The usual sheets are shown.`,
      );
    }
  }

  private async laidOut(arrangement: Arrangement, { sheets, paper }: Handout): Promise<void> {
    const turn = ++this.turnOf;
    try {
      const handout = { sheets, paper };
      const [staves, practises] = await Promise.all([
        this.drawn(arrangement, handout, () => turn !== this.turnOf),
        this.practice.settings(),
      ]);
      // Something newer may have been asked for while notation was loaded and drawn.
      if (turn !== this.turnOf) return;
      const pages = layOut(arrangement, sheets, paper, { staves, practises });
      this.pages.set(pages);
      this.page.update((page) => Math.max(0, Math.min(page, pages.length - 1)));
      this.notLaidOut.set('');
    } catch (error) {
      this.notLaidOut.set(`The sheets could not be laid out: ${told(error)}. Leave one out and try again.`);
    }
  }

  /** Draws the staves of the sheets chosen, a system at a time, so that the screen goes on; none where that is stale. */
  private async drawn(
    arrangement: Arrangement,
    { sheets, paper }: Handout,
    isStale: () => boolean,
  ): Promise<Staves> {
    const wanted = SHEETS.flatMap((sheet) =>
      'staves' in sheet && sheets.includes(sheet.id) ? [sheet.staves] : [],
    );
    if (wanted.length === 0) return {};
    const { engrave, musicFontReady } = await import('../../notation/engrave');
    await musicFontReady();
    const staves: Record<string, readonly System[]> = {};
    // Full score and parts on staves are the same systems.
    for (const which of new Set(wanted)) {
      const drawing = engrave(arrangement, roomOn(paper).width, which);
      let system = drawing.next();
      for (let last = performance.now(); !system.done; system = drawing.next()) {
        if (performance.now() - last < SLICE_MS) continue;
        await new Promise((resolve) => setTimeout(resolve));
        if (isStale()) return {};
        last = performance.now();
      }
      staves[which] = system.value;
    }
    return staves;
  }

  choose(id: SheetId, isIn: boolean): void {
    this.change(withSheet(this.handout(), id, isIn));
  }

  move(id: SheetId, by: 1 | -1): void {
    this.change(sheetMoved(this.handout(), id, by));
  }

  setPaper(differs: Partial<Handout['paper']>): void {
    const { sheets, paper } = this.handout();
    this.change({ sheets, paper: { ...paper, ...differs } });
  }

  private change(handout: Handout): void {
    this.handout.set(handout);
    const song = this.bench.song();
    if (!song) return;
    this.store.save(song.id, handout).then(
      () => this.notStored.set(''),
      (error: unknown) =>
        this.notStored.set(
          `What you chose could not be stored: ${told(error)}. It holds until the page is closed.`,
        ),
    );
  }

  turn(by: 1 | -1): void {
    const last = (this.pages()?.length ?? 1) - 1;
    this.page.update((page) => Math.max(0, Math.min(last, page + by)));
  }

  /** By the browser's own printing; what is printed are the pages as they are shown. */
  print(): void {
    if ((this.pages()?.length ?? 0) > 0) window.print();
  }
}
