// What stands cut or one over another on engraved pages, read from their boxes in the browser: part of npm run bench.
import type { Browser, Page } from '@playwright/test';
import { engrave, type Toolkit } from '../app/src/app/notation/engraving';
import { TUNES_APART } from '../demo/kept-apart';
import { SHAPED_SONGS_APART } from '../demo/shaped-apart';
import { DEMO_SONGS } from '../demo/songs';
import { arrange } from '../core/arrange';
import {
  DEFAULT_PAPER,
  layOut,
  type Paper,
  roomOn,
  scoresOf,
  sheetDocument,
  type SheetId,
} from '../core/sheets';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../core/song';
import { randomSong } from '../core/testing';
import { medianOf } from '../core/practice';
import { engraved, loadEngraver } from './engraver';
import { sheetFonts } from './sheetFonts';

/** Boxes may touch by so many pixels. */
const TOUCHING = 1;
const PAPERS: readonly Paper[] = (['a4', 'letter'] as const).flatMap((size) =>
  [false, true].flatMap((isAcross) =>
    [false, true].map((isDesk): Paper => ({ ...DEFAULT_PAPER, size, isAcross, isDesk })),
  ),
);
const SHEETS: readonly SheetId[] = ['score', 'lead', 'staves'];

interface Faults {
  readonly cut: string[];
  readonly over: string[];
  readonly systems: number;
}

/** Every demo song at every level, and the songs kept apart, each on one paper in turn, on the sheets that have staves. */
export async function pageFigures(browser: Browser): Promise<void> {
  const toolkit = await loadEngraver();
  const page = await browser.newPage({ viewport: { width: 1600, height: 1200 } });
  let [turn, systems, cut, over] = [0, 0, 0, 0];
  const seen = new Map<string, number>();
  const rows: (readonly [Song, number])[] = [
    ...DEMO_SONGS.flatMap((song) => [1, 2, 3, 4, 5, 6, 7].map((level) => [song, level] as const)),
    ...[...SHAPED_SONGS_APART, ...TUNES_APART].map((song, i) => [song, 1 + (i % 7)] as const),
  ];
  for (const [song, level] of rows)
    for (const sheet of SHEETS) {
      const found = await faultsOn(page, toolkit, song, level, sheet, PAPERS[turn++ % PAPERS.length]);
      systems += found.systems;
      cut += found.cut.length;
      over += found.over.length;
      for (const one of [...found.cut, ...found.over]) seen.set(one, (seen.get(one) ?? 0) + 1);
    }
  console.log(
    `\nengraved pages: ${systems} systems on ${turn} sheets; cut ${cut}, one over another ${over} (0)`,
  );
  const often = [...seen].sort((a, b) => b[1] - a[1]).slice(0, 8);
  for (const [what, times] of often) console.log(`  ${what}: ${times}`);
  await page.close();
  timeFigures(toolkit);
}

/** How long a full score of 200 bars takes to its first line and to its last, and a part as it is drawn on the screen. */
function timeFigures(toolkit: Toolkit): void {
  const long = randomSong({ bars: 200, changesPerBar: 2, seed: 7 });
  for (const level of [4, 7]) {
    const a = arrange(applyEdit(long, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE);
    const [score] = scoresOf(a, 'grand', roomOn(DEFAULT_PAPER));
    const times = [0, 1, 2].map(() => timed(() => engrave(toolkit, score.score, score)));
    const [first, all] = [medianOf(times.map((t) => t.first)), medianOf(times.map((t) => t.all))];
    console.log(`200 bars, level ${level}: first line ${first} ms (1,000), all ${all} ms (3,000)`);
    const [part] = scoresOf(a, 'parts', roomOn(DEFAULT_PAPER));
    const shown = [0, 1, 2, 3, 4].map(() =>
      timed(() => engrave(toolkit, part.score, { width: 20, isQuick: true })),
    );
    console.log(`a part on the screen, level ${level}: ${medianOf(shown.map((t) => t.all))} ms (100)`);
  }
}

function timed(draw: () => Iterable<unknown>): { readonly first: number; readonly all: number } {
  const start = performance.now();
  let first = 0;
  for (const _ of draw()) first ||= performance.now() - start;
  return { first: Math.round(first), all: Math.round(performance.now() - start) };
}

async function faultsOn(
  page: Page,
  toolkit: Toolkit,
  song: Song,
  level: number,
  sheet: SheetId,
  paper: Paper,
): Promise<Faults> {
  const a = arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE);
  const pages = layOut(a, [sheet], paper, { staves: engraved(toolkit, a, sheet, paper) });
  await page.setContent(sheetDocument(song.title, pages, paper, sheetFonts()));
  // What the loader of these tools puts round inner functions.
  await page.evaluate('globalThis.__name = (inner) => inner');
  await page.evaluate(() => document.fonts.ready);
  return page.evaluate(boxesOf, TOUCHING);
}

/** In the browser: boxes that go beyond their system, and texts over texts or heads of notes. */
function boxesOf(touching: number): Faults {
  const [cut, over]: [string[], string[]] = [[], []];
  const systems = [...document.querySelectorAll('.engraved')];
  for (const system of systems) {
    const edge = (system.parentElement as Element).getBoundingClientRect();
    const texts = [
      ...system.querySelectorAll('g.harm, g.fing, g.reh, g.tempo, g.dir, g.dynam, g.syl, g.mNum'),
    ];
    const heads = [...system.querySelectorAll('g.notehead, g.accid')];
    // The box of a text is as high as its lines: ink fills three fifths of it. Signs of the music font have lines of their own.
    const inkOf = (element: Element): DOMRect[] => {
      const leaves = [...element.querySelectorAll('tspan')].filter(
        (one) => one.querySelector('tspan') === null,
      );
      const letters = leaves.filter((one) => !getComputedStyle(one).fontFamily.includes('Leipzig'));
      return letters
        .map((one) => one.getBoundingClientRect())
        .map((box) => new DOMRect(box.left, box.top + box.height / 5, box.width, (3 * box.height) / 5));
    };
    const boxed = (all: Element[], boxesOf: (element: Element) => DOMRect[]) =>
      all.flatMap((element) =>
        boxesOf(element)
          .filter((box) => box.width > 0 && box.height > 0)
          .map((box) => ({ kind: element.getAttribute('class')?.split(' ')[0] ?? '', of: element, box })),
      );
    const words = boxed(texts, inkOf);
    const notes = boxed(heads, (element) => [element.getBoundingClientRect()]);
    for (const { kind, box } of [...words, ...notes])
      if (
        box.left < edge.left - touching ||
        box.right > edge.right + touching ||
        box.top < edge.top - touching ||
        box.bottom > edge.bottom + touching
      )
        cut.push(`${kind} cut`);
    const isOver = (a: DOMRect, b: DOMRect): boolean =>
      Math.min(a.right, b.right) - Math.max(a.left, b.left) > touching &&
      Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > touching;
    words.forEach((one, i) => {
      for (const other of [...words.slice(i + 1), ...notes])
        if (one.of !== other.of && isOver(one.box, other.box)) over.push(`${one.kind} over ${other.kind}`);
    });
  }
  return { cut, over, systems: systems.length };
}
