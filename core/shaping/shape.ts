import type { HandNote } from '../hands';
import type { Memory } from '../memory';
import { type Part, partIndexAt } from '../parts';
import { barAt, type Choices, type PlayedSong, type Profile, type Song } from '../song';
import { isUnderMelody, type VoicedChange } from '../voicing';
import { levelOf } from '../levels';
import { AUTO } from '../patterns';
import { leftStream, type StyledStrike } from './leftStream';
import { shortestAt, type Styled } from './streamEvents';
import { figureIn } from './figure';
import { type Phrase, phraseIndexAt, phrasesOf } from './phrases';
import { type Planned, planOf } from './plan';
import { proposeStyle, type ProposedStyle } from './proposing';
import { type FigureRow, type Style, styleOf } from './styles';

/** A phrase with what was planned for it. */
export type ShapedPhrase = Phrase & Planned;

/** How a song is shaped: its phrases, each with its intensity, and the style that suits it. */
export interface Shape {
  readonly phrases: readonly ShapedPhrase[];
  readonly proposed: ProposedStyle;
}

/** What the pianist says of how strong phrases are, by the index of each. */
function givenIn(
  { intensities }: Pick<Song, 'intensities'>,
  phrases: readonly Phrase[],
): ReadonlyMap<number, number> {
  if (!intensities) return new Map();
  return new Map(
    phrases.flatMap(({ firstNote }, i) => {
      const own = firstNote === null ? undefined : intensities[firstNote];
      return own === undefined ? [] : [[i, own] as const];
    }),
  );
}

/** The shape of a song: looks at what is played, and at what the pianist says of its phrases. */
export function shapeOf(song: Pick<Song, 'feel' | 'intensities'>, played: PlayedSong, memory: Memory): Shape {
  const phrases = phrasesOf(played, memory);
  const plan = planOf(played, phrases, givenIn(song, phrases));
  return {
    // One that is as it was keeps its identity, so that what is worked out of it is not worked out again.
    phrases: phrases.map((phrase, i) => {
      const shaped = { ...phrase, ...plan[i] };
      return memory.of<ShapedPhrase>('phrases')(String(i), [JSON.stringify(shaped)], () => shaped);
    }),
    proposed: proposeStyle(song, played),
  };
}

/** From this intensity on a phrase is played in full. */
const FULL = 0.72;
/** A strain that returns has more upper notes from this intensity on. */
const FULLER_RETURN = 0.45;

/**
 * Which figure of a style a phrase has: quiet at first, another in a contrasting strain, in full where the song is
 * strongest; where that is too quick for a hand the quiet one.
 */
export function figureOf(
  { phrases }: Pick<Shape, 'phrases'>,
  phrase: ShapedPhrase,
  style: Style,
  played: PlayedSong,
): 'quiet' | 'contrast' | 'full' {
  const { intensity, strain, barTick } = phrase;
  const wanted = intensity >= FULL ? 'full' : strain === phrases[0].strain ? 'quiet' : 'contrast';
  return isTooQuick(style[wanted], played, barTick) ? 'quiet' : wanted;
}

function isTooQuick(row: FigureRow, played: PlayedSong, tick: number): boolean {
  const { metre } = barAt(played.bars, tick);
  return figureIn(row, metre).some(({ length }) => length < shortestAt(played, tick));
}

/** The figure itself; the quiet one is a note fuller where its strain returns stronger. */
function rowOf(shape: Shape, phrase: ShapedPhrase, style: Style, played: PlayedSong): FigureRow {
  const figure = figureOf(shape, phrase, style, played);
  if (figure !== 'quiet') return style[figure];
  const isFuller = phrase.time > 1 && phrase.intensity >= FULLER_RETURN;
  return isFuller ? { ...style.quiet, upper: 3 } : style.quiet;
}

interface StyledTask {
  readonly shape: Shape;
  readonly parts: readonly Part[];
  readonly voiced: readonly VoicedChange[];
  readonly played: PlayedSong;
  readonly profile: Profile;
  readonly melody: readonly HandNote[];
  readonly longestNote: number;
  readonly memory: Memory;
  /** The lowest key a learned part strikes at a chord; null where it is not learned. */
  readonly keptBass: (voiced: VoicedChange) => number | null;
}

/** Whether a part is played in a style: at a level that moves, with no pattern chosen. */
export function isStyled({ choices }: Pick<Part, 'choices'>): boolean {
  return levelOf(choices).isMoving && choices.pattern === AUTO && choices.layout !== 'singing';
}

/** The style a part is played in; null: it is played in none. */
export function styleIn(part: Pick<Part, 'choices'>, { proposed }: Pick<Shape, 'proposed'>): Style | null {
  return isStyled(part) ? styleOf(part.choices.style ?? proposed.style) : null;
}

/** How a part is pedalled: as chosen, else as its style has it, else with each chord. */
export function pedalOf(part: Pick<Part, 'choices'>, shape: Shape): Exclude<Choices['pedal'], 'auto'> {
  const { pedal } = part.choices;
  return pedal === 'auto' ? (styleIn(part, shape)?.pedal ?? 'change') : pedal;
}

/** Whether the last bars of a song slow down: as chosen, else as the style it ends in has it. */
export function slowsAtEnd(
  { choices }: Pick<Song, 'choices'>,
  parts: readonly Part[],
  shape: Shape,
): boolean {
  if (choices.ending !== undefined) return choices.ending === 'slowing';
  const last = parts.at(-1);
  return last !== undefined && styleIn(last, shape)?.slows === true;
}

/** What the left hand strikes under each chord that is played in a style, by played id. */
export function styledLeft(task: StyledTask): ReadonlyMap<string, readonly StyledStrike[]> {
  const { shape, parts, voiced } = task;
  if (!parts.some(isStyled)) return new Map();
  const styled = voiced.map((v): Styled => {
    const part = parts[partIndexAt(parts, v.change.tick)];
    const phrase = shape.phrases[phraseIndexAt(shape.phrases, v.change.tick)];
    const kept = task.keptBass(v);
    const register = part.choices.register;
    const style = styleIn(part, shape);
    if (!style || isUnderMelody(v.layout) || kept !== null)
      return { voiced: v, style: null, row: null, phrase, register, kept };
    return { voiced: v, style, row: rowOf(shape, phrase, style, task.played), phrase, register, kept: null };
  });
  return leftStream({ ...task, styled });
}
