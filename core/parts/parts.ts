import { divides, type Phrase } from '../sentences';
import { Memory, memoryOf } from '../memory';
import { barTicks } from '../music';
import { barAt, type Choices, type PlayedSong, type Section, type Song } from '../song';
import { interludesOf } from './interludes';
import type { ProposedCut } from './divide';
import { formLetters } from './form';
import {
  type Content,
  type Moved,
  relate,
  type Related,
  type Relation,
  type Struck,
  struckAs,
} from './relations';
import { propose } from './methods';
import { choicesOf, sharedIndex, sharedWhenFound } from './sharing';
import { boundariesOf } from './strength';

export interface Part {
  /** From 1. */
  readonly number: number;
  readonly cutId: string;
  readonly fromTick: number;
  readonly toTick: number;
  /** First and last bar whose bar line lies in the part. */
  readonly fromBar: number;
  readonly toBar: number;
  /** Form letter: "A", "A'". */
  readonly label: string;
  readonly sectionName: string;
  /** Its own name, when the pianist gave it one. */
  readonly name: string | null;
  readonly energy: number;
  /** Points that speak for the cut it begins with. */
  readonly strength: number;
  readonly reasons: readonly Phrase[];
  /** Its first cut stays where it is when the song is cut anew. */
  readonly isLocked: boolean;
  readonly relation: Relation;
  /** Number of the part it relates to, or null. */
  readonly relatedTo: number | null;
  readonly moved: Moved | null;
  /** The chords of the part it relates to come back as well. */
  readonly sameChords: boolean;
  /** Bars that differ from that part, counted from 0, the pick-up −1. */
  readonly differs: readonly number[];
  /** Number of the part whose voicings and choices it shares, or null. */
  readonly sharesWith: number | null;
  /** The pianist said that it is the same. */
  readonly isDeclared: boolean;
  /** Found the same, and freed by the pianist. */
  readonly isFreed: boolean;
  readonly choices: Choices;
  /** All of it is kept as learned. */
  readonly settled: boolean;
  /** Chords of it that are kept as learned. */
  readonly settledChanges: number;
}

/** What the hands of a part are made from: where it lies and what was chosen, not how it is counted and named. */
export type PartToPlay = Pick<Part, 'cutId' | 'fromTick' | 'toTick' | 'energy' | 'choices'> & {
  /** Whose turn it is where patterns vary; 0 where they do not. */
  readonly turn?: number;
};

/** The choice of a pattern that lets kindred ones take turns, part by part; `vary:2` begins with another. */
export const VARY = 'vary';

/** Whose turn it is in a part whose patterns vary: of parts that are the same, the first one's. */
export function turnOf({ choices, number, sharesWith }: Part): number {
  if (!choices.pattern.startsWith(VARY)) return 0;
  const seed = Number(/^vary:(\d+)$/.exec(choices.pattern)?.[1] ?? 0);
  return (sharesWith ?? number) + seed;
}

/** A part as its hands see it, the same object as long as that is the same. */
export function partToPlay(whole: Part, memory = new Memory()): PartToPlay {
  const { cutId, fromTick, toTick, energy, choices } = whole;
  const part = { cutId, fromTick, toTick, energy, choices, turn: turnOf(whole) };
  return memory.of<PartToPlay>('parts to play')(cutId, [JSON.stringify(part)], () => part);
}

/** Numbered parts of the played song: the pianist's cuts, else the proposed division. */
export function partsOf(song: Song, played: PlayedSong): Part[] {
  const memory = memoryOf(song.id);
  const { spans, related, letters } = structureOf(played, song, memory);
  const sectionAt = sectionsByTick(played);
  const silences = new Map(interludesOf(played).map(({ fromTick, name }) => [fromTick, name]));
  const settled = settledIn(song, played, spans);
  const shares = spans.map((_, index) => sharedIndex(song, spans, index, sharedWhenFound(related[index])));
  const parts = spans.map((span, index): Part => {
    const [fromBar, toBar] = barsOf(played, span.tick, span.toTick);
    const settings = song.partSettings[span.id];
    const section = sectionAt(Math.max(span.tick, barTickOf(played, fromBar)));
    const { relation, to, moved, sameChords, differs } = related[index];
    const leader = shares[index];
    const declared = settings?.sameAs ?? null;
    const part: Part = {
      number: index + 1,
      cutId: span.id,
      fromTick: span.tick,
      toTick: span.toTick,
      fromBar,
      toBar,
      label: letters[index],
      sectionName: settings?.name ?? silences.get(span.tick) ?? section?.name ?? '',
      name: settings?.name ?? null,
      energy: section?.energy ?? 3,
      strength: span.strength,
      reasons: span.reasons,
      isLocked: song.cuts.some((cut) => cut.id === span.id && cut.locked),
      relation,
      relatedTo: to === null ? null : to + 1,
      moved,
      sameChords,
      differs,
      sharesWith: leader === null ? null : leader + 1,
      isDeclared: leader !== null && declared !== null && declared !== span.id,
      isFreed: declared === span.id,
      choices: choicesOf(song, spans, shares, settled, index),
      ...settled[index],
    };
    // A part that is as it was keeps its identity, so that what is worked out of it is not worked out again.
    return memory.of<Part>('parts')(part.cutId, [JSON.stringify(part)], () => part);
  });
  return parts;
}

interface Span extends ProposedCut {
  readonly id: string;
  readonly toTick: number;
}

interface Structure {
  readonly spans: readonly Span[];
  readonly related: readonly Related[];
  readonly letters: readonly string[];
}

/** What does not change with the pianist's choices: worked out once for the same tune, chords and cuts. */
function structureOf(played: PlayedSong, { cuts: own, division, settled }: Song, memory: Memory): Structure {
  const { melody, bars, sections, keyMap, changes } = played;
  const chords = changes.map(({ tick, length, symbol }) => `${tick}:${length}:${symbol}`).join();
  const from = [melody, bars, sections, keyMap, chords, own, division, settled];
  return memory.of<Structure>('structure')('song', from, () => {
    const cuts = outsideSettled(cutsOf(played, own, division, memory), own, settled);
    const spans = cuts.map((cut, i) => ({ ...cut, toTick: cuts[i + 1]?.tick ?? played.endTick }));
    const starts = spans.map((span) => span.tick);
    const framed = framesAt(played);
    const contents = contentsOf(played, starts, played.melody.map(struckAs), changes);
    const ofSong = contents.flatMap((_, at) => (framed.has(spans[at].tick) ? [] : [at]));
    const among = relate(
      ofSong.map((at) => contents[at]),
      memory,
    );
    const letters = formLetters(among);
    const named = spans.map(({ tick }, at) => framed.get(tick) ?? letters[ofSong.indexOf(at)]);
    const related = spans.map((_, at) => relatedAmong(ofSong, among, at));
    return { spans, related, letters: named };
  });
}

/** Names of the stretches that frame the song, by the played tick each begins at. */
function framesAt({ sections }: PlayedSong): ReadonlyMap<number, string> {
  return new Map(sections.flatMap(({ tick, frame, name }) => (frame ? [[tick, name] as const] : [])));
}

/** How a part relates to earlier ones; what frames the song is like none, and none is like it. */
function relatedAmong(own: readonly number[], among: readonly Related[], at: number): Related {
  const found = among[own.indexOf(at)];
  if (!found) return FRAMING;
  return found.to === null ? found : { ...found, to: own[found.to] };
}

const FRAMING: Related = { relation: 'new', to: null, moved: null, sameChords: false, differs: [] };

function cutsOf(
  played: PlayedSong,
  own: Song['cuts'],
  division: Song['division'],
  memory: Memory,
): (ProposedCut & { readonly id: string })[] {
  const inside = own.filter((cut) => cut.tick < played.endTick).sort((a, b) => a.tick - b.tick);
  const ids = new Map(inside.map((cut) => [cut.tick, cut.id]));
  const taken = new Set(ids.values());
  const cuts =
    division.method === 'own'
      ? ownCuts(played, inside, memory)
      : propose(
          played,
          division,
          inside.map((cut) => cut.tick),
          memory,
        );
  return cuts.map((cut) => {
    const known = ids.get(cut.tick);
    if (known !== undefined) return { ...cut, id: known };
    return { ...cut, id: cutIdAt(cut.tick, taken) };
  });
}

/** No cut is proposed inside a settled part: between the cuts that were locked when it was settled. */
function outsideSettled<C extends { readonly id: string; readonly tick: number }>(
  cuts: readonly C[],
  own: Song['cuts'],
  settled: Song['settled'],
): readonly C[] {
  if (settled.length === 0) return cuts;
  const locked = new Set(own.map((cut) => cut.id));
  const kept = new Set(settled.filter((part) => part.choices !== null).map((part) => part.cutId));
  let isInside = false;
  return cuts.filter(({ id, tick }) => {
    if (tick === 0 || locked.has(id)) isInside = kept.has(id);
    else if (isInside) return false;
    return true;
  });
}

/** The id a cut gets where it is proposed; another while a cut that was moved away still bears it. */
export function cutIdAt(tick: number, taken: ReadonlySet<string>): string {
  let id = `cut${tick}`;
  for (let i = 2; taken.has(id); i++) id = `cut${tick}-${i}`;
  return id;
}

/** The pianist's cuts with what speaks for each; a second cut at one place is none. */
function ownCuts(played: PlayedSong, own: Song['cuts'], memory: Memory): ProposedCut[] {
  const known = new Map(boundariesOf(played, memory).map((b) => [b.tick, b]));
  const ticks = [...new Set([0, ...own.map((cut) => cut.tick)])].sort((a, b) => a - b);
  return ticks.map((tick) => {
    const found = known.get(tick);
    const first = tick === 0 ? divides.songBegins() : divides.ownCut();
    return { tick, strength: found?.strength ?? 0, reasons: [first, ...(found?.reasons ?? [])] };
  });
}

/** A part is settled when all its chords are; one without chords when it was settled itself. */
function settledIn(
  song: Song,
  played: PlayedSong,
  spans: readonly Span[],
): Pick<Part, 'settled' | 'settledChanges'>[] {
  const kept = new Set(song.settled.flatMap((s) => s.voicings.map((v) => v.changeId)));
  const cuts = new Set(song.settled.map((s) => s.cutId));
  if (cuts.size === 0) return spans.map(() => ({ settled: false, settledChanges: 0 }));
  const sounding = played.changes.filter((change) => change.chord !== null);
  const starts = spans.map((span) => span.tick);
  return spread(sounding, starts).map((changes, i) => {
    const settledChanges = changes.filter((change) => kept.has(change.id)).length;
    const settled = changes.length === 0 ? cuts.has(spans[i].id) : settledChanges === changes.length;
    return { settled, settledChanges };
  });
}

/** What each part, by where it begins, contains of keys struck (in time) and of chords. */
export function contentsOf(
  played: PlayedSong,
  starts: readonly number[],
  struck: readonly Struck[],
  changes: PlayedSong['changes'],
): Content[] {
  const notes = spread(struck, starts);
  const chords = spread(changes, starts);
  return starts.map((start, i) => {
    const origin = firstBarTick(played, start);
    return {
      notes: notes[i],
      changes: chords[i],
      origin,
      length: (starts[i + 1] ?? played.endTick) - origin,
      barTicks: barTicks(barAt(played.bars, origin).metre),
    };
  });
}

/** Sorts things in time into the spans they lie in, in one pass. */
function spread<T extends { readonly tick: number }>(items: readonly T[], starts: readonly number[]): T[][] {
  const lists: T[][] = starts.map(() => []);
  let at = 0;
  for (const item of [...items].sort((a, b) => a.tick - b.tick)) {
    while (at < starts.length - 1 && item.tick >= starts[at + 1]) at++;
    lists[at].push(item);
  }
  return lists;
}

/** The first bar line at or after a tick: a pick-up counts before it. */
export function firstBarTick(played: PlayedSong, tick: number): number {
  const bar = barAt(played.bars, tick);
  return bar.tick === tick && bar.number > 0 ? tick : bar.tick + bar.length;
}

function barsOf(played: PlayedSong, from: number, to: number): [number, number] {
  const first = barAt(played.bars, firstBarTick(played, from)).number;
  const last = barAt(played.bars, to - 1);
  // A last bar that only holds the next part's pick-up still belongs here: the left hand fills it.
  return [Math.max(first, played.bars[0].number), Math.max(first, last.number)];
}

function barTickOf(played: PlayedSong, number: number): number {
  return played.bars[number - played.bars[0].number]?.tick ?? 0;
}

function sectionsByTick(played: PlayedSong): (tick: number) => Section | undefined {
  const sorted = [...played.sections].sort((a, b) => a.tick - b.tick);
  return (tick) => sorted.findLast((section) => section.tick <= tick);
}

/** Index of the part a tick lies in. */
export function partIndexAt(parts: readonly Pick<Part, 'fromTick'>[], tick: number): number {
  let low = 0;
  let high = parts.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (parts[middle].fromTick <= tick) low = middle;
    else high = middle - 1;
  }
  return low;
}
