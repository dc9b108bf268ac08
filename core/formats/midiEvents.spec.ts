import midiFile, { type MidiEvent } from 'midi-file';
import { describe, expect, it } from 'vitest';
import { readMidiEvents } from './midiEvents';

type Timed = readonly [tick: number, event: object];
const meta = (tick: number, type: string, more: object): Timed => [tick, { type, meta: true, ...more }];
const on = (tick: number, noteNumber: number, velocity = 80, channel = 0): Timed => [
  tick,
  { type: 'noteOn', noteNumber, velocity, channel },
];
const off = (tick: number, noteNumber: number, channel = 0): Timed => [
  tick,
  { type: 'noteOff', noteNumber, velocity: 64, channel },
];

/** A file whose events are in the order given, 480 ticks to the quarter. */
function fileOf(...tracks: (readonly Timed[])[]): Uint8Array {
  const written = tracks.map((events) => {
    let at = 0;
    const timed = events.map(([tick, event]) => {
      const deltaTime = tick - at;
      at = tick;
      return { ...event, deltaTime } as MidiEvent;
    });
    return [...timed, { type: 'endOfTrack', deltaTime: 0, meta: true } as MidiEvent];
  });
  const header = { format: written.length > 1 ? 1 : 0, numTracks: written.length, ticksPerBeat: 480 };
  return Uint8Array.from(midiFile.writeMidi({ header: header as never, tracks: written }));
}
const keys = (bytes: Uint8Array, track = 0): string[] =>
  readMidiEvents(bytes).tracks[track].keys.map(
    ({ start, end, midi, lyric }) => `${midi} ${start}–${end}${lyric === null ? '' : ` ${lyric}`}`,
  );
const names = (bytes: Uint8Array): string[] => readMidiEvents(bytes).tracks.map(({ name }) => name);

describe('the keys of a MIDI file', () => {
  it('go down and up, in ticks of the program; a key going down without force goes up', () => {
    expect(keys(fileOf([on(0, 60), off(240, 60), on(480, 62), on(720, 62, 0)]))).toEqual([
      '60 0–480',
      '62 960–1440',
    ]);
  });

  it('struck again while held are let go in the order they were struck', () => {
    expect(keys(fileOf([on(0, 60), on(480, 60), off(720, 60), off(960, 60)]))).toEqual([
      '60 0–1440',
      '60 960–1920',
    ]);
    expect(keys(fileOf([on(0, 60), off(480, 60), off(500, 60)]))).toEqual(['60 0–960']);
  });

  it('never let go last to the next one of their channel, the last to the end of the track', () => {
    expect(keys(fileOf([on(0, 60), on(480, 62), off(960, 62)]))).toEqual(['60 0–960', '62 960–1920']);
    expect(keys(fileOf([on(0, 60), on(480, 62), meta(1920, 'text', { text: 'end' })]))).toEqual([
      '60 0–960',
      '62 960–3840',
    ]);
    expect(keys(fileOf([on(0, 60), on(480, 48, 80, 1), meta(960, 'text', { text: 'end' })]))).toEqual([
      '60 0–1920',
    ]);
  });

  it('are told from the same keys of another channel, the highest too', () => {
    const bytes = fileOf([
      on(0, 127),
      on(0, 0, 80, 1),
      on(240, 127, 80, 1),
      off(480, 127),
      off(480, 0, 1),
      meta(960, 'text', { text: 'end' }),
    ]);
    expect(keys(bytes)).toEqual(['127 0–960']);
    expect(keys(bytes, 1)).toEqual(['0 0–960', '127 480–1920']);
    expect(names(bytes)).toEqual(['Track 1, channel 1', 'Track 1, channel 2']);
  });

  it('come in time, the lower first of two; drums are none', () => {
    const bytes = fileOf([
      on(0, 67),
      on(0, 60),
      on(0, 38, 80, 9),
      off(480, 67),
      off(480, 60),
      off(480, 38, 9),
    ]);
    expect(keys(bytes)).toEqual(['60 0–960', '67 0–960']);
    expect(names(bytes)).toEqual(['Track 1']);
  });

  it('have the syllable that stands before or after them at the same time, each once', () => {
    const lyric = (tick: number, text: string): Timed => meta(tick, 'lyrics', { text });
    expect(
      keys(
        fileOf([
          lyric(0, 'wa-'),
          on(0, 64),
          off(480, 64),
          on(480, 62),
          lyric(480, 'ter'),
          off(960, 62),
          on(960, 60),
          off(1440, 60),
        ]),
      ),
    ).toEqual(['64 0–960 wa-', '62 960–1920 ter', '60 1920–2880']);
    // One that stands where no key is struck is sung by none.
    expect(keys(fileOf([on(0, 64), lyric(240, 'wa'), off(480, 64), on(480, 62), off(960, 62)]))).toEqual([
      '64 0–960',
      '62 960–1920',
    ]);
    expect(keys(fileOf([lyric(0, 'a'), on(0, 60), on(0, 64), off(480, 60), off(480, 64)]))).toEqual([
      '60 0–960 a',
      '64 0–960',
    ]);
  });

  it('have the words of a track of words alone: that track does which strikes keys at most of them', () => {
    const lyric = (tick: number, text: string): Timed => meta(tick, 'lyrics', { text });
    const words = [lyric(0, 'low'), lyric(480, 'tide'), lyric(700, 'oh')];
    const tune = [on(0, 64), off(480, 64), on(480, 62), off(960, 62)];
    const bass = [on(0, 40), off(960, 40)];
    const bytes = fileOf(words, bass, tune);
    expect([keys(bytes, 0), keys(bytes, 1)]).toEqual([['40 0–1920'], ['64 0–960 low', '62 960–1920 tide']]);
    // Words in the track of a tune are its own, whatever else is struck with them.
    const own = fileOf([...bass.slice(0, 1), lyric(0, 'oh'), ...bass.slice(1)], tune);
    expect([keys(own, 0), keys(own, 1)]).toEqual([['40 0–1920 oh'], ['64 0–960', '62 960–1920']]);
    const voices = fileOf([
      on(0, 40, 80, 1),
      lyric(0, 'low'),
      on(0, 64),
      off(480, 64),
      lyric(480, 'tide'),
      on(480, 62),
      off(960, 62),
      off(960, 40, 1),
    ]);
    expect([keys(voices, 0), keys(voices, 1)]).toEqual([['64 0–960 low', '62 960–1920 tide'], ['40 0–1920']]);
    expect(() => readMidiEvents(fileOf(words))).not.toThrow();
  });

  it('have words in whatever letters they were written', () => {
    const lyric = (bytes: string): string[] =>
      keys(fileOf([meta(0, 'lyrics', { text: bytes }), on(0, 60), off(480, 60)]));
    expect(lyric('\u00c3\u00bc')).toEqual(['60 0–960 ü']);
    expect(lyric('\u00fc')).toEqual(['60 0–960 ü']);
  });
});

describe('the tracks of a MIDI file', () => {
  it('bear the name they are given, else their number; channels of one are told apart', () => {
    const name = (text: string): Timed => meta(0, 'trackName', { text });
    const two = fileOf([name('Tide'), on(0, 60), off(480, 60)], [on(0, 48), off(480, 48)]);
    expect(names(two)).toEqual(['Tide', 'Track 2']);
    expect(names(fileOf([name(' '), on(0, 60), off(480, 60)]))).toEqual(['Track 1']);
    expect(names(fileOf([name('One'), name('Two'), on(0, 60), off(480, 60)]))).toEqual(['One']);
    expect(names(fileOf([name('x'.repeat(61)), on(0, 60), off(480, 60)]))[0]).toHaveLength(60);
    expect(names(fileOf([name('Duo'), on(0, 60), on(0, 48, 80, 2), off(480, 60), off(480, 48, 2)]))).toEqual([
      'Duo, channel 1',
      'Duo, channel 3',
    ]);
  });

  it('without a key are none; the name of a first one that has none is that of the song', () => {
    const name = (text: string): Timed => meta(0, 'trackName', { text });
    const titled = readMidiEvents(fileOf([name('Ebb')], [name('Right'), on(0, 60), off(480, 60)]));
    expect([titled.title, titled.tracks.map((track) => track.name)]).toEqual(['Ebb', ['Right']]);
    expect(readMidiEvents(fileOf([name('Right'), on(0, 60), off(480, 60)], [name('Ebb')])).title).toBeNull();
  });

  it('tell tempo, metre and key from where they stand', () => {
    const {
      tempi,
      metres,
      keys: found,
    } = readMidiEvents(
      fileOf([
        meta(0, 'setTempo', { microsecondsPerBeat: 500_000 }),
        meta(0, 'timeSignature', { numerator: 6, denominator: 8, metronome: 24, thirtyseconds: 8 }),
        meta(0, 'keySignature', { key: -3, scale: 1 }),
        on(0, 60),
        off(480, 60),
        meta(960, 'setTempo', { microsecondsPerBeat: 1_000_000 }),
        meta(960, 'keySignature', { key: 2, scale: 0 }),
      ]),
    );
    expect(tempi).toEqual([
      { tick: 0, quartersPerMinute: 120 },
      { tick: 1920, quartersPerMinute: 60 },
    ]);
    expect(metres).toEqual([{ tick: 0, numerator: 6, denominator: 8 }]);
    expect(found).toEqual([
      { tick: 0, fifths: -3, isMinor: true },
      { tick: 1920, fifths: 2, isMinor: false },
    ]);
  });
});
