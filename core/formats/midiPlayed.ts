import { barTicks, type Key, TICKS_PER_QUARTER } from '../music';
import {
  findBeat,
  findMetres,
  type FoundMetre,
  melodyNote,
  quantise,
  type Quantised,
  withoutBreaths,
} from '../takes';
import type { MidiContent } from './midiEvents';

/** What a program writes where nobody chose a tempo, in quarters a minute. */
const USUAL_TEMPO = 120;
/** Strikes this near to one another, in seconds, are one. */
const TOGETHER = 0.03;
/** So many strikes tell the beat and the metre; all of a long file would take too long. */
const ENOUGH = 600;
const IN_C: Key = { tonic: { letter: 'C', alter: 0 }, mode: 'major' };

/**
 * A file that was played with no tempo and no metre chosen, in the time it was played in: its beat, its metre and its pick-up
 * are found. The same file where these are said, or where no steady beat is heard.
 */
export function inOwnTime(content: MidiContent): MidiContent {
  if (!isTimeUsual(content)) return content;
  const keys = content.tracks.flatMap((track) => track.keys);
  const toSeconds = 60 / USUAL_TEMPO / TICKS_PER_QUARTER;
  const strikes = [...new Set(keys.map(({ start }) => start))]
    .sort((a, b) => a - b)
    .map((start) => start * toSeconds)
    .filter((at, i, all) => i === 0 || at - all[i - 1] > TOGETHER)
    .slice(0, ENOUGH);
  const beat = findBeat(strikes);
  if (!beat) return content;
  const quarter = beat.isInThrees ? (beat.seconds * 2) / 3 : beat.seconds;
  const first = keys.reduce((least, { start }) => Math.min(least, start), Infinity);
  const scale = toSeconds / (quarter / TICKS_PER_QUARTER);
  const found = metreOf(content, (tick) => (tick - first) * scale, quarter);
  const before = found.pickup === 0 ? 0 : barTicks(found.metre) - found.pickup;
  const moved = (tick: number): number => before + (tick - first) * scale;
  return {
    ...content,
    tracks: content.tracks.map((track) => ({
      ...track,
      keys: track.keys.map((key) => ({ ...key, start: moved(key.start), end: moved(key.end) })),
    })),
    tempi: [{ tick: 0, quartersPerMinute: 60 / quarter }],
    metres: [{ tick: 0, ...found.metre }],
  };
}

function isTimeUsual({ tempi, metres }: MidiContent): boolean {
  const [tempo, metre] = [tempi.at(0), metres.at(0)];
  const isTempoUsual =
    !tempo || (tempi.length === 1 && Math.abs(tempo.quartersPerMinute - USUAL_TEMPO) < 0.01);
  const isMetreUsual = !metre || (metres.length === 1 && metre.numerator === 4 && metre.denominator === 4);
  return isTempoUsual && isMetreUsual;
}

/** The metre and pick-up of the top line. */
function metreOf(
  { tracks }: MidiContent,
  moved: (tick: number) => number,
  quarter: number,
): Pick<FoundMetre, 'metre' | 'pickup'> {
  const played = tracks
    .flatMap((track) => track.keys)
    .sort((a, b) => a.start - b.start)
    .slice(0, ENOUGH)
    .map(({ start, end, midi }) => ({
      onset: moved(start) / TICKS_PER_QUARTER,
      end: moved(end) / TICKS_PER_QUARTER,
      midi,
    }));
  const top = new Map<number, Quantised['keys'][number]>();
  for (const key of quantise(played, quarter).keys)
    if (key.midi > (top.get(key.tick)?.midi ?? 0)) top.set(key.tick, key);
  const melody = withoutBreaths(
    [...top.values()].map((key) => ({ ...key, tick: Math.max(0, key.tick) })),
  ).map((key, i) => melodyNote(`k${i}`, key, IN_C));
  const [found] = findMetres(melody);
  return found ?? { metre: { numerator: 4, denominator: 4 }, pickup: 0 };
}
