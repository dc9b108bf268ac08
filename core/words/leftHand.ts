import { aFill, functionInWords, barInWords } from '../sentences';
import { type ArrangedChange, type Arrangement, changeIndex, changesIn } from '../arrangement';
import { type HandNote, strikesOf } from '../hands';
import type { Fill } from '../fills';
import { countAt } from '../joining';
import { levelOf } from '../levels';
import { metreName, midiOf, nameOf, typeset } from '../music';
import { type Part, turnOf } from '../parts';
import { BLOCK, choosePattern, ON_THE_BEAT, type Pattern, sungFigure } from '../patterns';
import { figureOf, isStyled, styleOf } from '../shaping';
import { barAt, BY_PHRASE, type PlayedBar, within } from '../song';
import { CLOSE_HANDS_IN_WORDS, movementInWords, voicingName } from './explain';
import { fingersInWords, struckInWords, togetherInWords } from './strikes';

/** A line and when it begins. */
interface Told {
  readonly tick: number;
  readonly words: string;
}

/** What the left hand plays in a part, as it plays it at the level chosen: blocks told as they move, figures as they are struck. */
export function leftInWords(arrangement: Arrangement, part: Part, listFirst: boolean): string[] {
  const own = changesIn(arrangement.changes, part);
  const notes = within(arrangement.left, part.fromTick, part.toTick);
  if (notes.length === 0) return ['  silent in this part.'];
  if (part.choices.layout === 'singing') return bassesInWords(arrangement, part, notes);
  const names = [...new Set(own.map((c) => typeset(c.change.symbol)))];
  const list = `  ${names.length} chord${names.length === 1 ? '' : 's'}: ${names.join(', ')}.`;
  const each = [
    ...goingOn(arrangement, part, notes),
    ...own.flatMap((change) => chordInWords(arrangement, part, change)),
    ...fillsInLeft(notes, arrangement.played.bars, arrangement.fills),
    ...betweenChords(notes, own, arrangement.played.bars),
  ].sort((a, b) => a.tick - b.tick);
  const told = [...figureInWords(arrangement, part, notes), ...each.map(({ words }) => words)];
  if (own.length === 0) return told;
  return listFirst ? [list, ...told] : [...told, list];
}

/** What is struck while a chord of the part before goes on. */
function goingOn({ changes, played }: Arrangement, part: Part, notes: readonly HandNote[]): Told[] {
  const before = changes[changeIndex(changes, part.fromTick) - 1];
  const struck = notes.filter(
    ({ from, source }) => from === before?.change.id && source !== 'fill' && source !== 'own',
  );
  return barsOf(struck, played.bars).map(([bar, inBar]) => {
    const strikes = strikesOf(inBar);
    const words = `  ${barInWords(bar.number)}: ${typeset(before.change.symbol)} goes on: ${struckInWords(strikes)}${fingersInWords(strikes)}.`;
    return { tick: inBar[0].tick, words };
  });
}

/** What is written by hand where no chord of the part sounds: before the first, or while one of an earlier part goes on. */
function betweenChords(
  notes: readonly HandNote[],
  chords: readonly ArrangedChange[],
  bars: readonly PlayedBar[],
): Told[] {
  const isUnderChord = ({ tick, from }: HandNote): boolean =>
    chords.some(
      ({ change }) => change.id === from && tick >= change.tick && tick < change.tick + change.length,
    );
  const apart = notes.filter((note) => note.source === 'own' && !isUnderChord(note));
  return barsOf(apart, bars).map(([bar, inBar]) => {
    const strikes = strikesOf(inBar);
    const words = `  ${barInWords(bar.number)}: by hand: ${struckInWords(strikes)}${fingersInWords(strikes)}.`;
    return { tick: inBar[0].tick, words };
  });
}

/** Over chords shown where the left hand does not play them yet. */
export const CHORDS_TO_COME = 'The left hand rests at this level: these are the chords to come.';

/** What is true of the level in this part where its name alone would mislead: no pattern, no fill. */
export function levelInWords({ left, right, song, played }: Arrangement, part: Part): string {
  const { number, name, isMoving, hasFills, rightHand, chords } = levelOf(part.choices);
  const head = `Level ${number}, ${name.toLowerCase()}`;
  const notes = within(left, part.fromTick, part.toTick);
  if (part.choices.layout === 'singing' || notes.length === 0 || chords === 'none') return `${head}.`;
  const { metre } = barAt(played.bars, part.toTick - 1);
  const moves = !isMoving || isStyled(part) || notes.some(({ source }) => source === 'pattern');
  const chosen = choosePattern(part.choices.pattern, metre, part.energy, song.patterns, turnOf(part)).pattern;
  const held =
    chosen.beats === 0
      ? `no pattern is made or chosen for ${metreName(metre)}`
      : 'the pattern has no room here';
  const struck = within(right, part.fromTick, part.toTick);
  const isAlone = rightHand === 'fuller' && struck.every(({ source }) => source === 'melody');
  const plain = [
    ...(moves ? [] : [`blocks are played, ${held}`]),
    ...(isAlone && struck.length > 0 ? [aloneInWords(part)] : []),
    ...(hasFills && ![...notes, ...struck].some(({ source }) => source === 'fill')
      ? ['no fill in this part']
      : []),
  ];
  return plain.length === 0 ? `${head}.` : `${head}: ${plain.join('; ')}.`;
}

/** Why the tune is alone where it may have more. */
function aloneInWords({ choices }: Part): string {
  if (choices.fuller === 'none') return 'the tune is alone, as you chose';
  return (choices.fuller ?? BY_PHRASE) === BY_PHRASE
    ? 'the tune is alone in so calm a phrase'
    : 'no note of the tune has room for another';
}

/** Under a singer: each bass, or bar by bar the pianist's own pattern. */
function bassesInWords(arrangement: Arrangement, part: Part, notes: readonly HandNote[]): string[] {
  const { bars } = arrangement.played;
  const figure = figureInWords(arrangement, part, notes);
  if (figure.length > 0)
    return [
      ...figure,
      ...barsOf(notes, bars).map(
        ([bar, inBar]) => `  ${barInWords(bar.number)}: ${struckInWords(strikesOf(inBar))}.`,
      ),
    ];
  return strikesOf(notes).map(
    (keys) => `  ${barInWords(barAt(bars, keys[0].tick).number)}: ${struckInWords([keys])}.`,
  );
}

/** The pattern chosen for each bar of a part, at a level that moves. */
function patternsInBars({ played, song }: Pick<Arrangement, 'played' | 'song'>, part: Part): Pattern[] {
  return played.bars
    .filter((bar) => bar.tick < part.toTick && bar.tick + bar.length > part.fromTick)
    .map(
      ({ metre }) =>
        choosePattern(part.choices.pattern, metre, part.energy, song.patterns, turnOf(part)).pattern,
    );
}

/** The id of the pattern a part plays, of its first bar where the metre changes in it; null where no chord is played. */
export function patternOfPart(arrangement: Pick<Arrangement, 'played' | 'song'>, part: Part): string | null {
  const { chords, isMoving } = levelOf(part.choices);
  const { metre } = barAt(arrangement.played.bars, part.fromTick);
  if (chords === 'none') return null;
  if (!isMoving) return BLOCK.id;
  const isOwn = arrangement.song.patterns.some(({ id }) => id === part.choices.pattern);
  if (part.choices.layout === 'singing' && !isOwn)
    return (sungFigure(part.choices.pattern, metre) ?? ON_THE_BEAT).id;
  return patternsInBars(arrangement, part)[0]?.id ?? BLOCK.id;
}

/** The figure by its name: "The figure is Rocking." */
function figureInWords(
  { played, song, shape }: Arrangement,
  part: Part,
  notes: readonly HandNote[],
): string[] {
  if (!notes.some(({ source }) => source === 'pattern')) return [];
  if (isStyled(part)) return [`  ${styleInWords({ shape, played }, part)}`];
  const rows = patternsInBars({ played, song }, part);
  const names = [...new Set(rows.map(({ name }) => name))].join(', then ');
  const bare = rows.some(({ base }) => base === 'line')
    ? ': one low note a chord, falling by step where the chords allow'
    : rows.some(({ isBare }) => isBare)
      ? ': root and fifth, the third is left to the tune'
      : '';
  return [`  The figure is ${names}${bare}.`];
}

const FIGURES = { quiet: 'quietly', contrast: 'with another figure', full: 'in full' } as const;

/** "Played in the style Waltz: quietly, then in full." */
export function styleInWords({ shape, played }: Pick<Arrangement, 'shape' | 'played'>, part: Part): string {
  const { phrases, proposed } = shape;
  const style = styleOf(part.choices.style ?? proposed.style);
  const inside = phrases.filter(({ fromTick, toTick }) => fromTick < part.toTick && toTick > part.fromTick);
  const ways = inside.map((phrase) => FIGURES[figureOf(shape, phrase, style, played)]);
  const told = ways.filter((way, i) => way !== ways[i - 1]).join(', then ');
  return `Played in the style ${style.name}: ${told}.`;
}

/** One chord: the block with what moves, or each bar of its figure with fingers. */
function chordInWords(arrangement: Arrangement, part: Part, change: ArrangedChange): Told[] {
  const { changes, left, played } = arrangement;
  const { tick, length } = change.change;
  // A chord that goes on into the next part is told there.
  const own = within(left, tick, Math.min(tick + length, part.toTick)).filter(
    ({ from, source }) => from === change.change.id && source !== 'fill',
  );
  const { numeral } = change.degree;
  const told = functionInWords(change.degree.chordFunction);
  const close = change.closeHands ? ` ${CLOSE_HANDS_IN_WORDS[change.closeHands]}` : '';
  const strikes = strikesOf(own);
  // A fill in the place of the whole chord is told as what it is.
  if (strikes.length === 0 && within(left, tick, tick + length).some(({ from }) => from === change.change.id))
    return [];
  if (strikes.length === 0)
    return [
      {
        tick,
        words: `  ${barInWords(change.meeting.bar)}: ${typeset(change.change.symbol)}: the left hand rests.`,
      },
    ];
  const isWhole = togetherInWords(strikes[0]) === keysInWords(change);
  if (strikes.length === 1 && isWhole) {
    const at = changeIndex(changes, tick);
    const before = at > 0 && isPlayed(left, changes[at - 1]) ? changes[at - 1] : null;
    if (change.voicing.keys.length === 1)
      return [
        {
          tick,
          words: `  ${barInWords(change.meeting.bar)}: ${typeset(change.change.symbol)}: ${keysInWords(change)} (${numeral}, ${told})${bassMoved(before, change)}.${close}`,
        },
      ];
    const first = barAt(played.bars, strikes[0][0].tick);
    const late = strikes[0][0].tick === tick ? '' : `, struck on ${countAt(first, strikes[0][0].tick)}`;
    const moved = before && change.step ? `; ${movementInWords(before, change, change.step)}` : '';
    const words = `  ${barInWords(change.meeting.bar)}: ${voicingName(change)}: ${keysInWords(change, ' ')} (${numeral}, ${told})${late}${moved}.${close}`;
    return [{ tick, words }];
  }
  return barsOf(own, played.bars).map(([bar, inBar], i) => {
    const struck = strikesOf(inBar);
    const role = i === 0 ? ` (${numeral}, ${told})` : '';
    const name = `${typeset(change.change.symbol)}${i === 0 ? '' : ' again'}${role}`;
    return {
      tick: inBar[0].tick,
      words: `  ${barInWords(bar.number)}: ${name}: ${struckInWords(struck)}${fingersInWords(struck)}.${i === 0 ? close : ''}`,
    };
  });
}

/** "Here the left hand plays what was written by hand: E2 C3+G3." Empty where it plays the chord as it is voiced. */
export function byHandInWords({ left }: Pick<Arrangement, 'left'>, { change }: ArrangedChange): string {
  const own = within(left, change.tick, change.tick + change.length).filter(({ source }) => source === 'own');
  if (own.length === 0) return '';
  return `Here the left hand plays what was written by hand: ${struckInWords(strikesOf(own))}.`;
}

/** Its voicing is what is struck: the hand moves on from there. */
function isPlayed(left: readonly HandNote[], { change, voicing }: ArrangedChange): boolean {
  const struck = within(left, change.tick, change.tick + change.length);
  if (!struck.some(({ source }) => source === 'own')) return struck.length > 0;
  const [first = []] = strikesOf(struck);
  return first.map(({ midi }) => midi).join() === voicing.keys.join();
}

const INTERVALS: readonly string[] = [
  'the same key again',
  'a half step',
  'a whole step',
  'a minor third',
  'a major third',
  'a fourth',
  'a tritone',
  'a fifth',
  'a minor sixth',
  'a major sixth',
  'a minor seventh',
  'a major seventh',
  'an octave',
];

/** How a single bass goes on: ", up a fourth". */
function bassMoved(before: ArrangedChange | null, { voicing }: ArrangedChange): string {
  const from = before?.voicing.keys;
  if (from?.length !== 1) return '';
  const by = voicing.keys[0] - from[0];
  if (by === 0) return `, ${INTERVALS[0]}`;
  return `, ${by > 0 ? 'up' : 'down'} ${INTERVALS[Math.abs(by)] ?? `${Math.abs(by)} half steps`}`;
}

function keysInWords({ pitches }: ArrangedChange, between = '+'): string {
  return pitches.map((p) => typeset(nameOf(p))).join(between);
}

/** Fills of the left hand: "Bar 4: a bass walk: F♯2 G♯2, fingers 4 3." */
function fillsInLeft(notes: readonly HandNote[], bars: readonly PlayedBar[], fills: readonly Fill[]): Told[] {
  const struck = notes.filter(({ source }) => source === 'fill');
  return barsOf(struck, bars).map(([bar, own]) => {
    const strikes = strikesOf(own);
    const kind = kindOf(fills, own[0]);
    return {
      tick: own[0].tick,
      words: `  ${barInWords(bar.number)}: ${kind}: ${struckInWords(strikes)}${fingersInWords(strikes)}.`,
    };
  });
}

/** What a note of a fill belongs to: "a bass walk". */
export function kindOf(fills: readonly Fill[], { hand, from, tick, midi }: HandNote): string {
  const own = fills.filter((fill) => fill.taken && fill.hand === hand && fill.changeId === from);
  const exact = own.find(({ notes }) => notes.some((n) => n.tick === tick && midiOf(n.pitch) === midi));
  return aFill((exact ?? own[0])?.kind ?? 'fill');
}

function barsOf(
  notes: readonly HandNote[],
  bars: readonly PlayedBar[],
): (readonly [PlayedBar, readonly HandNote[]])[] {
  const found: [PlayedBar, HandNote[]][] = [];
  for (const note of notes) {
    const bar = barAt(bars, note.tick) as PlayedBar;
    const last = found[found.length - 1];
    if (last?.[0] === bar) last[1].push(note);
    else found.push([bar, [note]]);
  }
  return found;
}
