import { letterOf, movedInWords, type Part, partIndexAt, repeatedFigure } from '../parts';
import { handsInWords } from './handsAgain';
import { pickupInWords, tempoInWords } from './tempo';
import { type Arrangement, changesIn } from '../arrangement';
import { type HandNote, lineOfRight, strikesOf } from '../hands';
import { countAt } from '../joining';
import { levelOf } from '../levels';
import {
  besideBlacks,
  classNameOf,
  keyName,
  landmarkOf,
  metreName,
  nameOf,
  type Pitch,
  typeset,
} from '../music';
import { sungFigure } from '../patterns';
import { barAt, keyAt, within } from '../song';
import { inWords, barInWords, theBars } from '../sentences';
import { learningInWords } from './learning';
import { meetsInWords, sayIt } from './meetings';
import { kindOf, leftInWords, levelInWords } from './leftHand';
import { passesInWords } from './passes';
import { type HandsThen, handsThen, plays } from './returning';
import { fingersInWords, struckInWords, timesInWords } from './strikes';

/** The whole arrangement in words, part by part, in the order of hands each part has chosen. */
export function writeWalkthrough(arrangement: Arrangement): string {
  const { song, played, parts } = arrangement;
  const metre = played.bars[played.bars.length - 1].metre;
  const key = typeset(keyName(keyAt(played, 0)));
  const lines = [
    song.title,
    '='.repeat(song.title.length),
    `${key}, ${metreName(metre)}, ${tempoInWords(metre, played.tempoMap[0].quartersPerMinute)}, ${song.barCount} bars` +
      (song.pickup > 0 ? `, with a pick-up of ${pickupInWords(metre, song.pickup)}.` : '.'),
    `Form: ${parts.map((p) => typesetForm(p.label)).join(' ')}.`,
    learningInWords(arrangement),
    '',
    ...parts.flatMap((_, index) => [...partInWords(arrangement, index), '']),
    'Rest a few minutes every half hour; stop at any pain, numbness or tingling and ask a teacher or a health professional.',
  ];
  return `${lines.join('\n')}\n`;
}

/** One part in words: what it is, then each hand in the chosen order, then where the hands meet. */
export function partInWords(arrangement: Arrangement, index: number): string[] {
  const part = arrangement.parts[index];
  const title = `Part ${part.number} (${typesetForm(part.label)})${part.sectionName ? `, ${part.sectionName}` : ''}: ${barsInWords(part)}`;
  const relation = relationInWords(part, handsThen(arrangement, index));
  const first = [relation, handsInWords(arrangement.relations, index)].filter(Boolean).join(' ');
  const right = ['Right hand', ...rightInWords(arrangement, part)];
  const left = ['Left hand', ...leftInWords(arrangement, part, part.choices.firstHand === 'chords')];
  const hands = part.choices.firstHand === 'right' ? [...right, ...left] : [...left, ...right];
  const meetings = plays(arrangement, index, 'left') ? meetInWords(arrangement, part) : [];
  const meet = meetings.length > 0 ? ['Where they meet', ...meetings] : [];
  const findings = inPart(arrangement.findings, part).map((f) => `  Note: ${f.says.map(inWords).join(' ')}`);
  return [
    title,
    '-'.repeat(title.length),
    `${levelInWords(arrangement, part)}${first ? ` ${first}` : ''}`,
    ...hands,
    ...meet,
    ...findings,
  ];
}

/** More strokes than this cannot be counted at a glance. */
const MOST_STROKES = 3;

/** "A′′" for "A''"; from the fourth stroke on one, and their number: "A′5"; "A↑2" as it is. */
export function typesetForm(label: string): string {
  const letter = letterOf(label);
  if (!label.includes("'")) return label;
  const strokes = label.length - letter.length;
  return strokes > MOST_STROKES ? `${letter}′${strokes}` : letter + '′'.repeat(strokes);
}

/** "bar 4" or "bars 1–4". */
export function barsInWords(part: Part): string {
  return part.fromBar === part.toBar ? `bar ${part.fromBar}` : `bars ${part.fromBar}–${part.toBar}`;
}

/** What a part is compared with an earlier one; empty when it is new. */
export function relationInWords(part: Part, hands: HandsThen = 'same'): string {
  switch (part.relation) {
    case 'same':
      if (!part.sameChords) return `The melody of part ${part.relatedTo} over other chords.`;
      if (hands === 'same') return `The same as part ${part.relatedTo}: nothing new to learn.`;
      if (hands === 'right-differs')
        return `The melody and chords of part ${part.relatedTo}; the right hand plays them otherwise.`;
      return `The melody and chords of part ${part.relatedTo}; the left hand ${hands}.`;
    case 'ending':
      return `Begins like part ${part.relatedTo}; the ending is new, from bar ${part.fromBar + part.differs[0]}.`;
    case 'moved':
      return `Part ${part.relatedTo}, ${part.moved ? movedInWords(part.moved) : 'moved'}.`;
    case 'varied':
      return `Part ${part.relatedTo} with some notes changed: ${differingInWords(part)}.`;
    case 'rhythm':
      return `The rhythm of part ${part.relatedTo} with other notes.`;
    case 'new':
      return '';
  }
}

/** "bar 6", "bars 6 and 8", "the pick-up and bar 7": where a part is not like the one it comes from. */
export function differingInWords({ differs, fromBar }: Pick<Part, 'differs' | 'fromBar'>): string {
  return theBars(differs.map((bar) => (bar === -1 ? 0 : fromBar + bar)));
}

function inPart<T extends { readonly tick: number }>(list: readonly T[], part: Part): T[] {
  return within(list, part.fromTick, part.toTick);
}

/** The right hand of one part in words: landmark, letters, figures, words sung, counts. */
export function rightHandInWords(arrangement: Arrangement, index: number): string[] {
  return rightInWords(arrangement, arrangement.parts[index]).map((line) => line.trim());
}

/** First key by landmark, then letters with direction and repeats, bar by bar, with the counts struck. */
function rightInWords(arrangement: Arrangement, part: Part): string[] {
  const { right, played, profile } = arrangement;
  if (part.choices.layout === 'singing') return chordsForSinging(arrangement, part);
  const all = inPart(right, part).filter((n) => !n.grace);
  const notes = lineOfRight(all);
  if (notes.length === 0) return ['  silent in this part.'];
  const landmark = profile.landmarks === 'black-keys' ? besideBlacks : landmarkOf;
  const finger = notes[0].finger === null ? '' : ` with finger ${notes[0].finger}`;
  const lines = [
    `  Start on ${landmark(shownPitch(notes[0].pitch, part))}${finger}.`,
    ...learnedElsewhere(part),
    ...figureInWords(notes, played.bars),
  ];
  const graces = inPart(right, part).filter(({ grace }) => grace);
  let before: HandNote | null = null;
  for (const bar of barsOf(played.bars, part)) {
    const inBar = within(notes, bar.tick, bar.tick + bar.length);
    const letters = lineInBar(notes, graces, bar);
    if (letters === '') continue;
    const counts = inBar.map((n) => countAt(bar, n.tick)).join(', ');
    const words = sungWords(inBar);
    const passes = passesInWords(inBar, before, 'right').join(', ');
    lines.push(
      `  ${barInWords(bar.number)}: ${letters}${counts ? `   (on ${counts})` : ''}${words ? `   “${words}”` : ''}${passes ? `   ${passes}` : ''}`,
    );
    before = inBar.at(-1) ?? before;
  }
  return [
    ...lines,
    ...besideTune(all, played.bars).map(({ bar, told }) => `  ${barInWords(bar)}: ${told}`),
    ...fillsInRight(inPart(right, part), arrangement),
  ];
}

/** Keys the right hand strikes with notes of its melody, by bar: "under A, on 1: C4+E4+A4, fingers 1-2-5." */
export function besideTune(
  notes: readonly HandNote[],
  bars: Arrangement['played']['bars'],
): { readonly bar: number; readonly told: string }[] {
  return strikesOf(notes).flatMap((keys) => {
    if (keys.length < 2) return [];
    const top = keys[keys.length - 1];
    const tune = keys.find(({ source }) => source === 'melody') ?? top;
    const how = tune === top ? 'under' : 'with';
    const bar = barAt(bars, top.tick);
    return [
      {
        bar: bar.number,
        told: `${how} ${typeset(classNameOf(tune.pitch))}, on ${countAt(bar, top.tick)}: ${struckInWords([keys])}${fingersInWords([keys])}.`,
      },
    ];
  });
}

/** Fills of the right hand between notes of its tune: "Bar 4: a scale run, on 2 &, 3, 3 &: D5 C5 B4, fingers 3 2 1." */
function fillsInRight(notes: readonly HandNote[], { fills, played }: Arrangement): string[] {
  const tune = new Set(
    notes.flatMap(({ source, grace, tick }) => (source === 'melody' && !grace ? [tick] : [])),
  );
  const own = notes.filter(({ source, grace, tick }) => source === 'fill' && (grace || !tune.has(tick)));
  const byFill = new Map<string, HandNote[]>();
  for (const note of own) {
    const name = `${barAt(played.bars, note.tick).number} ${kindOf(fills, note)}`;
    byFill.set(name, [...(byFill.get(name) ?? []), note]);
  }
  return [...byFill.values()].map((struck) => {
    const strikes = strikesOf(struck);
    const counts = strikes.map(([{ tick }]) => countAt(barAt(played.bars, tick), tick)).join(', ');
    const when = struck[0].grace ? `just before ${counts}` : `on ${counts}`;
    const { number } = barAt(played.bars, struck[0].tick);
    return `  ${barInWords(number)}: ${kindOf(fills, struck[0])}, ${when}: ${struckInWords(strikes)}${fingersInWords(strikes)}.`;
  });
}

/** Learned an octave away from where it is played: said, so that nobody is surprised. */
function learnedElsewhere({ choices }: Part): string[] {
  if (choices.shownOctave === 0) return [];
  const [learn, play] = choices.shownOctave < 0 ? ['lower', 'higher'] : ['higher', 'lower'];
  return [`  Shown an octave ${learn} for learning; it is played an octave ${play}.`];
}

function shownPitch(pitch: Pitch, { choices }: Part): Pitch {
  return choices.shownOctave === 0 ? pitch : { ...pitch, octave: pitch.octave + choices.shownOctave };
}

/** A key of the right hand where it is learned: an octave away in parts for which that was chosen. */
export function shownNote<T extends { readonly pitch: Pitch }>(note: T, part: Part): T {
  const pitch = shownPitch(note.pitch, part);
  return pitch === note.pitch ? note : { ...note, pitch };
}

/** "The figure A C F comes twice, in bars 1 and 3: learn it once." */
function figureInWords(notes: readonly HandNote[], bars: Arrangement['played']['bars']): string[] {
  const figure = repeatedFigure(notes);
  if (!figure) return [];
  const [first] = figure.starts;
  const letters = notes.slice(first, first + figure.notes).map((n) => typeset(classNameOf(n.pitch)));
  const places = theBars([...new Set(figure.starts.map((start) => barAt(bars, notes[start].tick).number))]);
  return [
    `  The figure ${letters.join(' ')} comes ${timesInWords(figure.starts.length)}, in ${places}: learn it once.`,
  ];
}

/** In an accompaniment for singing the right hand holds the chord, or plays its figure: told as it is struck. */
function chordsForSinging({ changes, right, played, song }: Arrangement, part: Part): string[] {
  const struck = inPart(right, part);
  if (struck.length === 0) return ['  silent in this part.'];
  const { metre } = barAt(played.bars, part.toTick - 1);
  const figure =
    levelOf(part.choices).singing.chord === 'repeated' ? sungFigure(part.choices.pattern, metre) : null;
  const own = song.patterns.find(({ id, base }) => id === part.choices.pattern && base === 'voicing');
  const isOwn = own !== undefined && struck.some(({ source }) => source === 'figure');
  const name = isOwn ? own.name : figure?.name;
  const named = name ? [`  The figure is ${name}.`] : [];
  return [
    ...named,
    ...changesIn(changes, part).map((c) => {
      const first = barAt(played.bars, c.change.tick);
      const own = struck.filter(({ from, tick }) => from === c.change.id && tick < first.tick + first.length);
      const keys =
        name || own.some(({ source }) => source === 'own')
          ? struckInWords(strikesOf(own))
          : c.pitches.map((p) => typeset(nameOf(p))).join(' ');
      const told = keys === '' ? ': the right hand rests' : ` as ${keys}`;
      return `  ${barInWords(c.meeting.bar)}: ${typeset(c.change.symbol)}${told}.`;
    }),
  ];
}

function barsOf(
  bars: Arrangement['played']['bars'],
  { fromTick, toTick }: Part,
): Arrangement['played']['bars'] {
  return bars.filter((bar) => bar.tick < toTick && bar.tick + bar.length > fromTick);
}

/**
 * A bar of a line: "E held, down to D (C just before)": what sounds on into it first, then what is struck; empty where it
 * rests. `notes` and grace notes are those of the part, in time.
 */
export function lineInBar(
  notes: readonly HandNote[],
  graces: readonly HandNote[],
  bar: Pick<Arrangement['played']['bars'][number], 'tick' | 'length'>,
): string {
  const own = within(notes, bar.tick, bar.tick + bar.length);
  const before = notes.findLast(({ tick }) => tick < bar.tick) ?? null;
  const isHeld = before !== null && before.tick + before.length > bar.tick && own[0]?.tick !== bar.tick;
  const held = isHeld ? [`${typeset(classNameOf(before.pitch))} held`] : [];
  return [...held, ...(own.length > 0 ? [lettersOf(own, before, graces)] : [])].join(', ');
}

/** "A up to C, C twice, down to B": letters with direction; a repeated key is counted. */
export function lettersOf(
  notes: readonly HandNote[],
  before: HandNote | null,
  graces: readonly HandNote[] = [],
): string {
  const leadingTo = ({ tick }: HandNote): string => {
    const led = graces.filter((grace) => grace.tick === tick);
    const letters = led.map(({ pitch }) => typeset(classNameOf(pitch))).join(' ');
    return led.length === 0 ? '' : ` (${letters} just before)`;
  };
  const words: string[] = [];
  let last = before;
  for (let i = 0; i < notes.length;) {
    let times = 1;
    const isAgain = (at: number): boolean => notes[at]?.midi === notes[i].midi && leadingTo(notes[at]) === '';
    while (isAgain(i + times)) times++;
    const letter = typeset(classNameOf(notes[i].pitch));
    const direction =
      !last || last.midi === notes[i].midi ? '' : last.midi < notes[i].midi ? 'up to ' : 'down to ';
    const again = last?.midi === notes[i].midi ? ' again' : '';
    words.push(
      `${direction}${letter}${again}${leadingTo(notes[i])}${times > 1 ? ` ${timesInWords(times)}` : ''}`,
    );
    last = notes[i];
    i += times;
  }
  return words.join(', ');
}

export function sungWords(notes: readonly HandNote[]): string {
  return notes
    .filter((n) => n.lyric !== null)
    .map((n) => `${n.lyric}${n.syllabic === 'begin' || n.syllabic === 'middle' ? '-' : ' '}`)
    .join('')
    .trim();
}

function meetInWords(arrangement: Arrangement, part: Part): string[] {
  const { changes } = arrangement;
  const said = sayIt(arrangement, part);
  return [
    ...changesIn(changes, part).map((c) => `  ${meetsInWords(arrangement, c)}`),
    ...(said ? [`  Say it: ${said}`] : []),
  ];
}

/** Number of the part a tick lies in, for findings. */
export function partNumberAt(arrangement: Arrangement, tick: number): number {
  return partIndexAt(arrangement.parts, tick) + 1;
}
