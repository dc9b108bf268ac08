import { chroma, type Key, membersOf, midiOf, scaleOf } from '../music';
import { placeIn } from '../song';
import { soundingIn } from '../voicing';
import type { FillNote, Proposal } from './proposal';
import type { FillTask } from './task';

/** From this strength of its place in the bar on a note is on a beat that counts. */
const STRONG = 3;
const OCTAVE = 12;
/** A half step, and an octave and a half step. */
const RUBS = [1, 13];

/**
 * Whether a proposal may be played unasked: its notes lie in the key or the chord, on strong beats in the chord; none rubs
 * with a key that sounds; none is quicker than a hand plays; nothing lies above the tune but its octave, and nothing of the
 * right hand stands in the song's first bar. What the pianist takes is played as it is. Source: what a teacher strikes out
 * of an accompaniment first.
 */
export function isCleanFill(proposal: Proposal, task: FillTask): boolean {
  return (
    proposal.place.endTick <= task.closesAt &&
    leavesChordTold(proposal, task) &&
    isPlayable(proposal, task) &&
    isInHarmony(proposal, task) &&
    !rubs(proposal, task) &&
    (proposal.hand === 'left' || (isUnderTune(proposal, task) && !isInFirstBar(proposal, task)))
  );
}

/** A walk begins when the third of its chord, and a seventh, have sounded, and the figure has been heard. */
function leavesChordTold(
  { hand, place: { tick, from } }: Proposal,
  { left, melody, longestNote, beside }: FillTask,
): boolean {
  if (hand === 'right') return true;
  const own = left.filter((note) => note.tick < tick && note.tick + note.length > from.change.tick);
  const lowest = Math.min(...own.map(({ midi }) => midi));
  if (own.every(({ midi }) => midi === lowest)) return false;
  const heard = new Set(
    [
      ...own,
      ...beside.filter((note) => note.tick < tick && note.tick + note.length > from.change.tick),
      ...soundingIn(melody, from.change.tick, tick, longestNote),
    ].map(({ midi }) => midi % OCTAVE),
  );
  return membersOf(from.chord)
    .filter(({ number }) => number === 3 || number === 7)
    .every((member) => heard.has(member.chroma));
}

const isStruck = ({ grace }: FillNote): boolean => !grace;

/** No two strikes closer than the shortest that is played. */
function isPlayable({ notes }: Proposal, { shortest }: FillTask): boolean {
  const ticks = [...new Set(notes.filter(isStruck).map(({ tick }) => tick))].sort((a, b) => a - b);
  return ticks.every((tick, i) => i === 0 || tick - ticks[i - 1] >= shortest);
}

function isInHarmony({ notes, place: { from, into } }: Proposal, { bars }: FillTask): boolean {
  const own = membersOf(from.chord).map((member) => member.chroma);
  const next = into ? membersOf(into.chord).map((member) => member.chroma) : own;
  const scale = chromasOf(from.key);
  return notes.filter(isStruck).every(({ tick, pitch }) => {
    const members = into && tick >= into.change.tick ? next : own;
    if (members.includes(chroma(pitch))) return true;
    return placeIn(bars, tick).strength < STRONG && scale.has(chroma(pitch));
  });
}

/** The steps of a key, its raised leading note among them. */
function chromasOf(key: Key): ReadonlySet<number> {
  return new Set([...scaleOf(key).map(chroma), (chroma(key.tonic) + 11) % OCTAVE]);
}

function rubs({ hand, notes, place, letGoAt = Infinity }: Proposal, task: FillTask): boolean {
  const { melody, longestNote, left, beside } = task;
  const others = hand === 'right' ? left : beside;
  const near = others.filter((note) => note.tick < place.endTick && note.tick + note.length > place.tick);
  return notes.some(({ tick, length, pitch }) => {
    const [end, midi] = [tick + Math.max(1, length), midiOf(pitch)];
    const meets = near.filter((other) => other.tick < end && other.tick + other.length > tick);
    const tune = soundingIn(melody, tick, end, longestNote).filter(
      (note) => hand === 'left' || tick < letGoAt || note.tick >= tick,
    );
    return [...meets, ...tune].some((other) => RUBS.includes(Math.abs(other.midi - midi)));
  });
}

/** While a note of the tune sounds nothing lies above it but its octave. */
function isUnderTune({ notes, letGoAt = Infinity }: Proposal, { tune, longestNote }: FillTask): boolean {
  return notes.every(({ tick, pitch }) => {
    const over = soundingIn(tune, tick, tick + 1, longestNote).filter(
      (note) => tick < letGoAt || note.tick >= letGoAt,
    );
    const midi = midiOf(pitch);
    return over.every((note) => midi <= note.midi || midi - note.midi === OCTAVE);
  });
}

function isInFirstBar({ place }: Proposal, { bars }: FillTask): boolean {
  const first = bars.find(({ number }) => number === 1);
  return first !== undefined && place.tick < first.tick + first.length;
}
