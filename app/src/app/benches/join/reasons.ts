import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Fill } from '@joined-hands/core/fills';
import { inversionName } from '@joined-hands/core/harmony';
import { classNameOf, typeset } from '@joined-hands/core/music';
import { BLOCK } from '@joined-hands/core/patterns';
import { pedalOf } from '@joined-hands/core/shaping';
import type { Choices } from '@joined-hands/core/song';
import { fillName, inWords, functionInWords } from '@joined-hands/core/sentences';
import { type Alternative, LAYOUT_ROWS } from '@joined-hands/core/voicing';
import {
  byHandInWords,
  derivationOf,
  fillPlaceInWords,
  handsThen,
  meetsInWords,
  relationInWords,
  typesetForm,
  voicingCostInWords,
  voicingName,
  whyOf,
} from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { BenchState } from '../../frame/bench-state';
import { LastBars } from '../../frame/last-bars';
import { SOUNDS, type SoundRow } from '../../sound/instruments';
import { Piano } from '../../sound/piano';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { GivesWay } from '../../ui/gives-way';
import { Offer } from '../../ui/offer';
import { JoinState } from './join-state';

const SHOWN_ALTERNATIVES = 6;

const PEDALS: readonly ChoiceOption<Choices['pedal']>[] = [
  { value: 'none', label: 'None' },
  { value: 'change', label: 'With each chord' },
  { value: 'half', label: 'Also at half bars' },
  { value: 'held', label: 'Held through the part' },
  { value: 'end', label: 'Only under the last chord' },
];

/** Teaches: what is selected, why it is so, what else could be. */
@Component({
  selector: 'jh-reasons',
  imports: [Choice, FormsModule, GivesWay, LastBars, NzButtonComponent, NzSelectModule, Offer],
  templateUrl: './reasons.html',
  styleUrl: './reasons.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Reasons {
  protected readonly functionOf = functionInWords;
  protected readonly bench = inject(BenchState);
  protected readonly join = inject(JoinState);

  protected readonly layouts = LAYOUT_ROWS.map(({ layout, name }) => ({ value: layout, label: name }));
  protected readonly fillsTaken = computed(() => this.bench.fills().filter(({ taken }) => taken));

  /** "bass walk, bar 4, from 2: E F♯ G♯ to A, by step from below". */
  protected nameOfFill(fill: Fill): string {
    return `${fillName(fill.kind)}, ${fillPlaceInWords(this.bench.arrangement()?.played.bars ?? [], fill)}`;
  }

  protected leaveOut({ id }: Fill): void {
    this.bench.edit({ kind: 'fills', taken: [], declined: [id] });
  }

  protected readonly handOrders: readonly ChoiceOption<Choices['firstHand']>[] = [
    { value: 'right', label: 'Right' },
    { value: 'left', label: 'Left' },
    { value: 'chords', label: 'Chords list' },
  ];

  protected readonly restrikes: readonly ChoiceOption<NonNullable<Choices['restrike']>>[] = [
    { value: 'once', label: 'Once' },
    { value: 'bar', label: 'Each bar' },
    { value: 'half', label: 'Half bars' },
  ];
  /** Chords are held as they are, so that a long one may be struck again. */
  protected readonly holdsChords = computed(() => {
    const { chords, isMoving } = this.bench.levelRow();
    const choices = this.bench.part()?.choices;
    return chords !== 'none' && choices?.layout !== 'singing' && (!isMoving || choices?.pattern === BLOCK.id);
  });
  protected readonly restrike = computed(
    () => this.bench.part()?.choices.restrike ?? (this.bench.levelRow().isMoving ? 'bar' : 'once'),
  );

  protected readonly pedals = computed((): readonly ChoiceOption<Choices['pedal']>[] => {
    const [part, shape] = [this.bench.part(), this.bench.arrangement()?.shape];
    const own = part && shape ? pedalOf({ choices: { ...part.choices, pedal: 'auto' } }, shape) : 'change';
    const suits = PEDALS.find(({ value }) => value === own)?.label.toLowerCase() ?? '';
    return [{ value: 'auto', label: `As it suits: ${suits}` }, ...PEDALS];
  });
  protected readonly piano = inject(Piano);
  protected readonly sounds = SOUNDS;
  /** What is chosen is heard at once. */
  protected hearAs(id: SoundRow['id']): void {
    this.piano.choose(id);
    const change = this.bench.changesInPart()[0];
    if (change) void this.bench.hearing.keys(change.voicing.keys);
  }

  protected readonly title = computed(() => this.with(voicingName));
  protected readonly letters = computed(
    () => this.bench.change()?.pitches.map((p) => typeset(classNameOf(p))) ?? [],
  );
  protected readonly derivation = computed(() => this.with(derivationOf));
  protected readonly meeting = computed(() =>
    this.with((change) => {
      const arrangement = this.bench.arrangement();
      return arrangement ? meetsInWords(arrangement, change) : '';
    }),
  );
  protected readonly byHand = computed(() =>
    this.with((change) => {
      const arrangement = this.bench.arrangement();
      return arrangement ? byHandInWords(arrangement, change) : '';
    }),
  );
  protected readonly why = computed(() => {
    const change = this.bench.change();
    return change ? whyOf(this.bench.before(), change) : '';
  });
  /** Under a pattern built on the root the block is not what is struck: said, with what is. */
  protected readonly broken = computed(() => {
    const change = this.bench.change();
    const struck =
      this.bench.arrangement()?.left.filter((n) => n.from === change?.change.id && n.source === 'pattern') ??
      [];
    if (!change || struck.length === 0 || struck[0].midi === change.voicing.keys[0]) return '';
    return `Here the pattern breaks it up from the root: ${struck
      .slice(0, 4)
      .map((n) => typeset(classNameOf(n.pitch)))
      .join(' ')}.`;
  });
  protected readonly alternatives = computed(() => this.bench.alternatives().slice(0, SHOWN_ALTERNATIVES));
  protected readonly partTitle = computed(() => {
    const part = this.bench.part();
    return part ? `Part ${part.number} ${typesetForm(part.label)}` : '';
  });
  protected readonly partLines = computed(() => {
    const [part, arrangement] = [this.bench.part(), this.bench.arrangement()];
    const effort = arrangement?.efforts[this.bench.partIndex()];
    if (!part || !arrangement || !effort) return [];
    const relation = relationInWords(part, handsThen(arrangement, this.bench.partIndex()));
    const because = effort.reasons.length > 0 ? `: ${effort.reasons.map(inWords).join(', ')}` : '';
    return [...(relation ? [relation] : []), `Difficulty ${effort.total} of 100${because}.`];
  });

  private with(words: (change: NonNullable<ReturnType<BenchState['change']>>) => string): string {
    const change = this.bench.change();
    return change ? words(change) : '';
  }

  protected lettersOf(alternative: Alternative): string {
    return alternative.pitches.map((p) => typeset(classNameOf(p))).join(' ');
  }

  protected nameOf(alternative: Alternative): string {
    return `${inversionName(alternative.voicing.inversion)}, from ${typeset(classNameOf(alternative.pitches[0]))}${alternative.pitches[0].octave}`;
  }

  protected costOf(alternative: Alternative): string {
    return voicingCostInWords(alternative, this.bench.change()?.step === null);
  }
}
