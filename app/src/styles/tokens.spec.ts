import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const css = readFileSync(new URL('./tokens.less', import.meta.url), 'utf8');

/** The colours of a look: those of the light, with its own in their place. */
function coloursOf(look: string): Record<string, string> {
  const blocks = [...css.matchAll(/:root(?:\[data-look='(\w+)'\])?(?:\[[^\]]*\])? \{([^}]*)\}/g)];
  return Object.fromEntries(
    blocks
      .filter(([, name]) => name === undefined || name === look)
      .flatMap(([, , body]) => [...body.matchAll(/--([\w-]+): (#[0-9a-f]{6});/g)])
      .map(([, name, colour]) => [name, colour]),
  );
}

/** Source: WCAG 2.2, relative luminance and contrast. */
function luminance(colour: string): number {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const share = parseInt(colour.slice(at, at + 2), 16) / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
function contrast(a: string, b: string): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light + 0.05) / (dark + 0.05);
}

const PAPERS = ['paper', 'paper-light', 'paper-deep', 'right-soft', 'left-soft', 'selected'];
/** What is written, and what it stands on. */
const WRITTEN: readonly (readonly [text: string, on: readonly string[]])[] = [
  ['ink', PAPERS],
  ['ink-soft', PAPERS],
  ['right', ['paper', 'paper-light']],
  ['left', ['paper', 'paper-light']],
  ['accent', ['paper', 'paper-light']],
  ['thread', ['paper', 'paper-light']],
  ['good', ['paper', 'paper-light']],
  ['on-hand', ['right', 'left']],
  ['on-accent', ['accent']],
];

describe('what is written', () => {
  it.each([
    ['light', 4.5],
    ['dark', 7],
    ['stage', 7],
  ] as const)('in the look %s has a contrast of %d at least', (look, least) => {
    const colours = coloursOf(look);
    const faint = WRITTEN.flatMap(([text, on]) =>
      on.flatMap((paper) => {
        const found = contrast(colours[text], colours[paper]);
        return found < least ? [`${text} on ${paper}: ${found.toFixed(2)}`] : [];
      }),
    );
    expect(faint).toEqual([]);
    // The edges of what can be pressed, and the ring round what has the focus.
    for (const edge of ['edge', 'focus'])
      expect(contrast(colours[edge], colours['paper-light'])).toBeGreaterThanOrEqual(3);
  });

  it('on a stage has nothing bright: no surface, no key', () => {
    const stage = coloursOf('stage');
    for (const name of [...PAPERS, 'key-white', 'key-black'])
      expect(luminance(stage[name])).toBeLessThan(0.12);
    expect(luminance('#ffffff')).toBe(1);
  });
});
