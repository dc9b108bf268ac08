import { cutTo } from '@joined-hands/core/song';
import { computed, inject, Injectable, signal } from '@angular/core';
import {
  type CardRecord,
  compareTurns,
  heatOf,
  hottest,
  type Jotting,
  type Known,
  type PracticeRecord,
  type Turn,
  turnsBefore,
} from '@joined-hands/core/practice';
import { comparedInWords } from '@joined-hands/core/words';
import { Clock } from '@joined-hands/core/performance';
import { BenchState } from '../../frame/bench-state';
import { PracticeStore } from '../../storage/practice-store';
import type { StoredTake } from '../../storage/stored';
import { messageOf } from '../../ui/message';

/** How many hot bars are told. */
const HOTTEST = 6;
/** Turns at other songs count for the hands as well. */
const RECENT_MS = 3 * 3_600_000;

/** What was practised of the open song, and where one stands. */
@Injectable()
export class PractiseLog {
  private readonly store = inject(PracticeStore);
  private readonly bench = inject(BenchState);
  readonly turns = signal<readonly Turn[]>([]);
  readonly standings = signal<ReadonlyMap<string, CardRecord>>(new Map());
  readonly jottings = signal<readonly Jotting[]>([]);
  readonly takes = signal<readonly StoredTake[]>([]);
  readonly problem = signal('');
  /** Turns at any song of the last hours, the oldest first: hands do not know which song they play. */
  readonly recent = signal<readonly Turn[]>([]);

  async load(songId: string): Promise<void> {
    const { store } = this;
    const [standings, turns, jottings, takes, recent] = await Promise.all([
      store.standingsOf(songId),
      store.turnsOf(songId),
      store.jottingsOf(songId),
      store.takesOf(songId),
      store.turnsSince(Date.now() - RECENT_MS),
    ]);
    this.standings.set(new Map(standings.map((row) => [row.card, row])));
    this.turns.set(turns);
    this.jottings.set(jottings);
    this.takes.set(takes);
    this.recent.set(recent);
  }

  /** Counts a turn at once and stores it; what could not be stored is said. */
  async keep(turn: Turn, known: Known, take: StoredTake | null): Promise<void> {
    const { songId, card } = turn;
    this.turns.update((turns) => [...turns, turn]);
    this.recent.update((turns) => [...turns, turn]);
    if (take) this.takes.update((takes) => [...takes, take]);
    const row = { key: `${songId} ${card}`, songId, card, ...known };
    this.standings.update((all) => new Map(all).set(card, row));
    try {
      await this.store.keep(turn, known, take);
      this.problem.set('');
    } catch (error) {
      this.problem.set(
        `The turn could not be stored: ${messageOf(error)}. It will be lost when you close this page.`,
      );
    }
  }

  async jot(text: string): Promise<void> {
    const song = this.bench.song();
    const said = text.trim();
    if (!song || !said) return;
    const jotting = { at: Date.now(), text: cutTo(said, 2000) };
    this.jottings.update((all) => [...all, jotting]);
    try {
      await this.store.jot(song.id, jotting);
    } catch (error) {
      this.problem.set(
        `The note could not be stored: ${messageOf(error)}. Copy it before you close the page.`,
      );
    }
  }

  /** What a file says was practised joins what is known; gives how many turns are new. */
  async take(record: PracticeRecord): Promise<number> {
    const song = this.bench.song();
    if (!song) return 0;
    const added = await this.store.take(song.id, record);
    await this.load(song.id);
    return added;
  }

  /** The last turn at a card of which the keys are kept, and these. */
  lastTakeOf(card: string): { readonly turn: Turn; readonly take: StoredTake } | null {
    const takes = new Map(this.takes().map((take) => [take.at, take]));
    const turn = this.turns().findLast((each) => each.card === card && takes.has(each.at));
    const take = turn && takes.get(turn.at);
    return turn && take ? { turn, take } : null;
  }

  /** For each turn that was listened to, by its time, the one before it at the same thing. */
  readonly before = computed(() => turnsBefore(this.turns()));

  /** A turn laid over the one before it, in words; nothing where there is none, or the song is still being arranged. */
  compared(turn: Turn): readonly string[] {
    const [before, played] = [this.before().get(turn.at), this.bench.arrangement()?.played];
    return before && played ? comparedInWords(before, turn, compareTurns(before, turn, played)) : [];
  }

  /** Where the song goes wrong, the recent turns weighing most. */
  readonly heat = computed(() => {
    const [arrangement, turns] = [this.bench.arrangement(), this.turns()];
    if (!arrangement || arrangement.isPartial) return null;
    const clock = new Clock(arrangement.played.tempoMap, arrangement.song.feel);
    return heatOf(arrangement, turns, Date.now(), (tick) => clock.secondsAt(tick));
  });
  readonly hottest = computed(() => {
    const heat = this.heat();
    return heat ? hottest(heat, HOTTEST) : [];
  });
}
