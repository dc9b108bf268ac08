// Measures how wide the letters of the sheets' fonts are and writes core/sheets/widths.ts: npm run font-widths, after a build.
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { format, resolveConfig } from 'prettier';
import { withBrowser } from './bench-browser';

/** Latin letters, what typesetting adds to them, and the signs of music. */
const CODES = [
  ...Array.from({ length: 95 }, (_, i) => 32 + i),
  ...Array.from({ length: 96 }, (_, i) => 160 + i),
  ...[...'–—‘’“”•…→↑↓′″♭♮♯№Œœ✓'].map((sign) => sign.codePointAt(0) ?? 0),
];
const FACES = {
  regular: ['normal', '400', 'Accidentals, "Atkinson Hyperlegible Next"'],
  bold: ['normal', '700', 'Accidentals, "Atkinson Hyperlegible Next"'],
  italic: ['italic', '400', 'Accidentals, "Atkinson Hyperlegible Next"'],
  title: ['normal', '600', 'Accidentals, Fraunces'],
};

await withBrowser(async (browser, origin) => {
  const page = await browser.newPage();
  await page.goto(origin);
  await page.locator('article').first().waitFor();
  const measured = await page.evaluate(
    async ({ codes, faces }) => {
      const widths: Record<string, number[]> = {};
      for (const [name, [style, weight, family]] of Object.entries(faces)) {
        await document.fonts.load(`${style} ${weight} 100px ${family}`, 'A♭');
        const line = document.createElement('span');
        // A hundred of each: a thousandth of the size of the letters is a whole pixel.
        Object.assign(line.style, {
          position: 'absolute',
          whiteSpace: 'pre',
          fontSize: '10px',
          fontStyle: style,
          fontWeight: weight,
          fontFamily: family,
          fontOpticalSizing: 'none',
          fontKerning: 'none',
          fontVariantLigatures: 'none',
        });
        document.body.append(line);
        widths[name] = codes.map((code) => {
          line.textContent = String.fromCodePoint(code).repeat(100);
          return Math.round(line.getBoundingClientRect().width);
        });
        line.remove();
      }
      return widths;
    },
    { codes: CODES, faces: FACES },
  );
  const path = fileURLToPath(new URL('../core/sheets/widths.ts', import.meta.url));
  const rows = Object.entries(measured).map(([face, widths]) => `${face}: ${JSON.stringify(widths)}`);
  const text = `// Written by tools/font-widths.ts: change it there.

/** The signs measured, in order. */
export const SIGNS = ${JSON.stringify(CODES.map((code) => String.fromCodePoint(code)).join(''))};

/** How wide each sign is in each face, in thousandths of the size of its letters. */
export const WIDTHS = {${rows.join(',')}} as const;
`;
  writeFileSync(path, await format(text, { ...(await resolveConfig(path)), parser: 'typescript' }));
});
