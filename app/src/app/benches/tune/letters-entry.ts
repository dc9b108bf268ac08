import { keyReasonInWords } from '@joined-hands/core/sentences';
import {
  afterNextRender,
  type ElementRef,
  viewChild,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import {
  countsOfTake,
  EntryError,
  FieldError,
  readLetters,
  readTune,
  type TypedTune,
  writeLetters,
  writeTune,
} from '@joined-hands/core/formats';
import type { FoundKey } from '@joined-hands/core/harmony';
import {
  asBeatsPerMinute,
  asTyped,
  barTicks,
  COMMON_TIME,
  type Key,
  keyName,
  landmarkOf,
  midiOf,
  type Pitch,
  spellInKey,
  typeset,
} from '@joined-hands/core/music';
import type { MelodyNote } from '@joined-hands/core/song';
import { takeOf } from '@joined-hands/core/takes';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { ComputerKeys } from '../../input/key-sources';
import { Recorder } from '../../input/recorder';
import { ScreenKeyboard } from '../../input/screen-keyboard';
import { TuneState } from './tune-state';

interface Fault {
  readonly field: 'letters' | 'counts';
  readonly text: string;
  readonly at: number;
  readonly length: number;
  /** Something is only missing yet: nothing is wrong. */
  readonly isGap: boolean;
}

const STARTS: readonly Pitch[] = [2, 3, 4, 5, 6].map((octave) => ({ letter: 'C', alter: 0, octave }));
const BARS_TAPPED = 8;
/** Fewer notes tell no key. */
const FEWEST_FOR_KEY = 5;

/** Tick of the first note that is not as it was; after the last when notes only went away. */
function firstChange(before: readonly MelodyNote[], after: readonly MelodyNote[]): number {
  const says = (note: MelodyNote | undefined): string =>
    note ? `${note.tick} ${note.length} ${midiOf(note.pitch)}` : '';
  const changed = after.find((note, i) => says(note) !== says(before[i]));
  return (changed ?? after.at(-1))?.tick ?? 0;
}

/** A tune told in letters, then in counts; drawn and heard while it is typed. */
@Component({
  selector: 'jh-letters-entry',
  imports: [FormsModule, NzButtonComponent, NzInputModule, NzSelectModule],
  templateUrl: './letters-entry.html',
  styleUrl: './letters-entry.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LettersEntry {
  private readonly tune = inject(TuneState);
  protected readonly bench = this.tune.bench;
  protected readonly recorder = inject(Recorder);

  protected readonly letters = signal('');
  protected readonly example = `${asTyped('A C B*2 G#')} …`;
  protected readonly counts = signal('');
  protected readonly start = signal(2);
  protected readonly starts = STARTS.map((pitch, value) => ({ value, label: landmarkOf(pitch) }));
  protected readonly fault = signal<Fault | null>(null);
  /** Typing without a pause elsewhere is one step to undo. */
  private readonly session = crypto.randomUUID();
  private ownMelody: readonly MelodyNote[] | null = null;

  constructor() {
    // Who comes to tell the tune goes on typing.
    afterNextRender(() => this.lettersBox().nativeElement.focus({ preventScroll: true }));
    this.screen.pressed.pipe(takeUntilDestroyed()).subscribe((midi) => {
      if (!this.recorder.isBusy()) this.addKey(midi);
    });
    // A tune changed elsewhere (undo, the seam) is told anew; what is typed here stays as typed.
    effect(() => {
      const song = this.bench.song();
      if (!song || song.melody === this.ownMelody) return;
      untracked(() => {
        const typed = writeTune(song);
        this.letters.set(typed.letters);
        this.counts.set(typed.counts);
        this.fault.set(null);
        this.ownMelody = song.melody;
      });
    });
  }

  private readonly screen = inject(ScreenKeyboard);
  private readonly lettersBox = viewChild.required<ElementRef<HTMLElement>>('lettersBox');

  /** The key the letters tell, where it is another than the song's. */
  protected readonly foundKey = computed((): FoundKey | null => {
    const song = this.bench.song();
    const [first] = this.tune.foundKeys() ?? [];
    if (!song || !first || song.melody.length < FEWEST_FOR_KEY) return null;
    return keyName(first.key) === keyName(song.keyMap[0]) ? null : first;
  });

  protected readonly because = keyReasonInWords;

  protected nameOf({ tonic, mode }: Key): string {
    return typeset(keyName({ tonic, mode }));
  }

  /** From the first note on, pick-up and all. */
  protected takeKey({ key }: FoundKey): void {
    this.bench.edit({ kind: 'key-set', bar: 1, key });
  }

  /** First the notes, then the rhythm: a key pressed on the screen adds its letter. */
  private addKey(midi: number): void {
    const song = this.bench.song();
    if (!song) return;
    const key = song.keyMap[0];
    const pitch = spellInKey(midi, key);
    const typed = this.letters().trim();
    try {
      const before = readLetters(typed, key, STARTS[this.start()]).at(-1);
      const both = [...(before ? [before] : []), { pitch, grace: false }];
      const word = writeLetters(both, key).split(' ').at(-1) ?? '';
      this.type('letters', `${typed} ${word}`.trim());
    } catch (error) {
      // What stands there already cannot be read: its fault is shown, nothing is added.
      if (!(error instanceof EntryError)) throw error;
    }
  }

  /** Where the fault stands: the text before it, it, and the text after. */
  protected readonly marked = computed(() => {
    const fault = this.fault();
    if (!fault) return null;
    const text = fault.field === 'letters' ? this.letters() : this.counts();
    return {
      field: fault.field,
      before: text.slice(0, fault.at),
      at: text.slice(fault.at, fault.at + fault.length) || ' ',
      after: text.slice(fault.at + fault.length),
    };
  });

  protected type(field: 'letters' | 'counts', text: string): void {
    if (field === 'letters') this.letters.set(text);
    else this.counts.set(text);
    this.read(true);
  }

  protected startAt(index: number): void {
    this.start.set(index);
    this.read(false);
  }

  private read(isHeard: boolean): void {
    const song = this.bench.song();
    if (!song || this.bench.state().isReadOnly) return;
    const typed: TypedTune = { letters: this.letters(), counts: this.counts() };
    try {
      const { fields, missing } = readTune(typed, song, STARTS[this.start()]);
      this.fault.set(
        missing && {
          field: missing.in,
          text: missing.error.message,
          at: missing.error.at,
          length: missing.error.length,
          isGap: true,
        },
      );
      const before = song.melody.length;
      this.ownMelody = fields.melody;
      this.tune.take('typed tune', this.session, fields);
      const last = fields.melody.at(-1);
      if (isHeard && last && fields.melody.length > before)
        void this.bench.hearing.keys([midiOf(last.pitch)]);
      this.bench.showTick(firstChange(song.melody, fields.melody));
    } catch (error) {
      if (!(error instanceof FieldError)) throw error;
      const { at, length } = error.error;
      this.fault.set({ field: error.field, text: error.message, at, length, isGap: false });
    }
  }

  /** The rhythm tapped on a key against the click becomes counts. */
  protected async tap(): Promise<void> {
    if (this.recorder.isBusy()) return this.recorder.stop();
    const song = this.bench.song();
    if (!song) return;
    (document.activeElement as HTMLElement | null)?.blur();
    const [metre] = song.metreMap;
    const bar = { number: 1, tick: 0, length: barTicks(metre), metre };
    const source = new ComputerKeys(true);
    const taps = await this.recorder.record(source, {
      bars: [bar],
      fromTick: 0,
      toTick: BARS_TAPPED * bar.length,
    });
    if (taps.length === 0) return;
    this.counts.set(countsOfTake(takeOf(taps, this.recorder.quartersPerMinute(), song.keyMap[0]), metre));
    this.read(false);
  }

  /** Clicks a minute, on the beats of the metre. */
  protected readonly clicks = computed(() =>
    Math.round(
      asBeatsPerMinute(this.bench.song()?.metreMap[0] ?? COMMON_TIME, this.recorder.quartersPerMinute()),
    ),
  );

  protected setTempo(by: number): void {
    this.recorder.quartersPerMinute.update((tempo) => Math.min(200, Math.max(40, tempo + by)));
  }
}
