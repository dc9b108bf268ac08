import { barAt } from '../song/bars';
import type { Choices, Song } from '../song/schema';
import type { PlayedSong } from '../song/unfold';
import { divide, divideEvery } from './divide';
import { rememberLast } from '../music/memo';
import { type Content, type Related, type Relation, formLetters, relate } from './relations';

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
  readonly energy: number;
  readonly reasons: readonly string[];
  readonly relation: Relation;
  /** Number of the part it relates to, or null. */
  readonly relatedTo: number | null;
  readonly movedBy: string | null;
  /** Number of the part whose voicings it shares, or null. */
  readonly sharesWith: number | null;
  readonly choices: Choices;
  readonly settled: boolean;
}

export interface PartOptions {
  /** Cut every so many bars instead of by phrase. */
  readonly everyBars?: number;
}

/** Numbered parts of the played song: the pianist's cuts, else the proposed division. */
export function partsOf(song: Song, played: PlayedSong, options: PartOptions = {}): Part[] {
  const { spans, related, letters } = structureOf(played, song.cuts, options.everyBars);
  const energies = sectionsByTick(played);
  return spans.map((span, index): Part => {
    const [fromBar, toBar] = barsOf(played, span.tick, span.toTick);
    const settings = song.partSettings[span.id];
    const section = energies(Math.max(span.tick, barTickOf(played, fromBar)));
    const { relation, to, by } = related[index];
    return {
      number: index + 1,
      cutId: span.id,
      fromTick: span.tick,
      toTick: span.toTick,
      fromBar,
      toBar,
      label: letters[index],
      sectionName: settings?.name ?? section?.name ?? '',
      energy: section?.energy ?? 3,
      reasons: span.reasons,
      relation,
      relatedTo: to === null ? null : to + 1,
      movedBy: by,
      sharesWith: sharedNumber(song, spans, index, relation === 'same' ? to : null),
      choices: { ...song.choices, ...settings?.choices },
      settled: song.settled.some((s) => s.cutId === span.id),
    };
  });
}

interface CutPlace {
  readonly id: string;
  readonly tick: number;
  readonly reasons: readonly string[];
}

interface Span extends CutPlace {
  readonly toTick: number;
}

interface Structure {
  readonly spans: readonly Span[];
  readonly related: readonly Related[];
  readonly letters: readonly string[];
}

/** What does not change with the pianist's choices: worked out once for the same song and cuts. */
const structureOf = rememberLast(
  (played: PlayedSong, own: Song['cuts'], everyBars: number | undefined): Structure => {
    const cuts = cutsOf(played, own, everyBars);
    const spans = cuts.map((cut, i) => ({ ...cut, toTick: cuts[i + 1]?.tick ?? played.endTick }));
    const related = relate(contentsOf(played, spans));
    return { spans, related, letters: formLetters(related) };
  },
);

function cutsOf(played: PlayedSong, own: Song['cuts'], everyBars: number | undefined): CutPlace[] {
  if (everyBars === undefined && own.length > 0) {
    const sorted = own.filter((cut) => cut.tick < played.endTick).sort((a, b) => a.tick - b.tick);
    const placed = sorted.map((cut) => ({ id: cut.id, tick: cut.tick, reasons: ['you cut here'] }));
    return placed[0]?.tick === 0
      ? placed
      : [{ id: 'cut0', tick: 0, reasons: ['the song begins'] }, ...placed];
  }
  const division = everyBars === undefined ? divide(played) : divideEvery(played, everyBars);
  return division.cuts.map((cut) => ({ id: `cut${cut.tick}`, tick: cut.tick, reasons: cut.reasons }));
}

/** A part declared the same as another shares its voicings; one found the same does unless it was freed. */
function sharedNumber(
  song: Song,
  spans: readonly CutPlace[],
  index: number,
  found: number | null,
): number | null {
  const declared = song.partSettings[spans[index].id]?.sameAs ?? null;
  if (declared === null) return found === null ? null : found + 1;
  const at = spans.findIndex((span) => span.id === declared);
  return at < 0 || at === index ? null : at + 1;
}

function contentsOf(played: PlayedSong, spans: readonly Span[]): Content[] {
  const notes = spread(played.melody, spans);
  const changes = spread(played.changes, spans);
  return spans.map((span, i) => {
    const origin = firstBarTick(played, span.tick);
    return { notes: notes[i], changes: changes[i], origin, length: span.toTick - origin };
  });
}

/** Sorts things in time into the spans they lie in, in one pass. */
function spread<T extends { readonly tick: number }>(items: readonly T[], spans: readonly Span[]): T[][] {
  const lists: T[][] = spans.map(() => []);
  let at = 0;
  for (const item of [...items].sort((a, b) => a.tick - b.tick)) {
    while (at < spans.length - 1 && item.tick >= spans[at + 1].tick) at++;
    lists[at].push(item);
  }
  return lists;
}

/** The first bar line at or after a tick: a pick-up counts before it. */
function firstBarTick(played: PlayedSong, tick: number): number {
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
  return played.bars.find((bar) => bar.number === number)?.tick ?? 0;
}

function sectionsByTick(played: PlayedSong): (tick: number) => PlayedSong['sections'][number] | undefined {
  const sorted = [...played.sections].sort((a, b) => a.tick - b.tick);
  return (tick) => [...sorted].reverse().find((section) => section.tick <= tick);
}

/** Index of the part a tick lies in. */
export function partIndexAt(parts: readonly Part[], tick: number): number {
  let low = 0;
  let high = parts.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (parts[middle].fromTick <= tick) low = middle;
    else high = middle - 1;
  }
  return low;
}
