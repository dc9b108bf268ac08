import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { afterTurn, beginning, GOAL } from './goal';
import { newTurns, readRecord, rowOf, turnsOfRows } from './record';
import { reviewed } from './schedule';
import { PRACTISE_SETTINGS, readSettings } from './settings';
import { aTurn } from '../testing';

const turn = aTurn({
  cleanShare: 0.98,
  seconds: 12.5,
  slips: [{ from: 'n1', after: 480, midi: 60, hand: 'right', kind: 'late' }],
});
const any = fc.record({
  at: fc.nat(2_000_000_000),
  isClean: fc.boolean(),
  apart: fc.option(fc.double({ min: -1, max: 1, noNaN: true })),
  cleanShare: fc.option(fc.double({ min: 0, max: 1, noNaN: true })),
  fromPart: fc.integer({ min: 1, max: 99 }),
  seconds: fc.double({ min: 0, max: 900, noNaN: true }),
});

describe('what was practised, taken along', () => {
  it('is read back as it was written, and whatever is no turn is left out and counted', () => {
    fc.assert(
      fc.property(fc.array(any, { maxLength: 6 }), (list) => {
        const turns = list.map((differs) => ({ ...turn, ...differs }));
        const standing = afterTurn(beginning(GOAL), true, GOAL);
        const record = {
          turns,
          standings: [
            { card: 'a', standing, review: null },
            { card: 'b', standing, review: reviewed(null, true, 5) },
          ],
          jottings: [{ at: 1, text: 'Slower at the bridge.' }],
        };
        expect(readRecord(JSON.parse(JSON.stringify(record)))).toEqual({
          record: JSON.parse(JSON.stringify(record)) as unknown,
          refused: 0,
        });
      }),
    );
    const mixed = {
      turns: [turn, { ...turn, level: 9 }, null, { ...turn, kind: 'dance' }],
      standings: [{ card: '' }],
      jottings: [
        { at: -1, text: 'x' },
        { at: 1, text: '' },
      ],
    };
    expect(readRecord(mixed)).toEqual({ record: { turns: [turn], standings: [], jottings: [] }, refused: 6 });
    expect([readRecord(undefined), readRecord([]), readRecord({ turns: 3 })]).toEqual([null, null, null]);
    expect(readRecord({ turns: [], standings: [] })?.record.jottings).toEqual([]);
  });

  it('is read under the names it had before', () => {
    const { level, ...rest } = turn;
    const then = { ...rest, rung: level, kind: 'rung', card: 'rung|4' };
    const now = { ...turn, kind: 'level', card: 'level|4' };
    const standings = [{ card: 'rung|4', standing: beginning(GOAL), review: null }];
    expect(readRecord({ turns: [then], standings })?.record).toEqual({
      turns: [now],
      standings: [{ ...standings[0], card: 'level|4' }],
      jottings: [],
    });
    const { goal, ...others } = { ...PRACTISE_SETTINGS, goal: { ...GOAL, turns: 5 } };
    expect(readSettings({ ...others, gate: goal }).goal.turns).toBe(5);
  });

  it('is a table that a spreadsheet shows, and comes back from it without the slips', () => {
    const row = rowOf(turn, 'Part 1, right hand');
    expect(Object.keys(row)).toEqual([
      'at',
      'card',
      'kind',
      'fromPart',
      'toPart',
      'hands',
      'level',
      'tempoPercent',
      'isClean',
      'cleanShare',
      'apart',
      'seconds',
      'what',
    ]);
    expect(row['at']).toBe('2023-11-14T22:13:20.000Z');
    const asText = Object.fromEntries(Object.entries(row).map(([k, v]) => [k, v === null ? '' : String(v)]));
    const { slips: _slips, ...rest } = turn;
    expect(turnsOfRows([asText], 'other')).toEqual({ turns: [{ ...rest, songId: 'other' }], refused: 0 });
    const { level, ...others } = asText;
    expect(turnsOfRows([{ ...others, rung: level }], 's').turns[0].level).toBe(turn.level);
    const bad = [
      { ...asText, at: 'yesterday' },
      { ...asText, isClean: 'maybe' },
      { ...asText, tempoPercent: 'fast' },
      { ...asText, level: '' },
      { a: 'log', of: 'something else' },
    ] as Record<string, string>[];
    expect(turnsOfRows(bad, 's')).toEqual({ turns: [], refused: 5 });
  });

  it('read twice is there once', () => {
    const later = { ...turn, at: turn.at + 1 };
    const other = { ...turn, card: 'p2|right|4' };
    expect(newTurns([turn, later, later, other], [turn])).toEqual([later, other]);
  });

  it('settings are those stored within their bounds, else the usual ones', () => {
    const own = {
      ...PRACTISE_SETTINGS,
      minutes: 5,
      restAfter: null,
      goal: { ...GOAL, turns: 10, from: 30, by: 50, cleanFrom: 0.5 },
    };
    expect(readSettings(JSON.parse(JSON.stringify(own)))).toEqual(own);
    for (const goal of [
      { turns: 0 },
      { turns: 11 },
      { from: 29 },
      { from: 101 },
      { by: 0 },
      { by: 51 },
      { cleanFrom: 0.49 },
      { cleanFrom: 1.01 },
    ])
      expect(readSettings({ ...own, goal: { ...GOAL, ...goal } })).toEqual(PRACTISE_SETTINGS);
    for (const bad of [
      { minutes: 4 },
      { minutes: 241 },
      { restAfter: 4 },
      { restAfter: 121 },
      { chain: 'x' },
    ])
      expect(readSettings({ ...own, ...bad })).toEqual(PRACTISE_SETTINGS);
    expect(readSettings(undefined)).toEqual(PRACTISE_SETTINGS);
    // As they were stored before there was more than the other hand to play along.
    const { along: _along, pushing: _pushing, ...before } = own;
    expect(readSettings({ ...before, otherHand: 'waits' })).toEqual({
      ...own,
      along: 'hand',
      pushing: 'waits',
    });
    expect(readSettings({ ...before, otherHand: 'silent' })).toEqual(own);
  });
});
