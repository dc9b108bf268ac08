import type { Arrangement } from '@joined-hands/core/arrangement';
import { type NoteValue, voicesOf, writtenVoice } from '@joined-hands/core/formats';
import type { HandNote } from '@joined-hands/core/hands';
import { typeset } from '@joined-hands/core/music';
import type { PlayedBar } from '@joined-hands/core/song';
import { Articulation, Beam, Dot, GraceNote, GraceNoteGroup, StaveNote, StaveTie, Tuplet } from 'vexflow';

const DURATIONS: Record<string, string> = {
  whole: 'w',
  half: 'h',
  quarter: 'q',
  eighth: '8',
  '16th': '16',
  '32nd': '32',
  '64th': '64',
};

/** One voice of one staff in one bar. */
export interface WrittenVoice {
  readonly notes: StaveNote[];
  readonly beams: Beam[];
  readonly ties: StaveTie[];
  readonly tuplets: Tuplet[];
  readonly marks: StaffMark[];
}

/** A chord name or syllable at a note. */
export interface StaffMark {
  readonly note: StaveNote;
  readonly text: string;
  readonly isWord: boolean;
}

interface StaffPlace {
  readonly clef: 'treble' | 'bass';
  readonly bar: PlayedBar;
  readonly arrangement: Arrangement;
  readonly picked: ReadonlySet<string>;
  readonly pickedColour: string;
  /** What is filled in. */
  readonly fillColour: string;
}

/**
 * The voices of one hand in one bar: rests between, lengths split into written values and tied, grace notes before
 * their main note, beams by the metre. With two voices the upper has stems up and the lower stems down.
 */
export function writeBar(hand: readonly HandNote[], place: StaffPlace): WrittenVoice[] {
  const { bar } = place;
  const end = bar.tick + bar.length;
  const inBar = hand.filter((n) => !n.grace && n.tick < end && n.tick + n.length > bar.tick);
  const graces = hand.filter((n) => n.grace && n.tick >= bar.tick && n.tick < end);
  // Voices are found in the whole bar's neighbourhood, so that a note tied over keeps its own.
  const voices = voicesOf(inBar);
  const all = voices.length > 0 ? voices : [[]];
  return all.slice(0, 2).map((events, index) => {
    const stem = all.length === 1 ? 0 : index === 0 ? 1 : -1;
    return writeVoice(events, index === 0 ? graces : [], place, stem, index > 0);
  });
}

function writeVoice(
  events: ReturnType<typeof voicesOf>[number],
  graces: readonly HandNote[],
  place: StaffPlace,
  stem: number,
  isSecond: boolean,
): WrittenVoice {
  const { bar } = place;
  const end = bar.tick + bar.length;
  const notes: StaveNote[] = [];
  const ties: StaveTie[] = [];
  const triplets: StaveNote[][] = [];
  const marks: StaffMark[] = [];
  const beamed: StaveNote[][] = [];
  let before: StaveNote | undefined;
  for (const { tick, value, event, isStruck, isLetGo, beams } of writtenVoice(events, bar)) {
    const note = staveNote(value, event?.notes ?? [], place, stem, isSecond);
    if (value.triplet) groupTriplet(triplets, note);
    notes.push(note);
    if (beams[0] === 'begin') beamed.push([note]);
    else if (beams.length > 0) beamed.at(-1)?.push(note);
    if (event && isStruck) {
      const touch = event.notes.find((one) => one.touch)?.touch;
      if (touch) note.addModifier(new Articulation(ARTICULATIONS[touch]), 0);
      if (!isSecond) marks.push(...marksOf(note, place, event.notes, tick));
      addGraces(
        note,
        graces.filter((g) => g.tick === tick),
        place,
      );
    }
    if (event && !isStruck) ties.push(tieOf(before, note, event.notes.length));
    before = event && !isLetGo ? note : undefined;
    if (before && tick + value.ticks === end) ties.push(tieOf(before, undefined, event?.notes.length ?? 1));
  }
  const tuplets = triplets.filter((group) => group.length === 3).map((group) => new Tuplet(group));
  const beams = beamed.map((group) => new Beam(group, stem === 0));
  return { notes, beams, ties, tuplets, marks };
}

const ARTICULATIONS = { staccato: 'a.', tenuto: 'a-', accent: 'a>' } as const;

const RESTS = {
  treble: { first: 'b/4', second: 'e/4', whole: 'd/5' },
  bass: { first: 'd/3', second: 'g/2', whole: 'f/3' },
} as const;

function staveNote(
  { type, dots }: NoteValue,
  struck: readonly HandNote[],
  { clef, picked, pickedColour, fillColour }: StaffPlace,
  stem: number,
  isSecond: boolean,
): StaveNote {
  const duration = DURATIONS[type ?? 'quarter'] ?? 'q';
  const isRest = struck.length === 0;
  const rests = RESTS[clef];
  // A whole rest hangs from the line above the middle one.
  const restKey = isSecond ? rests.second : type === 'whole' ? rests.whole : rests.first;
  const note = new StaveNote({
    clef,
    keys: isRest ? [restKey] : struck.map(vexKey),
    duration: isRest ? `${duration}r` : duration,
    dots,
    ...(stem === 0 ? { autoStem: true } : { stemDirection: stem }),
  });
  for (let dot = 0; dot < dots; dot++) Dot.buildAndAttach([note], { all: true });
  // What is filled in is paler than the tune and the pattern.
  if (!isRest && struck.every((n) => n.source === 'fill'))
    note.setStyle({ fillStyle: fillColour, strokeStyle: fillColour });
  if (!isRest && struck.some((n) => picked.has(n.from)))
    note.setStyle({ fillStyle: pickedColour, strokeStyle: pickedColour });
  if (!isRest) note.setAttribute('id', `note-${struck[struck.length - 1].from}`);
  return note;
}

function addGraces(note: StaveNote, graces: readonly HandNote[], { clef }: StaffPlace): void {
  if (graces.length === 0) return;
  const small = graces.map(
    (g) => new GraceNote({ clef, keys: [vexKey(g)], duration: '8', slash: graces.length === 1 }),
  );
  note.addModifier(new GraceNoteGroup(small, true).beamNotes(), 0);
}

function groupTriplet(groups: StaveNote[][], note: StaveNote): void {
  const last = groups[groups.length - 1];
  if (last && last.length < 3) last.push(note);
  else groups.push([note]);
}

function tieOf(from: StaveNote | undefined, to: StaveNote | undefined, count: number): StaveTie {
  const indexes = Array.from({ length: count }, (_, i) => i);
  return new StaveTie({
    firstNote: from ?? null,
    lastNote: to ?? null,
    firstIndexes: indexes,
    lastIndexes: indexes,
  });
}

/**
 * The chord above and the syllable below a note, to be drawn on lines of their own. A chord under a held melody note
 * or in a rest is named over the left hand's note.
 */
function marksOf(
  note: StaveNote,
  { arrangement, clef }: StaffPlace,
  struck: readonly HandNote[],
  tick: number,
): StaffMark[] {
  const { played, right } = arrangement;
  const change = played.changes.find((c) => c.tick === tick);
  const isMine = clef === 'treble' || !right.some((n) => n.tick === tick && !n.grace);
  const sung = clef === 'treble' ? struck.find((n) => n.lyric !== null) : undefined;
  const goesOn = sung?.syllabic === 'begin' || sung?.syllabic === 'middle';
  return [
    ...(change && isMine ? [{ note, text: typeset(change.symbol), isWord: false }] : []),
    ...(sung ? [{ note, text: `${sung.lyric}${goesOn ? '-' : ''}`, isWord: true }] : []),
  ];
}

function vexKey(note: HandNote): string {
  const sign = note.pitch.alter < 0 ? 'b'.repeat(-note.pitch.alter) : '#'.repeat(note.pitch.alter);
  return `${note.pitch.letter.toLowerCase()}${sign}/${note.pitch.octave}`;
}
