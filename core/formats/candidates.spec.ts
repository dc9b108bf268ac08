import { textOf } from '../testing';
import { describe, expect, it } from 'vitest';
import { midiOf, nameOf, parsePitch } from '../music';
import { candidatesOf } from './candidates';
import type { ReadPart, ReadScore, ScoreNote } from './score';

const beat = 960;

interface Named {
  readonly staff?: string;
  readonly voice?: string;
  readonly lyric?: string;
}

/** "C5 D5 R E5": notes of a beat each; "C5*2" lasts two. */
function line(names: string, { staff = '1', voice = '1', lyric }: Named = {}): ScoreNote[] {
  let at = 0;
  return names.split(' ').flatMap((written) => {
    const [name, beats = '1'] = written.split('*');
    const tick = at;
    const length = Number(beats) * beat;
    at += length;
    if (name === 'R') return [];
    const pitch = parsePitch(name);
    return [
      {
        tick,
        length,
        pitch,
        midi: midiOf(pitch),
        tiedToNext: false,
        lyric: lyric ? { text: lyric, syllabic: 'single' as const } : null,
        grace: false,
        isHeldOn: false,
        staff,
        voice,
      },
    ];
  });
}

function part(name: string, notes: ScoreNote[], more: Partial<ReadPart> = {}): ReadPart {
  const end = Math.max(4 * beat, ...notes.map((n) => n.tick + n.length));
  return {
    name,
    notes,
    chords: [],
    sections: [],
    keyMap: [{ tick: 0, tonic: { letter: 'C', alter: 0 }, mode: 'major' }],
    mode: 'given',
    metreMap: [{ tick: 0, numerator: 4, denominator: 4 }],
    tempoMap: [{ tick: 0, quartersPerMinute: 96 }],
    pickup: 0,
    barCount: Math.ceil(end / (4 * beat)),
    end,
    signs: [],
    imported: [],
    ...more,
  };
}

const scoreOf = (...parts: ReadPart[]): ReadScore => ({ title: 'Ebb', parts });
/** Offered last, where a file says which hand plays what. */
const BOTH = 'Both hands, as written';
const labels = (score: ReadScore): string[] => candidatesOf(score, 'id', 'File').map(({ label }) => label);
const tune = (score: ReadScore, at = 0): string[] =>
  candidatesOf(score, 'id', 'File')[at].song.melody.map(
    ({ tick, length, pitch }) => `${tick / beat}+${length / beat} ${pitch.letter}${pitch.octave}`,
  );

describe('which line of a score is the tune', () => {
  const notes = (name: string): ScoreNote[] => line(`${name} ${name} ${name} ${name}`);

  it('one with words, however low, before one that is named so', () => {
    expect(
      labels(scoreOf(part('Melody', notes('C5')), part('Tenor', line('C4 C4', { lyric: 'la' })))),
    ).toEqual(['Tenor', 'Melody', BOTH]);
  });

  it('one that is named so before a higher one; a bass last', () => {
    expect(
      labels(scoreOf(part('Flute', notes('C6')), part('Bass', notes('C6')), part('Lead', notes('C5')))),
    ).toEqual(['Lead', 'Flute', 'Bass']);
  });

  it('the higher one, three half steps being as much as fifteen notes, up to fifty notes', () => {
    const many = (count: number, name: string): ScoreNote[] => line(Array(count).fill(name).join(' '));
    const order = (a: ScoreNote[], b: ScoreNote[]): string => labels(scoreOf(part('A', a), part('B', b)))[0];
    // The first part is worth one more than the second.
    expect(order(many(4, 'C5'), many(4, 'E5'))).toBe('B');
    expect(order(many(4, 'C5'), many(4, 'Eb5'))).toBe('A');
    expect(order(many(4, 'C5'), many(10, 'C5'))).toBe('B');
    expect(order(many(4, 'C5'), many(8, 'C5'))).toBe('A');
    expect(order(many(52, 'C5'), many(200, 'C5'))).toBe('A');
  });

  it('one that has the chord symbols over it', () => {
    const chords = [{ tick: 0, symbol: 'C' }];
    expect(labels(scoreOf(part('A', notes('C6')), part('B', notes('C5'), { chords })))).toEqual([
      'B',
      'A',
      BOTH,
    ]);
  });

  it('not all parts together before one of them', () => {
    const all = part('All', notes('C6'), { isEverything: true });
    expect(labels(scoreOf(all, part('A', notes('C5'))))).toEqual(['A', 'All']);
  });
});

describe('the lines of a part', () => {
  it('of one staff and voice have its name; without one it is the melody', () => {
    expect(labels(scoreOf(part('Flute', line('C5 D5'))))).toEqual(['Flute']);
    expect(labels(scoreOf(part('', line('C5 D5'))))).toEqual(['Melody']);
  });

  it('of two staves are told by staff, the upper first', () => {
    const piano = part('', [...line('C5 D5', { staff: '1' }), ...line('C3 D3', { staff: '2', voice: '5' })]);
    expect(labels(scoreOf(piano))).toEqual(['Piano, upper staff', 'Piano, lower staff', BOTH]);
    const three = part('Organ', [...piano.notes, ...line('C2 C2', { staff: '3' })]);
    expect(labels(scoreOf(three))).toEqual(['Organ, upper staff', 'Organ, lower staff', 'Organ, staff 3']);
  });

  it('of two voices are the top line, then each voice', () => {
    const two = part('Choir', [...line('C5 D5'), ...line('E4 F4', { voice: '2' })]);
    expect(labels(scoreOf(two))).toEqual([
      'Choir, top line',
      'Choir, voice 1',
      'Choir, voice 2',
      'Choir, top line, with the notes under it',
    ]);
    expect(tune(scoreOf(two))).toEqual(['0+1 C5', '1+1 D5']);
    expect(tune(scoreOf(two), 2)).toEqual(['0+1 E4', '1+1 F4']);
  });

  it('of chords in one voice are their tops, with the words of any of them', () => {
    const chords = [...line('C5 D5'), ...line('G4 F5', { lyric: 'la' })];
    const [{ label, facts, song }] = candidatesOf(scoreOf(part('Flute', chords)), 'id', 'File');
    expect([label, facts]).toEqual(['Flute, top line', '2 notes, C5 to F5, with words']);
    expect(song.melody.map((n) => n.lyric?.text)).toEqual(['la', 'la']);
  });

  it('with the notes under it has what is struck and held with it as harmony notes, what moves by itself beside it', () => {
    const staff = [
      ...line('C5 D5*2 E5'),
      ...line('E4 F4 G4 C4', { voice: '2' }),
      ...line('G4 R R G4', { voice: '2' }),
      // The left hand of a track for both.
      ...line('C2 C2 C2 C2'),
    ];
    const full = candidatesOf(scoreOf(part('Track', staff)), 'id', 'File').at(-1);
    expect([full?.label, full?.facts]).toEqual([
      'Track, top line, with the notes under it',
      '3 notes, C5 to E5, and 6 more',
    ]);
    expect(full?.song.melody.map(({ harmony }) => harmony?.keys?.map(nameOf))).toEqual([
      ['E4', 'G4'],
      undefined,
      ['C4', 'G4'],
    ]);
    expect(
      full?.song.ownBars.map(({ hand, how, notes }) => [
        hand,
        how,
        notes.map(({ after, length, pitch }) => `${after / beat}+${length / beat} ${nameOf(pitch)}`),
      ]),
    ).toEqual([['right', 'beside', ['1+1 F4', '2+1 G4']]]);
    expect(labels(scoreOf(part('Flute', line('C5 D5'))))).toHaveLength(1);
  });

  it('a lower note under one that sounds on is left out, a higher one cuts in; one barely held over is neither', () => {
    const held = (later: ScoreNote): string[] => tune(scoreOf(part('Track', [...line('C5*2'), later])));
    const at = (name: string, tick: number, beats: number): ScoreNote => ({
      ...line(`${name}*${beats}`)[0],
      tick: tick * beat,
    });
    expect(held(at('G4', 1, 1))).toEqual(['0+2 C5']);
    expect(held(at('E5', 1, 1))).toEqual(['0+1 C5', '1+1 E5']);
    // Half of the later note is still under the first: it is left out; less than half: it is a note of the line.
    expect(held(at('G4', 1.5, 1))).toEqual(['0+2 C5']);
    expect(held(at('G4', 1.5, 1.25))).toEqual(['0+1.5 C5', '1.5+1.25 G4']);
    expect(held(at('C5', 1, 1))).toEqual(['0+2 C5']);
  });

  it('may hold on what another voice struck: there it is a note of its own', () => {
    const held = line('D5', { voice: '2' }).map((note) => ({ ...note, isHeldOn: true }));
    const score = scoreOf(part('Choir', [...line('C5 R E5'), ...held]));
    expect(candidatesOf(score, 'id', 'File').map(({ label, facts }) => `${label}: ${facts}`)).toEqual([
      'Choir, top line: 2 notes, D5 to E5',
      'Choir, voice 1: 2 notes, C5 to E5',
      'Choir, voice 2: 1 note, D5 to D5',
      'Choir, top line, with the notes under it: 2 notes, D5 to E5, and 1 more',
    ]);
  });

  it('are sixteen at most', () => {
    const parts = Array.from({ length: 17 }, (_, i) => part(`P${i + 1}`, line('C5 D5')));
    expect(labels(scoreOf(...parts))).toHaveLength(16);
    expect(labels(scoreOf(...parts))[0]).toBe('P1');
  });
});

describe('the chords of a score', () => {
  const chords = [
    { tick: 2 * beat, symbol: 'G' },
    { tick: 0, symbol: 'C' },
    { tick: 2 * beat, symbol: 'G7' },
    { tick: 4 * beat, symbol: 'F' },
  ];

  it('last until the next; of two at one place the later is kept, what comes after the end is left out', () => {
    const { changes } = candidatesOf(scoreOf(part('A', line('C5*4'), { chords })), 'id', 'File')[0].song;
    expect(changes.map(({ id, tick, length, symbol }) => [id, tick / beat, length / beat, symbol])).toEqual([
      ['c1', 0, 2, 'C'],
      ['c2', 2, 2, 'G7'],
    ]);
  });

  it('are those of another part where its own has none', () => {
    const score = scoreOf(part('Melody', line('C5*4')), part('Guitar', line('C4*4'), { chords }));
    expect(candidatesOf(score, 'id', 'File')[0].song.changes.map(({ symbol }) => symbol)).toEqual([
      'C',
      'G7',
    ]);
  });

  it('come with the keys of the other staff as pins: two at least, struck there, of a chord', () => {
    const lower = (names: string, tick: number, more: Partial<ScoreNote> = {}): ScoreNote[] =>
      line(names, { staff: '2' }).map((note) => ({ ...note, tick: tick * beat, ...more }));
    const pins = (notes: ScoreNote[], symbols = chords): unknown =>
      candidatesOf(
        scoreOf(part('Piano', [...line('C5*4'), ...notes], { chords: symbols })),
        'id',
        'File',
      )[0].song.pins.map(({ changeId, keys }) => [changeId, keys]);
    expect(pins([...lower('G3 C3 E3', 0), ...lower('D3 F3', 2)])).toEqual([
      ['c1', [48, 52, 55]],
      ['c2', [50, 53]],
    ]);
    expect(pins(lower('G3', 0))).toEqual([]);
    expect(pins(lower('G3 C3', 1))).toEqual([]);
    expect(pins(lower('G3 C3', 0, { isHeldOn: true }))).toEqual([]);
    expect(pins(lower('G3 C3', 0), [{ tick: 0, symbol: 'N.C.' }])).toEqual([]);
  });

  it('are read off the other notes where there are no symbols, a tenth of the tune at least', () => {
    const tuneOf = (count: number): ScoreNote[] => line(Array(count).fill('E5').join(' '));
    const below = line('C3*4').concat(line('G3*4'));
    const read = (count: number, others: ScoreNote[]) =>
      candidatesOf(scoreOf(part('Melody', tuneOf(count)), part('Left', others)), 'id', 'File')[0].song;
    expect(read(4, below).changes.map(({ symbol }) => symbol)).toEqual(['C']);
    expect(read(4, below).imported.map(textOf)).toEqual([
      'The file has no chord symbols: the chords were read off its other notes. Look them over.',
    ]);
    // Two notes beside a tune of 24 are strays: chords are suggested for it.
    expect(textOf(read(24, below).imported[0])).toContain('these chords are suggested for its melody');
    expect(textOf(read(20, below).imported[0])).toContain('were read off its other notes');
  });

  it('without a note beside them or a melody are taken alone, first where only the upper staff is empty', () => {
    const alone = candidatesOf(scoreOf(part('A', [], { chords })), 'id', 'File');
    expect(alone.map(({ id, label, facts }) => [id, label, facts])).toEqual([
      ['chords', 'Chords without a melody', '2 chords'],
    ]);
    const under = part('Piano', line('C3 E3', { staff: '2' }), { chords });
    expect(labels(scoreOf(under))).toEqual(['Chords without a melody', 'Piano']);
    const over = part('Piano', line('C5 E5', { staff: '1' }), { chords });
    expect(labels(scoreOf(over))).toEqual(['Piano']);
    expect(() => candidatesOf(scoreOf(part('A', [])), 'id', 'File')).toThrow(
      'neither notes nor chord symbols',
    );
  });

  it('are suggested up to 120 bars; a longer tune says where they are had', () => {
    const bars = (count: number) =>
      candidatesOf(scoreOf(part('A', line('C5 D5 E5 F5'), { barCount: count })), 'id', 'File')[0].song;
    expect(bars(120).changes.length).toBeGreaterThan(0);
    expect(bars(121).changes).toEqual([]);
    expect(textOf(bars(121).imported[0])).toContain('the Chords bench suggests chords for its melody');
  });
});

describe('the name of a song that is read', () => {
  it('is the score’s, else the file’s, else that it has none; two hundred letters at most', () => {
    const title = (written: string | null, file: string): string =>
      candidatesOf({ title: written, parts: [part('A', line('C5'))] }, 'id', file)[0].song.title;
    expect(title('Ebb', 'File')).toBe('Ebb');
    expect(title(null, 'File')).toBe('File');
    expect(title('', 'File')).toBe('Untitled');
    expect(title('a'.repeat(201), 'File')).toHaveLength(200);
  });
});
