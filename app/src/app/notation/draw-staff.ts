import type { Arrangement, HandNote, PlayedBar } from '@joined-hands/core';
import { fifthsOf, inForceAt, typeset, valuesOf, voicesOf } from '@joined-hands/core';
import {
  Accidental,
  Annotation,
  Beam,
  Dot,
  Formatter,
  Renderer,
  Stave,
  StaveConnector,
  StaveNote,
  StaveTie,
  Tuplet,
  Voice,
} from 'vexflow';

const SYSTEM_HEIGHT = 290;
const LEFT_STAFF_DOWN = 130;
const MAJOR_KEYS = ['Cb', 'Gb', 'Db', 'Ab', 'Eb', 'Bb', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#'];
const DURATIONS: Record<string, string> = {
  whole: 'w',
  half: 'h',
  quarter: 'q',
  eighth: '8',
  '16th': '16',
  '32nd': '32',
  '64th': '64',
};
const LEAST_BAR_WIDTH = 190;
const FIRST_BAR_EXTRA = 90;
const SCALE = 1.15;

/** Draws one part as a grand staff into an element, replacing what was there. */
export function drawStaff(
  element: HTMLElement,
  arrangement: Arrangement,
  partIndex: number,
  width: number,
): void {
  const part = arrangement.parts[partIndex];
  const bars = arrangement.played.bars.filter(
    (bar) => bar.tick < part.toTick && bar.tick + bar.length > part.fromTick,
  );
  const usable = width / SCALE - 30;
  const perRow = Math.max(1, Math.min(bars.length, Math.floor((usable - FIRST_BAR_EXTRA) / LEAST_BAR_WIDTH)));
  element.replaceChildren();
  const renderer = new Renderer(element as HTMLDivElement, Renderer.Backends.SVG);
  renderer.resize(width, Math.ceil(bars.length / perRow) * SYSTEM_HEIGHT * SCALE);
  const context = renderer.getContext();
  context.scale(SCALE, SCALE);
  for (let first = 0, row = 0; first < bars.length; first += perRow, row++) {
    const inRow = bars.slice(first, first + perRow);
    const barWidth = (usable - FIRST_BAR_EXTRA) / inRow.length;
    inRow.forEach((bar, i) => {
      const x = 12 + i * barWidth + (i > 0 ? FIRST_BAR_EXTRA : 0);
      drawBar(context, arrangement, bar, {
        x,
        y: row * SYSTEM_HEIGHT + 20,
        width: barWidth + (i === 0 ? FIRST_BAR_EXTRA : 0),
        isFirst: i === 0,
        isVeryFirst: first + i === 0,
      });
    });
  }
}

interface Frame {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly isFirst: boolean;
  readonly isVeryFirst: boolean;
}

type Context = ReturnType<Renderer['getContext']>;

function drawBar(context: Context, arrangement: Arrangement, bar: PlayedBar, frame: Frame): void {
  const key = inForceAt(arrangement.played.keyMap, bar.tick);
  const signature = MAJOR_KEYS[fifthsOf(key) + 7];
  const staves = (['treble', 'bass'] as const).map((clef, i) => {
    const stave = new Stave(frame.x, frame.y + i * LEFT_STAFF_DOWN, frame.width);
    if (frame.isFirst) stave.addClef(clef).addKeySignature(signature);
    if (frame.isVeryFirst) stave.addTimeSignature(`${bar.metre.numerator}/${bar.metre.denominator}`);
    stave.setContext(context).draw();
    return stave;
  });
  if (frame.isFirst) {
    new StaveConnector(staves[0], staves[1]).setType('brace').setContext(context).draw();
    new StaveConnector(staves[0], staves[1]).setType('singleLeft').setContext(context).draw();
  }
  const written = [
    writeBar(arrangement.right, bar, 'treble', arrangement),
    writeBar(arrangement.left, bar, 'bass', arrangement),
  ];
  const voices = written.map(({ notes }) =>
    new Voice({ numBeats: bar.metre.numerator, beatValue: bar.metre.denominator })
      .setMode(Voice.Mode.SOFT)
      .addTickables(notes),
  );
  voices.forEach((voice) => Accidental.applyAccidentals([voice], signature));
  const formatter = new Formatter();
  voices.forEach((voice) => formatter.joinVoices([voice]));
  const room = frame.x + frame.width - Math.max(...staves.map((s) => s.getNoteStartX())) - 14;
  const start = Math.max(...staves.map((s) => s.getNoteStartX()));
  staves.forEach((stave) => stave.setNoteStartX(start));
  formatter.format(voices, room);
  const beams = written.flatMap(({ notes }) => Beam.generateBeams(notes));
  voices.forEach((voice, i) => voice.draw(context, staves[i]));
  beams.forEach((beam) => beam.setContext(context).draw());
  written.forEach(({ ties, tuplets }) => {
    ties.forEach((tie) => tie.setContext(context).draw());
    tuplets.forEach((tuplet) => tuplet.setContext(context).draw());
  });
}

interface WrittenBar {
  readonly notes: StaveNote[];
  readonly ties: StaveTie[];
  readonly tuplets: Tuplet[];
}

/** The notes of one staff in one bar, rests between, split into written values and tied. */
function writeBar(
  hand: readonly HandNote[],
  bar: PlayedBar,
  clef: 'treble' | 'bass',
  arrangement: Arrangement,
): WrittenBar {
  const end = bar.tick + bar.length;
  const inBar = hand.filter((n) => !n.grace && n.tick < end && n.tick + n.length > bar.tick);
  const events = voicesOf(inBar)[0] ?? [];
  const notes: StaveNote[] = [];
  const ties: StaveTie[] = [];
  const triplets: StaveNote[][] = [];
  let at = bar.tick;
  const add = (ticks: number, struck: readonly HandNote[]): StaveNote[] =>
    valuesOf(ticks).map((value) => {
      const duration = DURATIONS[value.type ?? 'quarter'] ?? 'q';
      const keys = struck.length > 0 ? struck.map(vexKey) : [clef === 'treble' ? 'b/4' : 'd/3'];
      const note = new StaveNote({
        clef,
        keys,
        duration: struck.length > 0 ? duration : `${duration}r`,
        dots: value.dots,
        autoStem: true,
      });
      for (let dot = 0; dot < value.dots; dot++) Dot.buildAndAttach([note], { all: true });
      if (value.triplet) groupTriplet(triplets, note);
      notes.push(note);
      return note;
    });
  for (const event of events) {
    const from = Math.max(event.tick, bar.tick);
    if (from > at) add(from - at, []);
    const pieces = add(Math.min(event.tick + event.length, end) - from, event.notes);
    if (clef === 'treble' && event.tick === from) nameChord(pieces[0], arrangement, from);
    for (let i = 1; i < pieces.length; i++) ties.push(tieOf(pieces[i - 1], pieces[i], event.notes.length));
    if (event.tick < bar.tick) ties.push(tieOf(undefined, pieces[0], event.notes.length));
    if (event.tick + event.length > end)
      ties.push(tieOf(pieces[pieces.length - 1], undefined, event.notes.length));
    at = Math.min(event.tick + event.length, end);
  }
  if (at < end) add(end - at, []);
  const tuplets = triplets.filter((group) => group.length === 3).map((group) => new Tuplet(group));
  return { notes, ties, tuplets };
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

function nameChord(note: StaveNote, { played }: Arrangement, tick: number): void {
  const change = played.changes.find((c) => c.tick === tick);
  if (!change) return;
  const name = new Annotation(typeset(change.symbol)).setVerticalJustification(
    Annotation.VerticalJustify.TOP,
  );
  name.setFont('Accidentals, Atkinson Hyperlegible Next', 15, 'bold');
  note.addModifier(name);
}

function vexKey(note: HandNote): string {
  const sign = note.pitch.alter < 0 ? 'b'.repeat(-note.pitch.alter) : '#'.repeat(note.pitch.alter);
  return `${note.pitch.letter.toLowerCase()}${sign}/${note.pitch.octave}`;
}
