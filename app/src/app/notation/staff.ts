import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { Arrangement } from '@joined-hands/core/arrangement';
import { writeMusicXml } from '@joined-hands/core/formats';
import type { Hand, HandNote } from '@joined-hands/core/hands';
import { type Drawn, shownElsewhere } from '@joined-hands/core/sheets';
import { messageOf } from '../ui/message';
import { EngraverClient } from './engraver';
import type { Look } from './engraving';

/** Height of a staff in pixels, and on a telephone. */
const STAFF_PX = 44;
const [NARROW_PX, STAFF_NARROW_PX] = [500, 34];
const SVG = 'http://www.w3.org/2000/svg';
/** What the name of a key in the score begins with; its place among the keys follows. */
const KEY = 'key-';

/** The part on a grand staff, for those who read, by the engraver that draws the sheets. */
@Component({
  selector: 'jh-staff',
  template: `
    <div
      #host
      class="staff"
      role="img"
      [attr.aria-label]="'Part ' + (part() + 1) + ' on the grand staff'"
      (click)="press($event)"
    ></div>
    @if (problem()) {
      <p role="alert">{{ problem() }}</p>
    }
  `,
  styles: `
    .staff {
      min-height: 200px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Staff {
  readonly arrangement = input.required<Arrangement>();
  readonly part = input.required<number>();
  /** Played ids of the notes picked. */
  readonly picked = input<readonly string[]>([]);
  /** What sounds now. */
  readonly sounding = input<readonly { readonly tick: number; readonly hand: Hand }[]>([]);
  readonly notePressed = output<{ id: string; isExtending: boolean }>();
  protected readonly problem = signal<string | null>(null);
  private readonly engraver = inject(EngraverClient);
  private readonly host = viewChild.required<ElementRef<HTMLElement>>('host');
  private readonly width = signal(0);
  private readonly shown = computed(() => shownElsewhere(this.arrangement()));
  /** The part as a score in which each key is told by its place among the keys of the song. */
  private readonly score = computed(() => {
    const shown = this.shown();
    const keys: readonly HandNote[] = [...shown.right, ...shown.left];
    const places = new Map(keys.map((note, i) => [note, i]));
    const { fromTick: from, toTick: to } = shown.parts[this.part()];
    const idOf = (note: HandNote): string => `${KEY}${places.get(note) ?? 0}`;
    return { keys, score: writeMusicXml(shown, { stretch: { from, to }, isSheet: true, idOf }) };
  });
  /** The keys of what is drawn; a new list each time, so that what is picked is marked in it. */
  private readonly drawn = signal<readonly HandNote[]>([]);
  private turn = 0;

  constructor() {
    effect((onCleanup) => {
      const observer = new ResizeObserver(([entry]) => this.width.set(Math.floor(entry.contentRect.width)));
      observer.observe(this.host().nativeElement);
      onCleanup(() => observer.disconnect());
    });
    effect(() => {
      const [{ keys, score }, width] = [this.score(), this.width()];
      if (width >= 200) void this.draw(score, keys, width);
    });
    effect(() => {
      const sounding = new Set(this.sounding().map(({ tick, hand }) => `${tick} ${hand}`));
      const picked = new Set(this.picked());
      mark(
        this.host().nativeElement,
        this.drawn(),
        (note) => picked.has(note.from) || sounding.has(`${note.tick} ${note.hand}`),
      );
    });
  }

  private async draw(score: string, keys: readonly HandNote[], width: number): Promise<void> {
    const turn = ++this.turn;
    try {
      const systems = await this.engraver.systems(score, lookOn(width));
      // Something newer may have been asked for while it was drawn.
      if (turn !== this.turn) return;
      this.host().nativeElement.replaceChildren(...systems.map(asPicture));
      this.problem.set(null);
      this.drawn.set([...keys]);
    } catch (error) {
      if (turn === this.turn) this.problem.set(`The staff could not be drawn: ${messageOf(error)}.`);
    }
  }

  protected press(event: MouseEvent): void {
    const target = event.target instanceof Element ? event.target.closest('[data-note]') : null;
    const id = target?.getAttribute('data-note');
    if (id) this.notePressed.emit({ id, isExtending: event.shiftKey });
  }
}

/** How a part is drawn in so much room: at once; on a telephone with bars measured first, so that no word is pressed. */
function lookOn(width: number): Look {
  return width < NARROW_PX ? { width: width / STAFF_NARROW_PX } : { width: width / STAFF_PX, isQuick: true };
}

function asPicture({ svg, viewBox }: Drawn): SVGSVGElement {
  const picture = document.createElementNS(SVG, 'svg');
  picture.setAttribute('viewBox', viewBox);
  picture.setAttribute('width', '100%');
  picture.innerHTML = svg;
  // Lines of the staff lie over the notes: only notes are pressed.
  picture.setAttribute('pointer-events', 'none');
  return picture;
}

/** What is pressed of a note: its head, its stem and what lies between. */
function boxOf(group: SVGGraphicsElement): SVGRectElement {
  const { x, y, width, height } = group.getBBox();
  const box = document.createElementNS(SVG, 'rect');
  for (const [name, value] of Object.entries({ x, y, width, height })) box.setAttribute(name, String(value));
  box.setAttribute('fill', 'transparent');
  box.setAttribute('pointer-events', 'all');
  return box;
}

/** Notes picked, or sounding, in the colour of their hand, what is filled in in its own; notes of the tune told apart for pressing. */
function mark(element: HTMLElement, keys: readonly HandNote[], isMarked: (note: HandNote) => boolean): void {
  const style = getComputedStyle(element);
  for (const group of element.querySelectorAll(`[id^="${KEY}"]`)) {
    const note = keys[Number(group.id.slice(KEY.length))] as HandNote | undefined;
    if (!note) continue;
    if (note.source === 'melody' && !group.hasAttribute('data-note')) {
      group.setAttribute('data-note', note.from);
      group.append(boxOf(group as SVGGraphicsElement));
    }
    const colour = isMarked(note) ? `--${note.hand}` : note.source === 'fill' ? '--thread' : null;
    for (const attribute of ['fill', 'color'])
      if (colour === null) group.removeAttribute(attribute);
      else group.setAttribute(attribute, style.getPropertyValue(colour).trim());
  }
}
