import { type HandNote, inTime } from '../hands';
import { rungOf } from '../ladder';
import { bassOf, type Chord, chroma, KEYBOARDS, pitchAt, pulseTicks } from '../music';
import { barAt } from '../song';
import type { VoicedChange } from '../voicing';
import type { PartHands, PartTask } from './task';

/** The bass of an accompaniment lies in this octave, E1's keyboards start above it: C2 to B2, or G1 at least. */
const BASS_CENTRE = 43;

/**
 * An accompaniment for singing: the bass in the left hand, root alone or with its octave, the chord close around
 * middle C in the right; no melody is played. Source: common practice of accompanying at the piano.
 */
export function handsForSinging(task: PartTask): PartHands {
  const { bass, chord } = rungOf(task.part.choices).singing;
  const left: HandNote[] = [];
  const right: HandNote[] = [];
  let before = BASS_CENTRE;
  for (const voiced of task.voiced) {
    const low = bassKey(voiced.chord, before, KEYBOARDS[task.profile.keyboard].low);
    before = low;
    const keys = bass === 'octave' ? doubled(task, low, voiced.voicing.keys[0]) : [low];
    for (const midi of keys) left.push(bassNote(voiced, midi));
    if (chord !== 'none') right.push(...chordNotes(task, voiced, chord === 'repeated'));
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
function doubled({ profile }: PartTask, low: number, chordBottom: number): number[] {
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
function chordNotes(
  { bars, words, profile }: PartTask,
  voiced: VoicedChange,
  isRepeated: boolean,
): HandNote[] {
  const { tick } = voiced.change;
  const keyboard = KEYBOARDS[profile.keyboard];
  const sung = new Map(words.map((word) => [word.tick, word]));
  const end = tick + voiced.length;
  const onsets = [tick];
  if (isRepeated) {
    for (let at = tick; ;) {
      at += pulseTicks(barAt(bars, at).metre);
      if (at >= end) break;
      onsets.push(at);
    }
  }
  return onsets.flatMap((onset, i) => {
    const word = sung.get(onset);
    return voiced.voicing.keys.flatMap((midi, k): HandNote[] => {
      if (midi < keyboard.low || midi > keyboard.high) return [];
      return [
        {
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
        },
      ];
    });
  });
}
