import { fifthsOf, isBlack, type Key, KEYBOARDS, reachMm, spanMm } from '../music';
import { partsOf } from '../parts';
import { nearestWay, type Profile, type Song, transpose, twelveKeys, unfold } from '../song';
import { voiceParts } from '../voicing';
import { because, type Phrase } from '../sentences';

/** How easy the song is in one key. */
export interface KeyChoice {
  readonly key: Key;
  /** Half steps from the song's key, −11 … 11. */
  readonly semitones: number;
  /** Strikes on black keys in a hundred, both hands. */
  readonly blackShare: number;
  /** Parts whose melody lies in one hand position (no wider than the right hand's reach). */
  readonly onePosition: number;
  readonly parts: number;
  /** Chords that had to be thinned, shortened or crossed for the left hand to play them. */
  readonly strained: number;
  /** Travel of the left hand in millimetres. */
  readonly travelMm: number;
  /** Half steps the melody goes beyond the singer's range; null when no range is given. */
  readonly beyondVoice: number | null;
  /** Lower is easier. */
  readonly effort: number;
  readonly reasons: readonly Phrase[];
}

/** What a hundredth of black keys, a strained chord, a part out of position … weigh; by ear, beside each other. */
const WEIGHT = {
  black: 1,
  strained: 6,
  outOfPosition: 5,
  travelPerMetre: 4,
  beyondVoice: 8,
  accidental: 0.5,
  octave: 0.2,
};

/**
 * The song in all twelve keys, the easiest first: black keys, melody range against one hand position, what the left
 * hand's reach costs, and the singer's range when the profile has one. Each is voiced anew.
 */
export function easierKeys(song: Song, profile: Profile): KeyChoice[] {
  const from = song.keyMap[0];
  return twelveKeys(from.mode)
    .map((key) => choiceFor(song, profile, key))
    .sort((a, b) => a.effort - b.effort || Math.abs(a.semitones) - Math.abs(b.semitones));
}

function choiceFor(song: Song, profile: Profile, key: Key): KeyChoice {
  const near = nearestWay(song.keyMap[0], key);
  const ways = near === 0 ? [0] : [near, near > 0 ? near - 12 : near + 12];
  const choices = ways.map((semitones) => measure(song, profile, key, semitones));
  return choices.reduce((best, choice) => (choice.effort < best.effort ? choice : best));
}

function measure(song: Song, profile: Profile, key: Key, semitones: number): KeyChoice {
  const moved = { ...transpose(song, key, semitones), pins: [], closeHands: [], settled: [] };
  const played = unfold(moved);
  const parts = partsOf(moved, played);
  const { voiced } = voiceParts(moved, profile, played, parts);
  const keys = [...played.melody.map((n) => n.midi), ...voiced.flatMap((v) => v.voicing.keys)];
  const blackShare = Math.round((100 * keys.filter(isBlack).length) / Math.max(1, keys.length));
  const spans = parts.map((part) => {
    const inPart = played.melody
      .filter((n) => n.tick >= part.fromTick && n.tick < part.toTick)
      .map((n) => n.midi);
    return inPart.length === 0 ? 0 : spanMm(Math.min(...inPart), Math.max(...inPart));
  });
  const onePosition = spans.filter(
    (span) => span <= Math.min(reachMm(profile.rightReach), reachMm(FIVE_KEYS)),
  ).length;
  const strained = voiced.filter((v) => v.relaxed !== null).length;
  const travelMm = voiced.reduce((sum, v) => sum + (v.step?.millimetres ?? 0), 0);
  const beyondVoice = profile.singer
    ? beyond(
        played.melody.map((n) => n.midi),
        profile.singer,
      )
    : null;
  const keyboard = KEYBOARDS[profile.keyboard];
  const off = keys.filter((k) => k < keyboard.low || k > keyboard.high).length;
  const effort =
    WEIGHT.black * blackShare +
    WEIGHT.strained * (strained + off) +
    WEIGHT.outOfPosition * (parts.length - onePosition) +
    (WEIGHT.travelPerMetre * travelMm) / 1000 +
    WEIGHT.beyondVoice * (beyondVoice ?? 0) +
    WEIGHT.accidental * Math.abs(fifthsOf(key)) +
    (Math.abs(semitones) > 6 ? 2 : 0) +
    WEIGHT.octave * Math.abs(semitones);
  const reasons = reasonsOf({ blackShare, onePosition, parts: parts.length, strained, beyondVoice });
  return {
    key,
    semitones,
    blackShare,
    onePosition,
    parts: parts.length,
    strained,
    travelMm,
    beyondVoice,
    effort,
    reasons,
  };
}

/** Five neighbouring white keys under five fingers span a fifth. */
const FIVE_KEYS = 5;

function beyond(keys: readonly number[], { low, high }: NonNullable<Profile['singer']>): number {
  if (keys.length === 0) return 0;
  return Math.max(0, low - Math.min(...keys)) + Math.max(0, Math.max(...keys) - high);
}

function reasonsOf(
  m: Pick<KeyChoice, 'blackShare' | 'onePosition' | 'parts' | 'strained' | 'beyondVoice'>,
): Phrase[] {
  const reasons = [because.blackShare(m.blackShare)];
  if (m.onePosition > 0) reasons.push(because.fiveFingers(m.onePosition, m.parts));
  if (m.strained > 0) reasons.push(because.madeSmaller(m.strained));
  if (m.beyondVoice !== null) reasons.push(because.beyondVoice(m.beyondVoice));
  return reasons;
}
