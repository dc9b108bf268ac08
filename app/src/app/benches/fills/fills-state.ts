import { computed, effect, inject, Injectable, signal } from '@angular/core';
import { type FillSpot, fillSpots, likePlaces, otherPasses } from '@joined-hands/core/arrangement';
import {
  changedNotes,
  type Fill,
  type FillNote,
  type NoteChange,
  storedNotes,
} from '@joined-hands/core/fills';
import { FILLS } from '@joined-hands/core/levels';
import { barAt, keyAt, type SongEdit } from '@joined-hands/core/song';
import { BenchState } from '../../frame/bench-state';
import { Playing } from '../../frame/playing';
import type { Answers } from '../../workers/answers';
import { Asker } from '../../workers/asker';

/** What can be done on the Fills bench, one at a time. */
/** Tabs of the Fills bench. */
type FillsTab = 'places' | 'version' | 'frame' | 'grow';

/** The places of the part that have room, and what is done with what fits there. */
@Injectable()
export class FillsState {
  readonly bench = inject(BenchState);
  private readonly playing = inject(Playing);
  private readonly asker = inject(Asker);

  readonly isOpen = signal(false);
  readonly tab = signal<FillsTab>('places');
  /** Which proposal of the place is looked at. */
  readonly tried = signal(0);
  /** Which note of a fill that is played is changed; null while none is. */
  readonly noteAt = signal<number | null>(null);
  readonly notice = signal('');

  constructor() {
    effect(() => {
      this.bench.selectedId();
      this.tried.set(0);
      this.noteAt.set(null);
      this.notice.set('');
    });
    effect(() => {
      const [isOpen, id, arrangement] = [this.isOpen(), this.bench.selectedId(), this.bench.arrangement()];
      this.efforts.set(null);
      if (!isOpen || id === null || !arrangement || arrangement.isPartial) return;
      this.asker.answer(arrangement, { kind: 'fill-efforts', changeId: id }, (efforts) => {
        if (this.bench.selectedId() === id) this.efforts.set(efforts);
      });
    });
  }

  /** What each proposal of the place would make of the effort of the part; null while it is worked out. */
  readonly efforts = signal<Answers['fill-efforts'] | null>(null);

  /** "effort 31, 3 more": empty until it is known. */
  effortOf(fill: Fill): string {
    const efforts = this.efforts();
    const own = efforts?.each.find(({ id, variant }) => id === fill.id && variant === fill.variant);
    if (!efforts || !own) return '';
    const by = own.to - efforts.without;
    return `Difficulty ${own.to}${by === 0 ? ', as without' : `, ${Math.abs(by)} ${by > 0 ? 'more' : 'less'}`}.`;
  }

  /** Fills are proposed: at their level, or where some were taken. */
  readonly isProposed = computed(
    () => this.bench.levelRow().hasFills || (this.bench.song()?.fillsTaken.length ?? 0) > 0,
  );

  readonly spots = computed((): readonly FillSpot[] => {
    const [arrangement, part] = [this.bench.arrangement(), this.bench.part()];
    return arrangement && part ? fillSpots(arrangement, part) : [];
  });
  readonly spot = computed(
    () => this.spots().find(({ changeId }) => changeId === this.bench.selectedId()) ?? null,
  );

  /** What the seam marks: chords with room, and those over which something is filled in. */
  readonly places = computed(
    (): ReadonlyMap<string, boolean> =>
      new Map(this.spots().map(({ changeId, fills }) => [changeId, fills.some(({ taken }) => taken)])),
  );

  private readonly isSettled = computed(() => this.bench.part()?.settled === true);

  goUp(): void {
    this.bench.climbTo(FILLS);
  }

  /** The next place with room, or the one before, round and round. */
  spotBy(by: 1 | -1): void {
    const spots = this.spots();
    if (spots.length === 0) return;
    const at = spots.findIndex(({ changeId }) => changeId === this.bench.selectedId());
    const next = at < 0 ? (by === 1 ? 0 : spots.length - 1) : (at + by + spots.length) % spots.length;
    this.bench.select(spots[next].changeId);
  }

  /** The next proposal of the place is heard. */
  tryBy(by: 1 | -1): void {
    const fills = this.spot()?.fills ?? [];
    if (fills.length === 0) return this.spotBy(1);
    const at = (this.tried() + by + fills.length) % fills.length;
    this.tried.set(at);
    this.hear(fills[at]);
  }

  /** In its place, from the bar before. */
  hear(fill: Fill): void {
    const arrangement = this.bench.arrangement();
    if (!arrangement) return;
    const bar = barAt(arrangement.played.bars, fill.tick);
    const before = barAt(arrangement.played.bars, Math.max(0, bar.tick - 1));
    const end = barAt(
      arrangement.played.bars,
      Math.min(arrangement.played.endTick - 1, fill.tick + fill.length),
    );
    const taking = this.taking(fill);
    const edit: SongEdit = { kind: 'together', what: 'fill', edits: [this.settingAside(fill), taking] };
    this.playing.hearStretch(edit, { fromTick: before.tick, toTick: end.tick + end.length });
  }

  private taking({ id, kind, variant }: Fill): SongEdit {
    return { kind: 'fill', fill: { id, kind, variant }, taken: true };
  }

  /** Others that were taken for the same hand over the same chord make room. */
  private settingAside(fill: Fill): SongEdit {
    const { changeId, hand, id } = fill;
    const taken = new Set(this.bench.song()?.fillsTaken.map((entry) => entry.id) ?? []);
    const others = this.spot()?.fills.filter(
      (other) => other.hand === hand && other.changeId === changeId && other.id !== id && taken.has(other.id),
    );
    const ids = [...new Set(others?.map((other) => other.id) ?? [])];
    return { kind: 'together', what: 'fill', edits: ids.map((other) => ({ kind: 'fill-left', id: other })) };
  }

  take(fill = this.spot()?.fills[this.tried()]): void {
    if (!fill || this.isSettled()) return;
    this.bench.edit({
      kind: 'together',
      what: `taken ${fill.kind}`,
      edits: [this.settingAside(fill), this.taking(fill)],
    });
  }

  /** It is not played here, asked or unasked. */
  leaveOut(fill = this.spot()?.fills[this.tried()]): void {
    if (!fill || this.isSettled()) return;
    this.bench.edit({ kind: 'fills', taken: [], declined: [fill.id] });
  }

  /** Taken at every place of the song where the same kind is proposed. */
  takeEverywhere(fill: Fill): void {
    const arrangement = this.bench.arrangement();
    if (!arrangement) return;
    const taken = likePlaces(arrangement, fill).map(({ id, kind, variant }) => ({ id, kind, variant }));
    this.bench.edit({ kind: 'fills', taken, declined: [] });
  }

  /** How many places that would be. */
  likeIt(fill: Fill): number {
    const arrangement = this.bench.arrangement();
    return arrangement ? likePlaces(arrangement, fill).length : 0;
  }

  /** Taken here, and left out where the part comes back. */
  takeThisTime(fill: Fill): void {
    const { id, kind, variant } = fill;
    this.bench.edit({ kind: 'fills', taken: [{ id, kind, variant }], declined: this.passes(fill) });
  }

  /** The ids it goes under where the part comes back or came before. */
  passes(fill: Fill): string[] {
    const [arrangement, part] = [this.bench.arrangement(), this.bench.part()];
    return arrangement && part ? otherPasses(arrangement, part, fill) : [];
  }

  /** Changes one note of a fill that is played; what would not fit its place is refused and said. */
  changeNote(fill: Fill, at: number, how: NoteChange): void {
    const arrangement = this.bench.arrangement();
    const change = arrangement?.changes.find((c) => c.change.id === fill.changeId)?.change;
    if (!arrangement || !change || this.isSettled()) return;
    const changed = changedNotes(fill, at, how, keyAt(arrangement.played, fill.tick));
    if (typeof changed === 'string') return this.notice.set(changed);
    this.notice.set('');
    this.keepNotes(fill, changed, change.tick);
    this.noteAt.set(Math.min(at, changed.length - 1));
  }

  private keepNotes({ id, kind, variant }: Fill, notes: readonly FillNote[], changeTick: number): void {
    const own = { id, kind, variant, notes: storedNotes({ notes }, changeTick) };
    this.bench.edit({ kind: 'fill', fill: own, taken: true });
  }
}
