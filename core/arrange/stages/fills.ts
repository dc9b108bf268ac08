import { fillPart, NO_FILL_YET, type Opening, type PartFills } from '../../fills';
import { type HandNote, inTime } from '../../hands';
import { type PartHands } from '../../joining';
import { levelOf } from '../../levels';
import { placesOf } from '../../own';
import { TICKS_PER_QUARTER } from '../../music';
import { barsIn, indexAt, lastAtOrBefore, type Song, within } from '../../song';
import { restsAt, styleIn } from '../../shaping';
import type { SongContext } from '../context';
import { asStored } from '../partFills';
import { keysByTick, windowOf } from '../windows';
import { type ByPart, forwards } from './byPart';
import { isSung } from './hands';

type Task = Parameters<typeof fillPart>[0];
type Decisions = Parameters<typeof fillPart>[2];

/** Second stage: the fills of each part, those taken and those that could be, each knowing which kinds came before it. */
export function fillsStage(context: SongContext, handsOf: ByPart<PartHands>): ByPart<PartFills> {
  const { song, parts, material, memory } = context;
  const made = memory.of<PartFills>('fills');
  const following = nextPlayed(context);
  return forwards((index, before) => {
    const { part, voiced, settled } = material[index];
    const after = before?.after ?? NO_FILL_YET;
    const { hasFills } = levelOf(part.choices);
    if (!(hasFills || song.fillsTaken.length > 0) || isSung(part) || voiced.length === 0)
      return { fills: () => [], playing: [], waiting: [], after };
    const next = following[index];
    const openings = openingsOf(context, handsOf, index, next);
    const task = taskOf(context, handsOf, index, openings, next);
    const leaders = voiced.map((v) => context.twins.get(v.change.id) ?? '');
    const decisions = decisionsIn(song, context.material[index], leaders);
    const { measure, seed, taken, declined } = decisions;
    const from = [
      ...Object.values({
        ...task,
        closed: JSON.stringify(task.closed),
        phraseStarts: task.phraseStarts.join(),
      }),
      openings.flatMap((o) => [o.from, o.into, o.start, o.firstKeys.join(), o.isIntoSettled, o.isPartEnd]),
      ...[hasFills, measure, seed, taken, declined, leaders, after.lastBar, after.lastOrnament, settled],
    ];
    return made(parts[index].cutId, from, () => {
      const proposed = fillPart(task, openings, decisions, after);
      // What a settled part plays was stored with it.
      return settled?.keys ? asStored(proposed, settled.fills) : proposed;
    });
  });
}

/** For each part the next one that has chords below a melody; none: past the last. */
function nextPlayed({ parts, material }: SongContext): number[] {
  const following: number[] = [];
  for (let at = parts.length - 1, next = parts.length; at >= 0; at--) {
    following[at] = next;
    if (material[at].voiced.length > 0 && !isSung(parts[at])) next = at;
  }
  return following;
}

/** The chords of a part, each with its successor, the last with the first of what follows, and what the left hand strikes there. */
function openingsOf(
  { material }: SongContext,
  handsOf: ByPart<PartHands>,
  index: number,
  next: number,
): Opening[] {
  const { voiced } = material[index];
  const own = keysByTick(handsOf(index).notes);
  return voiced.flatMap((from, i): Opening[] => {
    const isPartEnd = i === voiced.length - 1;
    const into = (isPartEnd ? material[next]?.voiced[0] : voiced[i + 1]) ?? null;
    const struck = isPartEnd && next < material.length ? keysByTick(handsOf(next).notes) : own;
    const firstKeys = into ? struck.get(into.change.tick) : [];
    if (!firstKeys) return [];
    const start = own.get(from.change.tick)?.[0] ?? from.voicing.keys[0];
    const isIntoSettled = isPartEnd && Boolean(material[next]?.settled?.keys);
    return [{ from, into, start, firstKeys, isIntoSettled, isPartEnd }];
  });
}

function taskOf(
  { profile, played, parts, material, melody, longestNote, shape }: SongContext,
  handsOf: ByPart<PartHands>,
  index: number,
  openings: readonly Opening[],
  next: number,
): Task {
  const { part, voiced, melody: tune, written } = material[index];
  const until = openings.reduce((end, { into }) => Math.max(end, into?.change.tick ?? 0), part.toTick);
  const own = windowOf(melody, part.fromTick, until, longestNote);
  const beside = [index, next].flatMap((at) =>
    at < parts.length ? handsOf(at).right.filter(({ tick }) => tick <= until) : [],
  );
  const phrases = shape.phrases.map(({ fromTick }) => ({ tick: fromTick }));
  const end = voiced.at(-1);
  const closesAt = (end && restsAt({ played, melody }, end)) ?? Infinity;
  const starts = parts.map(({ fromTick }) => ({ tick: fromTick }));
  return {
    profile,
    melody: beside.length === 0 ? own : inTime([...own, ...beside]),
    longestNote,
    bars: barsIn(played.bars, part.fromTick, until),
    partStarts: within(starts, part.fromTick, until + 1).map(({ tick }) => tick),
    phraseStarts: within(phrases, part.fromTick, until + 1).map(({ tick }) => tick),
    closesAt,
    style: styleIn(part, shape),
    tune,
    after: firstFrom(melody, part.toTick),
    beside: handsOf(index).right,
    left: handsOf(index).notes,
    voiced,
    closed: (['right', 'left'] as const).flatMap((hand) =>
      placesOf(written[hand], part.fromTick, until).map((place) => ({ hand, ...place })),
    ),
    shortest: shortestIn(played, part.fromTick, until),
    partEnd: part.toTick,
    songEnd: played.endTick,
  };
}

/** Nothing is filled in quicker than so many notes a second. */
const FASTEST = 8;

/** Ticks between two notes that are as quick as that, at the quickest tempo of a stretch. */
function shortestIn({ tempoMap }: SongContext['played'], from: number, to: number): number {
  const first = lastAtOrBefore(tempoMap, from);
  const inside = within(tempoMap, from, to).map(({ quartersPerMinute }) => quartersPerMinute);
  const quickest = Math.max(first.quartersPerMinute, ...inside);
  return Math.ceil((quickest / 60) * (TICKS_PER_QUARTER / FASTEST));
}

/** What the pianist decided about the fills of a part. */
function decisionsIn(
  { fillsTaken, fillsDeclined }: Song,
  { part, voiced, settled }: SongContext['material'][number],
  leaders: readonly string[],
): Decisions {
  const { measure, seed } = part.choices.fills ?? { measure: 'few' as const, seed: 0 };
  return {
    measure: levelOf(part.choices).hasFills ? measure : 'none',
    seed,
    taken: fillsTaken,
    declined: settled ? NONE : fillsDeclined,
    twinOf: (id) => {
      const at = voiced.findIndex((v) => id.endsWith(`:${v.change.id}`));
      return at >= 0 && leaders[at] ? `${id.split(':', 1)[0]}:${leaders[at]}` : null;
    },
  };
}

const NONE: readonly string[] = [];

/** The first note of a melody at or after a tick that is no grace note. */
function firstFrom(melody: readonly HandNote[], tick: number): HandNote | null {
  if (melody.length === 0) return null;
  for (let at = indexAt(melody, tick); at < melody.length; at++)
    if (melody[at].tick >= tick && !melody[at].grace) return melody[at];
  return null;
}
