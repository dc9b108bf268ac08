import { offers, says } from '../sentences';
import { describe, expect, it } from 'vitest';
import { applyEdit, type Finding, unfold } from '../song';
import { offersOf, textOf, wholeBars } from '../testing';
import { gathered } from './gathering';

const song = wholeBars(['C5', 'D5', 'E5', 'F5'], ['C', 'G', 'C', 'F']);
const { bars } = unfold(song);
const BAR = 3840;

const quick = (bar: number, rest: Partial<Finding> = {}): Finding => ({
  kind: 'quick',
  tick: bar * BAR,
  says: [says.quick(`Chord ${bar + 1}`, 0.3)],
  remedies: [{ offer: offers.leaveItOut(), edit: { kind: 'change-left-out', id: song.changes[bar].id } }],
  sameAs: 'quick',
  ...rest,
});

describe('findings that say the same', () => {
  it('are told once, at the first of them, with the bars of the others', () => {
    const [one, ...none] = gathered([quick(3), quick(1), quick(0)], bars);
    expect(none).toEqual([]);
    expect([one.tick, textOf(one)]).toEqual([
      0,
      'Chord 1 passes too quickly (0.3 seconds): leave it out? The same in bars 2 and 4.',
    ]);
    expect(offersOf(one)).toEqual(['In all 3 places: leave it out', 'Leave it out']);
  });

  it('are remedied in one step, wherever they are', () => {
    const [both] = gathered([quick(1), quick(3)], bars);
    const { remedies } = both;
    expect(offersOf(both)).toEqual(['In both places: leave it out', 'Leave it out']);
    const left = applyEdit(song, remedies[0].edit).changes.map((c) => c.symbol);
    expect(left).toEqual(['C', 'C']);
    expect(remedies[1].edit).toEqual(quick(1).remedies[0].edit);
  });

  it('stay apart where they say something else, are of another kind, or are not to be gathered', () => {
    const apart = [quick(0), quick(1, { sameAs: 'other' }), quick(2, { kind: 'muddy' })];
    expect(gathered(apart, bars)).toEqual(apart);
    const each = [0, 1].map((bar) => quick(bar, { sameAs: undefined }));
    expect(gathered(each, bars)).toEqual(each);
  });

  it('of one place twice keep its own remedy alone', () => {
    const [twice] = gathered([quick(1), quick(1)], bars);
    expect([offersOf(twice), textOf(twice)]).toEqual([
      ['Leave it out'],
      'Chord 2 passes too quickly (0.3 seconds): leave it out? The same in bar 2.',
    ]);
  });
});
