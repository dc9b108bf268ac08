import { type Chord, chroma, membersOf, symbolOf } from '../music';
import { gotOrMade, Memory } from '../memory';
import type { Finding, PlayedChange } from '../song';
import { relaxationFindings } from './findings';
import type { VoicingTask } from './task';
import { spell, stepFrom, type VoicedChange, type VoicedSong } from './voiced';
import { type Voicing, voicingOf } from './voicing';

/** Layouts of two notes as they are; of any other two keys of each chord are played. */
const OF_TWO_NOTES: readonly string[] = ['partial', 'shell', 'fifth', 'bass', 'singing'];
/** What a pair costs besides travel, in millimetres of it: it does not tell the chord, lacks its root, or rubs. */
const UNTOLD = 40;
const ROOTLESS = 15;
const CLOSE = 25;
/** Findings of the whole chord that two of its keys have not. */
const OF_WHOLE_CHORDS: readonly string[] = ['muddy', 'reach', 'thin-chord'];

/**
 * Two keys of each chord where the level asks for two: those that tell it and lie nearest the hand, taken from the keys of
 * the whole chord, so that the next level only adds the others. The hand travels no further than with whole chords: the
 * outer keys travel as far, and other pairs are taken only as long as the sum is no greater. Chords with the same keys
 * have the same pair. Source: outer notes first, inner ones later, as practitioners build a chord up.
 */
export function withTwoNotes(
  song: VoicedSong,
  hasTwo: (change: PlayedChange) => boolean,
  {
    profile,
    raiseMelodyAt,
    memory = new Memory(),
  }: Pick<VoicingTask, 'profile' | 'raiseMelodyAt' | 'memory'>,
): VoicedSong {
  const isReduced = ({ change, layout, voicing, fixedBy }: VoicedChange): boolean =>
    hasTwo(change) && voicing.keys.length > 2 && !OF_TWO_NOTES.includes(layout) && fixedBy !== 'settled';
  const reduced = song.voiced.map(isReduced);
  if (!reduced.includes(true)) return song;
  const nameOf = ({ chord, voicing }: VoicedChange): string => `${symbolOf(chord)} ${voicing.keys.join()}`;
  const ends = [song.voiced[0], song.voiced[song.voiced.length - 1]].map(nameOf);
  const known = new Map<string, PairPlace>();
  const pairs = nearestPairs(
    song.voiced.map((v, i) => {
      if (!reduced[i]) return whole(v.voicing);
      const name = nameOf(v);
      // A slash bass stays below, and so does what the song begins and ends on.
      return gotOrMade(known, name, () => placeOf(v, v.chord.bass !== null || ends.includes(name)));
    }),
  );
  const reducedMade = memory.of<VoicedChange>('two notes');
  let before: VoicedChange | null = null;
  const voiced = song.voiced.map((v, i) => {
    const voicing = pairs[i];
    const last = before;
    if (voicing === v.voicing && !reduced[i - 1]) return (before = v);
    const from = [v, voicing, last?.voicing ?? null];
    return (before = reducedMade(v.change.id, from, () => ({
      ...v,
      voicing,
      pitches: spell(voicing.keys, v.chord, v.key),
      step: last ? stepFrom(last.voicing, voicing) : null,
      nextBest: reduced[i] ? null : v.nextBest,
    })));
  });
  const ticks = new Set(song.voiced.flatMap((v, i) => (reduced[i] ? [v.change.tick] : [])));
  const isOfWhole = ({ kind }: Finding): boolean => OF_WHOLE_CHORDS.includes(kind);
  const others = song.findings.filter((finding) => !ticks.has(finding.tick) || !isOfWhole(finding));
  const own = voiced.flatMap((v, i) =>
    reduced[i] ? relaxationFindings(v, profile, raiseMelodyAt).filter(isOfWhole) : [],
  );
  return { ...song, voiced, findings: [...others, ...own] };
}

/** Every two keys of every voicing of a list, each pair once: what the least movement of two notes is looked for among. */
export function pairsOf(
  { chord, layout }: Pick<VoicedChange, 'chord' | 'layout'>,
  candidates: readonly Voicing[],
  keepsLowest: boolean,
): readonly Voicing[] {
  if (OF_TWO_NOTES.includes(layout)) return candidates;
  const all = candidates.flatMap((voicing) =>
    voicing.keys.length > 2
      ? placeOf({ voicing, chord }, keepsLowest || chord.bass !== null).options.map(
          (option) => option.voicing,
        )
      : [voicing],
  );
  return [...new Map(all.map((voicing) => [voicing.keys.join(), voicing])).values()];
}

/** One chord of the line: what may be played for it, its outer keys first. */
export interface PairPlace {
  readonly options: readonly PairOption[];
}

interface PairOption {
  readonly voicing: Voicing;
  readonly penalty: number;
}

function whole(voicing: Voicing): PairPlace {
  return gotOrMade(wholes, voicing, () => ({ options: [{ voicing, penalty: 0 }] }));
}

function placeOf(
  { voicing, chord }: Pick<VoicedChange, 'voicing' | 'chord'>,
  keepsLowest: boolean,
): PairPlace {
  const made = gotOrMade(places, voicing, () => new Map<boolean, PairPlace>());
  return gotOrMade(made, keepsLowest, () => {
    const { keys } = voicing;
    const top = keys.length - 1;
    const outerFirst = [[0, top], ...pairsBut(top, keepsLowest)];
    return {
      options: outerFirst.map(([low, high]) => {
        const pair = [keys[low], keys[high]];
        return { voicing: voicingOf(pair, chord), penalty: penaltyOf(pair, chord) };
      }),
    };
  });
}

const wholes = new WeakMap<Voicing, PairPlace>();
const places = new WeakMap<Voicing, Map<boolean, PairPlace>>();

/** Every pair of places from 0 to `top` but the outer one. */
function pairsBut(top: number, keepsLowest: boolean): (readonly [number, number])[] {
  const found: [number, number][] = [];
  for (let low = 0; low < (keepsLowest ? 1 : top); low++)
    for (let high = low + 1; high <= top; high++) if (low > 0 || high < top) found.push([low, high]);
  return found;
}

function penaltyOf([low, high]: readonly number[], chord: Chord): number {
  const telling = membersOf(chord).filter(({ number }) => [2, 3, 4, 6, 7].includes(number));
  const has = (wanted: number): boolean => low % 12 === wanted || high % 12 === wanted;
  const isTold = telling.length === 0 || telling.some((member) => has(member.chroma));
  return (isTold ? 0 : UNTOLD) + (has(chroma(chord.root)) ? 0 : ROOTLESS) + (high - low <= 2 ? CLOSE : 0);
}

/**
 * A pair for each place, chords with the same keys alike: beginning with the outer keys, one chord after the other is
 * given the pair with which travel and penalties are least, as long as the hand travels no further in all than with the
 * outer keys; until nothing gets better.
 */
export function nearestPairs(line: readonly PairPlace[]): Voicing[] {
  const distinct = [...new Set(line)];
  const at = new Map(distinct.map((place) => [place, line.flatMap((own, i) => (own === place ? [i] : []))]));
  const chosen = line.map(({ options }) => options[0]);
  const mm = (i: number): number =>
    i < 1 || i >= line.length ? 0 : Math.abs(chosen[i].voicing.middleMm - chosen[i - 1].voicing.middleMm);
  /** Travel to and from these chords, each step once. */
  const travelAt = (indices: readonly number[]): number =>
    [...new Set(indices.flatMap((i) => [i, i + 1]))].reduce((sum, i) => sum + mm(i), 0);
  let slack = 0;
  for (let isBetter = true; isBetter;) {
    isBetter = false;
    for (const place of distinct) {
      const indices = at.get(place) as number[];
      const own = chosen[indices[0]];
      const travel = travelAt(indices);
      let best = { option: own, gain: 0, saved: 0 };
      for (const option of place.options) {
        for (const i of indices) chosen[i] = option;
        const saved = travel - travelAt(indices);
        const gain = saved + indices.length * (own.penalty - option.penalty);
        if (gain > best.gain + 1e-6 && slack + saved > -1e-6) best = { option, gain, saved };
      }
      for (const i of indices) chosen[i] = best.option;
      slack += best.saved;
      isBetter ||= best.option !== own;
    }
  }
  return chosen.map(({ voicing }) => voicing);
}
