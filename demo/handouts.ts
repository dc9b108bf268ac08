import { arrange } from '../core/arrange';
import { PRACTISE_SETTINGS } from '../core/practice';
import { DEFAULT_PAPER, layOut, type Page, SHEETS } from '../core/sheets';
import { DEFAULT_PROFILE, type Song } from '../core/song';
import { DEMO_SONGS } from './songs';

/** The songs whose handout is read: one that goes straight through, and one that repeats bars. */
export const HANDED_OUT = DEMO_SONGS.filter(({ id }) => /lanterns|mudflat/.test(id));

/** What is written on a line of a page, and where it begins. */
interface Written {
  readonly x: number;
  readonly y: number;
  readonly text: string;
}

/**
 * The handout of a demo song as it is read from the paper, page by page and line by line, in millimetres from the upper
 * left: every sheet but those on staves. As with the other readings, a line that changes is one that somebody approves.
 */
export function handoutOf(song: Song): string[] {
  const sheets = SHEETS.filter((sheet) => !('staves' in sheet)).map(({ id }) => id);
  const pages = layOut(arrange(song, DEFAULT_PROFILE), sheets, DEFAULT_PAPER, {
    staves: {},
    practises: PRACTISE_SETTINGS,
  });
  return [`# ${song.title}, handed out`, ...pages.flatMap(pageLines)];
}

function pageLines({ number, sheet, svg }: Page): string[] {
  const lines = new Map<number, Written[]>();
  for (const written of writtenOn(svg)) lines.set(written.y, [...(lines.get(written.y) ?? []), written]);
  const shapes = (name: string): number => svg.split(`<${name} `).length - 1;
  return [
    '',
    `page ${number}, ${sheet}: ${shapes('rect')} boxes, ${shapes('circle')} dots, ${shapes('line')} lines`,
    ...[...lines]
      .sort(([a], [b]) => a - b)
      .map(([y, all]) => {
        const inOrder = all.toSorted((a, b) => a.x - b.x);
        return `${y.toFixed(1)} ${inOrder.map(({ x, text }) => `${x.toFixed(0)}: ${text.trim()}`).join(' | ')}`;
      }),
  ];
}

function writtenOn(svg: string): Written[] {
  return [...svg.matchAll(/<text [^>]*x="([\d.-]+)" y="([\d.-]+)"[^>]*>([^<]*)<\/text>/g)].map(
    ([, x, y, text]) => ({ x: Number(x), y: Number(y), text }),
  );
}
