import { describe, expect, it } from 'vitest';
import { applyEdit } from '../song/edits';
import type { Finding } from '../song/finding';
import { unfold } from '../song/unfold';
import { wholeBars } from '../testing';
import { gathered } from './gathering';

const song = wholeBars(['C5', 'D5', 'E5', 'F5'], ['C', 'G', 'C', 'F']);
const { bars } = unfold(song);
const BAR = 3840;

const quick = (bar: number, rest: Partial<Finding> = {}): Finding => ({
  kind: 'quick',
  tick: bar * BAR,
  text: `Chord ${bar + 1} passes.`,
  remedies: ['Leave it out'],
  fixes: [{ label: 'Leave it out', edit: { kind: 'change-left-out', id: song.changes[bar].id } }],
  sameAs: 'quick',
  ...rest,
});

describe('findings that say the same', () => {
  it('are told once, at the first of them, with the bars of the others', () => {
    const [one, ...none] = gathered([quick(3), quick(1), quick(0)], bars);
    expect(none).toEqual([]);
    expect([one.tick, one.text]).toEqual([0, 'Chord 1 passes. The same in bars 2 and 4.']);
    expect(one.remedies).toEqual(['In all 3 places: leave it out', 'Leave it out']);
  });

  it('are remedied in one step, wherever they are', () => {
    const [{ fixes = [], remedies }] = gathered([quick(1), quick(3)], bars);
    expect(remedies).toEqual(['In both places: leave it out', 'Leave it out']);
    const left = applyEdit(song, fixes[0].edit).changes.map((c) => c.symbol);
    expect(left).toEqual(['C', 'C']);
    expect(fixes[1].edit).toEqual(quick(1).fixes?.[0].edit);
  });

  it('stay apart where they say something else, are of another kind, or are not to be gathered', () => {
    const apart = [quick(0), quick(1, { sameAs: 'other' }), quick(2, { kind: 'muddy' })];
    expect(gathered(apart, bars)).toEqual(apart);
    const each = [0, 1].map((bar) => quick(bar, { sameAs: undefined }));
    expect(gathered(each, bars)).toEqual(each);
  });

  it('of one place twice keep its own remedy alone', () => {
    const [{ remedies, text }] = gathered([quick(1), quick(1)], bars);
    expect([remedies, text]).toEqual([['Leave it out'], 'Chord 2 passes. The same in bar 2.']);
  });
});
