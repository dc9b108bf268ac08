import { inversionName, inversionReason, nameKeys } from '../harmony';
import { chroma, classNameOf, membersOf, symbolOf, TICKS_PER_QUARTER, typeset } from '../music';
import type { CloseHands, PlayedNote } from '../song';
import { listed, memberInWords } from '../sentences';
import { type Alternative, spell, type Step, type VoicedChange } from '../voicing';
import { capital } from './titles';

/** "B♭7, second inversion"; the bass is in the symbol of a slash chord. */
export function voicingName(v: VoicedChange): string {
  return `${typeset(symbolOf(v.chord))}, ${inversionName(v.voicing.inversion)}`;
}

/** "D F A from D: root, minor 3rd, 5th; here A lies lowest, its 5th." One line of derivation. */
export function derivationOf(v: VoicedChange): string {
  const members = membersOf(v.chord).map((m) => typeset(classNameOf(m.pitchClass)));
  const shown = v.pitches.map((p) => typeset(classNameOf(p))).join(' ');
  return `${typeset(symbolOf(v.chord))} is ${members.join(' ')} (${v.chord.type.words}). Played ${shown}: ${inversionReason(v.voicing.keys, v.chord)}.`;
}

const STEP_WORDS: Record<number, string> = { 1: 'a half step', 2: 'a whole step' };

function distance(semitones: number): string {
  return STEP_WORDS[semitones] ?? `${semitones} half steps`;
}

/** Which notes stay, which move and how far: "F and A♭ stay, C falls a whole step to B♭ …: 3 half steps in all." */
export function movementInWords(before: VoicedChange, after: VoicedChange, step: Step): string {
  const name = (key: number, of: VoicedChange): string =>
    typeset(classNameOf(spell([key], of.chord, of.key)[0]));
  const stay = step.moves
    .filter((m) => m.from !== null && m.from === m.to)
    .map((m) => name(m.to as number, after));
  const moved = step.moves
    .filter((m) => m.from !== m.to)
    .map(({ from, to, semitones }) => {
      if (from === null) return `${name(to as number, after)} is added`;
      if (to === null) return `${name(from, before)} is let go`;
      return `${name(from, before)} ${to > from ? 'rises' : 'falls'} ${distance(semitones)} to ${name(to, after)}`;
    });
  const parts =
    stay.length > 0 ? [`${listed(stay)} ${stay.length === 1 ? 'stays' : 'stay'}`, ...moved] : moved;
  return `${parts.join(', ')}: ${step.semitones} half step${step.semitones === 1 ? '' : 's'} in all`;
}

/** What the pianist chose where the hands come close. */
export const CLOSE_HANDS_IN_WORDS: Readonly<Record<CloseHands, string>> = {
  'let-go': 'It is let go as soon as the melody comes down to its keys.',
  share: 'A key both hands want is played by the right hand for both.',
  cross: 'The hands may cross here.',
};

/** What keys the pianist gave leave out of their chord, which are none of it, and what they sound like by themselves. */
export function givenInWords({ chord, key, pitches, voicing: { keys } }: VoicedChange): string[] {
  const members = membersOf(chord);
  const sounding = new Set(keys.map((midi) => midi % 12));
  const missing = members
    .filter((member) => !sounding.has(member.chroma))
    .map(({ number, pitchClass }) => `its ${memberInWords(number)} (${typeset(classNameOf(pitchClass))})`);
  const own = new Set([
    ...members.map((member) => member.chroma),
    ...(chord.bass ? [chroma(chord.bass)] : []),
  ]);
  const strange = [
    ...new Set(
      pitches.filter((pitch) => !own.has(chroma(pitch))).map((pitch) => typeset(classNameOf(pitch))),
    ),
  ];
  const alone =
    missing.length > 0 ? nameKeys(keys, key).find(({ leftOut }) => leftOut.length === 0) : undefined;
  const symbol = typeset(symbolOf(chord));
  return [
    ...(missing.length > 0 ? [`${symbol} without ${listed(missing)}.`] : []),
    ...(strange.length > 0
      ? [`${listed(strange)} ${strange.length === 1 ? 'is' : 'are'} not in ${symbol}.`]
      : []),
    ...(alone && chroma(alone.chord.root) !== chroma(chord.root)
      ? [`By themselves these keys are ${typeset(symbolOf(alone.chord))}.`]
      : []),
  ];
}

/** Why this voicing: who fixed it, or the movement and what the next best would cost the whole song. */
export function whyOf(before: VoicedChange | null, v: VoicedChange): string {
  const sentences: string[] = [];
  if (v.fixedBy === 'pin') sentences.push('You pinned this voicing.', ...givenInWords(v));
  if (v.fixedBy === 'settled') sentences.push('This part is kept as learned: its voicings stay.');
  if (v.fixedBy === 'shared') sentences.push('Chosen for this part and those that are the same, together.');
  if (v.fixedBy === 'ending') sentences.push('The song ends on the root of its last chord.');
  if (v.fixedBy === 'same') sentences.push('Shared with the part this one is the same as.');
  if (v.closeHands) sentences.push(CLOSE_HANDS_IN_WORDS[v.closeHands]);
  if (before && v.step) sentences.push(`${capital(movementInWords(before, v, v.step))}.`);
  else if (v.fixedBy !== 'pin' && v.fixedBy !== 'settled') sentences.push(firstChord(v));
  const shape = before ? sameShape(before, v) : '';
  if (shape) sentences.push(shape);
  if (v.nextBest) {
    const other = v.nextBest.voicing;
    const names = spell(other.keys, v.chord, v.key).map((p) => typeset(classNameOf(p)));
    const cost = v.nextBest.extra === 0 ? 'costs the same' : `costs ${points(v.nextBest.extra)} more`;
    sentences.push(
      `Next best, ${names.join(' ')} (${inversionName(other.inversion)}), ${cost} over the whole song.`,
    );
  }
  return sentences.join(' ');
}

/** "The same shape a whole step lower." when every key moves alike; empty when it does not. */
function sameShape(before: VoicedChange, { voicing }: VoicedChange): string {
  const from = before.voicing.keys;
  const by = voicing.keys[0] - from[0];
  const isSame =
    from.length > 1 &&
    from.length === voicing.keys.length &&
    voicing.keys.every((key, i) => key - from[i] === by);
  if (!isSame) return '';
  return by === 0
    ? 'The same keys again.'
    : `The same shape ${distance(Math.abs(by))} ${by > 0 ? 'higher' : 'lower'}.`;
}

function firstChord(v: VoicedChange): string {
  return v.voicing.inversion === 0
    ? 'The first chord, in root position.'
    : 'The first chord would rather be in root position; from here the hand moves less through the whole song.';
}

/** Points in words a pianist can weigh: ten points are one voice moved a half step. */
function points(extra: number): string {
  return `${(extra / 10).toFixed(1).replace(/\.0$/, '')} half steps' worth`;
}

/**
 * What another voicing of a chord costs the whole song; told where it would be played in its own part alone, or against
 * a rule of the ends. `isFirst`: it is the first chord of the song.
 */
export function voicingCostInWords(
  { extra, isAgainstEnds, isApart }: Pick<Alternative, 'extra' | 'isAgainstEnds' | 'isApart'>,
  isFirst: boolean,
): string {
  if (isAgainstEnds) return isFirst ? 'would begin on a second inversion' : 'would not end on the root';
  const cost = extra < 0 ? `${points(-extra)} less` : `+ ${points(extra)}`;
  if (isApart) return `${cost}, in this part alone`;
  return extra === 0 ? 'least for the whole song' : cost;
}

/** A melody note held so long over a chord colours it. */
const LONG_TICKS = 2 * TICKS_PER_QUARTER;

/**
 * What a chord is together with a longer melody note over it that is none of its own: "With the C of the melody it is
 * E♭6." Empty where the note is short, belongs to the chord, or makes nothing that has a name.
 */
export function togetherInWords({ chord, voicing, key }: VoicedChange, note: HeldNote | null): string {
  if (!note || note.length < LONG_TICKS || membersOf(chord).some((m) => m.chroma === note.midi % 12))
    return '';
  const named = nameKeys([...voicing.keys, note.midi], key);
  const own = named.find((name) => chroma(name.chord.root) === chroma(chord.root)) ?? named[0];
  if (!own) return '';
  const letter = typeset(classNameOf(note.pitch));
  return `With the ${letter} of the melody it is ${typeset(symbolOf(own.chord))}.`;
}

type HeldNote = Pick<PlayedNote, 'midi' | 'length' | 'pitch'>;
