import midiFile, { type MidiData } from 'midi-file';
import { TICKS_PER_QUARTER } from '../music';
import { gotOrMade } from '../memory';
import { FileError, refuseTooLarge } from './fileError';

/** A key of a MIDI file, times in ticks of 1/960 quarter, not rounded. */
interface MidiKey {
  readonly start: number;
  readonly end: number;
  readonly midi: number;
  readonly lyric: string | null;
}

/** One track, or one channel of a file with a single track. */
export interface MidiTrack {
  readonly name: string;
  readonly keys: readonly MidiKey[];
}

export interface MidiContent {
  readonly title: string | null;
  readonly tracks: readonly MidiTrack[];
  readonly tempi: readonly { readonly tick: number; readonly quartersPerMinute: number }[];
  readonly metres: readonly {
    readonly tick: number;
    readonly numerator: number;
    readonly denominator: number;
  }[];
  readonly keys: readonly { readonly tick: number; readonly fifths: number; readonly isMinor: boolean }[];
}

const HEADER = [0x4d, 0x54, 0x68, 0x64];
const DRUM_CHANNEL = 9;
/** "MTrk" */
const TRACK_CHUNK = 0x4d54726b;
const HIGHEST_KEY = 127;
const KEYS = HIGHEST_KEY + 1;
const LONGEST_TICKS = 90_000_000;

/** What a Standard MIDI file of type 0 or 1 holds. Throws {@link FileError}. */
export function readMidiEvents(bytes: Uint8Array): MidiContent {
  refuseTooLarge(bytes.length);
  if (bytes.length === 0) throw new FileError('The file is empty', '', 'Choose another file.');
  if (!HEADER.every((byte, i) => bytes[i] === byte))
    throw new FileError('This is not a MIDI file', 'first bytes', 'Choose a file that ends in .mid.');
  refuseCutShort(bytes);
  const { header, tracks } = parse(bytes);
  if (header.format === 2)
    throw new FileError(
      'This MIDI file is of type 2, independent patterns',
      'header',
      'Save it as type 0 or 1.',
    );
  const perQuarter = header.ticksPerBeat;
  if (!perQuarter || header.ticksPerFrame)
    throw new FileError(
      'The file counts time in film frames (SMPTE), not in beats',
      'header',
      'Save it with time in ticks per quarter note.',
    );
  const scale = TICKS_PER_QUARTER / perQuarter;
  const content = { title: null as string | null, tempi: [], metres: [], keys: [] } as {
    title: string | null;
    tempi: MidiContent['tempi'][number][];
    metres: MidiContent['metres'][number][];
    keys: MidiContent['keys'][number][];
  };
  const read: MidiTrack[] = [];
  const wordTracks: Words[] = [];
  tracks.forEach((events, index) => {
    const track = new TrackReader(`Track ${index + 1}`);
    let at = 0;
    for (const event of events) {
      at += event.deltaTime;
      const tick = at * scale;
      if (tick > LONGEST_TICKS)
        throw new FileError('The file is longer than any song', `track ${index + 1}`, 'Export it again.');
      switch (event.type) {
        case 'setTempo':
          if (event.microsecondsPerBeat > 0)
            content.tempi.push({ tick, quartersPerMinute: 60_000_000 / event.microsecondsPerBeat });
          break;
        case 'timeSignature':
          content.metres.push({ tick, numerator: event.numerator, denominator: event.denominator });
          break;
        case 'keySignature':
          content.keys.push({ tick, fifths: event.key, isMinor: event.scale === 1 });
          break;
        default:
          track.read(event, tick);
      }
    }
    const parts = track.parts(at * scale);
    if (parts.length === 0 && content.title === null && index === 0) content.title = track.givenName;
    // Words alone are those of another track.
    if (parts.length === 0) wordTracks.push(track.words);
    else read.push(...withWords(parts, track.words));
  });
  return { ...content, tracks: wordTracks.reduce(withWords, read) };
}

/** Syllables by the tick they are sung at; the first of each. */
type Words = ReadonlyMap<number, string>;

/** The words go to the track that strikes keys at most of them, each syllable to one key. */
function withWords(tracks: MidiTrack[], words: Words): MidiTrack[] {
  if (words.size === 0) return tracks;
  const sung = ({ keys }: MidiTrack): number =>
    new Set(keys.map(({ start }) => start).filter((start) => words.has(start))).size;
  const [best] = [...tracks].sort((a, b) => sung(b) - sung(a));
  return tracks.map((track) => (track === best ? { ...track, keys: singing(track.keys, words) } : track));
}

function singing(keys: readonly MidiKey[], words: Words): MidiKey[] {
  const left = new Map(words);
  return keys.map((key) => {
    const lyric = key.lyric ?? left.get(key.start) ?? null;
    left.delete(key.start);
    return { ...key, lyric };
  });
}

/** Every chunk must be there whole, and as many tracks as the header says: half a song is not read silently. */
function refuseCutShort(bytes: Uint8Array): void {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const cutShort = (place: string): never => {
    throw new FileError('The MIDI file is cut short', place, 'Export it again from where it was made.');
  };
  if (bytes.length < 14) cutShort('header');
  const wanted = view.getUint16(10);
  let found = 0;
  for (let at = 8 + view.getUint32(4); at < bytes.length && found < wanted;) {
    if (at + 8 > bytes.length || at + 8 + view.getUint32(at + 4) > bytes.length)
      cutShort(`track ${found + 1}`);
    if (view.getUint32(at) === TRACK_CHUNK) found++;
    at += 8 + view.getUint32(at + 4);
  }
  if (found < wanted) cutShort(`track ${found + 1} of ${wanted}`);
}

function parse(bytes: Uint8Array): MidiData {
  try {
    return midiFile.parseMidi(bytes);
  } catch {
    // What the reader says is of bytes, and of no use to who plays.
    throw new FileError(
      'The MIDI file is damaged or cut short',
      '',
      'Export it again from where it was made.',
    );
  }
}

/** Follows keys going down and up on each channel of a track. */
class TrackReader {
  givenName: string | null = null;
  readonly words = new Map<number, string>();
  /** Onsets of the keys that are down, by key of a channel. */
  private readonly down = new Map<number, number[]>();
  private readonly byChannel = new Map<number, MidiKey[]>();

  constructor(private readonly fallbackName: string) {}

  read(event: MidiData['tracks'][number][number], tick: number): void {
    if (event.type === 'trackName') this.givenName ??= decoded(event.text).trim().slice(0, 60) || null;
    else if (event.type === 'lyrics') this.sing(decoded(event.text), tick);
    else if (event.type === 'noteOn' && event.velocity > 0) this.press(event.channel, event.noteNumber, tick);
    else if (event.type === 'noteOn' || event.type === 'noteOff')
      this.letGo(event.channel, event.noteNumber, tick);
  }

  /** A syllable stands before its key or, as some write it, after it at the same time. */
  private sing(text: string, tick: number): void {
    if (!this.words.has(tick)) this.words.set(tick, text);
  }

  private press(channel: number, midi: number, start: number): void {
    if (channel === DRUM_CHANNEL || midi > HIGHEST_KEY) return;
    gotOrMade(this.down, channel * KEYS + midi, (): number[] => []).push(start);
  }

  private letGo(channel: number, midi: number, end: number): void {
    const start = this.down.get(channel * KEYS + midi)?.shift();
    if (start !== undefined) this.add(channel, { start, end, midi, lyric: null });
  }

  private add(channel: number, key: MidiKey): void {
    gotOrMade(this.byChannel, channel, (): MidiKey[] => []).push(key);
  }

  /** Keys by channel; one that was never let go ends with the next one struck, the last with the track. */
  parts(end: number): MidiTrack[] {
    const held = [...this.down].flatMap(([id, starts]) =>
      starts.splice(0).map((start) => ({ start, channel: Math.floor(id / KEYS), midi: id % KEYS })),
    );
    const struck = new Map<number, number[]>();
    for (const { channel, start } of held) gotOrMade(struck, channel, (): number[] => []).push(start);
    for (const [channel, starts] of struck) {
      starts.push(...(this.byChannel.get(channel) ?? []).map(({ start }) => start));
      starts.sort((a, b) => a - b);
    }
    for (const { start, channel, midi } of held) {
      const next = firstAfter(struck.get(channel) ?? [], start) ?? end;
      this.add(channel, { start, end: next, midi, lyric: null });
    }
    const name = this.givenName ?? this.fallbackName;
    const hasMany = this.byChannel.size > 1;
    return [...this.byChannel].map(([channel, keys]) => ({
      name: hasMany ? `${name}, channel ${channel + 1}` : name,
      keys: keys.sort((a, b) => a.start - b.start || a.midi - b.midi),
    }));
  }
}

/** The first of some times, in order, that is later than one; undefined where none is. */
function firstAfter(times: readonly number[], than: number): number | undefined {
  let [low, high] = [0, times.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (times[middle] > than) high = middle;
    else low = middle + 1;
  }
  return times[low];
}

/** Text of a MIDI event: bytes, read as UTF-8 where they are. */
function decoded(bytes: string): string {
  try {
    return decodeURIComponent(
      [...bytes].map((c) => `%${c.charCodeAt(0).toString(16).padStart(2, '0')}`).join(''),
    );
  } catch (error) {
    // Older files write Latin-1, one byte a character: it is read as it stands.
    if (error instanceof URIError) return bytes;
    throw error;
  }
}
