import { arrange } from '@joined-hands/core/arrange';
import {
  DEFAULT_PAPER,
  layOut,
  type Paper,
  PDF_FONTS,
  roomOn,
  scoresOf,
  systemsFrom,
} from '@joined-hands/core/sheets';
import { DEFAULT_PROFILE } from '@joined-hands/core/song';
import { unzlibSync } from 'fflate';
import { readFileSync } from 'node:fs';
import VerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';
import { expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { engrave } from '../../notation/engraving';
import { pdfOf, type PdfFonts } from './pdf';

const MODULES = new URL('../../../../../node_modules/', import.meta.url);
const FOLDERS: readonly (readonly [RegExp, string])[] = [
  [/^atkinson/, '@fontsource/atkinson-hyperlegible-next/files/'],
  [/^fraunces/, '@fontsource/fraunces/files/'],
  [/^dejavu/, '@fontsource/dejavu-sans/files/'],
  [/^tinos/, '@fontsource/tinos/files/'],
];

function fontsOf(): PdfFonts {
  const read = (file: string): Uint8Array => {
    const folder = FOLDERS.find(([of]) => of.test(file))?.[1];
    const own = new URL(`../../../../public/fonts/${file}`, import.meta.url);
    return new Uint8Array(readFileSync(folder ? new URL(folder + file, MODULES) : own));
  };
  return Object.fromEntries(
    Object.entries(PDF_FONTS).map(([face, file]) => [face, read(file)]),
  ) as unknown as PdfFonts;
}

/** Everything in a PDF, its streams unpacked. */
function unpacked(bytes: Uint8Array): string {
  const text = Buffer.from(bytes).toString('latin1');
  return text.replace(/stream\r?\n([\s\S]*?)\r?\nendstream/g, (whole, inner: string) => {
    try {
      return Buffer.from(unzlibSync(Buffer.from(inner, 'latin1'))).toString('latin1');
    } catch {
      return whole;
    }
  });
}

/** The signs a PDF can be searched for: those its fonts name. */
function signsIn(pdf: string): Set<string> {
  const maps = [...pdf.matchAll(/begincmap[\s\S]*?endcmap/g)].map(([map]) => map);
  const named = maps.flatMap((map) => [...map.matchAll(/<([0-9a-f]{4})>/gi)].map(([, code]) => code));
  return new Set(named.map((code) => String.fromCharCode(parseInt(code, 16))));
}

it('writes pages as they are: every sign a letter of a font that goes along, on paper of its size', async () => {
  const [, , , mudflat] = DEMO_SONGS;
  const a = arrange({ ...mudflat, choices: { ...mudflat.choices, level: 7 } }, DEFAULT_PROFILE);
  const paper: Paper = { ...DEFAULT_PAPER, size: 'letter', isAcross: true };
  const room = roomOn(paper);
  const toolkit = new VerovioToolkit(await VerovioModule());
  const [score] = scoresOf(a, 'grand', room);
  const grand = systemsFrom(score, [...engrave(toolkit, score.score, score)], room);
  const pages = layOut(a, ['title', 'legend', 'parts', 'score'], paper, { staves: { grand } });
  const told: number[] = [];
  const bytes = await pdfOf(mudflat.title, pages, paper, fontsOf(), (count) => told.push(count));
  expect(told).toEqual(pages.map(({ number }) => number));
  const pdf = unpacked(bytes);
  expect(pdf.slice(0, 5)).toBe('%PDF-');
  expect(pdf.match(/\/Type \/Page\b(?!s)/g)).toHaveLength(pages.length);
  expect(pdf).toContain('/MediaBox [0 0 792 612]');
  // Letters, accidentals of our own sheets, and signs among the engraver's letters.
  const written = pages.flatMap(({ svg }) =>
    [...svg.matchAll(/<t(?:ext|span)[^>]*>([^<]+)</g)].map(([, t]) => t),
  );
  const wanted = new Set(
    written
      .join('')
      .replace(/&#x([0-9a-f]+);/gi, (_, code: string) => String.fromCodePoint(parseInt(code, 16)))
      .replace(/&(amp|lt|gt|quot|apos);/g, ''),
  );
  const missing = [...wanted].filter((sign) => sign.trim() !== '' && !signsIn(pdf).has(sign));
  expect(missing).toEqual([]);
  expect(wanted.has('♭')).toBe(true);
}, 60_000);

it('refuses what it cannot draw, rather than leave it out', async () => {
  const svg = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><image href="no-picture"/></svg>';
  await expect(pdfOf('x', [{ svg, aspect: 1 }], DEFAULT_PAPER, fontsOf(), () => undefined)).rejects.toThrow(
    /./,
  );
});
