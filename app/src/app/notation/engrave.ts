import type { Arrangement } from '@joined-hands/core/arrangement';
import type { Staves, System } from '@joined-hands/core/sheets';
import type { PlayedBar } from '@joined-hands/core/song';
import { Renderer } from 'vexflow';
import {
  type Colours,
  drawRow,
  FIRST_BAR_EXTRA,
  mostStrikes,
  shownElsewhere,
  STRIKE_WIDTH,
  SYSTEM_HEIGHT,
  WORD_ROOM,
} from './draw-staff';

export { musicFontReady } from './draw-staff';

/** Pixels of a staff to a unit of a sheet: a staff of eight millimetres. */
const SHEET_PX = 5;
const LEAD_HEIGHT = 128;
const INK: Colours = { pickedColour: '#000', fillColour: '#000' };

/** The whole song in systems for a sheet of paper, so many units wide, black on white; a system at a time. */
export function* engrave(
  arrangement: Arrangement,
  width: number,
  which: keyof Staves,
): Generator<null, readonly System[]> {
  const isLead = which === 'lead';
  const shown = shownElsewhere(isLead ? tuneOf(arrangement) : arrangement);
  const { bars, melody } = shown.played;
  const wordRoom = melody.some(({ lyric }) => lyric !== null) ? WORD_ROOM : 0;
  const height = (isLead ? LEAD_HEIGHT : SYSTEM_HEIGHT) + wordRoom;
  const px = width * SHEET_PX;
  const usable = px - 20;
  const systems: System[] = [];
  for (const system of inSystems(shown, bars, usable)) {
    const inRow = system.map(({ bar }) => bar);
    const element = document.createElement('div');
    const renderer = new Renderer(element, Renderer.Backends.SVG);
    renderer.resize(px, height);
    const style = {
      y: 0,
      wordRoom,
      picked: new Set<string>(),
      colours: INK,
      hands: isLead ? 'right' : 'both',
    } as const;
    const needs = system.map(({ needed }) => needed);
    drawRow(renderer.getContext(), shown, inRow, usable, {
      ...style,
      needs,
      isVeryFirst: inRow[0] === bars[0],
    });
    const svg = contentOf(element.querySelector('svg'));
    systems.push({ bars: inRow, height: height / SHEET_PX, svg, viewBox: `0 0 ${px} ${height}` });
    yield null;
  }
  return systems;
}

/** What was drawn, with what its root says of fonts and lines: VexFlow tells only what differs from that. */
function contentOf(root: SVGSVGElement | null): string {
  if (!root) return '';
  const group = root.ownerDocument.createElementNS(root.namespaceURI, 'g');
  for (const { name, value } of root.attributes)
    if (/^(fill|stroke|font)/.test(name)) group.setAttribute(name, value);
  group.append(...root.childNodes);
  return group.outerHTML;
}

/** The melody alone as the right hand, as it is written on a lead sheet. */
function tuneOf(arrangement: Arrangement): Arrangement {
  return { ...arrangement, right: arrangement.right.filter(({ source }) => source === 'melody'), left: [] };
}

/** As many bars in each system as have room for what is struck and sung in them. */
function inSystems(arrangement: Arrangement, bars: readonly PlayedBar[], usable: number) {
  const systems: { bar: PlayedBar; needed: number }[][] = [];
  const room = usable - FIRST_BAR_EXTRA;
  const longest = Math.max(...bars.map(({ length }) => length));
  // A line lies within one part: the first bar line of a part begins one.
  const starts = new Set(
    arrangement.parts.map(({ fromTick }) => bars.find(({ tick }) => tick >= fromTick)?.tick),
  );
  let used = Infinity;
  for (const bar of bars) {
    const struck = strikeWidth(arrangement, bar) * mostStrikes(arrangement, [bar]);
    const least = (LEAST_SHEET_BAR * bar.length) / longest;
    const needed = Math.max(least, Math.min(room, struck));
    if (used + needed > room || starts.has(bar.tick)) {
      systems.push([]);
      used = 0;
    }
    systems[systems.length - 1].push({ bar, needed });
    used += needed;
  }
  return systems;
}

const LEAST_SHEET_BAR = 150;
/** Pixels of a letter of the words, on the whole, and between two of them. */
const [LETTER_PX, WORD_GAP_PX] = [7.2, 8];

/** Room for each strike of a bar: the longest of its syllables is not written into the next. */
function strikeWidth({ right }: Arrangement, { tick, length }: PlayedBar): number {
  const own = right.filter((note) => note.tick >= tick && note.tick < tick + length);
  const longest = Math.max(0, ...own.map(({ lyric }) => (lyric ?? '').length));
  return Math.max(STRIKE_WIDTH, longest * LETTER_PX + WORD_GAP_PX);
}
