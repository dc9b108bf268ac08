import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  viewChild,
} from '@angular/core';
import { learningInWords, partCard, typesetForm } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { BenchState } from '../../frame/bench-state';
import { Playing } from '../../frame/playing';
import { PartDifference } from './part-difference';
import { PartsMap } from './parts-map';
import { PartsState } from './parts-state';

const ORDER_WORDS = {
  right: 'Right hand first, then the chords.',
  left: 'Left hand first, then the tune.',
  chords: 'The list of chords first, then the left hand, then the tune.',
};

/** Letters of the form that are seen all at once: two to three lines. */
const MOST_LETTERS = 40;

/** The middle of the Parts bench: the form, the map, and the card of the part a teacher would hand out. */
@Component({
  selector: 'jh-part-sheet',
  imports: [NzButtonComponent, PartDifference, PartsMap],
  templateUrl: './part-sheet.html',
  styleUrl: './part-sheet.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartSheet {
  protected readonly bench = inject(BenchState);
  protected readonly playing = inject(Playing);
  protected readonly state = inject(PartsState);

  protected readonly form = computed(
    () => this.bench.arrangement()?.parts.map((part) => typesetForm(part.label)) ?? [],
  );
  protected readonly isLong = computed(() => this.form().length > MOST_LETTERS);
  private readonly letters = viewChild.required<ElementRef<HTMLElement>>('letters');

  protected readonly learning = computed(() => {
    const arrangement = this.bench.arrangement();
    return arrangement ? learningInWords(arrangement) : '';
  });
  protected readonly card = computed(() => {
    const arrangement = this.bench.arrangement();
    return arrangement && this.bench.part() ? partCard(arrangement, this.bench.partIndex()) : null;
  });
  /** A part that comes back whole has nothing new, and says so already. */
  protected readonly hasNew = computed(() => {
    const part = this.bench.part();
    return part ? part.relation !== 'same' || !part.sameChords : false;
  });
  protected readonly seconds = computed(() => Math.round(this.card()?.seconds ?? 0));
  /** What is learned first; nothing where one hand plays alone. */
  protected readonly order = computed(() => {
    const order = this.card()?.order;
    return order ? ORDER_WORDS[order] : '';
  });
  /** The chords stand before the letters where the left hand is learned first. */
  protected readonly isLeftFirst = computed(() => {
    const order = this.card()?.order;
    return order === 'left' || order === 'chords';
  });
  protected readonly hasWords = computed(() => this.card()?.lines.some((line) => line.words !== '') ?? false);
  /** "1 + 2", or "3 + 4": the pair the part on screen belongs to. */
  protected readonly pair = computed(() => {
    const first = this.bench.partIndex() - (this.bench.partIndex() % 2);
    const count = this.bench.arrangement()?.parts.length ?? 0;
    return first + 1 < count ? `${first + 1} + ${first + 2}` : null;
  });
  protected readonly comparesWith = computed(() => {
    const part = this.bench.part();
    return part && (part.relation === 'ending' || part.relation === 'varied') ? part.relatedTo : null;
  });

  constructor() {
    afterRenderEffect(() => {
      const at = this.bench.partIndex();
      if (!this.isLong()) return;
      const list = this.letters().nativeElement;
      const letter = list.children[at] as HTMLElement | undefined;
      if (letter) list.scrollTop = letter.offsetTop - (list.clientHeight - letter.offsetHeight) / 2;
    });
  }
}
