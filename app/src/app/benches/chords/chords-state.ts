import { computed, effect, inject, Injectable, signal } from '@angular/core';
import type { Arrangement } from '@joined-hands/core/arrangement';
import { chordRow, FileError } from '@joined-hands/core/formats';
import { byHalfStep, onLadder } from '@joined-hands/core/harmony';
import { buildUpAfter, buildUpAt, levelFor } from '@joined-hands/core/levels';
import {
  type Chord,
  classNameOf,
  type Key,
  otherNameOf,
  spellInKey,
  symbolOf,
  typeset,
} from '@joined-hands/core/music';
import { cutIdForChoice, firstBarTick, writtenTick } from '@joined-hands/core/parts';
import {
  barAt,
  changeLeftOut,
  changesPlaced,
  changesShifted,
  changeSplit,
  changeStepped,
  type Choices,
  type CloseHands,
  keyAt,
  type Layout,
  placeIn,
  type SongEdit,
  writtenBars,
} from '@joined-hands/core/song';
import { type Scope, type Suggestion, type Taste } from '@joined-hands/core/suggesting';
import { readSymbol } from '@joined-hands/core/voicing';
import { BenchState } from '../../frame/bench-state';
import type { HeldKey } from '../../keyboard/keyboard';
import { Playing } from '../../frame/playing';
import { answered, type Asking } from '../../workers/answered';
import type { Question } from '../../workers/answers';
import { Asker } from '../../workers/asker';
import { messageOf } from '../../ui/message';

/** Tabs of the Chords bench. */
type ChordsTab = 'chord' | 'voicing' | 'suggest' | 'holds' | 'name';
type ChordQuestion = Extract<Question, { readonly kind: 'layouts' | 'proof' | 'progressions' }>;

/** Suggestions for a change as it stood in an arrangement. */
interface Weighed {
  readonly changeId: string;
  readonly arrangement: Arrangement;
  readonly list: readonly Suggestion[];
}
const NOTHING_WEIGHED: readonly Suggestion[] = [];

/** Chords of the open song: what is selected, what is suggested, what each voicing style would cost. */
@Injectable()
export class ChordsState {
  readonly bench = inject(BenchState);
  /** The bench is on screen: questions are asked. */
  readonly isOpen = signal(false);
  private readonly asker = inject(Asker);
  private readonly playing = inject(Playing);
  readonly tab = signal<ChordsTab>('chord');
  /** Keys to be named, by MIDI number, the lowest first. */
  readonly named = signal<readonly number[]>([]);
  /** The same as the keyboard shows them, while they are being named. */
  readonly namedKeys = computed((): readonly HeldKey[] | null => {
    const [key, named] = [this.key(), this.named()];
    if (!key || named.length === 0 || this.tab() !== 'name') return null;
    return named.map((midi) => ({
      midi,
      hand: 'left',
      letter: typeset(classNameOf(spellInKey(midi, key))),
      finger: null,
    }));
  });
  readonly taste = signal<Taste>('sevenths');
  /** Triads where a seventh stands at rest. */
  readonly triads = signal(true);
  /** Whether a choice is made for the song or for the part on screen. */
  readonly forPart = signal(false);
  private readonly weighed = signal<Weighed | null>(null);
  /** Ranked chords for the change selected; none while they are being weighed. */
  readonly suggestions = computed<readonly Suggestion[]>(() => {
    const [weighed, change, arrangement] = [this.weighed(), this.change(), this.bench.arrangement()];
    const isOfThis = weighed?.changeId === change?.change.writtenId && weighed?.arrangement === arrangement;
    return weighed && isOfThis ? weighed.list : NOTHING_WEIGHED;
  });
  private readonly lastHeard = signal<{
    readonly list: readonly Suggestion[];
    readonly at: number;
  } | null>(null);
  /** Which of the suggestions is heard, or null. */
  readonly heard = computed(() => {
    const last = this.lastHeard();
    return last && last.list === this.suggestions() ? last.at : null;
  });
  /** Steps through the suggestions asked for while they were still being weighed, and for which change. */
  private ahead: { readonly changeId: string; readonly steps: number; readonly takes?: boolean } | null =
    null;
  /** What each voicing style costs; null while it is worked out for another part or for the song. */
  readonly costs = answered(() => {
    const cutId = this.forPart() ? (this.bench.part()?.cutId ?? null) : null;
    return this.asking({ kind: 'layouts', cutId }, 'voicing');
  });
  /** How near the song comes to the least movement possible; null while that is not known, or there is no line. */
  readonly proof = answered(() => this.asking({ kind: 'proof' }, 'voicing'));
  /** The song's own progressions. */
  readonly progressions = answered(() => this.asking({ kind: 'progressions' }, 'suggest'));

  /** A question asked while its panel is open, of the whole arrangement. */
  private asking<K extends ChordQuestion['kind']>(
    question: Extract<ChordQuestion, { readonly kind: K }>,
    tab: ChordsTab,
  ): Asking<K> | null {
    const arrangement = this.bench.arrangement();
    if (this.tab() !== tab || !arrangement || arrangement.isPartial || !this.isOpen()) return null;
    return { about: arrangement, question };
  }
  readonly isSuggesting = signal(false);
  /** What the pianist should know of what was just tried. */
  readonly notice = signal('');
  /** Symbols put aside among the chords that hold a note. */
  readonly dismissed = signal<ReadonlySet<string>>(new Set());

  readonly change = this.bench.change;
  readonly key = computed<Key | null>(() => {
    const [arrangement, change] = [this.bench.arrangement(), this.change()];
    return arrangement ? keyAt(arrangement.played, change?.change.tick ?? 0) : null;
  });

  constructor() {
    effect(() => {
      const [change, arrangement, taste, triads] = [
        this.change(),
        this.bench.arrangement(),
        this.taste(),
        this.triads(),
      ];
      const changeId = change?.change.writtenId;
      if (changeId === undefined || !arrangement || arrangement.isPartial || !this.isOpen()) return;
      this.asker.answer(arrangement, { kind: 'suggestions', changeId, taste, triads }, (list) => {
        this.weighed.set({ changeId, arrangement, list });
        const ahead = this.ahead;
        if (ahead?.changeId !== changeId || this.suggestions() !== list) return;
        this.ahead = null;
        this.hearBy(ahead.steps);
        if (ahead.takes) this.takeHeard();
      });
    });
  }

  /** Hears the next (or previous) suggestion in its place, with the melody over it. */
  hearNext(by: 1 | -1): void {
    const changeId = this.change()?.change.writtenId;
    if (changeId === undefined) return this.bench.step(1);
    if (this.suggestions().length > 0) return this.hearBy(by);
    const steps = this.ahead?.changeId === changeId ? this.ahead.steps : 0;
    this.ahead = { changeId, steps: steps + by };
  }

  /** What is played there already is passed over. */
  private hearBy(steps: number): void {
    const [list, played] = [this.suggestions(), this.change()?.change.symbol];
    const others = list.flatMap(({ symbol }, at) => (symbol === played ? [] : [at]));
    const count = others.length;
    if (count === 0) return;
    const heard = others.indexOf(this.heard() ?? -1);
    const from = heard < 0 && steps < 0 ? 0 : heard;
    const to = (((from + steps) % count) + count) % count;
    this.hearAt(others[to]);
    this.notice.set(`${typeset(list[others[to]].symbol)}, ${to + 1} of ${count}. T takes it.`);
  }

  /** Hears one of the suggestions by its place in the list. */
  hearAt(at: number): void {
    const list = this.suggestions();
    if (!list[at]) return;
    this.lastHeard.set({ list, at });
    this.hear(list[at].symbol);
  }

  /** Hears a chord in the place of the one selected, with the melody over it. */
  hear(symbol: string): void {
    const change = this.change() ?? this.bench.changesInPart()[0];
    if (change) this.bench.hearing.chord(symbol, change);
  }

  /** Writes a chord in the place of the one selected; says why when it cannot be read. */
  write(symbol: string): boolean {
    const change = this.change();
    if (!change) return false;
    const read = readSymbol(symbol);
    if ('problem' in read) {
      this.notice.set(read.problem);
      return false;
    }
    this.notice.set('');
    this.bench.edit({ kind: 'change-written', id: change.change.writtenId, symbol: symbolOf(read.chord) });
    return true;
  }

  /** Takes the one heard; while they are still being weighed, the one that was asked for, once it is known. */
  takeHeard(): void {
    if (this.ahead?.changeId === this.change()?.change.writtenId && this.ahead) {
      this.ahead = { ...this.ahead, takes: true };
      return;
    }
    const at = this.heard();
    const suggestion = at === null ? undefined : this.suggestions()[at];
    if (suggestion) this.write(suggestion.symbol);
  }

  /** One step up or down the ladder of sevenths. */
  ladder(by: 1 | -1): void {
    this.replace((chord) => onLadder(chord, by), 'It goes no further: maj7, 7, m7, m7♭5, dim7.');
  }

  /** The whole chord a half step up or down. */
  halfStep(by: 1 | -1): void {
    const key = this.key();
    if (key) this.replace((chord) => byHalfStep(chord, by, key), '');
  }

  /** The chord selected by the other usual name of its root; null where that has none. */
  readonly otherSymbol = computed(() => {
    const chord = this.change()?.chord;
    const root = chord && otherNameOf(chord.root);
    if (!root) return null;
    // A written bass goes with the root to the side of sharps or flats.
    const bass = chord.bass && chord.bass.alter !== 0 ? otherNameOf(chord.bass) : chord.bass;
    return symbolOf({ ...chord, root, bass });
  });

  /** Writes the chord by its other name: its keys, and a pin, stay. */
  respell(): void {
    const [symbol, id, song] = [this.otherSymbol(), this.change()?.change.writtenId, this.bench.song()];
    if (symbol === null || !song) return;
    const changes = song.changes.map((own) => (own.id === id ? { ...own, symbol } : own));
    this.bench.edit({ kind: 'changes-set', what: 'spelling of a chord', changes });
  }

  private replace(make: (chord: Chord) => Chord | null, otherwise: string): void {
    const change = this.change();
    if (!change) return;
    const made = make(change.chord);
    if (!made) return this.notice.set(otherwise);
    const symbol = symbolOf(made);
    this.write(symbol);
    this.hear(symbol);
  }

  /** Whether the beat at the selected chord is moved through by halves, or by units of it. */
  readonly stepsByHalves = computed(() => {
    const [arrangement, change] = [this.bench.arrangement(), this.change()];
    if (!arrangement || !change) return true;
    const { beatTicks, stepTicks } = placeIn(arrangement.played.bars, change.change.tick);
    return beatTicks === 2 * stepTicks;
  });

  /** Earlier or later by a beat, or by the next smaller place of the metre. */
  moveBy(by: 1 | -1, step: 'half' | 'beat'): void {
    const [song, change] = [this.bench.song(), this.change()];
    if (!song || !change) return;
    this.editOr(
      changeStepped(song, change.change.writtenId, by, step),
      'There is no room to move it further.',
    );
  }

  leaveOut(): void {
    const [song, change] = [this.bench.song(), this.change()];
    if (song && change) this.editOr(changeLeftOut(song, change.change.writtenId), '');
  }

  /** All chords of the song a beat later or earlier. */
  shiftAll(by: 1 | -1): void {
    const song = this.bench.song();
    if (song) this.editOr(changesShifted(song, by), 'A chord would leave the song: move it by itself first.');
  }

  place(how: 'easy' | 'as-sung'): void {
    const song = this.bench.song();
    if (song) this.bench.edit(changesPlaced(song, how));
  }

  /** The first whole bar of the part on screen, as it is written: where a row of chords begins unless it is told otherwise. */
  readonly rowFrom = computed(() => {
    const [song, arrangement, part] = [this.bench.song(), this.bench.arrangement(), this.bench.part()];
    if (!song || !arrangement || !part) return 1;
    const tick = writtenTick(arrangement.played, firstBarTick(arrangement.played, part.fromTick)) ?? 0;
    return Math.max(1, barAt(writtenBars(song), tick).number);
  });

  /** Writes a row of chords over the bars from one on; gives what is wrong with it, or an empty text. */
  writeRow(text: string, from: number): string {
    const { song, isReadOnly } = this.bench.state();
    if (!song || isReadOnly) return '';
    try {
      const { changes, missingBars } = chordRow(text, song, from);
      const what = 'a row of chords';
      const more: SongEdit = { kind: 'bars-inserted', before: song.barCount + 1, count: missingBars };
      const edits: SongEdit[] = [...(missingBars > 0 ? [more] : []), { kind: 'changes-set', what, changes }];
      this.bench.edit({ kind: 'together', what, edits });
      return '';
    } catch (error) {
      if (!(error instanceof FileError)) throw error;
      return error.message;
    }
  }

  /** The chord selected, struck again in the middle of its time, to be changed there. */
  split(): void {
    const [song, change] = [this.bench.song(), this.change()];
    if (song && change)
      this.editOr(changeSplit(song, change.change.writtenId), 'There is no room for another chord here.');
  }

  /** Suggests chords for the song in the taste chosen. */
  /** A whole set of chords taken; with `hears` the part on screen is heard with it, and nothing is altered. */
  async suggest(scope: Scope, hears = false): Promise<void> {
    const song = this.bench.song();
    if (!song || this.isSuggesting()) return;
    if (song.melody.length === 0)
      return this.notice.set('There is no melody yet: enter it on the Tune bench first.');
    this.isSuggesting.set(true);
    try {
      const [taste, triads, { profile }] = [this.taste(), this.triads(), this.bench.state()];
      const edit = await this.asker.ask(song, profile, { kind: 'chords', taste, scope, triads });
      if (this.bench.song() !== song) return;
      const nothing =
        scope === 'gaps'
          ? 'Every bar has its chord already: nothing was changed.'
          : 'There was nothing to change.';
      if (edit && hears) this.playing.hearPartAfter(edit);
      else this.editOr(edit, nothing);
    } catch (error) {
      this.notice.set(`Chords could not be suggested: ${messageOf(error)}.`);
    } finally {
      this.isSuggesting.set(false);
    }
  }

  /** A layout for the song, or for the part on screen and those that follow it. */
  chooseLayout(layout: Layout): void {
    this.bench.edit(this.layoutChosen(layout));
  }

  /** The part on screen in a layout, heard before it is taken. */
  hearLayout(layout: Layout): void {
    this.playing.hearPartAfter(this.layoutChosen(layout));
  }

  /** The edit that takes a layout, and the level on which it is heard. */
  layoutChosen(layout: Layout): SongEdit {
    const level = levelFor({ level: this.bench.level() });
    return this.choosing({ layout, ...(level === this.bench.level() ? {} : { level }) });
  }

  /** Notes of the step of the build-up the part stands on; 0 where it stands on none. */
  readonly buildUp = computed(() => {
    const choices = this.bench.part()?.choices;
    return (choices && buildUpAt(choices)?.notes) ?? 0;
  });

  /** Two notes, then three, then the whole chord; from there back to two. */
  buildOn(): void {
    const choices = this.bench.part()?.choices;
    if (choices) this.choose(buildUpAfter(choices).choices);
  }

  choose(choices: Partial<Choices>): void {
    this.bench.edit(this.choosing(choices));
  }

  private choosing(choices: Partial<Choices>): SongEdit {
    const [part, parts] = [this.bench.part(), this.bench.arrangement()?.parts ?? []];
    if (this.forPart() && part)
      return { kind: 'choose-for-part', cutId: cutIdForChoice(parts, part, false), choices };
    return { kind: 'choose', choices };
  }

  /** A layout for the chord selected alone; null follows its part. */
  layoutForChange(layout: Layout | null): void {
    const change = this.change();
    if (change) this.bench.edit({ kind: 'layout', changeId: change.change.writtenId, layout });
  }

  /** How the hands make room at the chord selected; null leaves it to the chord. */
  closeHands(how: CloseHands | null): void {
    const change = this.change();
    if (change) this.bench.edit({ kind: 'close-hands', changeId: change.change.writtenId, how });
  }

  private editOr(edit: SongEdit | null, otherwise: string): void {
    if (edit) {
      this.notice.set('');
      this.bench.edit(edit);
    } else this.notice.set(otherwise);
  }
}
