// @vitest-environment happy-dom
import { arrange } from '@joined-hands/core/arrange';
import { DEFAULT_PROFILE, type Song } from '@joined-hands/core/song';
import { Element } from 'vexflow';
import { beforeAll, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { drawStaff } from './draw-staff';
import { writeBar, type WrittenVoice } from './write-bar';

const [lanterns, sluicegate] = DEMO_SONGS;
const jig = DEMO_SONGS.find((s) => s.title === 'Boathouse Jig') as Song;

const drawn = (song: Song) => arrange(song, DEFAULT_PROFILE, { withoutFingers: true });

function written(
  song: Song,
  hand: 'right' | 'left',
  bar: number,
  picked: readonly string[] = [],
): WrittenVoice[] {
  const arrangement = drawn(song);
  const place = arrangement.played.bars.find((b) => b.number === bar);
  if (!place) throw new Error(`no bar ${bar}`);
  return writeBar(arrangement[hand], {
    clef: hand === 'right' ? 'treble' : 'bass',
    bar: place,
    arrangement,
    picked: new Set(picked),
    pickedColour: '#123456',
    fillColour: '#654321',
  });
}

/** "a/4 h": the keys and the value of each note of a voice, "r" for a rest, "." for a dot. */
const read = (voices: WrittenVoice[], voice = 0): string[] =>
  voices[voice].notes.map((n) => {
    const dots = n.getModifiersByType('Dot').length / n.getKeys().length;
    return `${n.isRest() ? `r(${n.getKeys()[0]})` : n.getKeys().join('+')} ${n.getDuration()}${'.'.repeat(dots)}`;
  });

const tune = (melody: readonly [tick: number, length: number, pitch: string][], song = lanterns): Song => ({
  ...song,
  cuts: [],
  melody: melody.map(([tick, length, name], i) => ({
    ...song.melody[0],
    id: `n${i}`,
    tick,
    length,
    lyric: null,
    pitch: { letter: name[0] as 'A', alter: name.includes('#') ? 1 : 0, octave: Number(name.at(-1)) },
  })),
});

beforeAll(() => {
  // A page without fonts cannot measure; what is tested is what is written, not how wide it is.
  const measured = { width: 8, actualBoundingBoxAscent: 8, actualBoundingBoxDescent: 2 };
  const context = { font: '', measureText: () => measured };
  Element.setTextMeasurementCanvas({ getContext: () => context } as never);
});

describe('a bar of the staff', () => {
  it('writes the notes of a hand in their values, an accidental with its note', () => {
    expect(read(written(lanterns, 'right', 1))).toEqual(['a/4 h', 'b/4 q']);
    expect(read(written(lanterns, 'left', 1))).toEqual(['c/3+e/3+a/3 h.']);
    expect(read(written(lanterns, 'right', 4))[0]).toBe('g#/4 h.');
  });

  it('fills gaps with rests on the middle line of its clef, a silent bar with a whole rest', () => {
    const song = tune([
      [0, 960, 'A4'],
      [1920, 480, 'B4'],
    ]);
    expect(read(written(song, 'right', 1))).toEqual(['a/4 q', 'r(b/4) q', 'b/4 8', 'r(b/4) 8']);
    expect(read(written({ ...song, changes: [] }, 'left', 1))).toEqual(['r(f/3) w']);
  });

  it('ties what is held over the bar line on both sides, and within a bar what no one value holds', () => {
    const song = tune([
      [0, 2400, 'A4'],
      [2400, 480 + 960, 'B4'],
    ]);
    const [first] = written(song, 'right', 1);
    expect(read([first])).toEqual(['a/4 h', 'a/4 8', 'b/4 8']);
    const ends = first.ties.map((tie) => {
      const { firstNote, lastNote } = tie.getNotes();
      return [firstNote, lastNote].map((note) => first.notes.indexOf(note as never));
    });
    expect(ends).toEqual([
      [0, 1],
      [2, -1],
    ]);
    const [second] = written(song, 'right', 2);
    expect(read([second])[0]).toBe('b/4 q');
    expect(second.ties).toHaveLength(1);
    expect(second.ties[0].getNotes().lastNote).toBe(second.notes[0]);
    expect(second.ties[0].getNotes().firstNote).toBeFalsy();
  });

  it('beams eighths within the beat, by three in six-eight', () => {
    const pairs = tune(
      [0, 480, 960, 1440, 1920, 2400].map((t) => [t, 480, 'A4'] as const).map((n) => [...n]),
    );
    expect(written(pairs, 'right', 1)[0].beams.map((b) => b.getNotes().length)).toEqual([2, 2, 2]);
    const threes = tune(
      [0, 480, 960, 1440, 1920, 2400].map((t) => [t, 480, 'A4']),
      jig,
    );
    expect(written({ ...threes, pickup: 0 }, 'right', 1)[0].beams.map((b) => b.getNotes().length)).toEqual([
      3, 3,
    ]);
  });

  it('beams a pick-up as the end of its bar', () => {
    // Three eighths before the first bar of three quarters: off the second beat one, on the third two.
    const song = { ...tune([0, 480, 960].map((t) => [t, 480, 'A4'])), pickup: 1440 };
    expect(written(song, 'right', 0)[0].beams.map((b) => b.getNotes().length)).toEqual([2]);
    const [voice] = written(song, 'right', 0);
    expect(voice.beams[0].getNotes()[0]).toBe(voice.notes[1]);
    // Four in a bar of six eighths: one, and three.
    const six = {
      ...tune(
        [0, 480, 960, 1440].map((t) => [t, 480, 'A4']),
        jig,
      ),
      pickup: 1920,
      playingOrder: [],
    };
    const [jigged] = written(six, 'right', 0);
    expect(jigged.beams.map((b) => b.getNotes().length)).toEqual([3]);
    expect(jigged.beams[0].getNotes()[0]).toBe(jigged.notes[1]);
  });

  it('beams nothing across a rest or a quarter', () => {
    const song = tune([
      [0, 480, 'A4'],
      [480, 960, 'B4'],
      [1440, 480, 'A4'],
      [2400, 480, 'A4'],
    ]);
    expect(written(song, 'right', 1)[0].beams).toEqual([]);
  });

  it('writes triplets under one sign', () => {
    const song = tune([
      [0, 320, 'A4'],
      [320, 320, 'B4'],
      [640, 320, 'A4'],
      [960, 1920, 'A4'],
    ]);
    const [voice] = written(song, 'right', 1);
    expect(voice.tuplets.map((t) => t.getNotes().length)).toEqual([3]);
    expect(read([voice])).toEqual(['a/4 8', 'b/4 8', 'a/4 8', 'a/4 h']);
  });

  it('names the chord over the note it is struck with, else over the left hand, and sings below the melody', () => {
    const texts = (hand: 'right' | 'left', bar: number, song = sluicegate): string[] =>
      written(song, hand, bar)[0].marks.map((m) => `${m.isWord ? 'sung' : 'chord'} ${m.text}`);
    expect(texts('right', 1)[0]).toBe('chord G');
    expect(texts('right', 1).filter((t) => t.startsWith('sung')).length).toBeGreaterThan(2);
    expect(texts('left', 1)).toEqual([]);
    const alone = tune([[960, 960, 'A4']]);
    expect(texts('right', 1, alone)).toEqual([]);
    expect(texts('left', 1, alone)).toEqual(['chord Am']);
  });

  it('joins syllables of a word', () => {
    const song = tune([[0, 2880, 'A4']]);
    const [note] = song.melody;
    const sung = (syllabic: 'begin' | 'end' | 'middle' | 'single') =>
      written({ ...song, melody: [{ ...note, lyric: { text: 'la', syllabic } }] }, 'right', 1)[0].marks.find(
        (m) => m.isWord,
      )?.text;
    expect([sung('begin'), sung('middle'), sung('end'), sung('single')]).toEqual(['la-', 'la-', 'la', 'la']);
  });

  it('marks the notes picked and nothing else', () => {
    const [voice] = written(lanterns, 'right', 1, ['n2']);
    expect(voice.notes.map((n) => n.getStyle()?.fillStyle)).toEqual([undefined, '#123456']);
    expect(voice.notes.map((n) => n.getAttribute('id'))).toEqual(['note-n1', 'note-n2']);
  });

  it('puts grace notes before the note they lead to', () => {
    const [first, ...others] = lanterns.melody;
    const grace = { ...first, id: 'g', length: 0, grace: true };
    const [voice] = written({ ...lanterns, melody: [grace, first, ...others] }, 'right', 1);
    expect(voice.notes.map((n) => n.getModifiersByType('GraceNoteGroup').length)).toEqual([1, 0]);
  });
});

describe('the staff of a part', () => {
  const draw = (song: Song, part: number, width = 900): HTMLElement => {
    const element = document.createElement('div');
    drawStaff(element, drawn(song), part, width, new Set());
    return element;
  };
  const count = (element: HTMLElement, selector: string): number => element.querySelectorAll(selector).length;

  it('draws the bars of the part, each note once and known by its id', () => {
    const element = draw(lanterns, 0);
    const ids = [...element.querySelectorAll('[data-note]')].map((g) => g.getAttribute('data-note'));
    expect(ids.filter((id) => id?.startsWith('n'))).toEqual(['n1', 'n2', 'n3', 'n4', 'n5', 'n6', 'n7', 'n8']);
    expect(count(element, '.vf-stave')).toBe(8);
  });

  it('breaks into rows where the width does not hold the bars, a clef for each', () => {
    const [wide, narrow] = [draw(lanterns, 0, 1400), draw(lanterns, 0, 500)];
    expect(count(wide, '.vf-clef')).toBe(2);
    expect(count(narrow, '.vf-clef')).toBeGreaterThan(2);
    expect(count(narrow, '.vf-stave')).toBe(count(wide, '.vf-stave'));
  });

  it('gives the metre at the very first bar and where it changes', () => {
    expect(count(draw(lanterns, 0), '.vf-timesignature')).toBe(2);
    const changing = {
      ...lanterns,
      metreMap: [...lanterns.metreMap, { tick: 2880, numerator: 2, denominator: 4 }],
    };
    // Two staves each: at the beginning, and at the first bar of two quarters; not again at the bars after it.
    expect(count(draw(changing as Song, 0, 1400), '.vf-timesignature')).toBe(4);
    const halves = {
      ...lanterns,
      metreMap: [...lanterns.metreMap, { tick: 2880, numerator: 3, denominator: 2 }],
    };
    expect(count(draw(halves as Song, 0, 1400), '.vf-timesignature')).toBe(4);
  });

  it('shows the right hand where it is learned, an octave away', () => {
    const choices = { ...lanterns.choices, shownOctave: -1 as const };
    const [plain, lower] = [draw(lanterns, 0), draw({ ...lanterns, choices }, 0)];
    const y = (element: HTMLElement): string | null | undefined =>
      element.querySelector('[data-note="n1"] text')?.getAttribute('y');
    expect(Number(y(lower))).toBeGreaterThan(Number(y(plain)));
  });
});
