import { turnTitle } from '@joined-hands/core/words';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { chartInWords, chartOf } from './log-chart';
import { aTurn } from '../../../../../core/testing';
import { logAsCsv } from '../../storage/log-csv';
import { logFrom, readInWords } from './log-files';

const turn = aTurn({
  isClean: false,
  cleanShare: null,
  apart: -0.02,
  seconds: 12.5,
});
const file = (name: string, text: string): File => new File([text], name);

describe('a log as a file', () => {
  it('comes back from its table as it went', async () => {
    const csv = await logAsCsv([turn, { ...turn, at: turn.at + 1000, cleanShare: 0.5 }]);
    expect(await logFrom(file('log.csv', csv), 's')).toEqual({
      record: {
        turns: [turn, { ...turn, at: turn.at + 1000, cleanShare: 0.5 }],
        standings: [],
        jottings: [],
      },
      refused: 0,
    });
  });

  it('runs nothing in a spreadsheet, whatever a text begins with, and comes back as it was', async () => {
    const { fromPart: _from, toPart: _to, ...before } = turn;
    const texts = ['=1+1', '+a', '-a', '@a', '\ta', "'=a", "''@a", "'tis", 'a=b', '="x",y'];
    const turns = texts.map((what, i) => ({ ...before, at: turn.at + i, what, card: what }));
    const csv = await logAsCsv(turns);
    const cells = csv
      .split('\r\n')
      .slice(1)
      .flatMap((line) => line.split(',').map((cell) => cell.replace(/^"/, '')));
    const formulas = cells.filter((cell) => /^[=+\-@\t]/.test(cell) && Number.isNaN(Number(cell)));
    expect(formulas).toEqual([]);
    expect(csv).toContain('-0.02');
    expect(await logFrom(file('log.csv', csv), 's')).toMatchObject({ record: { turns }, refused: 0 });
  });

  it('keeps the name of a turn that has no part numbers', async () => {
    const { fromPart: _from, toPart: _to, ...before } = { ...turn, what: 'Part 1, "right" hand' };
    expect(await logFrom(file('log.csv', await logAsCsv([before])), 's')).toMatchObject({
      record: { turns: [{ what: 'Part 1, "right" hand' }] },
    });
    expect(turnTitle(before)).toBe('Part 1, "right" hand');
    expect(turnTitle(turn)).toBe('Part 1, right hand');
  });

  it('comes from a project, and from nothing else', async () => {
    const project = JSON.stringify({ practice: { turns: [turn, {}], standings: [] } });
    expect(await logFrom(file('a.joined.json', project), 's')).toMatchObject({
      record: { turns: [turn] },
      refused: 1,
    });
    const problem = async (name: string, text: string): Promise<string> => {
      const read = await logFrom(file(name, text), 's');
      return 'problem' in read ? read.problem : 'read';
    };
    expect(await problem('a.joined.json', '{"song": 1}')).toMatch(/^a.joined.json: this is no practice log/);
    expect(await problem('a.joined.json', '{"song"')).toMatch(/^a.joined.json: it is damaged or cut short/);
    expect(await problem('a.csv', 'x,y\n1,2')).toMatch(/this is no practice log/);
    expect(await problem('a.csv', '')).toMatch(/this is no practice log/);
  });

  it('says what came of reading it', () => {
    expect(readInWords(2, 2, 0)).toBe('2 turns were added.');
    expect(readInWords(1, 2, 0)).toBe('1 turn was added; 1 turn was here already.');
    expect(readInWords(0, 3, 2)).toBe(
      '0 turns were added; 3 turns were here already; 2 lines could not be read.',
    );
  });
});

describe('a log as a chart', () => {
  beforeAll(() => {
    vi.stubGlobal('document', {});
    vi.stubGlobal('getComputedStyle', () => ({ getPropertyValue: () => '#123456' }));
    return () => vi.unstubAllGlobals();
  });
  const days = [
    { day: '2026-11-25', minutes: 12.34, turns: 4, clean: 3, tempoPercent: 80, apartMs: 21.4 },
    { day: '2026-11-26', minutes: 1, turns: 2, clean: 0, tempoPercent: null, apartMs: null },
  ];
  it('shows minutes with the tempo, the share of clean turns, or how far the hands were apart', () => {
    const data = (kind: Parameters<typeof chartOf>[0]): unknown[] =>
      (chartOf(kind, days)['series'] as { data: unknown[] }[]).map((series) => series.data);
    expect(data('minutes')).toEqual([
      [12.3, 1],
      [80, null],
    ]);
    expect(data('clean')).toEqual([[75, 0]]);
    expect(data('together')).toEqual([[21, null]]);
  });

  it('is told in words as well', () => {
    expect(chartInWords('minutes', days)).toBe('2026-11-25: 12.3 minutes, 80 %; 2026-11-26: 1.0 minutes');
    expect(chartInWords('clean', days)).toBe('2026-11-25: 75 % clean; 2026-11-26: 0 % clean');
    expect(chartInWords('together', days)).toBe('2026-11-25: 21 ms apart; 2026-11-26: not measured');
  });
});
