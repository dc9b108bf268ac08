import type { HandNote } from '../hands';
import {
  type Chord,
  chroma,
  type Key,
  KEYBOARDS,
  membersOf,
  midiOf,
  nameOf,
  type Pitch,
  pitchAt,
  reachMm,
  spanMm,
  typeset,
} from '../music';
import { says } from '../sentences';
import { type Finding, type Harmony, movePitch, type PlayedNote, type Profile } from '../song';

/** A note of the tune as it is struck, what is asked for with it, and what sounds there. */
export interface Harmonised {
  readonly struck: HandNote;
  readonly written: PlayedNote & { readonly harmony: Harmony };
  readonly chord: Chord | null;
  readonly key: Key;
}

/** A third, in half steps: nearer a key blurs the tune. */
const CLEAR = 3;
const THIRD = 2;
const SIXTH = 5;

/**
 * The keys struck with a note of the tune, from the lowest: thirds and sixths as the key has them, chord notes the nearest
 * that are clear of it, a drone on the tonic below it. Source: common practice of filling out a tune at the piano.
 */
export function harmonyOf({ struck, written, chord, key }: Harmonised): readonly Pitch[] {
  const { pitch } = struck;
  const { how, keys = [] } = written.harmony;
  const nearest = (side: -1 | 1, count: number): Pitch[] => nearestMembers(chord, midiOf(pitch), side, count);
  switch (how) {
    case 'none':
      return [];
    case 'keys': {
      const octaves = Math.round((struck.midi - written.midi) / 12);
      return keys.map((own) => ({ ...own, octave: own.octave + octaves }));
    }
    case 'third-under':
      return [movePitch(pitch, key, -THIRD, 0)];
    case 'third-above':
      return [movePitch(pitch, key, THIRD, 0)];
    case 'sixth-under':
      return [movePitch(pitch, key, -SIXTH, 0)];
    case 'sixth-above':
      return [movePitch(pitch, key, SIXTH, 0)];
    case 'octave-under':
      return [{ ...pitch, octave: pitch.octave - 1 }];
    case 'octave-above':
      return [{ ...pitch, octave: pitch.octave + 1 }];
    case 'chord-under':
      return nearest(-1, 1);
    case 'chord-above':
      return nearest(1, 1);
    case 'two-under':
      return nearest(-1, 2).reverse();
    case 'two-above':
      return nearest(1, 2);
    case 'drone': {
      const below = midiOf(pitch) - CLEAR;
      const down = (((below - chroma(key.tonic)) % 12) + 12) % 12;
      return [pitchAt(below - down, key.tonic)];
    }
  }
}

/** The keys a right hand strikes with notes of its tune, and what of them it cannot play or span. */
export function withHarmony(
  notes: readonly Harmonised[],
  { keyboard, rightReach }: Pick<Profile, 'keyboard' | 'rightReach'>,
): { readonly beside: HandNote[]; readonly findings: Finding[] } {
  const { low, high } = KEYBOARDS[keyboard];
  const beside: HandNote[] = [];
  const findings: Finding[] = [];
  for (const note of notes) {
    const { struck } = note;
    const said = (told: Finding['says'][number], about: string): void => {
      findings.push({ kind: 'own', tick: struck.tick, about, sameAs: about, says: [told], remedies: [] });
    };
    const own = harmonyOf(note).filter((pitch) => midiOf(pitch) !== struck.midi);
    for (const pitch of own) {
      const midi = midiOf(pitch);
      if (midi < low || midi > high) {
        said(says.ownOffKeyboard(typeset(nameOf(pitch)), keyboard), `off ${nameOf(pitch)}`);
        continue;
      }
      if (spanMm(Math.min(midi, struck.midi), Math.max(midi, struck.midi)) > reachMm(rightReach)) {
        const names = [pitch, struck.pitch].map((key) => typeset(nameOf(key)));
        said(says.harmonyTooWide(names[0], names[1]), `wide ${names.join(' ')}`);
      }
      const { lyric: _lyric, syllabic: _syllabic, ...rest } = struck;
      beside.push({ ...rest, midi, pitch, source: 'harmony', lyric: null, finger: null });
    }
  }
  return { beside, findings };
}

/** The nearest members of a chord on one side of a key, each clear of the one before, within an octave of it. */
export function nearestMembers(chord: Chord | null, midi: number, side: -1 | 1, count: number): Pitch[] {
  const members = chord ? membersOf(chord).map(({ pitchClass }) => pitchClass) : [];
  const found: Pitch[] = [];
  let last = midi;
  for (let key = midi + CLEAR * side; found.length < count && Math.abs(key - last) <= 12; key += side) {
    const member = members.find((own) => chroma(own) === ((key % 12) + 12) % 12);
    if (!member || Math.abs(key - last) < CLEAR) continue;
    found.push(pitchAt(key, member));
    last = key;
  }
  return found;
}
