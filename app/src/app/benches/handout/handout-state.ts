import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import type { Arrangement } from '@joined-hands/core/arrangement';
import {
  DEFAULT_HANDOUT,
  type Handout,
  layOut,
  type Page,
  type Paper,
  roomOn,
  scoresOf,
  type SheetId,
  sheetMoved,
  SHEETS,
  type Staves,
  type System,
  systemsFrom,
  withSheet,
} from '@joined-hands/core/sheets';
import { BenchState } from '../../frame/bench-state';
import { EngraverClient } from '../../notation/engraver';
import { HandoutStore } from '../../storage/handout-store';
import { PracticeStore } from '../../storage/practice-store';
import { messageOf } from '../../ui/message';

/** Pages, with what they were laid out for: until newer ones are there they stay on the screen. */
interface LaidOut {
  readonly pages: readonly Page[];
  readonly handout: Handout;
  readonly arrangement: Arrangement;
  readonly staves: Staves;
}

/** Pages as they are now, with all they were laid out from. */
export interface Current extends LaidOut {
  readonly paper: Paper;
}

/** Who waits for the pages of what is chosen now. */
interface Waiting {
  readonly go: () => void;
  readonly fail: (error: Error) => void;
}

/** The sheets that need no engraver, to look at until the others are drawn. */
function withoutStaves(arrangement: Arrangement, handout: Handout): LaidOut | null {
  const sheets = handout.sheets.filter((id) => !SHEETS.some((sheet) => sheet.id === id && 'staves' in sheet));
  if (sheets.length === 0) return null;
  const pages = layOut(arrangement, sheets, handout.paper);
  // A copy of what was chosen: these pages are not yet all of it.
  return { pages, handout: { ...handout }, arrangement, staves: {} };
}

/** What of the open song goes on paper, and its pages. */
@Injectable()
export class HandoutState {
  readonly bench = inject(BenchState);
  private readonly store = inject(HandoutStore);
  private readonly practice = inject(PracticeStore);
  private readonly engraver = inject(EngraverClient);
  readonly isOpen = signal(false);
  readonly handout = signal<Handout>(DEFAULT_HANDOUT);
  private readonly notStored = signal('');
  readonly notLaidOut = signal('');
  /** What went wrong, the sheets before what was chosen. */
  readonly problem = computed(() => this.notLaidOut() || this.notStored());
  private readonly laid = signal<LaidOut | null>(null);
  /** The pages shown; null while they are worked out for the first time. */
  readonly pages = computed(() => this.laid()?.pages ?? null);
  /** The paper of the pages shown, which is not yet the one just chosen while they are laid out anew. */
  readonly paper = computed(() => (this.laid()?.handout ?? this.handout()).paper);
  /** True where the pages shown are those of the song and of what is chosen as they are now. */
  readonly isLaidOut = computed(() => {
    const laid = this.laid();
    return laid?.handout === this.handout() && laid.arrangement === this.bench.arrangement();
  });
  /** Systems drawn so far of the sheets that are laid out; 0 where none is drawn. */
  readonly drawing = signal(0);
  /** The page that is looked at, from 0; the left one of two. */
  readonly page = signal(0);
  /** Two pages side by side, whole; else one, as wide as there is room. */
  readonly isSpread = signal(false);
  private turnOf = 0;
  private waiting: readonly Waiting[] = [];
  /** Printing waits for the pages: pressed again it does not print twice. */
  private isToPrint = false;
  /** The song whose choice is read, and the one whose choice was. */
  private loading = '';
  private readonly loaded = signal('');

  readonly chosen = computed(() =>
    this.handout().sheets.map((id) => SHEETS.find((sheet) => sheet.id === id) ?? SHEETS[0]),
  );
  readonly others = computed(() => SHEETS.filter(({ id }) => !this.handout().sheets.includes(id)));

  constructor() {
    effect(() => {
      const song = this.bench.song()?.id;
      if (song !== undefined && this.isOpen()) untracked(() => void this.load(song));
    });
    // Nothing is printed or packed later, behind another bench.
    effect(() => {
      if (!this.isOpen())
        untracked(() => this.tellWaiting(({ fail }) => fail(new Error('the Handout bench was left'))));
    });
    effect(() => {
      const [arrangement, handout] = [this.bench.arrangement(), this.handout()];
      if (!this.isOpen() || !arrangement || arrangement.isPartial) return;
      if (this.loaded() !== this.bench.song()?.id) return;
      untracked(() => void this.layOutAnew(arrangement, handout));
    });
  }

  private async load(songId: string): Promise<void> {
    if (this.loading === songId) return;
    this.loading = songId;
    try {
      const handout = await this.store.get(songId);
      if (this.loading !== songId) return;
      this.handout.set(handout);
    } catch (error) {
      this.notStored.set(
        `What was chosen last could not be read: ${messageOf(error)}. The usual sheets are shown.`,
      );
    }
    if (this.loading === songId) this.loaded.set(songId);
  }

  private async layOutAnew(arrangement: Arrangement, handout: Handout): Promise<void> {
    const turn = ++this.turnOf;
    this.notLaidOut.set('');
    try {
      if (!this.laid()) this.laid.set(withoutStaves(arrangement, handout));
      const [staves, practises] = await Promise.all([
        this.drawn(arrangement, handout, () => turn !== this.turnOf),
        this.practice.settings(),
      ]);
      // Something newer may have been asked for while notation was loaded and drawn.
      if (turn !== this.turnOf) return;
      const pages = layOut(arrangement, handout.sheets, handout.paper, { staves, practises });
      this.drawing.set(0);
      this.laid.set({ pages, handout, arrangement, staves });
      this.page.update((page) => Math.max(0, Math.min(page, pages.length - 1)));
      this.tellWaiting(({ go }) => go());
    } catch (error) {
      if (turn !== this.turnOf) return;
      this.notLaidOut.set(
        `The sheets could not be laid out: ${messageOf(error)}. Leave one out and try again.`,
      );
      this.tellWaiting(({ fail }) => fail(new Error('the sheets could not be laid out')));
    }
  }

  private tellWaiting(tell: (waiting: Waiting) => void): void {
    const waiting = this.waiting;
    this.waiting = [];
    waiting.forEach(tell);
  }

  /**
   * The pages of what is chosen now with their paper, as soon as they are laid out.
   *
   * @throws Error where they cannot be laid out, which `problem` explains, or the bench was left first.
   */
  async current(): Promise<Current> {
    if (this.notLaidOut()) throw new Error('the sheets could not be laid out');
    // What was laid out meanwhile may be stale again.
    while (!this.isLaidOut())
      await new Promise<void>((go, fail) => (this.waiting = [...this.waiting, { go, fail }]));
    const laid = this.laid();
    if (!laid) throw new Error('the sheets could not be laid out');
    return { ...laid, paper: laid.handout.paper };
  }

  /** Has the staves of the sheets chosen engraved; none where that is stale. */
  private async drawn(
    arrangement: Arrangement,
    { sheets, paper }: Handout,
    isStale: () => boolean,
  ): Promise<Staves> {
    const wanted = SHEETS.flatMap((sheet) =>
      'staves' in sheet && sheets.includes(sheet.id) ? [sheet.staves] : [],
    );
    if (wanted.length === 0) return {};
    const room = roomOn(paper);
    const staves: Record<string, readonly System[]> = {};
    let done = 0;
    for (const which of wanted) {
      const systems: System[] = [];
      for (const score of scoresOf(arrangement, which, room, paper)) {
        const before = done;
        const tell = (count: number): void => {
          if (!isStale()) this.drawing.set(before + count);
        };
        const drawn = await this.engraver.systems(score.score, { width: score.width }, tell);
        done += drawn.length;
        if (isStale()) return {};
        systems.push(...systemsFrom(score, drawn, room));
      }
      staves[which] = systems;
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
          `What you chose could not be stored: ${messageOf(error)}. It will be lost when you close this page.`,
        ),
    );
  }

  turn(by: 1 | -1): void {
    const last = (this.pages()?.length ?? 1) - 1;
    const step = this.isSpread() ? 2 : 1;
    this.page.update((page) => {
      const next = page - (page % step) + by * step;
      return next < 0 || next > last ? page : next;
    });
  }

  /** By the browser's own printing, as soon as what is shown is what was chosen; nothing where it cannot be. */
  async print(): Promise<void> {
    if (this.isToPrint) return;
    this.isToPrint = true;
    const { pages } = await this.current().catch(() => ({ pages: [] }));
    this.isToPrint = false;
    if (pages.length > 0) window.print();
  }
}
