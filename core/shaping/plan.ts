import { chroma, membersOf, scaleOf } from '../music';
import { keyAt, placeIn, type PlayedNote, type PlayedSong, within } from '../song';
import type { Phrase } from './phrases';

/** Why a phrase is as strong as it is, the strongest reason first. */
export type PlanReason =
  | 'begins'
  | 'climax'
  | 'high'
  | 'late'
  | 'new-strain'
  | 'lively'
  | 'after-climax'
  | 'returns'
  | 'frames'
  | 'own'
  | 'calm';

/** How strong a phrase is, 0 … 1, and why. */
export interface Planned {
  readonly intensity: number;
  readonly reasons: readonly PlanReason[];
  readonly isClimax: boolean;
}

/**
 * Points for what makes a phrase strong; pitches and densities in standard deviations of the song's phrases. Source: common
 * practice of shaping a song; the figures held against marked songs (rank correlation in the bench), place counting most.
 */
const POINTS = {
  place: 2.5,
  height: 1,
  highest: 1,
  newStrain: 1,
  longHigh: 0.5,
  last: 0.5,
  density: 0.5,
  harmony: 0.5,
  energy: 1,
} as const;
/** The range of intensities before limits are set. */
const [LEAST, RANGE] = [0.3, 0.6];
/** What the first phrase may have at most, and a short last one. */
const FIRST = 0.37;
const CODA = 0.4;
/** A last phrase shorter than this share of the usual is a coda. */
const CODA_SHARE = 0.6;
/** A return before the climax is so much stronger than before. */
const GROWTH = 0.06;
/** What sets the climax apart. */
const CLIMAX = 0.1;
/** From one phrase to the next it grows by no more than so much, the climax apart. */
const STEEPEST = 0.35;
/** A return of the climax's strain nearly as high, in points, is the climax. */
const NEARLY = -0.3;
/** Introductions, interludes and endings. */
const FRAMING = 0.2;
const MIDDLE_ENERGY = 3;

/** What of a phrase is weighed. */
interface Weighed {
  readonly height: number;
  readonly highest: number;
  readonly longHigh: number;
  readonly density: number;
  readonly harmony: number;
}

/**
 * The intensity of each phrase: by its place in the song, how high its tune lies and climbs, how dense it and its chords are,
 * and the energy of its section. The first phrase is plain; there is one climax, the last of its strain; what follows it
 * thins. `given` are intensities the pianist set, by the index of the phrase.
 */
export function planOf(
  played: PlayedSong,
  phrases: readonly Phrase[],
  given: ReadonlyMap<number, number> = new Map(),
): Planned[] {
  const own = phrases.flatMap(({ frame }, i) => (frame === undefined ? [i] : []));
  const intensities = shaped(
    played,
    own.map((i) => phrases[i]),
  );
  return phrases.map(({ frame }, i): Planned => {
    const at = own.indexOf(i);
    const found =
      at >= 0 ? intensities[at] : { intensity: FRAMING, reasons: ['frames' as const], isClimax: false };
    const set = given.get(i);
    if (set === undefined) return found;
    return {
      ...found,
      intensity: set,
      reasons: ['own', ...(frame === undefined ? [] : ['frames' as const])],
    };
  });
}

function shaped(played: PlayedSong, phrases: readonly Phrase[]): Planned[] {
  if (phrases.length === 0) return [];
  const { raw, parts } = pointsOf(played, phrases);
  const last = phrases.length - 1;
  if (phrases.length === 2)
    return [0.35, 0.65].map((intensity, i) => planned(intensity, parts[i], i === 1, i, 1));
  const [low, high] = [Math.min(...raw), Math.max(...raw)];
  const values = raw.map((points) => LEAST + (RANGE * (points - low)) / Math.max(0.01, high - low));
  values[0] = Math.min(values[0], FIRST);
  const lengths = phrases.map(({ barTick, toTick }) => toTick - barTick).sort((a, b) => a - b);
  const median = lengths[Math.floor(lengths.length / 2)];
  const isCoda = last > 1 && phrases[last].toTick - phrases[last].barTick < CODA_SHARE * median;
  if (isCoda) values[last] = Math.min(values[last], CODA);
  const climax = climaxOf(phrases, raw, isCoda ? last - 1 : last);
  phrases.forEach(({ strain }, i) => {
    const earlier = phrases.findLastIndex((other, at) => at < i && other.strain === strain);
    if (earlier >= 0 && i < climax) values[i] = Math.max(values[i], values[earlier] + GROWTH);
  });
  const top = Math.min(1, Math.max(...values) + CLIMAX);
  const limited = values.map((value, i) => (i === climax ? top : Math.min(value, top - CLIMAX)));
  for (let i = 1; i < limited.length; i++)
    if (i !== climax) limited[i] = Math.min(limited[i], limited[i - 1] + STEEPEST);
  return limited.map((value, i) => planned(value, parts[i], i === climax, i, climax));
}

/** The phrase with the most points; where its strain returns nearly as high, that return. */
function climaxOf(phrases: readonly Phrase[], raw: readonly number[], last: number): number {
  const among = raw.slice(0, last + 1);
  const best = among.indexOf(Math.max(...among.slice(1), ...(last === 0 ? among : [])));
  const returns = phrases.findLastIndex(
    ({ strain }, i) =>
      i > best && i <= last && strain === phrases[best].strain && raw[i] - raw[best] >= NEARLY,
  );
  return returns >= 0 ? returns : best;
}

function planned(
  intensity: number,
  parts: Readonly<Partial<Record<PlanReason, number>>>,
  isClimax: boolean,
  index: number,
  climax: number,
): Planned {
  const weighty = Object.entries(parts)
    .filter(([, points]) => points >= 0.5)
    .sort((a, b) => b[1] - a[1])
    .map(([reason]) => reason as PlanReason);
  const reasons: PlanReason[] = [
    ...(index === 0 ? ['begins' as const] : []),
    ...(isClimax ? ['climax' as const] : []),
    ...weighty,
    ...(index > climax ? ['after-climax' as const] : []),
  ];
  return {
    intensity: Math.round(intensity * 100) / 100,
    reasons: reasons.length > 0 ? reasons : ['calm'],
    isClimax,
  };
}

function pointsOf(
  played: PlayedSong,
  phrases: readonly Phrase[],
): { readonly raw: number[]; readonly parts: Partial<Record<PlanReason, number>>[] } {
  const { melody } = played;
  const mean = melody.reduce((sum, { midi }) => sum + midi, 0) / Math.max(1, melody.length);
  const weighed = phrases.map((phrase) => weigh(played, phrase, mean));
  const z = (of: (w: Weighed) => number): number[] => standardised(weighed.map(of));
  const [heights, highests] = [z((w) => w.height), z((w) => w.highest)];
  const [longs, densities, harmonies] = [z((w) => w.longHigh), z((w) => w.density), z((w) => w.harmony)];
  const raw: number[] = [];
  const parts = phrases.map(({ strain, time, fromTick, barTick }, i) => {
    const place = (POINTS.place * i) / Math.max(1, phrases.length - 1);
    const high = POINTS.height * heights[i] + POINTS.highest * highests[i] + POINTS.longHigh * longs[i];
    const isNew = i > 0 && time === 1 && strain !== phrases[0].strain;
    const lively = POINTS.density * densities[i] + POINTS.harmony * harmonies[i];
    const section = played.sections.findLast(({ tick }) => tick <= Math.max(fromTick, barTick));
    const energy = POINTS.energy * ((section?.energy ?? MIDDLE_ENERGY) - MIDDLE_ENERGY);
    const last = i === phrases.length - 1 ? POINTS.last : 0;
    raw.push(place + high + (isNew ? POINTS.newStrain : 0) + lively + energy + last);
    return {
      high,
      late: i > 0 ? place - 1 + last : 0,
      'new-strain': isNew ? POINTS.newStrain : 0,
      lively: lively + energy,
      ...(time > 1 ? { returns: 0.5 } : {}),
    };
  });
  return { raw, parts };
}

function weigh(played: PlayedSong, { fromTick, toTick, barTick }: Phrase, mean: number): Weighed {
  const notes = within(played.melody, fromTick, toTick).filter(({ grace }) => !grace);
  const length = Math.max(1, toTick - barTick);
  const beat = placeIn(played.bars, barTick).beatTicks;
  const total = notes.reduce((sum, note) => sum + note.length, 0);
  const height = notes.reduce((sum, note) => sum + note.midi * note.length, 0) / Math.max(1, total);
  const longHigh = (note: PlayedNote): number =>
    (note.midi - mean) * Math.log2(1 + Math.min(note.length, 4 * beat) / beat);
  const chords = within(played.changes, fromTick, toTick).filter(({ chord }) => chord);
  const foreign = chords.filter(({ tick, chord }) => {
    const scale = new Set(scaleOf(keyAt(played, tick)).map(chroma));
    return chord && membersOf(chord).some((member) => !scale.has(member.chroma));
  });
  return {
    height: notes.length > 0 ? height : mean,
    highest: Math.max(...notes.map(({ midi }) => midi), notes.length > 0 ? 0 : mean),
    longHigh: Math.max(0, ...notes.map(longHigh)),
    density: (notes.length * beat) / length,
    harmony: foreign.length / Math.max(1, chords.length) + (0.3 * chords.length * 4 * beat) / length,
  };
}

/** Values told in standard deviations from their mean. */
function standardised(values: readonly number[]): number[] {
  const mean = values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
  const deviation = Math.sqrt(
    values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / Math.max(1, values.length),
  );
  return values.map((value) => (deviation > 0.01 ? (value - mean) / deviation : 0));
}
