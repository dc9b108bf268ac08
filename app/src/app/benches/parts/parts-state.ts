import { cutTo, type Choices, type Division, type Section } from '@joined-hands/core/song';
import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import {
  cutIdForChoice,
  cutPlaces,
  joinWithNext,
  lockCut,
  moveCut,
  nearestPlace,
  nudgeCut,
  type Part,
  proposeSections,
  splitAt,
  splitPlace,
  writtenTick,
} from '@joined-hands/core/parts';
import { BenchState } from '../../frame/bench-state';
import { Playing } from '../../frame/playing';

/** Tabs of the Parts bench. */
type PartsTab = 'part' | 'cut' | 'sections';

/** Choices a part keeps for itself when it follows another. */
const OWN: readonly (keyof Choices)[] = ['octaveShift', 'shownOctave', 'dynamics'];

/** The cuts of the song and what can be done with them. */
@Injectable()
export class PartsState {
  readonly bench = inject(BenchState);
  readonly playing = inject(Playing);
  readonly tab = signal<PartsTab>('part');

  private readonly played = computed(() => this.bench.arrangement()?.played ?? null);
  private readonly parts = computed<readonly Part[]>(() => this.bench.arrangement()?.parts ?? []);
  /** Ticks where a part may begin. */
  readonly places = computed(() => {
    const played = this.played();
    return played ? cutPlaces(played) : [];
  });
  /** Where the part on screen would be split and playing begins; moved by the pianist, else near its middle. */
  readonly mark = linkedSignal<number | null>(() => {
    const [part, played] = [this.bench.part(), this.played()];
    return part && played ? splitPlace(played, part) : null;
  });

  step(by: 1 | -1): void {
    this.bench.goToPart(this.bench.partIndex() + by);
  }

  /** Sets the mark at the place nearest to a tick. */
  setMark(tick: number): void {
    const place = nearestPlace(this.places(), tick);
    if (place === null) return;
    this.bench.showTick(place);
    this.mark.set(place);
  }

  moveMark(by: 1 | -1): void {
    const from = this.mark() ?? this.bench.part()?.fromTick ?? 0;
    const places = this.places();
    const to = by > 0 ? places.find((t) => t > from) : places.findLast((t) => t < from);
    if (to !== undefined) this.setMark(to);
  }

  split(): void {
    this.bench.whenArranged(() => {
      const tick = this.mark();
      if (tick !== null) this.edit(splitAt(this.parts(), tick));
    });
  }

  join(): void {
    this.bench.whenArranged(() => {
      this.edit(joinWithNext(this.parts(), this.bench.partIndex()));
    });
  }

  nudge(by: 1 | -1): void {
    this.bench.whenArranged(() => {
      const played = this.played();
      if (played) this.edit(nudgeCut(played, this.parts(), this.bench.partIndex(), by));
    });
  }

  /** A cut that was dragged: to the place nearest to where it was let go. */
  drag(index: number, tick: number): void {
    const place = nearestPlace(this.places(), tick);
    if (place !== null) this.edit(moveCut(this.parts(), index, place));
  }

  lock(): void {
    this.bench.whenArranged(() => {
      this.edit(lockCut(this.parts(), this.bench.partIndex()));
    });
  }

  /** Declares the part the same as another, by number; null frees it. */
  sameAs(number: number | null): void {
    const part = this.parts()[this.bench.partIndex()];
    const other = number === null ? part : this.parts()[number - 1];
    if (part && other) this.bench.edit({ kind: 'same-as', cutId: part.cutId, sameAs: other.cutId });
  }

  /** Frees a part that follows another; else declares it the same as the one it is most like. */
  toggleSame(): void {
    const part = this.parts()[this.bench.partIndex()];
    if (!part) return;
    if (part.sharesWith !== null) return this.sameAs(null);
    const like = part.relatedTo ?? (part.number > 1 ? part.number - 1 : null);
    if (like !== null) this.sameAs(like);
  }

  rename(name: string): void {
    const part = this.bench.part();
    if (part && name !== (part.name ?? ''))
      this.bench.edit({
        kind: 'part-named',
        cutId: part.cutId,
        name: name === '' ? null : cutTo(name, 80),
      });
  }

  /** A choice for this part and those that follow it. */
  choose(choices: Partial<Choices>): void {
    const part = this.bench.part();
    if (!part) return;
    const names = Object.keys(choices) as (keyof Choices)[];
    const isOwn = names.every((choice) => OWN.includes(choice));
    const grown = this.bench.song()?.partSettings[part.cutId]?.grown;
    // What varies a repeat stands over what is chosen.
    if (isOwn && grown && names.some((choice) => choice in grown))
      return this.bench.edit({ kind: 'grown', cutId: part.cutId, choices: { ...grown, ...choices } });
    this.bench.edit({ kind: 'choose-for-part', cutId: cutIdForChoice(this.parts(), part, isOwn), choices });
  }

  /** The tune of this part, this time, an octave higher or lower than it is now. */
  octaveBy(by: 1 | -1): void {
    const now = this.bench.part()?.choices.octaveShift ?? 0;
    const octaveShift = Math.max(-1, Math.min(1, now + by)) as Choices['octaveShift'];
    if (octaveShift !== now) this.choose({ octaveShift });
  }

  divide(division: Partial<Division>): void {
    this.bench.edit({ kind: 'division-chosen', division });
  }

  /** Sections as they are written, with the one the part on screen lies in. */
  readonly section = computed<Section | null>(() => {
    const [song, tick] = [this.bench.song(), this.partTick()];
    if (!song || tick === null) return null;
    return [...song.sections].sort((a, b) => a.tick - b.tick).findLast((s) => s.tick <= tick) ?? null;
  });
  /** Written tick of the first bar of the part on screen; null in a repeat. */
  private readonly partTick = computed(() => {
    const [played, part] = [this.played(), this.bench.part()];
    return played && part ? writtenTick(played, part.fromTick) : null;
  });
  readonly canBeginSection = computed(() => {
    const tick = this.partTick();
    return tick !== null && !this.bench.song()?.sections.some((s) => s.tick === tick);
  });

  beginSection(): void {
    const [song, tick] = [this.bench.song(), this.partTick()];
    if (!song || tick === null) return;
    const section: Section = { id: `s${tick}`, tick, name: 'New section', energy: 3, dynamics: 'even' };
    this.setSections('new section', [...song.sections.filter((s) => s.tick !== tick), section]);
  }

  changeSection(change: Partial<Section>): void {
    const [song, section] = [this.bench.song(), this.section()];
    if (!song || !section) return;
    const sections = song.sections.map((s) => (s.id === section.id ? { ...s, ...change } : s));
    this.setSections('section', sections);
  }

  removeSection(): void {
    const [song, section] = [this.bench.song(), this.section()];
    if (song && section)
      this.setSections(
        'removed section',
        song.sections.filter((s) => s.id !== section.id),
      );
  }

  proposeSections(): void {
    const played = this.played();
    if (played) this.setSections('proposed sections', proposeSections(played, this.parts()));
  }

  private setSections(what: string, sections: readonly Section[]): void {
    this.bench.edit({ kind: 'sections-set', what, sections: [...sections].sort((a, b) => a.tick - b.tick) });
  }

  private edit(edit: ReturnType<typeof splitAt>): void {
    if (edit) this.bench.edit(edit);
  }
}
