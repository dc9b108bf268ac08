import { type HandNote, inTime } from '../hands';
import { levelOf } from '../levels';
import { bassOf, type Chord, chroma, KEYBOARDS, type Metre, metreName, pitchAt } from '../music';
import {
  AUTO,
  BLOCK,
  heightOf,
  type Pattern,
  ON_THE_BEAT,
  patternsOf,
  SUNG_FIGURES,
  type SungFigure,
  sungFigure,
  suitsMetre,
  TOO_NEAR,
} from '../patterns';
import { VARY } from '../parts';
import { offers, says } from '../sentences';
import { barAt, type Finding } from '../song';
import { spell, type VoicedChange } from '../voicing';
import { lineOf } from './lineOf';
import { withRolls } from './rolls';
import { openTenth } from './sungBass';
import { type SungStrike, sungStrikes } from './sungStrikes';
import { ownFigure, ownFigureIn } from './ownFigure';
import type { PartHands, PartTask } from './task';

/** The bass of an accompaniment lies in this octave, E1's keyboards start above it: C2 to B2, or G1 at least. */
const BASS_CENTRE = 43;
/** E1: lower, a figure growls. */
const LOWEST_BASS = 28;

/**
 * An accompaniment for singing: the bass in the left hand, root alone or with its octave, the chord close around
 * middle C in the right, held or in a small repeated figure. A pattern of the pianist's own is the left hand's under held
 * chords, or the right hand's where it is made of the chord as it lies. No melody is played. Source: common practice of
 * accompanying at the piano.
 */
export function handsForSinging(task: PartTask): PartHands {
  const { bass, chord } = levelOf(task.part.choices).singing;
  // Blocks, chosen, are held at every level.
  const moves = chord === 'repeated' && task.part.choices.pattern !== BLOCK.id;
  const figureIn = (metre: Metre): SungFigure => sungFigure(task.part.choices.pattern, metre) ?? ON_THE_BEAT;
  const line = moves && task.bars.some(({ metre }) => figureIn(metre).left === 'line') ? lineOf(task) : null;
  const left: HandNote[] = [];
  const right: HandNote[] = [];
  const findings: Finding[] = [];
  let before = BASS_CENTRE;
  for (const voiced of task.voiced) {
    const { metre } = barAt(task.bars, voiced.change.tick);
    const own = moves ? ownFigureIn(task, metre) : null;
    const figure = figureIn(metre);
    const low = bassKey(voiced.chord, before, KEYBOARDS[task.profile.keyboard].low);
    before = low;
    if (own) {
      const both = own.base === 'voicing' ? overBass(task, voiced, low) : underChord(task, voiced, low, own);
      left.push(...both.left);
      right.push(...both.right);
      findings.push(...both.findings);
      continue;
    }
    if (moves && line && figure.left === 'line') left.push(...lineNotes(voiced, line));
    else
      for (const midi of bassKeys(task, voiced, low, moves ? figure : null, bass === 'octave'))
        left.push(bassNote(voiced, midi, voiced.change.tick, voiced.length));
    if (chord !== 'none') right.push(...chordNotes(task, voiced, moves ? figure : null));
  }
  if (moves && task.voiced.length > 0) findings.push(...figureRefused(task));
  return { notes: inTime(withRolls(left, task.profile.leftReach)), findings, right: inTime(right) };
}

/** The bass nearest to the one before, within reach of the low register. */
function bassKey(chord: Chord, before: number, lowest: number): number {
  const wanted = chroma(bassOf(chord));
  const keys = [36, 48].map((c) => c + wanted).concat(24 + wanted);
  const possible = keys.filter((key) => key >= Math.max(lowest, 31) && key <= 48);
  const distance = (key: number): number => Math.abs(key - before) + Math.abs(key - BASS_CENTRE) / 2;
  return possible.reduce((best, key) => (distance(key) < distance(best) ? key : best), possible[0]);
}

function bassKeys(
  task: PartTask,
  { chord, voicing }: VoicedChange,
  low: number,
  figure: SungFigure | null,
  isDoubled: boolean,
): readonly number[] {
  if (figure?.left === 'open-tenth') return openTenth(chord, low);
  return isDoubled ? doubled(task, low, voicing.keys[0]) : [low];
}

/** The bass an octave lower where the figure over it would reach the chord, as far as it stays clear. */
function belowFigure({ profile }: PartTask, low: number, ceiling: number): number {
  const lower = low - 12;
  return low > ceiling - TOO_NEAR && lower >= Math.max(KEYBOARDS[profile.keyboard].low, LOWEST_BASS)
    ? lower
    : low;
}

/** The bass with its octave: above it below the chord, else below it; alone where there is no room or reach. */
function doubled({ profile }: PartTask, low: number, chordBottom: number): number[] {
  if (profile.leftReach < 8) return [low];
  if (low + 12 < chordBottom) return [low, low + 12];
  return low - 12 >= KEYBOARDS[profile.keyboard].low ? [low - 12, low] : [low];
}

/** The notes of a falling bass while a chord lasts. */
function lineNotes(voiced: VoicedChange, line: ReadonlyMap<number, number>): HandNote[] {
  const { tick } = voiced.change;
  const end = tick + voiced.length;
  const ticks = [...line.keys()].filter((at) => at >= tick && at < end);
  return ticks.map((at, i) => bassNote(voiced, line.get(at) ?? 0, at, (ticks[i + 1] ?? end) - at));
}

function bassNote(voiced: VoicedChange, midi: number, tick: number, length: number): HandNote {
  return {
    hand: 'left',
    tick,
    length,
    midi,
    pitch: pitchOf(voiced, midi),
    source: 'chord',
    from: voiced.change.id,
    lyric: null,
    grace: false,
    finger: null,
  };
}

function pitchOf({ chord, key }: VoicedChange, midi: number): HandNote['pitch'] {
  return midi % 12 === chroma(bassOf(chord)) ? pitchAt(midi, bassOf(chord)) : spell([midi], chord, key)[0];
}

interface BothHands {
  readonly left: readonly HandNote[];
  readonly right: readonly HandNote[];
  readonly findings: readonly Finding[];
}

/** A pattern of the chord as it lies is the right hand's, over its bass. */
function overBass(task: PartTask, voiced: VoicedChange, low: number): BothHands {
  const isDoubled = levelOf(task.part.choices).singing.bass === 'octave';
  const bass = bassKeys(task, voiced, low, null, isDoubled);
  const { notes, findings } = ownFigure(task, voiced, voiced.voicing.keys, []);
  const right = notes.map((note): HandNote => ({
    ...note,
    hand: 'right',
    source: note.tick === voiced.change.tick ? 'chord' : 'figure',
  }));
  return {
    left: bass.map((midi) => bassNote(voiced, midi, voiced.change.tick, voiced.length)),
    right: sungTo(task.words, right),
    findings,
  };
}

/** Any other pattern of the pianist's is the left hand's, under the chord held. */
function underChord(task: PartTask, voiced: VoicedChange, low: number, own: Pattern): BothHands {
  const right = chordNotes(task, voiced, null);
  const root = belowFigure(task, low, voiced.voicing.keys[0] - heightOf(own));
  const bass = bassKeys(task, voiced, root, null, true);
  const { notes, findings } = ownFigure(task, voiced, bass[0] < root ? [root] : bass, right);
  return { left: notes, right, findings };
}

/** The words are sung to the lowest key of what is struck with them. */
function sungTo(words: PartTask['words'], notes: readonly HandNote[]): HandNote[] {
  const sung = new Map(words.map((word) => [word.tick, word]));
  const lowest = new Map<number, number>();
  for (const { tick, midi, grace } of notes)
    if (!grace) lowest.set(tick, Math.min(midi, lowest.get(tick) ?? Infinity));
  return notes.map((note) => {
    const word = !note.grace && lowest.get(note.tick) === note.midi ? sung.get(note.tick) : undefined;
    return word ? { ...note, lyric: word.text, syllabic: word.syllabic } : note;
  });
}

/** The chord held, or in its figure. */
function chordNotes(
  { bars, words, profile }: PartTask,
  voiced: VoicedChange,
  figure: SungFigure | null,
): HandNote[] {
  const { tick } = voiced.change;
  const keyboard = KEYBOARDS[profile.keyboard];
  const held: SungStrike = { tick, length: voiced.length, keys: voiced.voicing.keys };
  const strikes = figure ? sungStrikes(voiced, figure, bars) : [held];
  const notes = strikes.flatMap(({ tick: onset, length, keys }) =>
    keys
      .filter((midi) => midi >= keyboard.low && midi <= keyboard.high)
      .map((midi): HandNote => ({
        hand: 'right',
        tick: onset,
        length,
        midi,
        pitch: pitchOf(voiced, midi),
        source: onset === tick ? 'chord' : 'figure',
        from: voiced.change.id,
        lyric: null,
        grace: false,
        finger: null,
      })),
  );
  return sungTo(words, notes);
}

/** A choice that names no figure of the right hand, or one not made for the metre, said with those that are. */
function figureRefused(task: PartTask): Finding[] {
  const { part, bars, ownPatterns } = task;
  const { pattern } = part.choices;
  const { metre } = bars[bars.length - 1];
  if (pattern === AUTO || pattern === BLOCK.id || pattern.startsWith(VARY)) return [];
  if (sungFigure(pattern, metre) || ownFigureIn(task, metre)) return [];
  const fitting = SUNG_FIGURES.filter((row) => suitsMetre(row, metre));
  const known = [...SUNG_FIGURES, ...patternsOf(ownPatterns)].find(({ id }) => id === pattern);
  const isUnfit = [...SUNG_FIGURES, ...ownPatterns].some(({ id }) => id === pattern);
  const why = !known
    ? says.patternUnknown(pattern)
    : isUnfit
      ? says.patternUnfit(known.name, metreName(metre))
      : says.patternUnderTune(known.name);
  return [
    {
      kind: 'pattern',
      tick: part.fromTick,
      says: [
        why,
        says.patternsMadeFor(
          metreName(metre),
          fitting.map(({ name }) => name),
        ),
      ],
      remedies: fitting.map(({ id, name }) => ({
        offer: offers.playHere(name),
        edit: { kind: 'choose-for-part', cutId: part.cutId, choices: { pattern: id } },
      })),
    },
  ];
}
