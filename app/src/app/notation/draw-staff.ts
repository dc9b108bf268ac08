import type { Arrangement } from '@joined-hands/core/arrangement';
import type { HandNote } from '@joined-hands/core/hands';
import { fifthsOf, metreName } from '@joined-hands/core/music';
import { lastAtOrBefore, type PlayedBar } from '@joined-hands/core/song';
import { shownNote } from '@joined-hands/core/words';
import { Accidental, Formatter, Renderer, Stave, StaveConnector, type StaveNote, Voice } from 'vexflow';
import { type StaffMark, writeBar } from './write-bar';

export const SYSTEM_HEIGHT = 232;
const LEFT_STAFF_DOWN = 102;
const MAJOR_KEYS = ['Cb', 'Gb', 'Db', 'Ab', 'Eb', 'Bb', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#'];
const LEAST_BAR_WIDTH = 190;
/** A strike needs about this much room on the staff. */
export const STRIKE_WIDTH = 34;
export const FIRST_BAR_EXTRA = 90;
const SCALE = 1.15;
const CLEF_GAP = 14;
const TOP_MARGIN = 14;
const MARK_FONT = 'Accidentals, Atkinson Hyperlegible Next';
/** Chord names and words keep this clear of the staff. */
const CHORD_RISE = 24;
const WORD_DROP = 40;
/** Words stand between the staves, clear of the stems of the lower one. */
export const WORD_ROOM = 30;
/** From one word to the next, at least. */
const WORD_SPACE = 4;

/** The music font, embedded in VexFlow: drawn before it is there, flags and heads are measured by another font. */
export async function musicFontReady(): Promise<void> {
  await document.fonts.load('30px Bravura');
}

/** Of notes that are picked, and of those that are filled in. */
export interface Colours {
  readonly pickedColour: string;
  readonly fillColour: string;
}

function coloursOf(element: HTMLElement): Colours {
  const style = getComputedStyle(element);
  const named = (name: string): string => style.getPropertyValue(name).trim();
  return { pickedColour: named('--right'), fillColour: named('--thread') };
}

/** Draws one part as a grand staff into an element, replacing what was there; the notes picked stand out. */
export function drawStaff(
  element: HTMLElement,
  arrangement: Arrangement,
  partIndex: number,
  width: number,
  picked: ReadonlySet<string>,
): void {
  const part = arrangement.parts[partIndex];
  const bars = arrangement.played.bars.filter(
    (bar) => bar.tick < part.toTick && bar.tick + bar.length > part.fromTick,
  );
  const shown = shownElsewhere(arrangement);
  const usable = width / SCALE - 30;
  const least = Math.max(LEAST_BAR_WIDTH, STRIKE_WIDTH * mostStrikes(shown, bars));
  const perRow = Math.max(1, Math.min(bars.length, Math.floor((usable - FIRST_BAR_EXTRA) / least)));
  const wordRoom = arrangement.played.melody.some(({ lyric }) => lyric !== null) ? WORD_ROOM : 0;
  const systemHeight = SYSTEM_HEIGHT + wordRoom;
  element.replaceChildren();
  const renderer = new Renderer(element as HTMLDivElement, Renderer.Backends.SVG);
  renderer.resize(width, Math.ceil(bars.length / perRow) * systemHeight * SCALE + TOP_MARGIN);
  const context = renderer.getContext();
  context.scale(SCALE, SCALE);
  const colours = coloursOf(element);
  for (let first = 0, row = 0; first < bars.length; first += perRow, row++)
    drawRow(context, shown, bars.slice(first, first + perRow), usable, {
      y: row * systemHeight + TOP_MARGIN,
      wordRoom,
      isVeryFirst: first === 0,
      picked,
      colours,
      hands: 'both',
    });
  // VexFlow writes "vf-" before an id; the note of the song is told apart again for pressing.
  for (const group of element.querySelectorAll('[id^="vf-note-"]'))
    group.setAttribute('data-note', group.id.slice('vf-note-'.length));
}

/** Bars in one system, over so many pixels; a pick-up or short bar takes only the room it needs. */
export function drawRow(
  context: Context,
  arrangement: Arrangement,
  bars: readonly PlayedBar[],
  usable: number,
  row: RowStyle,
): void {
  const longest = Math.max(...bars.map(({ length }) => length));
  const lengths = row.needs ?? bars.map((bar) => Math.max(0.4, bar.length / longest));
  const words = { end: 0 };
  const unit = (usable - FIRST_BAR_EXTRA) / lengths.reduce((sum, l) => sum + l, 0);
  let x = 12;
  bars.forEach((bar, i) => {
    const width = unit * lengths[i] + (i === 0 ? FIRST_BAR_EXTRA : 0);
    const frame = {
      x,
      y: row.y,
      leftDown: LEFT_STAFF_DOWN + row.wordRoom,
      width,
      isFirst: i === 0,
      isVeryFirst: row.isVeryFirst && i === 0,
      isSongEnd: bar === arrangement.played.bars[arrangement.played.bars.length - 1],
      hands: row.hands,
      words,
    };
    drawBar(context, arrangement, bar, frame, row.picked, row.colours);
    x += width;
  });
}

interface RowStyle {
  readonly y: number;
  readonly wordRoom: number;
  readonly isVeryFirst: boolean;
  readonly picked: ReadonlySet<string>;
  readonly colours: Colours;
  readonly hands: 'both' | 'right';
  /** How wide the bars want to be beside one another; absent: as long as they last. */
  readonly needs?: readonly number[];
}

/** The right hand where it is learned: an octave away in parts for which that was chosen. */
export function shownElsewhere(arrangement: Arrangement): Arrangement {
  const { parts } = arrangement;
  if (parts.every((part) => part.choices.shownOctave === 0)) return arrangement;
  const right = arrangement.right.map((note) => {
    const part = parts.filter((p) => p.fromTick <= note.tick).at(-1) ?? parts[0];
    return shownNote(note, part);
  });
  return { ...arrangement, right };
}

export function mostStrikes({ right, left }: Arrangement, bars: readonly PlayedBar[]): number {
  const strikes = (hand: readonly HandNote[], bar: PlayedBar): number =>
    new Set(hand.filter((n) => n.tick >= bar.tick && n.tick < bar.tick + bar.length).map((n) => n.tick)).size;
  return Math.max(...bars.map((bar) => Math.max(strikes(right, bar), strikes(left, bar))));
}

interface Frame {
  readonly x: number;
  readonly y: number;
  /** From the upper staff to the lower. */
  readonly leftDown: number;
  readonly width: number;
  readonly isFirst: boolean;
  readonly isVeryFirst: boolean;
  readonly isSongEnd: boolean;
  /** The right hand alone, on one staff. */
  readonly hands: 'both' | 'right';
  /** Where the last word of the row ends: the next is not written into it. */
  readonly words: { end: number };
}

type Context = ReturnType<Renderer['getContext']>;

function drawBar(
  context: Context,
  arrangement: Arrangement,
  bar: PlayedBar,
  frame: Frame,
  picked: ReadonlySet<string>,
  colours: Colours,
): void {
  const signature = MAJOR_KEYS[fifthsOf(lastAtOrBefore(arrangement.played.keyMap, bar.tick)) + 7];
  const isAlone = frame.hands === 'right';
  const clefs = isAlone ? (['treble'] as const) : (['treble', 'bass'] as const);
  const staves = clefs.map((clef, i) => {
    const stave = new Stave(frame.x, frame.y + i * frame.leftDown, frame.width);
    if (frame.isFirst) stave.addClef(clef).addKeySignature(signature);
    if (frame.isVeryFirst || changesMetre(arrangement, bar))
      stave.addTimeSignature(`${bar.metre.numerator}/${bar.metre.denominator}`);
    return stave.setContext(context);
  });
  staves.forEach((stave) => stave.draw());
  const connect = (type: 'brace' | 'singleLeft' | 'singleRight' | 'boldDoubleRight'): void => {
    new StaveConnector(staves[0], staves[staves.length - 1]).setType(type).setContext(context).draw();
  };
  if (frame.isFirst && !isAlone) {
    connect('brace');
    connect('singleLeft');
  }
  connect(frame.isSongEnd ? 'boldDoubleRight' : 'singleRight');
  const hands = [
    { clef: 'treble' as const, notes: arrangement.right },
    { clef: 'bass' as const, notes: arrangement.left },
  ].slice(0, staves.length);
  const written = hands.map(({ clef, notes }) =>
    writeBar(notes, { clef, bar, arrangement, picked, ...colours }),
  );
  const voices = written.map((staff) =>
    staff.map(({ notes }) =>
      new Voice({ numBeats: bar.metre.numerator, beatValue: bar.metre.denominator })
        .setMode(Voice.Mode.SOFT)
        .addTickables(notes),
    ),
  );
  voices.forEach((staff) => Accidental.applyAccidentals(staff, signature));
  const formatter = new Formatter();
  voices.forEach((staff) => formatter.joinVoices(staff));
  // Without a signature the first note would touch the clef.
  const start = Math.max(...staves.map((s) => s.getNoteStartX())) + (frame.isFirst ? CLEF_GAP : 0);
  staves.forEach((stave) => stave.setNoteStartX(start));
  formatter.format(voices.flat(), frame.x + frame.width - start - 14);
  voices.forEach((staff, i) => staff.forEach((voice) => voice.draw(context, staves[i])));
  for (const { beams, ties, tuplets } of written.flat())
    [...beams, ...ties, ...tuplets].forEach((sign) => sign.setContext(context).draw());
  drawMarks(
    context,
    written.flat().flatMap(({ marks }) => marks),
    written[0].flatMap(({ notes }) => notes),
    staves[0],
    frame.words,
  );
}

/** Chord names on one line above the notes of the bar, syllables on one line below the staff. */
function drawMarks(
  context: Context,
  marks: readonly StaffMark[],
  upper: readonly StaveNote[],
  stave: Stave,
  words: Frame['words'],
): void {
  const tops = upper.map((note) => note.getBoundingBox().getY());
  const chordY = Math.min(stave.getYForLine(0) - CHORD_RISE, ...tops.map((top) => top - 8));
  const bottoms = upper.map((note) => note.getBoundingBox().getY() + note.getBoundingBox().getH());
  const wordY = Math.max(stave.getYForLine(4) + WORD_DROP, ...bottoms.map((bottom) => bottom + 20));
  for (const { note, text, isWord } of marks) {
    context.setFont(MARK_FONT, isWord ? 14 : 16, isWord ? 'normal' : 'bold', isWord ? 'italic' : 'normal');
    const at = note.getAbsoluteX() - 2;
    // A word that would run into the one before gives way by as much as it must.
    const x = isWord ? Math.max(at, words.end) : at;
    if (isWord) words.end = x + context.measureText(text).width + WORD_SPACE;
    context.fillText(text, x, isWord ? wordY : chordY);
  }
}

function changesMetre({ played }: Arrangement, bar: PlayedBar): boolean {
  const before = played.bars[played.bars.indexOf(bar) - 1];
  return before !== undefined && metreName(before.metre) !== metreName(bar.metre);
}
