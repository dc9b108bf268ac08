import { strToU8 } from 'fflate';
import type { Arrangement } from '../arrangement';
import type { HandNote } from '../hands';
import {
  barTicks,
  classNameOf,
  fifthsOf,
  groupsOf,
  hasUsualGroups,
  isSameMetre,
  type Key,
  keyName,
  type Metre,
  type Pitch,
  TICKS_PER_QUARTER,
} from '../music';
import { lastAtOrBefore, indexAt, type PlayedBar, within } from '../song';
import { harmonyContent } from './musicxmlChords';
import { refuseTooLong, refuseTooMuch } from './limits';
import { accidentalsIn } from './accidentals';
import type { Beam } from './beams';
import { directionsAt, type ScoreRange } from './musicxmlDirections';
import { foldedMeasures } from './foldedMeasures';
import type { NoteValue } from './noteValues';
import { octaveSign, type OctaveShift, octaveShiftsOf } from './octaveShifts';
import { barsOfStretch, type Stretch, voiceIn, wordsAsVoice, type WrittenBar } from './scoreStretch';
import { type VoiceEvent, voicesOf } from './voices';
import { type WrittenNote, writtenVoice } from './writtenVoice';
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
  const writing = { right, left, range, idOf: look.idOf, shifts, isWordsAlone };
  const all = bars.map((bar, i) => measureOf(arrangement, bar, bars[i - 1] ?? null, writing));
  const written =
    look.isFolded && !stretch
      ? foldedMeasures(arrangement, { bars, measures: all, hasLoudness: !range.isTune })
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
}

function measureOf(
  arrangement: Arrangement,
  bar: WrittenBar,
  before: WrittenBar | null,
  { right, left, range, idOf, shifts: own, isWordsAlone }: Writing,
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
    const place = { number: v + 1, staff: 1, harmonies, shifts, isUnseen: isWordsAlone };
    content.push(...voiceContent(voice, bar, signs, place));
  });
  lower.forEach((whole, v) => {
    const voice = heardIn(whole, bar);
    const shifts = v === 0 ? own.left : [];
    if (v > 0 && voice.length === 0) return;
    const place = { number: v + FIRST_OF_LEFT, staff: 2, harmonies: [], shifts, isUnseen: false };
    content.push(backup(bar.length), ...voiceContent(voice, bar, signs, place));
  });
  if (bar.tick + bar.length === arrangement.played.endTick)
    content.push(el('barline', [el('bar-style', 'light-heavy')], { location: 'right' }));
  return el('measure', content, { number: String(bar.number), ...(isPickup ? { implicit: 'yes' } : {}) });
}

/** Number of the left hand's first voice. */
const FIRST_OF_LEFT = 5;

/** The accidental written before each note, and the name it is to be found by. */
type Signs = ReadonlyMap<HandNote, { readonly sign: string | null; readonly id: string | null }>;

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

function offset(ticks: number): Element | null {
  return ticks === 0 ? null : el('offset', ticks);
}

interface Harmony {
  readonly tick: number;
  readonly content: readonly Element[];
}

function harmoniesIn({ played }: Arrangement, bar: PlayedBar): Harmony[] {
  return within(played.changes, bar.tick, bar.tick + bar.length)
    .filter((c) => c.unclear === null)
    .map((c) => ({ tick: c.tick, content: harmonyContent(c.chord) }));
}

function backup(ticks: number): Element {
  return el('backup', [el('duration', ticks)]);
}

/** Which voice of a score is written, on which staff, with the chord symbols and octave signs that stand at it. */
interface VoicePlace {
  readonly number: number;
  readonly staff: number;
  readonly harmonies: readonly Harmony[];
  readonly shifts: readonly OctaveShift[];
  /** Only its words are seen. */
  readonly isUnseen: boolean;
}

/** One voice of one bar: graces, notes and rests as they are written, ties between, chord symbols where they fall. */
function voiceContent(
  voice: readonly VoiceEvent[],
  bar: WrittenBar,
  signs: Signs,
  { number, staff, harmonies, shifts, isUnseen }: VoicePlace,
): Element[] {
  const out: Element[] = [];
  const waiting = [...harmonies];
  const graces = voice.filter(({ tick, length }) => length === 0 && tick >= bar.tick);
  for (const written of writtenVoice(voice, bar)) {
    const { tick, value, event, isBarRest, beams } = written;
    while (graces.length > 0 && graces[0].tick <= tick)
      out.push(...graceElements(graces.shift() as VoiceEvent, signs, number, staff));
    while (waiting.length > 0 && waiting[0].tick < tick + value.ticks) {
      const harmony = waiting.shift() as Harmony;
      out.push(el('harmony', [...harmony.content, offset(harmony.tick - tick)]));
    }
    if (event) {
      const begins = written.isStruck && shifts.some(({ first }) => first === event.tick);
      const ends = written.isLetGo && shifts.some(({ last }) => last === event.tick);
      if (begins) out.push(octaveSign(staff === 1 ? 'down' : 'up', staff));
      const struck = chordElements(event, written, signs, number, staff, isUnseen ? [] : beams);
      out.push(...(isUnseen ? struck.map(unseen) : struck));
      if (ends) out.push(octaveSign('stop', staff));
    } else {
      const rest = el('rest', [], isBarRest ? { measure: 'yes' } : {});
      const written = isBarRest ? { ...value, type: null } : value;
      const element = noteElement([rest], written, number, staff, [], []);
      // Of a second voice on a staff only what it plays is read.
      const isHidden = isUnseen ? !isBarRest : number !== 1 && number !== FIRST_OF_LEFT;
      out.push(isHidden ? { ...element, attributes: { 'print-object': 'no' } } : element);
    }
  }
  return out.concat(graces.flatMap((event) => graceElements(event, signs, number, staff)));
}

function chordElements(
  event: VoiceEvent,
  { value, isStruck: first, isLetGo: last }: WrittenNote,
  signs: Signs,
  voice: number,
  staff: number,
  beams: readonly Beam[],
): Element[] {
  const ties = [...(first ? [] : ['stop']), ...(last ? [] : ['start'])];
  const sung = event.notes.find((note) => note.lyric !== null);
  return event.notes.map((note, i) => {
    const before = [...(i > 0 ? [el('chord')] : []), pitchElement(note.pitch)];
    const rolled = first && note.rolled !== undefined ? [el('arpeggiate')] : [];
    const notations = [
      ...ties.map((type) => el('tied', [], { type })),
      ...(first ? [...fingering(note), ...articulation(note)] : []),
      ...rolled,
    ];
    // What is sung stands at the top of a chord, wherever in it the tune lies.
    const lyric = first && sung && i === event.notes.length - 1 ? [lyricElement(sung)] : [];
    // The beam is written at the first note of a chord.
    const { sign = null, id = null } = first ? (signs.get(note) ?? {}) : {};
    const ownBeams = i === 0 ? beams : [];
    return named(noteElement(before, value, voice, staff, notations, lyric, ties, ownBeams, sign), id);
  });
}

/** A note without head, stem and ties: what is sung to it stays. */
function unseen(note: Element): Element {
  const bare = [el('stem', 'none'), el('notehead', 'none')];
  const children = note.children
    .filter(({ name }) => name !== 'tie' && name !== 'notations')
    .flatMap((child) => (child.name === 'staff' ? [...bare, child] : [child]));
  return { ...note, children };
}

function named(element: Element, id: string | null): Element {
  return id === null ? element : { ...element, attributes: { ...element.attributes, id } };
}

function graceElements(event: VoiceEvent, signs: Signs, voice: number, staff: number): Element[] {
  return event.notes.map((note) =>
    named(
      el('note', [
        el('grace'),
        pitchElement(note.pitch),
        el('voice', voice),
        el('type', 'eighth'),
        signs.get(note)?.sign ? el('accidental', signs.get(note)?.sign ?? '') : null,
        el('staff', staff),
        note.finger === null ? null : el('notations', fingering(note)),
      ]),
      signs.get(note)?.id ?? null,
    ),
  );
}

function noteElement(
  before: readonly Element[],
  value: NoteValue,
  voice: number,
  staff: number,
  notations: readonly Element[],
  lyrics: readonly Element[],
  ties: readonly string[] = [],
  beams: readonly Beam[] = [],
  sign: string | null = null,
): Element {
  return el('note', [
    ...before,
    el('duration', value.ticks),
    ...ties.map((type) => el('tie', [], { type })),
    el('voice', voice),
    value.type ? el('type', value.type) : null,
    ...Array.from({ length: value.dots }, () => el('dot')),
    sign === null ? null : el('accidental', sign),
    value.triplet ? el('time-modification', [el('actual-notes', 3), el('normal-notes', 2)]) : null,
    el('staff', staff),
    ...beams.map((beam, level) => el('beam', beam, { number: String(level + 1) })),
    notations.length > 0 ? el('notations', notations) : null,
    ...lyrics,
  ]);
}

function articulation({ touch }: HandNote): Element[] {
  return touch ? [el('articulations', [el(touch)])] : [];
}

function fingering(note: HandNote): Element[] {
  if (note.finger === null) return [];
  const placement = note.hand === 'left' ? 'below' : 'above';
  return [el('technical', [el('fingering', note.finger, { placement })])];
}

function lyricElement(note: HandNote): Element {
  return el('lyric', [el('syllabic', note.syllabic ?? 'single'), el('text', note.lyric ?? '')]);
}

function pitchElement(pitch: Pitch): Element {
  return el('pitch', [
    el('step', classNameOf({ ...pitch, alter: 0 })),
    pitch.alter === 0 ? null : el('alter', pitch.alter),
    el('octave', pitch.octave),
  ]);
}
