import { inWords } from '@joined-hands/core/sentences';
import { CdkDrag, type CdkDragEnd } from '@angular/cdk/drag-drop';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import type { Part } from '@joined-hands/core/parts';
import { barsInWords, relationInWords, typesetForm } from '@joined-hands/core/words';
import { BenchState } from '../../frame/bench-state';
import { Playing } from '../../frame/playing';
import {
  type CutShape,
  layoutMap,
  type MapLine,
  ROW_HEIGHT,
  RULER_BAND,
  SECTION_BAND,
  tickUnder,
} from './map-layout';
import { PartsState } from './parts-state';

/** The song as a map: sections, a ruler with the cuts to drag, parts in playing order with returns on one row. */
@Component({
  selector: 'jh-parts-map',
  imports: [CdkDrag],
  templateUrl: './parts-map.html',
  styleUrl: './parts-map.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartsMap {
  protected readonly bench = inject(BenchState);
  protected readonly playing = inject(Playing);
  protected readonly state = inject(PartsState);
  private readonly host = viewChild.required<ElementRef<HTMLElement>>('host');
  protected readonly width = signal(760);
  protected readonly parts = computed(() => this.bench.arrangement()?.parts ?? []);
  protected readonly map = computed(() => {
    const played = this.bench.arrangement()?.played;
    return played ? layoutMap(played, this.parts(), this.width()) : { lines: [], height: 0 };
  });
  protected readonly rowHeight = ROW_HEIGHT - 6;
  protected readonly rulerTop = SECTION_BAND;
  protected readonly rulerHeight = RULER_BAND;

  constructor() {
    effect((onCleanup) => {
      const element = this.host().nativeElement;
      const observer = new ResizeObserver(() => this.width.set(Math.max(280, element.clientWidth)));
      observer.observe(element);
      onCleanup(() => observer.disconnect());
    });
  }

  /** Where a tick of a line lies, or null when it is elsewhere. */
  protected xOf(line: MapLine, tick: number | null): number | null {
    if (tick === null || tick < line.fromTick || tick >= line.toTick) return null;
    return line.bars[0].x + (tick - line.fromTick) * line.perTick;
  }

  protected press(line: MapLine, event: MouseEvent): void {
    const ruler = event.currentTarget as HTMLElement;
    this.state.setMark(tickUnder(line, event.clientX - ruler.getBoundingClientRect().left));
  }

  protected drop(line: MapLine, cut: CutShape, event: CdkDragEnd): void {
    const to = cut.x + event.distance.x;
    event.source.reset();
    this.state.drag(cut.index, tickUnder(line, to));
  }

  protected nudge(cut: CutShape, by: 1 | -1, event: Event): void {
    event.preventDefault();
    event.stopPropagation();
    this.bench.goToPart(cut.index);
    this.state.nudge(by);
  }

  protected label(part: Part): string {
    return typesetForm(part.label);
  }

  protected describe(part: Part): string {
    const name = part.sectionName ? `, ${part.sectionName}` : '';
    return `Part ${part.number}, ${this.label(part)}${name}, ${barsInWords(part)}. ${relationInWords(part)}`;
  }

  protected describeCut(index: number): string {
    const part = this.parts()[index];
    const lock = part.isLocked ? ', locked' : '';
    return `Cut before part ${part.number}, bar ${part.fromBar}${lock}: ${part.reasons.map(inWords).join(', ')}`;
  }
}
