import { type HandNote, inTime } from '../hands';
import { bassOf, type Chord, chroma, KEYBOARDS, pitchAt, pulseTicks } from '../music';
import { barAt } from '../song';
import type { VoicedChange } from '../voicing';
import { indexFrom, type LeftHandTask, type PartHands } from './task';

/** The bass of an accompaniment lies in this octave, E1's keyboards start above it: C2 to B2, or G1 at least. */
const BASS_CENTRE = 43;
/** From this rung the bass is doubled at the octave and the chord repeated. */
const MOVING_RUNG = 5;
/** Below this rung only the bass is played. */
const CHORD_RUNG = 3;

/**
 * An accompaniment for singing: the bass in the left hand, root alone or with its octave, the chord close around
 * middle C in the right; no melody is played. Source: common practice of accompanying at the piano.
 */
export function handsForSinging(task: LeftHandTask, partIndex: number): PartHands {
  const part = task.parts[partIndex];
  const { rung } = part.choices;
  const left: HandNote[] = [];
  const right: HandNote[] = [];
  const all = task.voiced.voiced;
  let before = BASS_CENTRE;
  for (let i = indexFrom(all, part.fromTick); i < all.length && all[i].change.tick < part.toTick; i++) {
    const voiced = all[i];
    const low = bassKey(voiced.chord, before, KEYBOARDS[task.profile.keyboard].low);
    before = low;
    const keys = rung >= MOVING_RUNG ? doubled(task, low, voiced.voicing.keys[0]) : [low];
    for (const midi of keys) left.push(bassNote(voiced, midi));
    if (rung >= CHORD_RUNG) right.push(...chordNotes(task, voiced, rung >= MOVING_RUNG));
  }
  return { notes: inTime(left), findings: [], right: inTime(right) };
}

/** The bass nearest to the one before, within reach of the low register. */
function bassKey(chord: Chord, before: number, lowest: number): number {
  const wanted = chroma(bassOf(chord));
  const keys = [36, 48].map((c) => c + wanted).concat(24 + wanted);
  const possible = keys.filter((key) => key >= Math.max(lowest, 31) && key <= 48);
  const distance = (key: number): number => Math.abs(key - before) + Math.abs(key - BASS_CENTRE) / 2;
  return possible.reduce((best, key) => (distance(key) < distance(best) ? key : best), possible[0]);
}

/** The bass with its octave: above it below the chord, else below it; alone where there is no room or reach. */
function doubled({ profile }: LeftHandTask, low: number, chordBottom: number): number[] {
  if (profile.leftReach < 8) return [low];
  if (low + 12 < chordBottom) return [low, low + 12];
  return low - 12 >= KEYBOARDS[profile.keyboard].low ? [low - 12, low] : [low];
}

function bassNote(voiced: VoicedChange, midi: number): HandNote {
  return {
    hand: 'left',
    tick: voiced.change.tick,
    length: voiced.length,
    midi,
    pitch: pitchAt(midi, bassOf(voiced.chord)),
    source: 'chord',
    from: voiced.change.id,
    lyric: null,
    grace: false,
    finger: null,
  };
}

/** The chord held, or struck again on every beat. */
function chordNotes({ played }: LeftHandTask, voiced: VoicedChange, isRepeated: boolean): HandNote[] {
  const { tick } = voiced.change;
  const end = tick + voiced.length;
  const onsets = [tick];
  if (isRepeated) {
    for (let at = tick; ;) {
      at += pulseTicks(barAt(played.bars, at).metre);
      if (at >= end) break;
      onsets.push(at);
    }
  }
  return onsets.flatMap((onset, i) => {
    const word = wordAt(played, onset);
    return voiced.voicing.keys.map((midi, k): HandNote => ({
      hand: 'right',
      tick: onset,
      length: (onsets[i + 1] ?? end) - onset,
      midi,
      pitch: voiced.pitches[k],
      source: onset === tick ? 'chord' : 'figure',
      from: voiced.change.id,
      lyric: k === 0 ? (word?.text ?? null) : null,
      syllabic: k === 0 ? word?.syllabic : undefined,
      grace: false,
      finger: null,
    }));
  });
}

/** The syllable sung exactly at a tick, from the melody or from the words of a song without one. */
function wordAt(
  played: LeftHandTask['played'],
  tick: number,
): { readonly text: string; readonly syllabic: HandNote['syllabic'] } | null {
  return (
    played.melody.find((n) => n.tick === tick)?.lyric ?? played.words.find((w) => w.tick === tick) ?? null
  );
}
