import { describe, expect, it } from 'vitest';
import { filledTicks, isSplitAfter, metreOfBars } from './musicxmlBars';
import { signsOf } from './musicxmlSigns';
import { parseXml } from './xmlTree';

const bar = (inside: string) => parseXml(`<measure>${inside}</measure>`);
const note = (duration: number, more = ''): string => `<note>${more}<duration>${duration}</duration></note>`;

describe('what the notes of a bar fill', () => {
  it.each([
    ['notes one after the other', note(2) + note(1), 2880],
    ['a chord once', note(2) + note(2, '<chord/>'), 1920],
    ['no grace note', note(2) + note(2, '<grace/>'), 1920],
    ['the furthest of two voices', note(2) + '<backup><duration>2</duration></backup>' + note(1), 1920],
    ['both where the second goes on', note(2) + '<backup><duration>1</duration></backup>' + note(3), 3840],
    ['a move on', note(1) + '<forward><duration>2</duration></forward>', 2880],
    ['never before its beginning', note(1) + '<backup><duration>4</duration></backup>' + note(3), 2880],
    ['nothing', '', 0],
    ['what is no number counts for nothing', '<note><duration>x</duration></note>' + note(1), 960],
  ])('%s', (_, inside, ticks) => {
    expect(filledTicks(bar(inside), 1)).toEqual({ ticks, divisions: 1 });
  });

  it('is told in its own divisions, which stay in force', () => {
    const own = bar(`<attributes><divisions>4</divisions></attributes>${note(4)}`);
    expect(filledTicks(own, 1)).toEqual({ ticks: 960, divisions: 4 });
    expect(filledTicks(bar(`<attributes/>${note(4)}`), 2)).toEqual({ ticks: 1920, divisions: 2 });
  });
});

describe('the metre of bars without a time signature', () => {
  const bars = (...durations: number[]) => durations.map((duration) => bar(note(duration)));

  it('is what most of them fill, the longer of two that come as often', () => {
    expect(metreOfBars(bars(1, 3, 3, 3, 2))).toEqual({ numerator: 3, denominator: 4 });
    expect(metreOfBars(bars(2, 3, 2, 3))).toEqual({ numerator: 3, denominator: 4 });
    expect(metreOfBars(bars(3, 2, 3, 2))).toEqual({ numerator: 3, denominator: 4 });
  });

  it('is four four where nothing is filled or a time is given', () => {
    const four = { numerator: 4, denominator: 4 };
    expect(metreOfBars([])).toEqual(four);
    expect(metreOfBars([bar(''), bar('')])).toEqual(four);
    const given = bar('<attributes><time><beats>3</beats></time></attributes>' + note(3));
    expect(metreOfBars([given, ...bars(3)])).toEqual(four);
    const senzaMisura = bar('<attributes><time><senza-misura/></time></attributes>' + note(3));
    expect(metreOfBars([senzaMisura])).toEqual({ numerator: 3, denominator: 4 });
  });
});

describe('where bars are split', () => {
  const line = (inside: string, location = ''): string =>
    `<barline${location && ` location="${location}"`}>${inside}</barline>`;

  it('is at a repeat, a double or heavy bar line at the end, and before a repeat that begins', () => {
    const plain = bar(note(4));
    const split = (inside: string, next: string | null = ''): boolean =>
      isSplitAfter(bar(inside), next === null ? null : bar(next));
    expect(split('')).toBe(false);
    expect(split(line('<repeat direction="backward"/>', 'right'))).toBe(true);
    expect(split(line('<repeat direction="forward"/>', 'left'))).toBe(false);
    for (const style of ['light-light', 'light-heavy', 'heavy'])
      expect(split(line(`<bar-style>${style}</bar-style>`))).toBe(true);
    expect(split(line('<bar-style>dashed</bar-style>'))).toBe(false);
    expect(split('', line('<repeat direction="forward"/>', 'left'))).toBe(true);
    expect(split('', line('<repeat direction="backward"/>', 'right'))).toBe(false);
    expect(isSplitAfter(plain, null)).toBe(false);
  });
});

describe('the signs of a bar', () => {
  const signs = (inside: string, open?: readonly number[]) => signsOf(bar(inside), open);

  it.each([
    ['', {}],
    ['<barline><repeat direction="forward"/></barline>', { repeatStarts: true }],
    ['<barline><repeat direction="backward"/></barline>', { repeatEnds: 2 }],
    ['<barline><repeat direction="backward" times="4"/></barline>', { repeatEnds: 4 }],
    ['<barline><repeat direction="backward" times="20"/></barline>', { repeatEnds: 20 }],
    ['<barline><repeat direction="backward" times="21"/></barline>', { repeatEnds: 2 }],
    ['<barline><repeat direction="backward" times="1"/></barline>', { repeatEnds: 2 }],
    ['<barline><repeat direction="backward" times="often"/></barline>', { repeatEnds: 2 }],
    ['<barline><ending type="start" number="1, 2"/></barline>', { endings: [1, 2], endingStaysOpen: true }],
    ['<barline><ending type="start" number="0 21 3."/></barline>', { endings: [3], endingStaysOpen: true }],
    ['<barline><ending type="start" number="first"/></barline>', { endings: [1], endingStaysOpen: true }],
    ['<barline><ending type="start"/></barline>', { endings: [1], endingStaysOpen: true }],
    ['<sound segno="a"/>', { segno: true }],
    ['<direction><sound coda="a"/></direction>', { coda: true }],
    ['<sound tocoda="a"/>', { toCoda: true }],
    ['<sound fine="yes"/>', { fine: true }],
    ['<sound dacapo="yes"/>', { daCapo: true }],
    ['<sound dacapo="no"/>', {}],
    ['<sound dalsegno="a"/>', { dalSegno: true }],
    ['<direction><direction-type><segno/></direction-type></direction>', { segno: true }],
    ['<direction><direction-type><coda/></direction-type></direction>', { coda: true }],
    ['<direction><direction-type><coda/></direction-type><sound tocoda="a"/></direction>', { toCoda: true }],
  ])('%s', (inside, found) => {
    expect(signs(inside)).toEqual(found);
  });

  it('go on with an ending begun before, until it is closed', () => {
    expect(signs('', [2])).toEqual({ endings: [2], endingStaysOpen: true });
    expect(signs('<barline><ending type="stop" number="2"/></barline>', [2])).toEqual({
      endings: [2],
      endingStaysOpen: false,
    });
    expect(signs('<barline><ending type="discontinue" number="2"/></barline>', [2])).toMatchObject({
      endingStaysOpen: false,
    });
  });
});
