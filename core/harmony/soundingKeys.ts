import { chroma, fifthsOf, isModal, type Key, keyName, modeSteps } from '../music';
import { leastPath } from '../paths';
import { keyAt, type PlayedSong, twelveKeys, within } from '../song';
import { correlationWith } from './keyFinding';

/**
 * Points of a phrase in a key: for the time of its notes that lie outside, for what its notes weigh otherwise than in that
 * key, for one that does not close on the key-note; and for going from one key to another, more by how far apart they lie.
 * Source: keys are told by their scales (Krumhansl 1990); a passing colour is no new key. Set on the marked songs.
 */
const COST = { outside: 40, otherwise: 4, otherEnd: 0.5, change: 6, perFifth: 0.4 } as const;

/** A key and where it begins to be in force. */
type KeyMap = PlayedSong['keyMap'];

/**
 * The keys a tune is in, phrase by phrase, where a song says only one: a song that goes up a tone, or to a key nearby for a
 * strain. `starts`: ticks at which phrases begin. A song that says its keys, or is in a mode, is in what it says.
 */
export function soundingKeys(played: PlayedSong, starts: readonly number[]): KeyMap {
  const { melody, keyMap, endTick } = played;
  const home = keyAt(played, 0);
  if (keyMap.length > 1 || isModal(home.mode)) return keyMap;
  const begins = [...new Set([0, ...starts])].filter((tick) => tick < endTick).sort((a, b) => a - b);
  const keys = [home, ...twelveKeys('major'), ...twelveKeys('minor')].filter(
    (key, i, all) => all.findIndex((other) => keyName(other) === keyName(key)) === i,
  );
  const phrases = begins.map((from, i) => weigh(within(melody, from, begins[i + 1] ?? endTick)));
  const { chosen } = leastPath(
    phrases.map((phrase) => keys.map((key) => costIn(phrase, key))),
    (_, a, b) => (a === b ? 0 : COST.change + COST.perFifth * apart(keys[a], keys[b])),
  );
  // It begins and ends as it says, or what it says is wrong, and that is told elsewhere.
  if (keyName(keys[chosen[0]]) !== keyName(home)) return keyMap;
  return begins.flatMap((tick, i) =>
    i > 0 && chosen[i] === chosen[i - 1] ? [] : [{ tick, ...keys[chosen[i]] }],
  );
}

interface Weighed {
  /** Time of each of the twelve keys. */
  readonly weights: readonly number[];
  readonly last: number | null;
}

function weigh(notes: PlayedSong['melody']): Weighed {
  const weights = new Array<number>(12).fill(0);
  for (const { midi, length } of notes) weights[midi % 12] += length;
  return { weights, last: notes.at(-1)?.midi ?? null };
}

function costIn({ weights, last }: Weighed, key: Key): number {
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  if (total === 0 || last === null) return 0;
  const tonic = chroma(key.tonic);
  const inside = new Set([...modeSteps(key.mode), ...(key.mode === 'minor' ? [11] : [])]);
  const outside = weights.reduce(
    (sum, weight, own) => sum + (inside.has((own - tonic + 12) % 12) ? 0 : weight),
    0,
  );
  return (
    (COST.outside * outside) / total +
    COST.otherwise * (1 - correlationWith(weights, key)) +
    (last % 12 === tonic ? 0 : COST.otherEnd)
  );
}

/** Steps on the circle of fifths from one signature to another. */
function apart(a: Key, b: Key): number {
  const by = Math.abs(fifthsOf(a) - fifthsOf(b)) % 12;
  return Math.min(by, 12 - by);
}
