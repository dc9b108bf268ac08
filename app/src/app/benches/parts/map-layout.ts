import { letterOf, type Part } from '@joined-hands/core/parts';
import type { PlayedBar, PlayedSong } from '@joined-hands/core/song';

/** The song as a map: lines of bars, on each the parts in playing order, what returns on the row where it was first. */
export interface SongMap {
  readonly lines: readonly MapLine[];
  readonly height: number;
}

export interface MapLine {
  readonly top: number;
  readonly height: number;
  readonly fromTick: number;
  readonly toTick: number;
  readonly bars: readonly {
    readonly x: number;
    readonly tick: number;
    readonly number: number;
    readonly isNumbered: boolean;
  }[];
  readonly sections: readonly {
    readonly x: number;
    readonly width: number;
    readonly name: string;
    readonly energy: number;
  }[];
  readonly cuts: readonly CutShape[];
  readonly parts: readonly PartShape[];
  readonly perTick: number;
}

/** Where a part begins, as a grip on the ruler. */
export interface CutShape {
  /** Its own name, which it keeps whatever is cut before it. */
  readonly cutId: string;
  readonly index: number;
  readonly x: number;
  readonly isLocked: boolean;
}

interface PartShape {
  /** The cut it begins with. */
  readonly cutId: string;
  readonly index: number;
  readonly x: number;
  readonly width: number;
  readonly y: number;
  /** It goes on from the line before or on the next. */
  readonly isBroken: boolean;
}

/** Most bars of 4/4 a line holds; more would make the grips too narrow to take. */
const MOST_BARS = 32;
export const SECTION_BAND = 26;
export const RULER_BAND = 46;
export const ROW_HEIGHT = 44;
const LINE_GAP = 18;
const MARGIN = 10;
/** Bar numbers stand this far apart at least. */
const NUMBER_ROOM = 30;
/** Sections shown narrower than this bear no name. */
const LEAST_BAR = 15;

/** Lays out the map in a width; lines are broken where a part begins, when one begins near. */
export function layoutMap(played: PlayedSong, parts: readonly Part[], width: number): SongMap {
  const lines: MapLine[] = [];
  let top = 0;
  const all = linesOf(played.bars, parts, width);
  // A bar is as wide on every line as on the fullest.
  const perTick = (width - 2 * MARGIN) / Math.max(...all.map(ticksOf));
  for (const bars of all) {
    const line = layoutLine(played, parts, bars, perTick, top);
    lines.push(line);
    top += line.height + LINE_GAP;
  }
  return { lines, height: Math.max(0, top - LINE_GAP) };
}

/** Bars a line may be longer or shorter than the others so that it is broken where a part begins. */
const MOST_UNEVEN = 3;

/** As few lines as hold the bars, about equally long, broken where a part begins when one begins near. */
function linesOf(bars: readonly PlayedBar[], parts: readonly Part[], width: number): PlayedBar[][] {
  const most = Math.min(MOST_BARS, Math.max(4, Math.floor((width - 2 * MARGIN) / LEAST_BAR)));
  const count = Math.ceil(bars.length / (most + 1));
  const starts = new Set(parts.map((part) => part.fromBar));
  const breaks = Array.from({ length: count - 1 }, (_, i) => {
    const even = Math.round(((i + 1) * bars.length) / count);
    const near = Array.from({ length: 2 * MOST_UNEVEN + 1 }, (_, k) => even + k - MOST_UNEVEN)
      .filter((at) => at > 0 && at < bars.length && starts.has(bars[at].number))
      .sort((a, b) => Math.abs(a - even) - Math.abs(b - even));
    return near[0] ?? even;
  });
  return [0, ...breaks].map((from, i) => bars.slice(from, breaks[i] ?? bars.length));
}

function ticksOf(bars: readonly PlayedBar[]): number {
  const last = bars[bars.length - 1];
  return last.tick + last.length - bars[0].tick;
}

function layoutLine(
  played: PlayedSong,
  parts: readonly Part[],
  bars: readonly PlayedBar[],
  perTick: number,
  top: number,
): MapLine {
  const fromTick = bars[0].tick;
  const last = bars[bars.length - 1];
  const toTick = last.tick + last.length;
  const x = (tick: number): number => MARGIN + (tick - fromTick) * perTick;
  const inLine = parts
    .map((part, index) => ({ part, index }))
    .filter(({ part }) => part.fromTick < toTick && part.toTick > fromTick);
  const rows = rowsOf(inLine.map(({ part }) => part));
  const partsTop = top + SECTION_BAND + RULER_BAND;
  // Numbers 1, 5, 9 … or 1, 9, 17 …: groups a pianist counts in.
  const least = NUMBER_ROOM / (last.length * perTick);
  const every = [1, 2, 4, 8, 16].find((bars) => bars >= least) ?? 16;
  return {
    top,
    height: SECTION_BAND + RULER_BAND + Math.max(1, rows.size) * ROW_HEIGHT,
    fromTick,
    toTick,
    perTick,
    bars: bars.map((bar) => ({
      x: x(bar.tick),
      tick: bar.tick,
      number: bar.number,
      isNumbered: bar.number > 0 && (bar.number - 1) % every === 0,
    })),
    sections: sectionsOf(played, fromTick, toTick, x),
    cuts: inLine
      .filter(({ part }) => part.fromTick >= fromTick)
      .map(({ part, index }) => ({
        cutId: part.cutId,
        index,
        x: x(part.fromTick),
        isLocked: part.isLocked,
      })),
    parts: inLine.map(({ part, index }) => ({
      cutId: part.cutId,
      index,
      x: x(Math.max(fromTick, part.fromTick)) + 2,
      width: Math.max(12, x(Math.min(toTick, part.toTick)) - x(Math.max(fromTick, part.fromTick)) - 4),
      y: partsTop + (rows.get(familyOf(part)) ?? 0) * ROW_HEIGHT,
      isBroken: part.fromTick < fromTick || part.toTick > toTick,
    })),
  };
}

/** A row for each family of parts, in the order in which they first come. */
function rowsOf(parts: readonly Part[]): Map<string, number> {
  const rows = new Map<string, number>();
  for (const part of parts) if (!rows.has(familyOf(part))) rows.set(familyOf(part), rows.size);
  return rows;
}

function familyOf(part: Part): string {
  return letterOf(part.label);
}

function sectionsOf(
  { sections, endTick }: PlayedSong,
  from: number,
  to: number,
  x: (tick: number) => number,
): MapLine['sections'] {
  return sections.flatMap((section, i) => {
    const start = Math.max(from, section.tick);
    const end = Math.min(to, sections[i + 1]?.tick ?? endTick);
    return end > start
      ? [{ x: x(start), width: x(end) - x(start), name: section.name, energy: section.energy }]
      : [];
  });
}

/** The tick under a point of a line, from its left edge in pixels. */
export function tickUnder(line: MapLine, x: number): number {
  return Math.round(line.fromTick + (x - MARGIN) / line.perTick);
}
