import type { HandNote } from '../hands';
import { chroma, bassOf, KEYBOARDS, membersOf, reachMm, spanMm } from '../music';
import { chordScale, type Company, scaleChromas } from '../shaping';
import type { Profile } from '../song';
import type { VoicedChange } from '../voicing';

/** A note of the tune and all that decides what may sound with it. */
export interface CompanyPlace {
  readonly note: HandNote;
  readonly voiced: VoicedChange;
  readonly isStrong: boolean;
  /** It stays alone: in the song's first bar, in a pick-up, quick, a weak repetition, played otherwise. */
  readonly isBare: boolean;
  /** Seconds until the next note of the tune. */
  readonly seconds: number;
  /** Keys of the left hand that sound while it does, and those it strikes up to the next beat besides. */
  readonly under: readonly number[];
  readonly near: readonly number[];
  /** The lowest key that sounds under it; null for none. */
  readonly bass: number | null;
  /** What of the chord neither the tune nor the left hand sounds: its third, its seventh. */
  readonly missing: ReadonlySet<number>;
}

/** Keys under (or an octave over) a note, with what they cost by themselves. */
export interface Companion {
  readonly keys: readonly number[];
  readonly own: number;
}

/** Points, ten to a point of the trial they come from. */
const COST = {
  bareStrong: 30,
  bareWeak: 10,
  foreign: 15,
  chromatic: 40,
  missingThird: -15,
  missingSeventh: -10,
  octaveWithBass: 60,
  wide: 60,
} as const;

/** What an interval under the tune costs in parallel thirds, sixths, and as a chord note, in half steps. */
const INTERVALS: Readonly<Record<'thirds' | 'sixths' | 'chord', Readonly<Record<number, number>>>> = {
  thirds: { 3: 0, 4: 0, 5: 20, 6: 25, 8: 25, 9: 25, 7: 40 },
  sixths: { 8: 0, 9: 0, 3: 20, 4: 20, 5: 25, 6: 30, 7: 35 },
  chord: { 3: 0, 4: 0, 8: 0, 9: 0, 5: 12, 7: 15, 6: 20, 10: 20 },
};

/** A3: nothing lies lower under the tune, unless the tune itself does. */
const LOWEST = 57;
/** A key this near to one of the left hand is in its way. */
const TOO_NEAR = 2;
const RUBS = [1, 13];
/** Half steps from the lowest key of the right hand beyond which both hands lie far apart. */
const WIDE = 16;

/** What may go with a note in a manner; to stay alone is always there, first. */
export function companionsAt(company: Company, place: CompanyPlace, profile: Profile): Companion[] {
  const alone: Companion = { keys: [], own: place.isStrong ? COST.bareStrong : COST.bareWeak };
  if (company === 'alone' || place.isBare) return [{ keys: [], own: 0 }];
  const isPlayable = playableUnder(place, profile);
  const found = inManner(company, place, isPlayable).filter(({ keys }) => keys.every(isPlayable));
  return [company === 'chord' && !place.isStrong ? { keys: [], own: 0 } : alone, ...found];
}

function inManner(company: Company, place: CompanyPlace, isPlayable: (key: number) => boolean): Companion[] {
  const { note, isStrong } = place;
  switch (company) {
    case 'thirds':
    case 'sixths':
      return singles(company, place);
    case 'chord':
      return isStrong ? singles('chord', place).filter(({ keys: [key] }) => isMember(place, key)) : [];
    case 'full': {
      const lines = [...singles('sixths', place), ...singles('thirds', place)];
      return isStrong ? [...lines, ...withOneMore(lines, place, isPlayable)] : lines;
    }
    case 'octave': {
      const octave = note.midi - 12;
      const inside = singles('chord', place).filter(
        ({ keys: [key] }) => key > octave + 2 && isMember(place, key),
      );
      const plain = [{ keys: [octave], own: 0 }];
      return isStrong
        ? [
            ...plain.map((one) => ({ ...one, own: 4 })),
            ...inside.map(({ keys, own }) => ({ keys: [octave, ...keys], own: own - 4 })),
          ]
        : plain;
    }
    default:
      return [{ keys: [note.midi + 12], own: 0 }];
  }
}

/** Single keys under a note: steps of the chord's scale, on strong beats members of the chord. */
function singles(manner: keyof typeof INTERVALS, place: CompanyPlace): Companion[] {
  const { note, voiced, isStrong, missing } = place;
  const scale = chordScale(voiced.chord, voiced.key);
  const members = membersOf(voiced.chord);
  return Object.entries(INTERVALS[manner]).flatMap(([interval, cost]): Companion[] => {
    const key = note.midi - Number(interval);
    const member = members.find((one) => one.chroma === key % 12);
    if (!member && (isStrong || !scale.has(key % 12))) return [];
    const isForeignToKey = !scaleChromas(voiced.key).has(key % 12);
    const tells = missing.has(key % 12)
      ? member?.number === 3
        ? COST.missingThird
        : COST.missingSeventh
      : 0;
    const own = cost + (member ? 0 : COST.foreign) + (isForeignToKey && !member ? COST.chromatic : 0) + tells;
    return [{ keys: [key], own: own + bassCost(place, [key]) }];
  });
}

function withOneMore(
  lines: readonly Companion[],
  place: CompanyPlace,
  isPlayable: (key: number) => boolean,
): Companion[] {
  return lines.flatMap(({ keys: [line], own }) =>
    membersOf(place.voiced.chord).flatMap((member): Companion[] => {
      const key = [1, 2]
        .map((octave) => place.note.midi - 12 * octave + ((member.chroma - (place.note.midi % 12) + 12) % 12))
        .find((low) => low < line - 2 && line - low <= 9);
      return key !== undefined && isPlayable(key) && isMember(place, line)
        ? [{ keys: [key, line], own: own - 12 }]
        : [];
    }),
  );
}

function isMember({ voiced }: CompanyPlace, key: number): boolean {
  return membersOf(voiced.chord).some((member) => member.chroma === key % 12);
}

function bassCost({ bass, note, voiced }: CompanyPlace, keys: readonly number[]): number {
  if (bass === null) return 0;
  const doubled = keys.some((key) => (key - bass) % 12 === 0 && chroma(bassOf(voiced.chord)) !== key % 12);
  const low = Math.min(...keys);
  return (doubled ? COST.octaveWithBass / 4 : 0) + (note.midi - low > WIDE ? COST.wide : 0);
}

/** On the keyboard, in reach, above the left hand and clear of what it strikes, a rub with nothing that sounds. */
function playableUnder(
  { note, under, near }: CompanyPlace,
  { keyboard, rightReach }: Profile,
): (key: number) => boolean {
  const { low, high } = KEYBOARDS[keyboard];
  const floor = note.midi < LOWEST ? note.midi - 9 : LOWEST;
  const top = Math.max(0, ...under);
  return (key) =>
    key >= Math.max(low, floor) &&
    key <= high &&
    key > top + TOO_NEAR &&
    near.every((other) => Math.abs(other - key) > TOO_NEAR) &&
    under.every((other) => !RUBS.includes(Math.abs(other - key))) &&
    !RUBS.includes(Math.abs(note.midi - key)) &&
    spanMm(Math.min(key, note.midi), Math.max(key, note.midi)) <= reachMm(rightReach);
}
