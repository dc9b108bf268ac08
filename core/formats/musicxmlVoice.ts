import type { HandNote } from '../hands';
import { classNameOf, type Pitch } from '../music';
import type { Beam } from './beams';
import type { NoteValue } from './noteValues';
import { octaveSign, type OctaveShift } from './octaveShifts';
import type { WrittenBar } from './scoreStretch';
import { slurAt, type Slurs } from './slurs';
import type { VoiceEvent } from './voices';
import { type WrittenNote, writtenVoice } from './writtenVoice';
import { el, type Element } from './xmlTree';

/** Number of the left hand's first voice. */
export const FIRST_OF_LEFT = 5;

/** The accidental written before each note, and the name it is to be found by. */
export type Signs = ReadonlyMap<HandNote, { readonly sign: string | null; readonly id: string | null }>;

export interface Harmony {
  readonly tick: number;
  readonly content: readonly Element[];
}

/** Which voice of a score is written, on which staff, with the chord symbols and octave signs that stand at it. */
export interface VoicePlace {
  readonly number: number;
  readonly staff: number;
  readonly harmonies: readonly Harmony[];
  readonly shifts: readonly OctaveShift[];
  /** Only its words are seen. */
  readonly isUnseen: boolean;
  readonly slurs: Slurs;
}

/** One voice of one bar: graces, notes and rests as they are written, ties between, chord symbols where they fall. */
export function voiceContent(
  voice: readonly VoiceEvent[],
  bar: WrittenBar,
  signs: Signs,
  { number, staff, harmonies, shifts, isUnseen, slurs }: VoicePlace,
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
      const slur = slurAt(slurs, written, event);
      const struck = chordElements(event, written, signs, number, staff, isUnseen ? [] : beams, slur);
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

function offset(ticks: number): Element | null {
  return ticks === 0 ? null : el('offset', ticks);
}

function chordElements(
  event: VoiceEvent,
  { value, isStruck: first, isLetGo: last }: WrittenNote,
  signs: Signs,
  voice: number,
  staff: number,
  beams: readonly Beam[],
  slur: readonly Element[],
): Element[] {
  const ties = [...(first ? [] : ['stop']), ...(last ? [] : ['start'])];
  const sung = event.notes.find((note) => note.lyric !== null);
  return event.notes.map((note, i) => {
    const before = [...(i > 0 ? [el('chord')] : []), pitchElement(note.pitch)];
    const rolled = first && note.rolled !== undefined ? [el('arpeggiate')] : [];
    const notations = [
      ...ties.map((type) => el('tied', [], { type })),
      ...(i === 0 ? slur : []),
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
