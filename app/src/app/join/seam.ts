import { ChangeDetectionStrategy, Component, type ElementRef, computed, effect, input, output, signal, viewChild } from '@angular/core';
import type { Arrangement } from '@joined-hands/core';
import { meetingInWords } from '@joined-hands/core';
import { BLOCK_HEIGHT, type ChangeShape, NOTE_HEIGHT, type NoteShape, layoutSeam } from './seam-layout';

/** The two lanes of a part sewn together: right hand above, left hand below, a stitch at every meeting. */
@Component({
  selector: 'jh-seam',
  templateUrl: './seam.html',
  styleUrl: './seam.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Seam {
  readonly arrangement = input.required<Arrangement>();
  readonly part = input.required<number>();
  readonly selected = input<string | null>(null);
  /** The tick that sounds, or null. */
  readonly tick = input<number | null>(null);
  readonly selectedChange = output<string>();

  protected readonly noteHeight = NOTE_HEIGHT;
  protected readonly blockHeight = BLOCK_HEIGHT;
  protected readonly width = signal(760);
  protected readonly layout = computed(() => layoutSeam(this.arrangement(), this.part(), this.width()));
  protected readonly playhead = computed(() => {
    const tick = this.tick();
    if (tick === null) return null;
    const row = this.layout().rows.find((r) => tick >= r.fromTick && tick < r.toTick);
    return row ? { x: 14 + (tick - row.fromTick) * row.pixelsPerTick, top: row.top + 20, bottom: row.top + row.height - 4 } : null;
  });

  private readonly host = viewChild.required<ElementRef<HTMLElement>>('host');

  constructor() {
    effect((onCleanup) => {
      const element = this.host().nativeElement;
      const observer = new ResizeObserver(([entry]) => this.width.set(Math.max(280, Math.floor(entry.contentRect.width))));
      observer.observe(element);
      onCleanup(() => observer.disconnect());
    });
    effect(() => {
      const id = this.selected();
      if (id) queueMicrotask(() => this.host().nativeElement.querySelector(`[data-change="${CSS.escape(id)}"]`)?.scrollIntoView({ block: 'nearest' }));
    });
  }

  protected isSounding(shape: { tick: number; x: number; width: number }, perTick: number): boolean {
    const tick = this.tick();
    return tick !== null && tick >= shape.tick && tick < shape.tick + shape.width / perTick;
  }

  /** The change struck with (or sounding under) a note: pressing the note selects it. */
  protected selectUnder(note: NoteShape): void {
    const { changes } = this.arrangement();
    const under = changes.filter((c) => c.change.tick <= note.tick).at(-1);
    if (under) this.selectedChange.emit(under.change.id);
  }

  protected describe(shape: ChangeShape): string {
    return `${meetingInWords(shape.change)} ${shape.inversion}${shape.isPinned ? ', pinned' : ''}`;
  }
}
