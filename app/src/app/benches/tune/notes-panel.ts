import { theBar } from '@joined-hands/core/sentences';
import { capital } from '@joined-hands/core/words';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { countAt } from '@joined-hands/core/joining';
import {
  asTyped,
  besideBlacks,
  classNameOf,
  landmarkOf,
  nameOf,
  TICKS_PER_QUARTER,
  typeset,
} from '@joined-hands/core/music';
import { RHYTHMS } from '@joined-hands/core/rhythm';
import { barAt, type Choices, HARMONIES, type Harmony } from '@joined-hands/core/song';
import { type Line, LINES } from '@joined-hands/core/own';
import { FormsModule } from '@angular/forms';
import { EntryError } from '@joined-hands/core/formats';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { NoteChanges } from '../../frame/note-changes';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { TIME_STEPS, TuneState } from './tune-state';

/** A second line beside a stretch of the tune: it is written by hand, and changed and taken back under By hand. */
const LINE_NAMES: Record<Line, string> = {
  'held-under': 'One key held under them all',
  'held-over': 'One key held over them all',
  'moving-under': 'Two chord notes moving under it',
};
const isLine = (how: string): how is Line => LINES.some((line) => line === how);

/** What can be struck with a note of the tune, as it is chosen. */
const HARMONY_NAMES: Record<Harmony['how'], string> = {
  none: 'Nothing',
  'third-under': 'A third under it',
  'sixth-under': 'A sixth under it',
  'chord-under': 'A chord note under it',
  'two-under': 'Two chord notes under it',
  'octave-under': 'An octave under it',
  drone: 'A drone on the tonic',
  'third-above': 'A third above it',
  'sixth-above': 'A sixth above it',
  'chord-above': 'A chord note above it',
  'two-above': 'Two chord notes above it',
  'octave-above': 'An octave above it',
  keys: 'These keys …',
};

/** The note or notes picked: what they are, and moving, lengthening, tying, splitting, joining them. */
@Component({
  selector: 'jh-notes-panel',
  imports: [Choice, FormsModule, NoteChanges, NzButtonComponent, NzInputModule, NzSelectModule],
  templateUrl: './notes-panel.html',
  styleUrl: '../../ui/panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NotesPanel {
  protected readonly tune = inject(TuneState);
  private readonly bench = this.tune.bench;
  protected readonly timeSteps: readonly ChoiceOption<number>[] = TIME_STEPS;
  protected readonly rhythms: readonly ChoiceOption<Choices['rhythm']>[] = RHYTHMS.map(
    ({ value, label }) => ({
      value,
      label,
    }),
  );
  protected readonly octaves: readonly ChoiceOption<Choices['shownOctave']>[] = [
    { value: -1, label: 'Lower' },
    { value: 0, label: 'As played' },
    { value: 1, label: 'Higher' },
  ];

  protected readonly harmonies: readonly ChoiceOption<Harmony['how'] | Line | 'level'>[] = [
    { value: 'level', label: 'What its level gives it' },
    ...HARMONIES.map((value) => ({ value, label: HARMONY_NAMES[value] })),
    ...LINES.map((value) => ({ value, label: LINE_NAMES[value] })),
  ];
  protected readonly harmonyTimes = computed((): readonly ChoiceOption<boolean>[] => [
    { value: false, label: 'Each time' },
    { value: true, label: `Time ${this.tune.time()} alone` },
  ]);
  protected readonly keysExample = asTyped('C4 E4');
  /** The very keys are asked for, until another note is looked at. */
  protected readonly asksForKeys = linkedSignal(() => this.tune.harmony()?.how === 'keys');
  protected readonly keysTold = computed(() =>
    (this.tune.harmony()?.keys ?? []).map((pitch) => asTyped(nameOf(pitch))).join(' '),
  );
  protected readonly problem = signal('');

  protected readonly chordExample = asTyped('Am7');
  protected readonly chordTold = computed(() => asTyped(this.tune.chordHere()));
  protected readonly chordProblem = linkedSignal({ source: this.tune.note, computation: () => '' });

  /** Enter puts it there; the field is ready for the next note. */
  protected putChord(field: HTMLInputElement): void {
    const problem = this.tune.putChord(field.value);
    this.chordProblem.set(problem);
    if (problem === '') field.value = this.chordTold();
    field.select();
  }

  protected harmonise(how: Harmony['how'] | Line | 'level'): void {
    this.problem.set('');
    this.asksForKeys.set(how === 'keys');
    if (isLine(how)) this.problem.set(this.tune.addLine(how));
    else if (how !== 'keys') this.tune.harmonise(how === 'level' ? null : { how });
  }

  protected giveKeys(letters: string): void {
    try {
      this.tune.harmoniseWith(letters);
      this.problem.set('');
    } catch (error) {
      if (!(error instanceof EntryError)) throw error;
      this.problem.set(error.message);
    }
  }

  protected readonly title = computed(() => {
    const notes = this.tune.pickedNotes();
    if (notes.length === 0) return '';
    if (notes.length > 1) return `${notes.length} notes`;
    return typeset(classNameOf(notes[0].pitch));
  });
  protected readonly place = computed(() => {
    const [note, arrangement] = [this.tune.note(), this.bench.arrangement()];
    if (!note || !arrangement) return '';
    const bar = barAt(arrangement.played.bars, note.tick);
    const landmark = arrangement.profile.landmarks === 'black-keys' ? besideBlacks : landmarkOf;
    const beats = note.length / TICKS_PER_QUARTER;
    const where = `of ${theBar(bar.number)}`;
    const told = landmark(note.pitch);
    return `${capital(told)}, on ${countAt(bar, note.tick)} ${where}, ${note.grace ? 'a grace note' : `${fraction(beats)} quarter${beats === 1 ? '' : 's'} long`}.`;
  });
  protected readonly otherName = computed(() => {
    const name = this.tune.otherName();
    return name ? typeset(classNameOf(name)) : '';
  });
  protected readonly isTied = computed(() => this.tune.written(this.tune.ids()[0])?.tiedToNext ?? false);
  protected readonly rhythm = computed(() => this.bench.part()?.choices.rhythm);
  protected readonly capital = capital;
  protected readonly rhythmWords = computed(() => RHYTHMS.find((r) => r.value === this.rhythm())?.what ?? '');
  protected readonly shownOctave = computed(() => this.bench.part()?.choices.shownOctave);

  protected choose(choices: Partial<Choices>): void {
    const part = this.bench.part();
    if (part) this.bench.edit({ kind: 'choose-for-part', cutId: part.cutId, choices });
  }
}

const FRACTIONS: Record<string, string> = { '0.25': '¼', '0.33': '⅓', '0.5': '½', '0.67': '⅔', '0.75': '¾' };

/** "1½" for 1.5; thirds and quarters as signs, anything else with two decimals. */
function fraction(value: number): string {
  const whole = Math.floor(value + 0.001);
  const rest = value - whole;
  if (rest < 0.005) return String(whole);
  const sign = FRACTIONS[String(Math.round(rest * 100) / 100)];
  return sign ? `${whole > 0 ? whole : ''}${sign}` : value.toFixed(2);
}
