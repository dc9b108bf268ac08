import {
  computed,
  effect,
  inject,
  Injectable,
  signal,
  type Signal,
  untracked,
  type WritableSignal,
} from '@angular/core';
import { type ArrangedChange, settling, unsettling } from '@joined-hands/core/arrangement';
import { levelOf, LEVELS } from '@joined-hands/core/levels';
import { levelEdit, ownOfPart, partIndexAt } from '@joined-hands/core/parts';
import {
  type ChoiceName,
  type Choices,
  DEFAULT_CHOICES,
  ownChoicesAt,
  type SongEdit,
} from '@joined-hands/core/song';
import type { Alternative } from '@joined-hands/core/voicing';
import { Store } from '@ngrx/store';
import { Subject } from 'rxjs';
import type { HandLie, HeldKey } from '../keyboard/keyboard';
import { PlaceActions, SongActions } from '../state/actions';
import { workbench } from '../state/reducer';
import type { Place } from '../storage/place';
import { Asker } from '../workers/asker';
import { Hearing } from './hearing';
import { sameView, viewOf } from './seam-view';

/** What a bench shows of its own. */
export interface ShownByBench {
  /** The tab that is open, where there are some. */
  readonly tab: WritableSignal<string>;
  /** The seam shows the melody without the left hand. */
  readonly showsMelodyOnly: boolean;
  /** Voicings are weighed for the chord selected. */
  readonly weighsVoicings: boolean;
  /** Where the note picked begins. */
  readonly pickedTick: Signal<number | null>;
  /** Keys shown whatever is selected: those that are named, wanted or picked. */
  readonly shownKeys: Signal<readonly HeldKey[] | null>;
  /** Where the hands lie over the keys shown. */
  readonly shownLies: Signal<readonly HandLie[]>;
  /** The tempo of what is to be played there, in percent; null: as the pianist chose. */
  readonly tempoPercent: Signal<number | null>;
}

/** What the bench shows and what can be done on it; the components only show and ask. */
@Injectable()
export class BenchState {
  private readonly store = inject(Store);
  private readonly asker = inject(Asker);
  readonly hearing = inject(Hearing);

  readonly state = this.store.selectSignal(workbench.selectWorkbenchState);
  readonly song = computed(() => this.state().song);
  readonly arrangement = computed(() => this.state().arrangement);
  readonly place = computed(() => this.state().place);
  readonly partIndex = computed(() => this.place().part);
  /** The bench sets the tempo, not the pianist. */
  readonly isTempoSet = computed(() => (this.open()?.tempoPercent() ?? null) !== null);
  /** The tempo that is shown and heard, in percent of the song's own. */
  readonly tempoPercent = computed(() => this.open()?.tempoPercent() ?? this.place().tempoPercent);
  readonly part = computed(() => this.arrangement()?.parts[this.partIndex()] ?? null);
  /** What the open bench shows otherwise than the others; null while none is open. */
  readonly open = signal<ShownByBench | null>(null);
  readonly showsMelodyOnly = computed(() => this.open()?.showsMelodyOnly ?? false);
  /** The part fills the screen; nothing else but the keyboard is shown. */
  readonly isOnDesk = signal(false);
  /** Inner notes are shown pale: the outer ones are learned first. */
  readonly outerFirst = signal(false);
  /** A dialog is asked for: the help, what can be found, the files to export. */
  readonly asked = new Subject<'help' | 'find' | 'export' | 'name'>();
  /** The part as the seam draws it; the same again when the rest of the song follows the part on screen. */
  readonly view = computed(
    () => {
      const [arrangement, part] = [this.arrangement(), this.part()];
      return arrangement && part ? viewOf(arrangement, this.partIndex(), this.showsMelodyOnly()) : null;
    },
    { equal: sameView },
  );
  readonly level = computed(() => this.part()?.choices.level ?? DEFAULT_CHOICES.level);
  /** What each hand does there. */
  readonly levelRow = computed(() => levelOf({ level: this.level() }));
  readonly selectedId = computed(() => this.place().selected);
  readonly changeIndex = computed(() => {
    const id = this.selectedId();
    return id === null ? -1 : (this.arrangement()?.changes.findIndex((c) => c.change.id === id) ?? -1);
  });
  readonly change = computed<ArrangedChange | null>(
    () => this.arrangement()?.changes[this.changeIndex()] ?? null,
  );
  readonly before = computed<ArrangedChange | null>(
    () => this.arrangement()?.changes[this.changeIndex() - 1] ?? null,
  );
  readonly changesInPart = computed(() => {
    const { parts, changes } = this.arrangement() ?? { parts: [], changes: [] };
    return changes.filter((c) => partIndexAt(parts, c.change.tick) === this.partIndex());
  });
  readonly findings = computed(() => {
    const part = this.part();
    const all = this.arrangement()?.findings ?? [];
    return part ? all.filter((f) => f.tick >= part.fromTick && f.tick < part.toTick) : [];
  });
  readonly fills = computed(() => {
    const ids = new Set(this.changesInPart().map((c) => c.change.id));
    return (this.arrangement()?.fills ?? []).filter((f) => ids.has(f.changeId));
  });

  /** Voicings the selected change could have, the best first. */
  readonly alternatives = signal<readonly Alternative[]>([]);
  /** Which of them is being tried, or null. */
  readonly tried = signal<number | null>(null);

  constructor() {
    effect(() => {
      const [id, arrangement] = [this.selectedId(), this.arrangement()];
      this.tried.set(null);
      if (id === null || !arrangement || arrangement.isPartial || !this.open()?.weighsVoicings)
        return this.alternatives.set([]);
      this.asker.answer(arrangement, { kind: 'alternatives', changeId: id }, (list) => {
        if (this.selectedId() === id) this.alternatives.set(list);
      });
    });
    effect(() => {
      this.arrangement();
      untracked(() => {
        while (this.waiting.length > 0 && this.isArranged()) this.waiting.shift()?.();
      });
    });
  }

  /** What waits for the arrangement of the song as it is now: keys pressed one soon after the other. */
  private waiting: (() => void)[] = [];

  /** Does something once the arrangement is that of the song as it is; at once when it is. */
  whenArranged(work: () => void): void {
    if (this.waiting.length === 0 && this.isArranged()) work();
    else this.waiting.push(work);
  }

  private isArranged(): boolean {
    const [song, arrangement] = [this.song(), this.arrangement()];
    return arrangement !== null && arrangement.song === song;
  }

  edit(edit: SongEdit): void {
    this.store.dispatch(SongActions.edited({ edit }));
  }

  undo(): void {
    this.store.dispatch(SongActions.undone());
  }

  redo(): void {
    this.store.dispatch(SongActions.redone());
  }

  move(place: Partial<Place>): void {
    this.store.dispatch(PlaceActions.moved({ place }));
  }

  goToPart(index: number): void {
    const count = this.arrangement()?.parts.length ?? 0;
    if (index >= 0 && index < count) this.move({ part: index, selected: null });
  }

  /** The part a played tick lies in: where a tune that is being typed changes. */
  showTick(tick: number): void {
    const parts = this.arrangement()?.parts ?? [];
    const part = partIndexAt(parts, tick);
    if (part !== this.partIndex() && parts[part]) this.move({ part, selected: null });
  }

  select(changeId: string | null): void {
    const arrangement = this.arrangement();
    const change = arrangement?.changes.find((c) => c.change.id === changeId);
    if (!arrangement || !change) return this.move({ selected: null });
    this.move({ selected: changeId, part: partIndexAt(arrangement.parts, change.change.tick) });
  }

  /** The next or previous change of the song; from nothing, the first of the part. */
  step(by: 1 | -1): void {
    const changes = this.arrangement()?.changes ?? [];
    const from = this.changeIndex();
    const first = this.changesInPart()[0];
    const next = from < 0 ? first : changes[from + by];
    if (!next) return;
    this.select(next.change.id);
    void this.hearing.keys(this.keysWithMelody(next.voicing.keys, next));
  }

  /** Tries the next (or previous) voicing of the list: shown on the keyboard and heard. */
  tryBy(by: 1 | -1): void {
    if (!this.change()) return this.step(1);
    const count = this.alternatives().length;
    if (count === 0) return;
    const from = this.tried() ?? this.chosenIndex();
    this.tryAt((from + by + count) % count);
  }

  tryAt(index: number): void {
    const change = this.change();
    const alternative = this.alternatives()[index];
    if (!change || !alternative) return;
    this.tried.set(index);
    void this.hearing.keys(this.keysWithMelody(alternative.voicing.keys, change));
  }

  /** Index of the voicing in force among the alternatives. */
  readonly chosenIndex = computed(() => {
    const keys = this.change()?.voicing.keys.join() ?? '';
    return Math.max(
      0,
      this.alternatives().findIndex((a) => a.voicing.keys.join() === keys),
    );
  });

  /** Pins a voicing to the selected change; the rest is solved round it. */
  take(index = this.tried()): void {
    const change = this.change();
    const alternative = index === null ? undefined : this.alternatives()[index];
    if (!change || !alternative) return;
    this.edit({
      kind: 'pin',
      pin: { changeId: change.change.id, keys: [...alternative.voicing.keys], fingers: null },
    });
  }

  release(): void {
    const change = this.change();
    if (!change || change.fixedBy !== 'pin') return;
    this.edit({ kind: 'unpin', changeId: change.change.id });
  }

  choose(choices: Partial<Choices>): void {
    this.edit(this.choosing(choices));
  }

  /** The edit that chooses for the song. The part on screen gives up what it had of its own of these: it is what one looks at. */
  choosing(choices: Partial<Choices>): SongEdit {
    const choose: SongEdit = { kind: 'choose', choices };
    const own = this.ownChoices();
    const names = own?.names.filter((name) => name in choices) ?? [];
    if (!own || names.length === 0) return choose;
    return { kind: 'together', what: 'choice for the song', edits: [choose, ...released(own.cutIds, names)] };
  }

  climbTo(level: number): void {
    const [song, part, parts] = [this.song(), this.part(), this.arrangement()?.parts ?? []];
    if (song && part && LEVELS[level - 1] && level !== this.level())
      this.edit(levelEdit(song, parts, part, level));
  }

  /** What the part on screen has of its own, and the numbers of the other parts that have something; null for nothing. */
  readonly ownChoices = computed(() => {
    const [song, part, parts] = [this.song(), this.part(), this.arrangement()?.parts ?? []];
    const own = song && part && ownOfPart(song, parts, part);
    if (!own) return null;
    // Those that follow this one, or the one it follows, have the same by it.
    const others = parts.filter((other) => {
      const theirs = other === part ? null : ownOfPart(song, parts, other);
      return theirs !== null && !theirs.cutIds.some((cutId) => own.cutIds.includes(cutId));
    });
    return { ...own, others: others.map(({ number }) => number) };
  });

  /** The part on screen, or every part, is as the song again in what was chosen for it alone. */
  releaseChoices(ofAll: boolean): void {
    const [own, song] = [this.ownChoices(), this.song()];
    if (!own || !song) return;
    const cutIds = ofAll ? Object.keys(song.partSettings) : own.cutIds;
    const edits = cutIds.flatMap((cutId) => released([cutId], ofAll ? ownChoicesAt(song, cutId) : own.names));
    this.edit({ kind: 'together', what: 'choices of the song again', edits });
  }

  settle(settled: boolean): void {
    const arrangement = this.arrangement();
    if (!arrangement) return;
    const edit = (settled ? settling : unsettling)(arrangement, this.partIndex());
    if (edit) this.edit(edit);
  }

  private keysWithMelody(keys: readonly number[], change: ArrangedChange): number[] {
    const above = this.arrangement()?.right.filter((n) => n.tick === change.change.tick) ?? [];
    return [...keys, ...above.map((n) => n.midi)];
  }
}

function released(cutIds: readonly string[], names: readonly ChoiceName[]): SongEdit[] {
  return cutIds.map((cutId) => ({ kind: 'choices-released', cutId, names }));
}
