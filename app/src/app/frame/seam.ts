import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { meetingInWords } from '@joined-hands/core/words';
import { BLOCK_HEIGHT, NOTE_HEIGHT } from './seam-keys';
import { fitSeam } from './seam-layout';
import { type ChangeShape, type NoteShape } from './seam-shapes';
import type { SeamView } from './seam-view';

/** A note that was pressed: by the played id it comes from and its key. */
export interface PressedNote {
  readonly id: string;
  readonly midi: number;
  readonly isExtending: boolean;
}

/** The two lanes of a part sewn together: right hand above, left hand below, a stitch at every meeting. */
@Component({
  selector: 'jh-seam',
  templateUrl: './seam.html',
  styleUrl: './seam.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Seam {
  readonly view = input.required<SeamView>();
  readonly selected = input<string | null>(null);
  /** The tick that sounds, or null. */
  readonly tick = input<number | null>(null);
  readonly selectedChange = output<string>();
  /** Played ids of the notes picked, on the Tune bench. */
  readonly picked = input<readonly string[]>([]);
  readonly notePressed = output<PressedNote>();

  protected readonly noteHeight = NOTE_HEIGHT;
  protected readonly blockHeight = BLOCK_HEIGHT;
  private readonly room = signal({ width: 760, height: 500 });
  /** Enlarged as far as the whole part still fits: the screen is read from the music desk. */
  private readonly fitted = computed(() => fitSeam(this.view(), this.room()));
  protected readonly layout = computed(() => this.fitted().layout);
  protected readonly scale = computed(() => this.fitted().scale);
  protected readonly width = computed(() => Math.floor(this.room().width / this.scale()));
  protected readonly playhead = computed(() => {
    const tick = this.tick();
    if (tick === null) return null;
    const row = this.layout().rows.find((r) => tick >= r.fromTick && tick < r.toTick);
    return row
      ? {
          x: 14 + (tick - row.fromTick) * row.pixelsPerTick,
          top: row.top + 20,
          bottom: row.top + row.height - 4,
        }
      : null;
  });

  private readonly soundingRowTop = computed(() => {
    const tick = this.tick();
    return tick === null
      ? null
      : (this.layout().rows.find((r) => tick >= r.fromTick && tick < r.toTick)?.top ?? null);
  });

  private readonly host = viewChild.required<ElementRef<HTMLElement>>('host');

  constructor() {
    effect((onCleanup) => {
      const element = this.host().nativeElement;
      const view = element.closest('main') ?? element;
      const observer = new ResizeObserver(() =>
        this.room.set({
          width: Math.max(280, Math.floor(element.clientWidth)),
          height: Math.max(120, view.clientHeight - 14 - Math.max(0, element.offsetTop - view.offsetTop - 6)),
        }),
      );
      observer.observe(element);
      observer.observe(view);
      onCleanup(() => observer.disconnect());
    });
    // Pages turn by row: the row that sounds is brought into view.
    effect(() => {
      const top = this.soundingRowTop();
      const view = this.host().nativeElement.closest('main');
      if (top !== null && view) view.scrollTo({ top: top * this.scale() });
    });
    effect(() => {
      const id = this.selected();
      if (id)
        queueMicrotask(() =>
          this.host()
            .nativeElement.querySelector(`[data-change="${CSS.escape(id)}"]`)
            ?.scrollIntoView({ block: 'nearest' }),
        );
    });
  }

  protected isSounding(shape: { tick: number; x: number; width: number }, perTick: number): boolean {
    const tick = this.tick();
    return tick !== null && tick >= shape.tick && tick < shape.tick + shape.width / perTick;
  }

  protected pressNote({ from, midi }: NoteShape, isExtending: boolean): void {
    this.notePressed.emit({ id: from, midi, isExtending });
  }

  protected describe(shape: ChangeShape): string {
    return `${meetingInWords(shape.change)} ${shape.inversion}${shape.isPinned ? ', pinned' : ''}`;
  }
}
