import type { HandNote } from '../hands';
import { leastPath } from '../paths';
import { COMPANIES, type Company, type ShapedPhrase, type Style } from '../shaping';
import type { Profile } from '../song';
import { spell } from '../voicing';
import { type Companion, companionsAt, type CompanyPlace } from './company';

/** A phrase of the tune, and how its song is played. */
export interface PhraseToDress {
  readonly phrase: Pick<ShapedPhrase, 'intensity' | 'isClimax' | 'time'>;
  readonly places: readonly CompanyPlace[];
  readonly style: Style;
  /** Seconds of its notes, the middle one. */
  readonly medianSeconds: number;
  readonly isInThree: boolean;
  readonly profile: Profile;
}

/** What the right hand has beside the tune in a phrase. */
export interface Dressed {
  readonly company: Company;
  readonly notes: readonly HandNote[];
}

/** Where each manner is wanted most, how quickly the wish fades, and how strong it is there. */
const WANTED: Readonly<
  Record<Exclude<Company, 'alone'>, readonly [at: number, fades: number, most: number]>
> = {
  thirds: [0.48, 3, 1],
  sixths: [0.62, 3, 1],
  chord: [0.74, 2.2, 1],
  full: [0.95, 3, 0.95],
  octave: [0.95, 3.5, 1],
  'octave-above': [1, 4, 1],
};
/** What a manner the style has rather than others is wanted more. */
const RATHER = 0.15;
/** A phrase that is calmer stays alone. */
const ALONE_BELOW = 0.38;
const COVERAGE = 1.2;
const COST_A_NOTE = 0.025;
const LEAST_COVERAGE = 0.35;
const FEWEST = 3;
/** A quick tune: seconds of its notes, the middle one. */
const QUICK = 0.28;
/** Nothing quicker is doubled at the octave above, and so much of the phrase is slower. */
const [OCTAVE_QUICKEST, OCTAVE_SLOW, OCTAVE_SHARE] = [0.24, 0.3, 0.85];
/** G5: a tune that goes higher is not doubled above. */
const OCTAVE_TOP = 79;
const STEP = {
  begins: 8,
  parallelFifths: 80,
  intoFifth: 20,
  parallel: -6,
  leapOfQuick: 50,
  leapOfLine: 2,
} as const;
const LEAP = 4;

/** One manner for a phrase and the keys it puts beside each note: the manner that suits its intensity and covers it best, exact over the phrase. */
export function dressPhrase(task: PhraseToDress): Dressed {
  const { phrase, places, profile } = task;
  if (phrase.intensity < ALONE_BELOW || places.length === 0) return { company: 'alone', notes: [] };
  let best: { worth: number; company: Company; chosen: readonly (readonly number[])[] } | null = null;
  for (const company of COMPANIES) {
    if (company === 'alone' || !isAllowed(company, task)) continue;
    const { chosen, cost } = companyOf(company, places, profile);
    const strong = places.filter(({ isStrong, isBare }) => isStrong && !isBare);
    const covered = places.filter((place, i) => place.isStrong && chosen[i].length > 0).length;
    const count = chosen.filter((keys) => keys.length > 0).length;
    const coverage = covered / Math.max(1, strong.length);
    if (coverage < LEAST_COVERAGE || count < FEWEST) continue;
    const worth =
      wish(company, task) + COVERAGE * coverage - (COST_A_NOTE * cost) / Math.max(1, places.length);
    if (!best || worth > best.worth) best = { worth, company, chosen };
  }
  if (!best) return { company: 'alone', notes: [] };
  const { company, chosen } = best;
  return { company, notes: places.flatMap((place, i) => notesOf(place, chosen[i])) };
}

function isAllowed(company: Company, { phrase, places, style, profile }: PhraseToDress): boolean {
  if (style.never?.includes(company)) return false;
  if (company === 'octave') return profile.rightReach >= 8;
  if (company !== 'octave-above') return true;
  const own = places.filter(({ isBare }) => !isBare);
  const slow = own.filter(({ seconds }) => seconds >= OCTAVE_SLOW).length;
  return (
    profile.rightReach >= 8 &&
    phrase.isClimax &&
    own.length > 0 &&
    places.every(({ seconds, note }) => seconds >= OCTAVE_QUICKEST && note.midi <= OCTAVE_TOP) &&
    slow >= OCTAVE_SHARE * own.length
  );
}

/** How much a manner is wanted at an intensity, in a style, in a metre. */
function wish(company: Company, { phrase, style, medianSeconds, isInThree }: PhraseToDress): number {
  if (company === 'alone') return 0;
  const [at, fades, most] = WANTED[company];
  const wanted = most - fades * Math.abs(phrase.intensity - at);
  const rather = style.rather?.includes(company) ? RATHER : 0;
  const inThree = company === 'sixths' && isInThree ? 0.15 : 0;
  const again = company === 'sixths' && phrase.time > 1 ? 0.1 : 0;
  const quick =
    medianSeconds >= QUICK
      ? 0
      : company === 'chord'
        ? 0.2
        : ['thirds', 'sixths', 'full'].includes(company)
          ? -0.3
          : 0;
  return wanted + rather + inThree + again + quick;
}

/** The keys beside each note of a phrase in one manner, so that the whole costs least; exact. */
export function companyOf(
  company: Company,
  places: readonly CompanyPlace[],
  profile: Profile,
): { readonly chosen: readonly (readonly number[])[]; readonly cost: number } {
  const candidates = places.map((place) => companionsAt(company, place, profile));
  const { chosen, cost } = leastPath(
    candidates.map((list) => list.map(({ own }) => own)),
    (i, a, b) => stepCost(places[i - 1], candidates[i - 1][a], places[i], candidates[i][b]),
  );
  return { chosen: candidates.map((list, i) => list[chosen[i]].keys), cost };
}

function stepCost(before: CompanyPlace, from: Companion, place: CompanyPlace, to: Companion): number {
  const [a, b] = [from.keys.at(-1), to.keys.at(-1)];
  if (a === undefined && b === undefined) return 0;
  if (a === undefined || b === undefined) return STEP.begins;
  const [was, is] = [before.note.midi - a, place.note.midi - b];
  const tune = place.note.midi - before.note.midi;
  let cost = STEP.leapOfLine * Math.max(0, Math.abs(b - a) - LEAP);
  if (is === 7 && tune !== 0 && a !== b)
    cost += was === 7 ? STEP.parallelFifths : tune * (b - a) > 0 ? STEP.intoFifth : 0;
  const isParallel = (x: number, y: number): boolean =>
    Math.abs(x - y) <= 1 && [3, 4, 8, 9].includes(x) && [3, 4, 8, 9].includes(y);
  if (isParallel(was, is)) cost += STEP.parallel;
  if (before.seconds < 0.3 && Math.abs(tune) > LEAP) cost += STEP.leapOfQuick;
  return cost;
}

function notesOf({ note, voiced }: CompanyPlace, keys: readonly number[]): HandNote[] {
  const pitches = spell(keys, voiced.chord, voiced.key);
  return keys.map((midi, i) => ({
    ...note,
    midi,
    pitch:
      Math.abs(midi - note.midi) === 12
        ? { ...note.pitch, octave: note.pitch.octave + (midi - note.midi) / 12 }
        : pitches[i],
    source: 'harmony' as const,
    lyric: null,
    syllabic: undefined,
    touch: undefined,
    finger: null,
  }));
}

/** Two notes of the chord under the last note of a song, at least a third apart; one where there is no room for two. */
export function closeUnder(place: CompanyPlace, profile: Profile): HandNote[] {
  const single = companionsAt('chord', { ...place, isStrong: true }, profile)
    .filter(({ keys }) => keys.length === 1)
    .map(({ keys: [key] }) => key)
    .sort((a, b) => b - a);
  const [upper] = single;
  const lower = single.find((key) => key <= upper - 3);
  return notesOf(
    place,
    [lower, upper].filter((key) => key !== undefined).sort((a, b) => a - b),
  );
}
