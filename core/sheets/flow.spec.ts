import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Block, paginate } from './flow';

const block = (height: number, above = 0, staysWithNext = false): Block => ({
  height,
  above,
  staysWithNext,
  part: null,
  draw: () => '',
});

describe('blocks on pages', () => {
  it('come in order, each once and whole, on as few pages as go', () => {
    const any = fc.record({
      height: fc.integer({ min: 1, max: 60 }),
      above: fc.integer({ min: 0, max: 9 }),
      staysWithNext: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 40 }), (list) => {
        const blocks = list.map(({ height, above, staysWithNext }) => block(height, above, staysWithNext));
        const pages = paginate(blocks, 100);
        expect(pages.flatMap((page) => page.blocks.map((placed) => placed.block))).toEqual(blocks);
        pages.forEach(({ blocks: placed }, i) => {
          expect(placed[0].y).toBe(0);
          placed.forEach(({ block: one, y }, k) => {
            expect(y + one.height).toBeLessThanOrEqual(100);
            if (k > 0) expect(y).toBe(placed[k - 1].y + placed[k - 1].block.height + one.above);
          });
          const last = placed[placed.length - 1].block;
          const next = pages[i + 1]?.blocks[0].block;
          // A page ends with a heading only where the two are higher than a page together.
          if (last.staysWithNext && next) {
            let at = blocks.indexOf(last);
            let group = last.height + next.above + next.height;
            while (at > 0 && blocks[at - 1].staysWithNext) {
              at--;
              group += blocks[at].height + blocks[at + 1].above;
            }
            expect(group).toBeGreaterThan(100);
          }
        });
      }),
      { numRuns: 300 },
    );
  });

  it('a heading goes over with what it heads', () => {
    const [text, head, body] = [block(80), block(10, 5, true), block(20, 2)];
    expect(paginate([text, head, body], 100).map(({ blocks }) => blocks.map(({ y }) => y))).toEqual([
      [0],
      [0, 12],
    ]);
    expect(paginate([text, block(10, 5)], 95)).toHaveLength(1);
    expect(paginate([text, block(10, 5)], 94)).toHaveLength(2);
  });

  it('stand further apart where a page would be left empty, as far as they may', () => {
    const spread = (height: number, stretch: number): Block => ({ ...block(height, 2), stretch });
    const ys = (list: readonly Block[]): number[] => paginate(list, 100)[0].blocks.map(({ y }) => y);
    expect(ys([spread(20, 9), spread(20, 9), block(10, 2), spread(20, 9)])).toEqual([0, 31, 53, 74]);
    expect(ys([spread(40, 9), spread(40, 30)])).toEqual([0, 60]);
    expect(ys([spread(40, 9), spread(40, 9)])).toEqual([0, 51]);
  });

  it('none is ever cut: one that is higher than a page is refused', () => {
    expect(() => paginate([block(101)], 100)).toThrow(RangeError);
    expect(paginate([block(100)], 100)).toHaveLength(1);
    expect(paginate([], 100)).toEqual([]);
  });
});
