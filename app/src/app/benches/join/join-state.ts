import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  type EasierBy,
  type EffortOver,
  type OtherFinger,
  type PatternOffer,
  patternsForPart,
} from '@joined-hands/core/arrange';
import { keyOfPin, lieOf } from '@joined-hands/core/fingering';
import type { Hand, HandNote } from '@joined-hands/core/hands';
import { judgePressed, type Step, stepsIn } from '@joined-hands/core/joining';
import { classNameOf, typeset } from '@joined-hands/core/music';
import { cutIdForChoice, type Part } from '@joined-hands/core/parts';
import { barAt, type Choices, isOnSameKey, keyAt, type SongEdit } from '@joined-hands/core/song';
import { slipInWords } from '@joined-hands/core/words';
import { BenchState } from '../../frame/bench-state';
import { Playing } from '../../frame/playing';
import { ScreenKeyboard } from '../../input/screen-keyboard';
import type { HandLie, HeldKey } from '../../keyboard/keyboard';
import type { ChoiceOption } from '../../ui/choice';
import { Asker } from '../../workers/asker';

/** Tabs of the Join bench. */
type JoinTab = 'why' | 'patterns' | 'steps' | 'fingers' | 'hand' | 'effort';

/** What a choice is made for. */
type ChosenFor = 'song' | 'section' | 'part' | 'time';

/** How a place is shown: at its tempo or slowly, both hands or one. */
interface Showing {
  readonly label: string;
  readonly tempoPercent: number | null;
  readonly hands: Hand | 'both';
}

export const SHOWINGS: readonly Showing[] = [
  { label: 'At speed', tempoPercent: null, hands: 'both' },
  { label: 'Slowly', tempoPercent: 50, hands: 'both' },
  { label: 'Right alone', tempoPercent: 60, hands: 'right' },
  { label: 'Left alone', tempoPercent: 60, hands: 'left' },
];

/** The tabs of the Join bench and where each stands. */
@Injectable()
export class JoinState {
  readonly bench = inject(BenchState);
  private readonly playing = inject(Playing);
  private readonly asker = inject(Asker);
  private readonly screen = inject(ScreenKeyboard);

  readonly isOpen = signal(false);
  readonly tab = signal<JoinTab>('why');
  private readonly askedFor = signal<ChosenFor>('song');
  /** What choices are made for: the section is that of the part on screen. */
  readonly chosenFor = computed((): ChosenFor => {
    const asked = this.askedFor();
    if (asked === 'section' && this.sectionParts().length === 0) return 'song';
    return asked === 'time' && !this.isAgain() ? 'part' : asked;
  });
  /** The part on screen follows its first time, or is followed. */
  private readonly comesAgain = computed(() => {
    const [part, parts] = [this.bench.part(), this.bench.arrangement()?.parts ?? []];
    return this.isAgain() || parts.some(({ sharesWith }) => sharesWith === part?.number);
  });
  /** The part on screen is one that comes again and follows its first time. */
  private readonly isAgain = computed(() => (this.bench.part()?.sharesWith ?? null) !== null);
  readonly scopes = computed((): readonly ChoiceOption<ChosenFor>[] => [
    { value: 'song', label: 'Whole song' },
    ...(this.sectionParts().length > 0 ? [{ value: 'section' as const, label: 'Section' }] : []),
    { value: 'part', label: this.comesAgain() ? 'Each time' : 'This part' },
    ...(this.isAgain() ? [{ value: 'time' as const, label: 'This time' }] : []),
  ]);
  /** The parts of the section that the part on screen belongs to; none where the song has no sections. */
  private readonly sectionParts = computed((): readonly Part[] => {
    const [arrangement, part] = [this.bench.arrangement(), this.bench.part()];
    if (!arrangement || !part) return [];
    const { sections } = arrangement.played;
    const at = sections.findLastIndex(({ tick }) => tick <= part.fromTick);
    if (at < 0 || sections.length < 2) return [];
    const until = sections[at + 1]?.tick ?? Infinity;
    return arrangement.parts.filter(({ fromTick }) => fromTick >= sections[at].tick && fromTick < until);
  });

  chooseFor(asked: ChosenFor): void {
    this.askedFor.set(asked);
  }

  constructor() {
    // A key of the screen counts where the hands step through.
    this.screen.pressed.pipe(takeUntilDestroyed()).subscribe((midi) => this.isStepping() && this.press(midi));
    effect(() => {
      this.bench.partIndex();
      untracked(() => this.goToStep(0));
    });
    effect(() => {
      const [isOpen, tab, arrangement] = [this.isOpen(), this.tab(), this.bench.arrangement()];
      if (!isOpen || tab !== 'effort' || !arrangement || arrangement.isPartial) return;
      this.asker.answer(arrangement, { kind: 'efforts' }, (efforts) => this.efforts.set(efforts));
    });
    effect(() => {
      const [isOpen, tab, arrangement] = [this.isOpen(), this.tab(), this.bench.arrangement()];
      const part = this.bench.partIndex();
      if (!isOpen || tab !== 'effort' || !arrangement || arrangement.isPartial) return;
      this.easier.set(null);
      this.asker.answer(arrangement, { kind: 'easier', part }, (list) => {
        if (this.bench.partIndex() === part) this.easier.set(list);
      });
    });
    effect(() => {
      const [isOpen, arrangement, note] = [this.isOpen(), this.bench.arrangement(), this.note()];
      if (!isOpen || !arrangement || arrangement.isPartial || !note) return this.otherFingers.set([]);
      const place = { part: this.bench.partIndex(), hand: note.hand, tick: note.tick, midi: note.midi };
      this.asker.answer(arrangement, { kind: 'fingers', place }, (list) => {
        const now = this.note();
        if (now?.tick === note.tick && now.midi === note.midi) this.otherFingers.set(list);
      });
    });
  }

  /** The edit that makes choices where they are made for; a part that follows another has them through that one. */
  choosing(choices: Partial<Choices>): SongEdit {
    const [part, parts] = [this.bench.part(), this.bench.arrangement()?.parts ?? []];
    const asked = this.chosenFor();
    if (asked === 'song' || !part) return this.bench.choosing(choices);
    if (asked === 'time') {
      const grown = this.bench.song()?.partSettings[part.cutId]?.grown;
      return { kind: 'grown', cutId: part.cutId, choices: { ...grown, ...choices } };
    }
    const chosen = asked === 'part' ? [part] : this.sectionParts();
    const cutIds = new Set(chosen.map((own) => cutIdForChoice(parts, own, false)));
    const edits = [...cutIds].map((cutId): SongEdit => ({ kind: 'choose-for-part', cutId, choices }));
    return edits.length === 1 ? edits[0] : { kind: 'together', what: 'choice for the section', edits };
  }

  choose(choices: Partial<Choices>): void {
    this.bench.edit(this.choosing(choices));
  }

  hear(choices: Partial<Choices>): void {
    this.playing.hearPartAfter(this.choosing(choices));
  }

  // Patterns

  /** What could be played in the part, the most fitting first. */
  readonly proposals = computed((): readonly PatternOffer[] => {
    const [arrangement, part] = [this.bench.arrangement(), this.bench.part()];
    return arrangement && part ? patternsForPart(arrangement, part) : [];
  });

  // Stepping

  readonly hands = signal<Hand | 'both'>('both');
  readonly stepAt = signal(0);
  readonly pressed = signal<readonly number[]>([]);
  readonly steps = computed((): readonly Step[] => {
    const [arrangement, part] = [this.bench.arrangement(), this.bench.part()];
    return arrangement && part ? stepsIn(arrangement, part, this.hands()) : [];
  });
  readonly step = computed(() => this.steps()[this.stepAt()] ?? null);
  readonly slip = computed(() => {
    const [step, arrangement] = [this.step(), this.bench.arrangement()];
    if (!step || !arrangement) return '';
    return slipInWords(step, judgePressed(step, this.pressed()), keyAt(arrangement.played, step.tick));
  });

  private isStepping(): boolean {
    return this.isOpen() && this.tab() === 'steps' && this.step() !== null;
  }

  /** A key went down, wherever it was pressed: when all that are wanted have been, the next step comes. */
  press(midi: number): void {
    const step = this.step();
    if (!step) return;
    const pressed = [...this.pressed(), midi];
    this.pressed.set(pressed);
    if (judgePressed(step, pressed).isDone) this.stepBy(1);
  }

  /** The next or the previous step; round again after the last. */
  stepBy(by: 1 | -1): void {
    const count = this.steps().length;
    if (count === 0) return;
    this.goToStep((this.stepAt() + by + count) % count);
  }

  goToStep(index: number): void {
    this.stepAt.set(index);
    this.pressed.set([]);
  }

  stepWith(hands: Hand | 'both'): void {
    this.hands.set(hands);
    this.goToStep(0);
  }

  /** A key in the octave in which it is wanted now; as it is where its letter is not. */
  inWantedOctave(midi: number): number {
    const step = this.step();
    const missing = step ? judgePressed(step, this.pressed()).missing : [];
    return missing.find((key) => key % 12 === midi % 12) ?? midi;
  }

  /** The bar of the step is played, as it is to be shown. */
  hearBar({ tempoPercent, hands }: Showing): void {
    const [arrangement, step] = [this.bench.arrangement(), this.step()];
    if (!arrangement || !step) return;
    const { tick, length } = barAt(arrangement.played.bars, step.tick);
    this.playing.playStretch(tick, tick + length, {
      stays: true,
      hands,
      ...(tempoPercent === null ? {} : { tempoPercent }),
    });
  }

  /** What is wanted now is played. */
  hearStep(): void {
    const step = this.step();
    if (step) void this.bench.hearing.keys([...step.left, ...step.right].map(({ midi }) => midi));
  }

  // Fingers

  readonly hand = signal<Hand>('right');
  private readonly noteAt = signal<{ readonly tick: number; readonly midi: number } | null>(null);
  /** The keys of the part for the hand looked at, in time. */
  readonly notes = computed((): readonly HandNote[] => {
    const part = this.bench.arrangement()?.arranged[this.bench.partIndex()];
    return part?.[this.hand()] ?? [];
  });
  /** The key picked; the first of the part while none is. */
  readonly note = computed((): HandNote | null => {
    if (this.tab() !== 'fingers') return null;
    const at = this.noteAt();
    return (
      this.notes().find(({ tick, midi }) => tick === at?.tick && midi === at.midi) ?? this.notes()[0] ?? null
    );
  });
  readonly otherFingers = signal<readonly OtherFinger[]>([]);
  /** The finger the pianist fixed on the key picked, or null. */
  readonly pinnedFinger = computed(() => {
    const [note, arrangement] = [this.note(), this.bench.arrangement()];
    if (!note || !arrangement) return null;
    const key = keyOfPin(note, arrangement.played);
    return arrangement.song.fingerPins.find((pin) => isOnSameKey(pin, key))?.finger ?? null;
  });

  pickNote(note: Pick<HandNote, 'hand' | 'tick' | 'midi'>): void {
    this.hand.set(note.hand);
    this.noteAt.set({ tick: note.tick, midi: note.midi });
  }

  noteBy(by: 1 | -1): void {
    const [notes, note] = [this.notes(), this.note()];
    if (!note || notes.length === 0) return;
    this.pickNote(notes[(notes.indexOf(note) + by + notes.length) % notes.length]);
  }

  chooseHand(hand: Hand): void {
    this.hand.set(hand);
    this.noteAt.set(null);
  }

  pinFinger(finger: number): void {
    const [note, arrangement] = [this.note(), this.bench.arrangement()];
    if (!note || !arrangement || this.bench.part()?.settled) return;
    this.bench.edit({ kind: 'finger-pinned', pin: { ...keyOfPin(note, arrangement.played), finger } });
  }

  releaseFinger(): void {
    const [note, arrangement] = [this.note(), this.bench.arrangement()];
    if (!note || !arrangement || this.pinnedFinger() === null) return;
    this.bench.edit({ kind: 'finger-released', key: keyOfPin(note, arrangement.played) });
  }

  // Effort

  readonly efforts = signal<EffortOver | null>(null);
  /** What would make the part easier; null while it is worked out. */
  readonly easier = signal<readonly EasierBy[] | null>(null);

  /** Where each hand lies that strikes one key at the place shown. */
  readonly lies = computed((): readonly HandLie[] => {
    const step = this.tab() === 'steps' ? this.step() : null;
    const note = this.note();
    const struck = step
      ? [step.right, step.left]
      : note
        ? [this.notes().filter(({ tick }) => tick === note.tick)]
        : [];
    return struck.flatMap((keys) => {
      const lie = keys.length === 1 ? lieOf(keys[0]) : null;
      return lie ? [{ hand: keys[0].hand, ...lie }] : [];
    });
  });

  /** Keys wanted, or struck with the key picked. */
  readonly keysToShow = computed((): readonly HeldKey[] | null => {
    const step = this.tab() === 'steps' ? this.step() : null;
    if (step) return [...step.left, ...step.right].map(asHeld);
    const note = this.note();
    return note
      ? this.notes()
          .filter(({ tick }) => tick === note.tick)
          .map(asHeld)
      : null;
  });
}

/** A key as the piano on the screen shows it. */
export function asHeld({ midi, hand, pitch, finger }: HandNote): HeldKey {
  return { midi, hand, letter: typeset(classNameOf(pitch)), finger };
}
