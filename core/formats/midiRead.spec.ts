import { readMidi, textOf } from '../testing';
import { strToU8 } from 'fflate';
import midiFile, { type MidiEvent } from 'midi-file';
import { describe, expect, it } from 'vitest';
import { TUNES_APART } from '../../demo/kept-apart';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { membersOf, parseChord, keyName, metreName, midiOf } from '../music';
import { applyEdit, DEFAULT_PROFILE, unfold } from '../song';
import { playSimulated } from '../takes';
import { FileError } from './fileError';
import { readMidiTunes } from './midiRead';
import { writeMidi } from './midiWrite';

const arranged = (index: number, level = 4) =>
  arrange(applyEdit(DEMO_SONGS[index], { kind: 'choose', choices: { level } }), DEFAULT_PROFILE);

describe('round trips through MIDI', () => {
  DEMO_SONGS.forEach((song, index) => {
    it(`${song.title}: the same keys at the same ticks, tempo, metre, key, pick-up`, () => {
      const a = arranged(index);
      const back = readMidi(writeMidi(a), 'id', 'T');
      expect(back.title).toBe(song.title);
      expect(back.melody.map((n) => [n.tick, n.length, midiOf(n.pitch)])).toEqual(
        a.right.map((n) => [n.tick, n.length, midiOf(n.pitch)]),
      );
      expect(back.tempoMap[0].quartersPerMinute).toBeCloseTo(song.tempoMap[0].quartersPerMinute, 1);
      expect(metreName(back.metreMap[0])).toBe(metreName(song.metreMap[0]));
      expect(keyName(back.keyMap[0])).toBe(keyName(song.keyMap[0]));
      expect([back.pickup, back.barCount]).toEqual([
        song.pickup,
        a.played.bars.filter((bar) => bar.number > 0).length,
      ]);
    });

    it(`${song.title}: the changes are read off the left hand`, () => {
      const a = arranged(index);
      const { changes } = readMidi(writeMidi(a), 'id', 'T');
      // The same keys may bear two names (B♭6 and Gm7): what counts is what sounds.
      const sounds = (tick: number, symbol: string): string => {
        const chord = parseChord(symbol);
        const keys = chord ? membersOf(chord).map((m) => m.chroma) : [];
        return `${tick} ${keys.sort((x, y) => x - y).join()}`;
      };
      const given = new Set(a.played.changes.map((c) => sounds(c.tick, c.symbol)));
      const found = changes.filter((c) => given.has(sounds(c.tick, c.symbol))).length;
      expect(found / a.played.changes.length).toBeGreaterThanOrEqual(0.85);
      expect(changes.every((c) => !c.given)).toBe(true);
    });
  });
});

/** A file of one or more tracks; events with absolute ticks, 480 to the quarter. */
function fileOf(
  tracks: readonly (readonly [tick: number, event: object])[][],
  header: object = {},
): Uint8Array {
  const written = tracks.map((events) => {
    let at = 0;
    const timed = [...events]
      .sort((a, b) => a[0] - b[0])
      .map(([tick, event]) => {
        const deltaTime = Math.round(tick) - at;
        at = Math.round(tick);
        return { ...event, deltaTime } as MidiEvent;
      });
    return [...timed, { type: 'endOfTrack', deltaTime: 0, meta: true } as MidiEvent];
  });
  const whole = {
    format: written.length > 1 ? 1 : 0,
    numTracks: written.length,
    ticksPerBeat: 480,
    ...header,
  };
  return Uint8Array.from(midiFile.writeMidi({ header: whole as never, tracks: written }));
}

const key = (tick: number, length: number, noteNumber: number, channel = 0): [number, object][] => [
  [tick, { type: 'noteOn', noteNumber, velocity: 80, channel }],
  [tick + length, { type: 'noteOff', noteNumber, velocity: 64, channel }],
];

describe('reading MIDI', () => {
  it('offers every track and the top line of all, the likeliest first', () => {
    const bytes = fileOf([
      [[0, { type: 'trackName', text: 'Bass' }], ...key(0, 1900, 43), ...key(1920, 1900, 48)],
      [
        [0, { type: 'trackName', text: 'Melody' }],
        ...key(0, 470, 67),
        ...key(480, 470, 69),
        ...key(960, 900, 71),
      ],
    ]);
    const tunes = readMidiTunes(bytes, 'id', 'T');
    expect(tunes.map((t) => t.label)).toEqual([
      'Melody',
      'All tracks, top line',
      'Bass',
      'Both hands, as written',
    ]);
    expect(tunes[0].facts).toBe('3 notes, G4 to B4');
    expect(tunes[0].song.melody.map((n) => [n.tick, n.length])).toEqual([
      [0, 960],
      [960, 960],
      [1920, 1800],
    ]);
  });

  it('takes a single track apart by channel and leaves drums out', () => {
    const bytes = fileOf([[...key(0, 480, 72), ...key(0, 480, 48, 1), ...key(0, 480, 38, 9)]]);
    expect(readMidiTunes(bytes, 'id', 'T').map((t) => t.song.melody[0].pitch.octave)).toEqual([5, 3, 5, 5]);
  });

  it('quantises what was played, says how far, and hears swing', () => {
    const onsets = Array.from({ length: 32 }, (_, i) => Math.floor(i / 2) + (i % 2) * (2 / 3));
    const tune = onsets.map((beat, i) => ({ beat, beats: (onsets[i + 1] ?? 16) - beat, midi: 60 + (i % 5) }));
    const options = { quartersPerMinute: 120, seed: 5, spreadSeconds: 0.015, lateSeconds: 0, mistakes: [] };
    const events = playSimulated(tune, options).map(({ seconds, midi, velocity }): [number, object] => [
      seconds * 960,
      velocity > 0
        ? { type: 'noteOn', noteNumber: midi, velocity, channel: 0 }
        : { type: 'noteOff', noteNumber: midi, velocity: 0, channel: 0 },
    ]);
    const song = readMidi(fileOf([events]), 'id', 'T');
    expect(song.feel).toEqual({ kind: 'swing', ratio: 2 });
    expect(song.melody.map((n) => n.tick)).toEqual(onsets.map((_, i) => 480 * i));
    expect(textOf(song.imported[0])).toMatch(
      /played, not written: notes were moved by \d+ ms on average.*swung/,
    );
  });

  it('finds the beat, the metre and the pick-up of what was played with none of them said', () => {
    let [right, all] = [0, 0];
    for (const [i, song] of [...DEMO_SONGS, ...TUNES_APART].entries()) {
      const { melody } = unfold(song);
      const quarters = 76 + ((i * 17) % 50);
      const beats = melody.map(({ tick, length, midi }) => ({ beat: tick / 960, beats: length / 960, midi }));
      const options = {
        quartersPerMinute: quarters,
        seed: i,
        spreadSeconds: 0.012,
        lateSeconds: 0.4,
        mistakes: [],
      };
      const events = playSimulated(beats, options).map(({ seconds, midi, velocity }): [number, object] => [
        seconds * 960,
        { type: velocity > 0 ? 'noteOn' : 'noteOff', noteNumber: midi, velocity, channel: 0 },
      ]);
      const found = readMidi(fileOf([events]), 'id', 'T');
      const tempo = found.tempoMap[0].quartersPerMinute;
      all++;
      // Twice the tempo with twice the values is the same music.
      if ([1, 2].some((by) => Math.abs(tempo / quarters / by - 1) < 0.01)) right++;
    }
    expect(right / all).toBeGreaterThanOrEqual(0.9);
  });

  it('asks the notes where a file has the signature a program writes when nobody chose one', () => {
    const usual: [number, object] = [0, { type: 'keySignature', key: 0, scale: 0 }];
    const keys = (notes: readonly number[]): [number, object][] =>
      notes.flatMap((note, i) => key(i * 480, 470, note));
    const inEFlat = [63, 65, 67, 68, 70, 72, 74, 75, 74, 72, 70, 68, 67, 65, 70, 63, 67, 70, 75, 63];
    const told = (events: [number, object][]): string =>
      keyName(readMidi(fileOf([events]), 'id', 'T').keyMap[0]);
    expect(told([usual, ...keys(inEFlat)])).toBe('Eb major');
    expect(told([usual, ...keys(inEFlat.map((note) => note - 3))])).toBe('C major');
    const minor: [number, object] = [0, { type: 'keySignature', key: 3, scale: 1 }];
    expect(told([minor, ...keys(inEFlat.map((note) => note + 6))])).toBe('A major');
  });

  it('takes the line that goes on for the tune, not the first track', () => {
    const flute = [0, 8, 16].flatMap((bar) =>
      [84, 83, 86].flatMap((note, i) => key(bar * 1920 + i * 480, 470, note)),
    );
    const tune = Array.from({ length: 88 }, (_, i) => key(i * 480, 470, 67 + ((i * 5) % 9))).flat();
    const tunes = readMidiTunes(
      fileOf([
        [[0, { type: 'trackName', text: 'Flute' }], ...flute],
        [[0, { type: 'trackName', text: 'Strings' }], ...tune],
      ]),
      'id',
      'T',
    );
    expect(tunes[0].label).toBe('Strings');
  });

  it('keeps tempo and metre maps, and takes silence before the tune as a pick-up', () => {
    const bytes = fileOf([
      [
        [0, { type: 'setTempo', microsecondsPerBeat: 600_000 }],
        [0, { type: 'timeSignature', numerator: 3, denominator: 4, metronome: 24, thirtyseconds: 8 }],
        [2880, { type: 'setTempo', microsecondsPerBeat: 500_000 }],
        ...key(960, 480, 64),
        ...key(1440, 1440, 65),
        ...key(2880, 480, 67),
      ],
    ]);
    const song = readMidi(bytes, 'id', 'T');
    expect([song.pickup, metreName(song.metreMap[0])]).toEqual([960, '3/4']);
    expect(song.tempoMap).toEqual([
      { tick: 0, quartersPerMinute: 100 },
      { tick: 3840, quartersPerMinute: 120 },
    ]);
    expect(song.melody.map((n) => n.tick)).toEqual([0, 960, 3840]);
  });

  it('counts the bars before a late entry by the metre in force there, and keeps one metre at its beginning', () => {
    const metre = (tick: number, numerator: number): [number, object] => [
      tick,
      { type: 'timeSignature', numerator, denominator: 4, metronome: 24, thirtyseconds: 8 },
    ];
    const song = readMidi(
      fileOf([[metre(0, 1), metre(480, 4), metre(4320, 3), ...key(3360, 480, 64), ...key(4320, 1440, 65)]]),
      'id',
      'T',
    );
    expect(song.metreMap).toEqual([
      { tick: 0, numerator: 4, denominator: 4 },
      { tick: 1920, numerator: 3, denominator: 4 },
    ]);
    expect([song.pickup, song.melody.map((n) => n.tick)]).toEqual([1920, [0, 1920]]);
  });

  it('reads syllables, and a key never let go to the end of its track', () => {
    const lyric = (tick: number, text: string): [number, object] => [tick, { type: 'lyrics', text }];
    const song = readMidi(
      fileOf([
        [
          lyric(0, 'wa-'),
          ...key(0, 480, 64),
          lyric(480, 'ter'),
          [480, { type: 'noteOn', noteNumber: 62, velocity: 9, channel: 0 }],
          ...key(960, 480, 60),
        ],
      ]),
      'id',
      'T',
    );
    expect(song.melody.map((n) => n.lyric?.text ?? null)).toEqual(['wa', 'ter', null]);
    expect(song.melody[1].tick + song.melody[1].length).toBe(song.melody[2].tick);
  });

  const refused: readonly (readonly [string, Uint8Array, RegExp])[] = [
    ['no notes', fileOf([[[0, { type: 'trackName', text: 'Nothing' }]]]), /holds no notes/],
    ['only drums', fileOf([key(0, 480, 38, 9)]), /holds no notes/],
    ['SMPTE timing', smpte(), /film frames \(SMPTE\)/],
    ['another format', strToU8('RIFF....'), /not a MIDI file/],
    ['nothing', new Uint8Array(), /The file is empty/],
    ['type 2', patched(fileOf([key(0, 480, 60)]), 9, 2), /type 2, independent patterns/],
    ['its end missing', fileOf([key(0, 480, 60)]).slice(0, -9), /cut short/],
    ['a track missing', fileOf([key(0, 480, 60), key(0, 480, 62)]).slice(0, -40), /cut short/],
    ['a track cut off', fileOf([key(0, 480, 60), key(0, 480, 62)]).slice(0, -9), /cut short.*track 2/],
    ['more tracks told than there are', patched(fileOf([key(0, 480, 60)]), 11, 3), /cut short.*track 2 of 3/],
    ['50 MB', new Uint8Array(50 * 1024 * 1024), /too large: 50\.0 MB/],
  ];
  for (const [name, bytes, sentence] of refused)
    it(`refuses a file with ${name} with a sentence`, () => {
      expect(() => readMidi(bytes, 'id', 'T')).toThrow(FileError);
      expect(() => readMidi(bytes, 'id', 'T')).toThrow(sentence);
    });
});

function patched(bytes: Uint8Array, at: number, value: number): Uint8Array {
  const copy = bytes.slice();
  copy[at] = value;
  return copy;
}

/** Division −25 frames a second, 40 ticks a frame. */
function smpte(): Uint8Array {
  return patched(patched(fileOf([key(0, 480, 60)]), 12, 0xe7), 13, 40);
}
