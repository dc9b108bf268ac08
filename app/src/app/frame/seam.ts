import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  input,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { meetingInWords } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { type Dragged, DragKey } from './drag-key';
import { BLOCK_HEIGHT, NOTE_HEIGHT } from './seam-keys';
import { fitSeam, heightOfRows, PIN_ROOM, SEAM_HALF } from './seam-layout';
import { Ways } from '../ui/own-ways';
import type { BlockShape, ChangeShape, NoteMark, NoteShape } from './seam-shapes';
import type { SeamView } from './seam-view';

/** Times as large where larger letters were chosen. */
const LARGER = 1.25;

/** Where a letter begins in its note, and how wide each of its signs is. */
const [LETTER_AT, LETTER_WIDTH] = [9, 13];

/** How far the line that tells how loud a note was is from its edges. */
const LINE_FROM_EDGE = 6;

/** A note that was pressed: by the played id it comes from and its key. */
export interface PressedNote {
  readonly id: string;
  readonly midi: number;
  readonly tick: number;
  readonly isExtending: boolean;
}

/** A note that was dragged elsewhere. */
export interface DraggedNote extends Dragged {
  readonly id: string;
  readonly midi: number;
  readonly tick: number;
}

/** The two lanes of a part sewn together: right hand above, left hand below, a stitch at every meeting. */
@Component({
  selector: 'jh-seam',
  imports: [NzButtonComponent],
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
  /** How notes were played, by played id. */
  readonly marks = input<ReadonlyMap<string, NoteMark>>(new Map());
  /** Inner notes are pale: the highest of the right hand and the lowest of the left are learned first. */
  readonly outerFirst = input(false);
  /** Chords over which there is room for something; true: something is filled in. */
  readonly places = input<ReadonlyMap<string, boolean>>(new Map());
  /** Nothing else is on the screen: drawn as large as it fits. */
  readonly isAlone = input(false);
  readonly notePressed = output<PressedNote>();
  /** Keys can be dragged. */
  readonly canDrag = input(false);
  readonly noteDragged = output<DraggedNote>();
  protected readonly drag = new DragKey<NoteShape | BlockShape>();

  /** Where a sign stands beside the letter of a note. */
  protected afterLetter({ x, letter }: Pick<NoteShape, 'x' | 'letter'>): number {
    return x + LETTER_AT + LETTER_WIDTH * letter.length;
  }

  /** How long the line is that tells how loud a note was, between its ends. */
  protected loudnessLine({ width }: Pick<NoteShape, 'width'>, loudness: number): number {
    return Math.max(0, width - 2 * LINE_FROM_EDGE) * loudness;
  }

  protected readonly lineFromEdge = LINE_FROM_EDGE;
  protected readonly noteHeight = NOTE_HEIGHT;
  protected readonly blockHeight = BLOCK_HEIGHT;
  protected readonly seamHalf = SEAM_HALF;
  protected readonly pinRoom = PIN_ROOM;
  private readonly ways = inject(Ways);
  private readonly room = signal({ width: 760, height: 500 });
  /** Enlarged as far as the whole part still fits: the screen is read from the music desk. */
  private readonly fitted = computed(() => {
    const larger = this.ways.now().letters === 'large' ? LARGER : 1;
    const { width, height } = this.room();
    const fitted = fitSeam(this.view(), {
      width: width / larger,
      height: height / larger,
      isAlone: this.isAlone(),
    });
    return { ...fitted, scale: fitted.scale * larger };
  });
  protected readonly layout = computed(() => this.fitted().layout);
  protected readonly scale = computed(() => this.fitted().scale);
  protected readonly width = computed(() => Math.floor(this.room().width / this.scale()));
  /** Height of the rows seen at a time: never half a row. */
  protected readonly windowHeight = computed(
    () => heightOfRows(this.layout(), this.fitted().rowsShown) * this.scale(),
  );
  protected readonly rowsShown = computed(() => this.fitted().rowsShown);
  private readonly rowAsked = signal(0);
  /** Pixels scrolled down: known, so that nothing is measured while the part is drawn anew. */
  private scrolledTo = 0;
  /** The first row in view, by index: never one after which fewer rows come than are shown. */
  protected readonly firstRow = computed(() =>
    Math.max(0, Math.min(this.rowAsked(), this.layout().rows.length - this.rowsShown())),
  );
  private readonly partBegins = computed(() => this.view().part.fromTick);
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

  private readonly soundingRow = computed(() => {
    const tick = this.tick();
    return tick === null ? null : this.layout().rows.findIndex((r) => tick >= r.fromTick && tick < r.toTick);
  });

  private readonly host = viewChild.required<ElementRef<HTMLElement>>('host');
  private readonly rowsWindow = viewChild.required<ElementRef<HTMLElement>>('rows');

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
      // What a bench shows above the part comes later, and grows.
      const others = (): void => [...view.children].forEach((child) => observer.observe(child));
      const comings = new MutationObserver(others);
      comings.observe(view, { childList: true });
      others();
      onCleanup(() => {
        observer.disconnect();
        comings.disconnect();
      });
    });
    // Another part begins with its first row; an edit or another size of the window keeps the row that is read.
    effect(() => {
      this.partBegins();
      untracked(() => this.rowAsked.set(0));
    });
    // Pages turn by row: the row that sounds is brought into view, of a part just come to as well.
    effect(() => {
      const row = this.soundingRow();
      if (row !== null && row >= 0) untracked(() => this.bringIntoView(row));
    });
    afterRenderEffect({
      write: () => {
        this.partBegins();
        const { rows } = this.layout();
        this.scrollTo(rows[untracked(this.firstRow)]?.top ?? 0);
      },
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

  /** So many rows on or back, whole ones. False where there are no more. */
  turn(by: 1 | -1): boolean {
    const last = this.layout().rows.length - this.rowsShown();
    const row = Math.max(0, Math.min(last, this.firstRow() + by * this.rowsShown()));
    if (row === this.firstRow()) return false;
    this.show(row);
    return true;
  }

  private bringIntoView(row: number): void {
    const [first, shown] = [this.firstRow(), this.rowsShown()];
    if (row >= first && row < first + shown) return;
    this.show(Math.min(row, this.layout().rows.length - shown));
  }

  private show(row: number): void {
    this.rowAsked.set(row);
    this.scrollTo(this.layout().rows[row].top);
  }

  /** Where it is there already nothing is done: to scroll is to have the whole page measured, before it is drawn. */
  private scrollTo(top: number): void {
    const pixels = top * this.scale();
    if (Math.abs(pixels - this.scrolledTo) < 1) return;
    this.scrolledTo = pixels;
    this.rowsWindow().nativeElement.scrollTo({ top: pixels });
  }

  /** Scrolled by wheel, finger or key: it comes to rest on a whole row. */
  protected scrolled(): void {
    this.scrolledTo = this.rowsWindow().nativeElement.scrollTop;
    const top = this.scrolledTo / this.scale();
    const row = this.layout().rows.findIndex((r) => r.top + r.height / 2 > top);
    if (row >= 0) this.rowAsked.set(row);
  }

  protected readonly rowsInWords = computed(() => {
    const [first, shown, all] = [this.firstRow(), this.rowsShown(), this.layout().rows.length];
    return shown === 1 ? `row ${first + 1} of ${all}` : `rows ${first + 1}–${first + shown} of ${all}`;
  });

  protected isSounding(shape: { tick: number; x: number; width: number }, perTick: number): boolean {
    const tick = this.tick();
    return tick !== null && tick >= shape.tick && tick < shape.tick + shape.width / perTick;
  }

  protected grab(event: PointerEvent, shape: NoteShape | BlockShape, perTick: number): void {
    if (this.canDrag()) this.drag.grab(event, shape, perTick);
  }

  /** A finger that moved a key turns no page. */
  protected lift(event: Event): void {
    if (this.drag.isDrag()) event.stopPropagation();
  }

  protected drop(): void {
    const dropped = this.drag.drop(this.scale(), this.layout().step);
    if (!dropped) return;
    const { key, dragged } = dropped;
    const { midi, tick } = key;
    const id = 'from' in key ? key.from : key.changeId;
    this.noteDragged.emit({ id, midi, tick, ...dragged });
  }

  protected pressNote({ from, midi, tick }: NoteShape, isExtending: boolean): void {
    if (this.drag.isDrag()) return;
    this.notePressed.emit({ id: from, midi, tick, isExtending });
  }

  protected pressBlock({ changeId, midi, tick }: BlockShape): void {
    if (this.drag.isDrag()) return;
    this.notePressed.emit({ id: changeId, midi, tick, isExtending: false });
  }

  protected describe(shape: ChangeShape): string {
    return `${meetingInWords(shape.change, this.view())} ${shape.position}${shape.isPinned ? ', pinned' : ''}`;
  }
}
