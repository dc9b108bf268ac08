import { strToU8 } from 'fflate';
import { type Arrangement, loudnessIn } from '../arrangement';
import type { HandNote } from '../hands';
import {
  barTicks,
  fifthsOf,
  groupsOf,
  hasUsualGroups,
  isSameMetre,
  type Key,
  keyName,
  type Metre,
  TICKS_PER_QUARTER,
} from '../music';
import { lastAtOrBefore, indexAt, type PlayedBar, within } from '../song';
import { harmonyContent } from './musicxmlChords';
import { refuseTooLong, refuseTooMuch } from './limits';
import { accidentalsIn } from './accidentals';
import { directionsAt, type ScoreRange } from './musicxmlDirections';
import { foldedMeasures } from './foldedMeasures';
import { type OctaveShift, octaveShiftsOf } from './octaveShifts';
import { barsOfStretch, type Stretch, voiceIn, wordsAsVoice, type WrittenBar } from './scoreStretch';
import { type VoiceEvent, voicesOf } from './voices';
import { FIRST_OF_LEFT, type Harmony, voiceContent } from './musicxmlVoice';
import { NO_SLURS, type Slurs, slursOver } from './slurs';
import { el, type Element, writeXml } from './xmlTree';

const DOCTYPE =
  '<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">';

/** What of an arrangement a score has. */
export interface ScoreLook {
  /** "tune": the tune alone on one staff, with chords and words: a lead sheet. */
  readonly hands?: 'both' | 'tune';
  /** What begins in this stretch, and of its first and last bar what lies in it; absent: all. */
  readonly stretch?: Stretch;
  /**
   * Names of sections are words: on a page of ours they keep clear of numbers. Other programs look for rehearsal marks.
   * Words without a tune stand at notes that are not seen: other programs would sound them.
   */
  readonly isSheet?: boolean;
  /** What comes back alike is written once, between repeat signs; else everything is written out. */
  readonly isFolded?: boolean;
  /** Slurs over the phrases of the tune. */
  readonly hasSlurs?: boolean;
  /** A name of a key that is struck, where it is to be found again in what is drawn. */
  readonly idOf?: (note: HandNote) => string;
}

/**
 * The arrangement as a MusicXML 4.0 piano score: two staves, chord symbols, lyrics, fingers; repeats written out. Throws
 * a FileError where it would be longer or larger than what can be opened again.
 */
export function writeMusicXml(whole: Arrangement, look: ScoreLook = {}): string {
  return writeScore(whole, look).text;
}

/** The same, with the bars that are in it. */
export function writeScore(
  whole: Arrangement,
  look: ScoreLook,
): { readonly text: string; readonly bars: readonly PlayedBar[] } {
  const { hands = 'both', stretch } = look;
  const arrangement = hands === 'tune' ? tuneOf(whole) : whole;
  const { played } = arrangement;
  refuseTooLong(played);
  const bars: readonly WrittenBar[] = stretch ? barsOfStretch(played.bars, stretch) : played.bars;
  const [first, last] = [bars[0], bars[bars.length - 1]];
  const range = {
    from: first.tick,
    to: last.tick + last.length,
    isTune: hands === 'tune',
    isSheet: look.isSheet === true,
  };
  const voicesIn = (notes: readonly HandNote[]): VoiceEvent[][] =>
    voicesOf(notes).map((voice) => voiceIn(voice, range));
  const isWordsAlone = range.isSheet && arrangement.right.length === 0 && played.words.length > 0;
  const right = isWordsAlone ? [voiceIn(wordsAsVoice(played), range)] : voicesIn(arrangement.right);
  const left = range.isTune ? null : voicesIn(arrangement.left);
  const shifts = { right: octaveShiftsOf(right[0] ?? []), left: octaveShiftsOf(left?.[0] ?? []) };
  const slurs = look.hasSlurs ? slursOver(arrangement.shape.phrases, right[0] ?? []) : NO_SLURS;
  const writing = { right, left, range, idOf: look.idOf, shifts, isWordsAlone, slurs };
  const all = bars.map((bar, i) => measureOf(arrangement, bar, bars[i - 1] ?? null, writing));
  const written =
    look.isFolded && !stretch
      ? foldedMeasures(arrangement, {
          bars,
          measures: all,
          loudness: range.isTune ? [] : loudnessIn(arrangement),
        })
      : { bars, measures: all };
  const root = el(
    'score-partwise',
    [
      el('work', [el('work-title', arrangement.song.title)]),
      el('identification', [
        ...creators(arrangement.song.credits),
        el('encoding', [el('software', 'Joined Hands')]),
      ]),
      el('part-list', [el('score-part', [el('part-name', 'Piano', { 'print-object': 'no' })], { id: 'P1' })]),
      el('part', written.measures, { id: 'P1' }),
    ],
    { version: '4.0' },
  );
  const text = writeXml(root, DOCTYPE);
  refuseTooMuch(strToU8(text).length);
  return { text, bars: written.bars };
}

function creators({ words, music }: Arrangement['song']['credits']): Element[] {
  return [
    ...(music ? [el('creator', music, { type: 'composer' })] : []),
    ...(words ? [el('creator', words, { type: 'lyricist' })] : []),
  ];
}

/** The tune alone, without what the hand has beside it. */
function tuneOf(arrangement: Arrangement): Arrangement {
  const right = arrangement.right.filter(({ source }) => source === 'melody');
  return { ...arrangement, right: right.map((note) => ({ ...note, finger: null })), left: [] };
}

/** What the bars of a score are written from. */
interface Writing {
  readonly right: readonly VoiceEvent[][];
  /** Null where the score has one staff. */
  readonly left: readonly VoiceEvent[][] | null;
  /** The right hand has words alone. */
  readonly isWordsAlone: boolean;
  readonly range: ScoreRange;
  readonly idOf: ScoreLook['idOf'];
  readonly shifts: Readonly<Record<'right' | 'left', readonly OctaveShift[]>>;
  readonly slurs: Slurs;
}

function measureOf(
  arrangement: Arrangement,
  bar: WrittenBar,
  before: WrittenBar | null,
  { right, left, range, idOf, shifts: own, isWordsAlone, slurs }: Writing,
): Element {
  const isPickup = bar.length < barTicks(bar.metre);
  const staves = left ? 2 : 1;
  const content: (Element | null)[] = [
    attributesAt(arrangement, bar, before, staves),
    ...directionsAt(arrangement, bar, range),
  ];
  const upper = right.length > 0 ? right : [[]];
  const lower = left === null ? [] : left.length > 0 ? left : [[]];
  const key = lastAtOrBefore(arrangement.played.keyMap, bar.tick);
  const signs = new Map([...signsOn(upper, bar, key, idOf), ...signsOn(lower, bar, key, idOf)]);
  upper.forEach((whole, v) => {
    const voice = heardIn(whole, bar);
    const shifts = v === 0 ? own.right : [];
    if (v > 0 && voice.length === 0) return;
    if (v > 0) content.push(backup(bar.length));
    const harmonies = v === 0 ? harmoniesIn(arrangement, bar) : [];
    const over = v === 0 ? slurs : NO_SLURS;
    const place = { number: v + 1, staff: 1, harmonies, shifts, isUnseen: isWordsAlone, slurs: over };
    content.push(...voiceContent(voice, bar, signs, place));
  });
  lower.forEach((whole, v) => {
    const voice = heardIn(whole, bar);
    const shifts = v === 0 ? own.left : [];
    if (v > 0 && voice.length === 0) return;
    const number = v + FIRST_OF_LEFT;
    const place = { number, staff: 2, harmonies: [], shifts, isUnseen: false, slurs: NO_SLURS };
    content.push(backup(bar.length), ...voiceContent(voice, bar, signs, place));
  });
  if (bar.tick + bar.length === arrangement.played.endTick)
    content.push(el('barline', [el('bar-style', 'light-heavy')], { location: 'right' }));
  return el('measure', content, { number: String(bar.number), ...(isPickup ? { implicit: 'yes' } : {}) });
}

/** Accidentals of one staff in one bar, over all its voices as they are read. */
function signsOn(
  voices: readonly (readonly VoiceEvent[])[],
  bar: PlayedBar,
  key: Key,
  idOf: ScoreLook['idOf'],
): [HandNote, { sign: string | null; id: string | null }][] {
  const notes = voices
    .flatMap((voice) => heardIn(voice, bar))
    .sort((a, b) => a.tick - b.tick || a.length - b.length)
    .flatMap((event) => event.notes.map((note) => ({ note, isHeldOn: event.tick < bar.tick })));
  const signs = accidentalsIn(
    notes.map(({ note, isHeldOn }) => ({ pitch: note.pitch, isHeldOn })),
    key,
  );
  return notes.map(({ note }, i) => [note, { sign: signs[i], id: idOf?.(note) ?? null }]);
}

/** What of a voice begins in a bar or sounds into it; a voice is in time and nothing in it overlaps. */
function heardIn(voice: readonly VoiceEvent[], bar: PlayedBar): readonly VoiceEvent[] {
  if (voice.length === 0) return voice;
  const end = bar.tick + bar.length;
  let first = indexAt(voice, bar.tick);
  while (first > 0 && voice[first - 1].tick === voice[first].tick) first--;
  if (voice[first].tick < bar.tick && voice[first].tick + voice[first].length <= bar.tick) first++;
  while (first < voice.length && voice[first].tick < bar.tick && voice[first].length === 0) first++;
  let last = first;
  while (last < voice.length && voice[last].tick < end) last++;
  return voice.slice(first, last);
}

function attributesAt(
  { played }: Arrangement,
  bar: PlayedBar,
  before: PlayedBar | null,
  staves: number,
): Element | null {
  const key = lastAtOrBefore(played.keyMap, bar.tick);
  const keyChanges = !before || keyName(lastAtOrBefore(played.keyMap, before.tick)) !== keyName(key);
  const metreChanges = !before || !isSameMetre(before.metre, bar.metre);
  if (!keyChanges && !metreChanges) return null;
  return el('attributes', [
    before ? null : el('divisions', TICKS_PER_QUARTER),
    keyChanges ? el('key', [el('fifths', fifthsOf(key)), el('mode', key.mode)]) : null,
    metreChanges ? timeElement(bar.metre) : null,
    ...(before ? [] : [el('staves', staves), clef('1', 'G', '2')]),
    ...(before || staves === 1 ? [] : [clef('2', 'F', '4')]),
  ]);
}

/** Groups that are not the usual ones are written out: 3+2+2 over 8. */
function timeElement(metre: Metre): Element {
  const beats = hasUsualGroups(metre) ? metre.numerator : groupsOf(metre).join('+');
  return el('time', [el('beats', beats), el('beat-type', metre.denominator)]);
}

function clef(staff: string, sign: string, line: string): Element {
  return el('clef', [el('sign', sign), el('line', line)], { number: staff });
}

function harmoniesIn({ played }: Arrangement, bar: PlayedBar): Harmony[] {
  return within(played.changes, bar.tick, bar.tick + bar.length)
    .filter((c) => c.unclear === null)
    .map((c) => ({ tick: c.tick, content: harmonyContent(c.chord) }));
}

function backup(ticks: number): Element {
  return el('backup', [el('duration', ticks)]);
}
