import { textOf } from '../testing';
import { describe, expect, it } from 'vitest';
import { keyName, nameOf } from '../music';
import { PartReader } from './musicxmlPart';
import type { ReadPart } from './score';
import { parseXml } from './xmlTree';

const FOUR = { numerator: 4, denominator: 4 };
const THREE = '<attributes><time><beats>3</beats><beat-type>4</beat-type></time></attributes>';
const C4 = '<pitch><step>C</step><octave>4</octave></pitch>';
const note = (quarters: number, more = C4): string => `<note>${more}<duration>${quarters}</duration></note>`;
const measure = (inside: string, attributes = ''): string => `<measure ${attributes}>${inside}</measure>`;

/** A part of these bars, a division a quarter. */
function read(...bars: string[]): ReadPart {
  const elements = bars.map((bar) => parseXml(bar.startsWith('<measure') ? bar : measure(bar)));
  const reader = new PartReader('Flute', FOUR);
  elements.forEach((element, i) => reader.read(element, i, elements[i + 1] ?? null));
  return reader.toPart();
}
const metres = ({ metreMap }: ReadPart): string[] =>
  metreMap.map(({ tick, numerator, denominator }) => `${tick / 960}: ${numerator}/${denominator}`);
const notes = (part: ReadPart): string[] =>
  part.notes.map(({ tick, length, pitch }) => `${tick / 960}+${length / 960} ${nameOf(pitch)}`);
const said = ({ imported }: ReadPart): string[] =>
  imported.map((told) => `${told.tick / 960}: ${textOf(told)}`);

describe('the bars of a part', () => {
  it('follow one another; the first, filled in part, is a pick-up', () => {
    const part = read(note(1), note(4), note(4));
    expect([part.pickup, part.barCount, part.end, part.signs.map(({ number }) => number)]).toEqual([
      960,
      2,
      9 * 960,
      [0, 1, 2],
    ]);
    expect(notes(part)).toEqual(['0+1 C4', '1+4 C4', '5+4 C4']);
  });

  it('that are empty last as long as their metre; an empty first one is no pick-up', () => {
    const part = read('', note(4), `${THREE}`, note(3));
    expect([part.pickup, part.barCount, part.end / 960]).toEqual([0, 4, 14]);
    expect(metres(part)).toEqual(['0: 4/4', '8: 3/4']);
    // A pick-up has the metre of the bar it leads to.
    expect(metres(read(note(1), THREE + note(3)))).toEqual(['0: 3/4']);
  });

  it('too short get a rest, and say so; unless they are made so or complete the pick-up at the end', () => {
    const short = read(note(4), measure(note(3), 'number="7"'), note(4));
    expect(said(short)).toEqual([
      '4: Bar 7 does not add up: it is too short by 1 quarter note. A rest fills it.',
    ]);
    expect([short.end / 960, metres(short)]).toEqual([12, ['0: 4/4']]);
    const own = read(note(4), measure(note(3), 'implicit="yes"'), note(4));
    expect([said(own), metres(own), own.end / 960]).toEqual([[], ['0: 4/4', '4: 3/4', '7: 4/4'], 11]);
    const completing = read(note(1), note(4), note(3));
    expect([said(completing), completing.end / 960, metres(completing)]).toEqual([[], 9, ['0: 4/4']]);
    expect(said(read(note(1), note(4), note(2)))).toHaveLength(1);
  });

  it('are filled by moves as well: one moved on in, and no further, is too short; a first one is a pick-up', () => {
    const forward = (quarters: number): string => `<forward><duration>${quarters}</duration></forward>`;
    expect(said(read(note(4), forward(3), note(4)))).toEqual([
      '4: Bar 2 does not add up: it is too short by 1 quarter note. A rest fills it.',
    ]);
    expect(read(forward(1), note(4)).pickup).toBe(960);
  });

  it('too long are kept in a metre of their own, and say so', () => {
    const long = read(note(4), note(5), note(4));
    expect(said(long)).toEqual([
      '4: Bar 2 does not add up: it is too long by 1 quarter note. It is kept as a bar of 5/4.',
    ]);
    expect([metres(long), long.end / 960]).toEqual([['0: 4/4', '4: 5/4', '9: 4/4'], 13]);
    expect(metres(read(note(4), note(4.5)))).toEqual(['0: 4/4', '4: 9/8']);
  });

  it('are split in two at a double bar line, each half as long as it is', () => {
    const line = '<barline><bar-style>light-light</bar-style></barline>';
    const split = read(note(4), note(3) + line, note(1), note(4));
    expect([said(split), metres(split)]).toEqual([[], ['0: 4/4', '4: 3/4', '7: 1/4', '8: 4/4']]);
    // What is left over is asked of the next bar alone.
    expect(said(read(note(4), note(3) + line, note(4), note(1)))).toHaveLength(2);
  });

  it('have the metre in force until the part gives one; added beats count together', () => {
    const sum = '<attributes><time><beats>3+2</beats><beat-type>8</beat-type></time></attributes>';
    expect(metres(read(sum + note(2.5), note(2.5)))).toEqual(['0: 5/8']);
    const free = '<attributes><time><senza-misura/></time></attributes>';
    expect(metres(read(free + note(4)))).toEqual(['0: 4/4']);
  });

  it('with an impossible metre, key, division or transposition are refused with their bar', () => {
    const attributes = (inside: string) => () =>
      read(note(4), measure(`<attributes>${inside}</attributes>`, 'number="9"'));
    const time = (beats: string, unit: string): string =>
      `<time><beats>${beats}</beats><beat-type>${unit}</beat-type></time>`;
    expect(attributes(time('65', '4'))).toThrow('"65/4" is impossible');
    expect(attributes(time('64', '4'))).not.toThrow();
    expect(attributes(time('0', '4'))).toThrow('impossible');
    expect(attributes(time('3', '5'))).toThrow('impossible');
    expect(attributes(time('x', '4'))).toThrow('impossible');
    expect(attributes('<key><fifths>8</fifths></key>')).toThrow('"8" fifths');
    expect(attributes('<key><fifths>-7</fifths></key>')).not.toThrow();
    expect(attributes('<key><fifths>1.5</fifths></key>')).toThrow('fifths');
    expect(attributes('<divisions>0</divisions>')).toThrow('divisions "0"');
    expect(attributes('<transpose><chromatic>49</chromatic></transpose>')).toThrow('transposition');
    try {
      attributes('<divisions>-1</divisions>')();
    } catch (error) {
      expect(error).toMatchObject({ place: 'bar 9' });
    }
  });
});

describe('the notes of a part', () => {
  it('begin where the one before ends, a chord together, another voice after a step back', () => {
    const back = '<backup><duration>4</duration></backup>';
    const chord = note(2, `<chord/>${C4.replace('C', 'E')}`);
    const second = `<forward><duration>1</duration></forward>${note(3, `${C4}<voice>2</voice><staff>2</staff>`)}`;
    const part = read(note(2) + chord + note(2) + back + second);
    expect(notes(part)).toEqual(['0+2 C4', '0+2 E4', '2+2 C4', '1+3 C4']);
    expect(part.notes.map(({ voice, staff }) => voice + staff)).toEqual(['11', '11', '11', '22']);
  });

  it('rest where there is no pitch, last nothing where they are grace notes, and are never before their bar', () => {
    const part = read(note(1, '<rest/>') + `<note><grace/>${C4}</note>` + note(1) + note(2));
    expect(notes(part)).toEqual(['1+0 C4', '1+1 C4', '2+2 C4']);
    expect(part.notes.map(({ grace }) => grace)).toEqual([true, false, false]);
    const far = read(note(4), '<backup><duration>9</duration></backup>' + note(4));
    expect(notes(far)).toEqual(['0+4 C4', '4+4 C4']);
  });

  it('are tied on and held on', () => {
    const tie = (type: string): string => `${C4}<tie type="${type}"/>`;
    const part = read(
      note(4, tie('start')),
      note(4, tie('stop') + '<tie type="start"/>'),
      note(4, tie('stop')),
    );
    expect(part.notes.map(({ tiedToNext, isHeldOn }) => [tiedToNext, isHeldOn])).toEqual([
      [true, false],
      [true, true],
      [false, true],
    ]);
  });

  it('fill the grid of ticks without a gap where they are thirds of a beat', () => {
    const thirds = '<attributes><divisions>3</divisions></attributes>';
    const part = read(thirds + Array.from({ length: 12 }, () => note(1)).join(''));
    expect(part.notes.map(({ tick, length }) => [tick, length]).slice(0, 3)).toEqual([
      [0, 320],
      [320, 320],
      [640, 320],
    ]);
    const sevenths = read(
      '<attributes><divisions>7</divisions></attributes>' +
        Array.from({ length: 28 }, () => note(1)).join(''),
    );
    sevenths.notes.forEach(({ tick, length }, i) =>
      expect(tick + length).toBe(sevenths.notes[i + 1]?.tick ?? 4 * 960),
    );
  });

  it('without a possible pitch or length are refused', () => {
    const pitch =
      (step: string, octave: string, alter = '0') =>
      () =>
        read(note(1, `<pitch><step>${step}</step><alter>${alter}</alter><octave>${octave}</octave></pitch>`));
    expect(pitch('H', '4')).toThrow('possible pitch');
    expect(pitch('CC', '4')).toThrow('possible pitch');
    expect(pitch('c', '4')).not.toThrow();
    expect(pitch('C', '-2')).toThrow('possible pitch');
    expect(pitch('C', '-1')).not.toThrow();
    expect(pitch('C', '10')).toThrow('possible pitch');
    expect(pitch('G', '9')).not.toThrow();
    expect(pitch('C', '4', '3')).toThrow('possible pitch');
    expect(pitch('C', '4', '-2')).not.toThrow();
    expect(() => read(note(-1))).toThrow('duration "-1"');
    expect(() => read(`<note>${C4}</note>`)).toThrow('duration "missing"');
    expect(() => read(note(1001))).toThrow('duration "1001"');
    expect(() => read(note(1000))).not.toThrow();
  });

  it('of a transposing instrument sound where they are heard, its key and chords too', () => {
    const clarinet =
      '<attributes><key><fifths>2</fifths></key><transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose></attributes>';
    const harmony = '<harmony><root><root-step>D</root-step></root><kind>major</kind></harmony>';
    const part = read(
      clarinet + harmony + note(4, '<pitch><step>C</step><alter>1</alter><octave>5</octave></pitch>'),
    );
    expect(notes(part)).toEqual(['0+4 B4']);
    expect(part.keyMap.map((key) => keyName(key))).toEqual(['C major']);
    expect(part.chords).toEqual([{ tick: 0, symbol: 'C' }]);
    const octave =
      '<attributes><transpose><chromatic>0</chromatic><octave-change>-1</octave-change></transpose></attributes>';
    expect(notes(read(octave + note(4)))).toEqual(['0+4 C3']);
    const down = '<attributes><transpose><chromatic>-9</chromatic></transpose></attributes>';
    expect(notes(read(down + note(4)))).toEqual(['0+4 Eb3']);
  });
});

describe('what stands over a part', () => {
  it('chords, moved by their offset, never before the song; what is not known is said with its bar', () => {
    const harmony = (kind: string, offset?: number): string =>
      `<harmony><root><root-step>G</root-step></root><kind>${kind}</kind>${
        offset === undefined ? '' : `<offset>${offset}</offset>`
      }</harmony>`;
    const part = read(harmony('major', -1) + note(2) + harmony('minor', 1) + note(2));
    expect(part.chords).toEqual([
      { tick: 0, symbol: 'G' },
      { tick: 3 * 960, symbol: 'Gm' },
    ]);
    expect(said(read(measure(harmony('Neapolitan') + note(4), 'number="3"')))).toEqual([
      '0: The chord kind "Neapolitan" in bar 3 is not known; read as G (root alone).',
    ]);
  });

  it('tempo marks within reason, the last at one place; names of sections, not numbers of parts', () => {
    const sound = (tempo: number): string => `<direction><sound tempo="${tempo}"/></direction>`;
    const tempi = (...marks: number[]) =>
      read(marks.map(sound).join('') + note(4)).tempoMap.map(({ quartersPerMinute }) => quartersPerMinute);
    expect(tempi(90, 120)).toEqual([120]);
    expect(tempi(9.9)).toEqual(tempi());
    expect(tempi(10)).toEqual([10]);
    expect(tempi(400)).toEqual([400]);
    expect(tempi(401)).toEqual(tempi());
    const mark = (text: string): string =>
      `<direction><direction-type><rehearsal>${text}</rehearsal></direction-type></direction>`;
    const part = read(mark('Verse') + note(2) + mark('12') + mark(' ') + mark('A2') + note(2));
    expect(part.sections).toEqual([
      { tick: 0, name: 'Verse' },
      { tick: 2 * 960, name: 'A2' },
    ]);
    expect(read(mark('x'.repeat(81)) + note(4)).sections[0].name).toHaveLength(80);
  });

  it('an ending goes on through the bars until it is closed', () => {
    const ending = (type: string, number = '1'): string =>
      `<barline><ending number="${number}" type="${type}"/></barline>`;
    const part = read(note(4), note(4) + ending('start'), note(4), note(4) + ending('stop'), note(4));
    expect(part.signs.map(({ endings }) => endings ?? [])).toEqual([[], [1], [1], [1], []]);
  });

  it('keys from where they stand, spelled as they are', () => {
    const key = (fifths: number, mode?: string): string =>
      `<attributes><key><fifths>${fifths}</fifths>${mode ? `<mode>${mode}</mode>` : ''}</key></attributes>`;
    const part = read(key(-3, 'minor') + note(4), key(4) + note(4));
    expect(part.keyMap.map((entry) => `${entry.tick / 960}: ${keyName(entry)}`)).toEqual([
      '0: C minor',
      '4: E major',
    ]);
    expect(read(note(4)).keyMap.map((entry) => keyName(entry))).toEqual(['C major']);
  });
});
