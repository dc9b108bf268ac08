import { type HandNote, inTime } from '../hands';
import { countAt } from '../joining';
import { midiOf, nameOf, typeset } from '../music';
import { barAt, type PlayedSong } from '../song';
import type { VoicedChange } from '../voicing';
import { type Walk, walkBetween, type WalkTask } from './walk';

/** A proposed addition and whether it is played. */
export interface Fill {
  readonly id: string;
  readonly tick: number;
  readonly length: number;
  readonly kind: 'bass walk';
  /** "bar 4, from 2: E F♯ G♯ into A". */
  readonly where: string;
  readonly taken: boolean;
  readonly changeId: string;
}

export interface Filled {
  readonly left: readonly HandNote[];
  readonly fills: readonly Fill[];
}

/** Bars that pass before another walk is taken unasked, for variety. */
const BARS_BETWEEN = 2;

/**
 * Finds the bass walks between neighbouring chords and plays those not declined, in the parts that stand on
 * the seventh rung. `left` is in time, from the lowest key up.
 */
export function fillIn(
  task: WalkTask,
  voiced: readonly VoicedChange[],
  left: readonly HandNote[],
  isOnRungSeven: (tick: number) => boolean,
  isDeclined: (walkId: string, changeId: string) => boolean,
): Filled {
  const struck = keysByTick(left);
  const walks: { walk: Walk; taken: boolean }[] = [];
  let lastBar = -BARS_BETWEEN;
  for (let i = 0; i + 1 < voiced.length; i++) {
    const first = struck.get(voiced[i + 1].change.tick);
    if (!first || !isOnRungSeven(voiced[i].change.tick)) continue;
    const start = struck.get(voiced[i].change.tick)?.[0] ?? voiced[i].voicing.keys[0];
    const walk = walkBetween(task, voiced[i], voiced[i + 1], start, first);
    if (!walk) continue;
    const bar = barAt(task.played.bars, walk.tick).number;
    const roomSinceLast = bar - lastBar >= BARS_BETWEEN;
    const taken = roomSinceLast && !isDeclined(walk.id, walk.from.change.id);
    if (taken) lastBar = bar;
    walks.push({ walk, taken });
  }
  const playing = walks.filter((w) => w.taken).map((w) => w.walk);
  return {
    left: withWalks(left, playing),
    fills: walks.map(({ walk, taken }) => fillOf(task.played, walk, taken)),
  };
}

/** Keys struck at each tick, lowest first (the notes come in time, from the lowest up). */
function keysByTick(left: readonly HandNote[]): Map<number, number[]> {
  const keys = new Map<number, number[]>();
  for (const note of left) {
    const at = keys.get(note.tick);
    if (at) at.push(note.midi);
    else keys.set(note.tick, [note.midi]);
  }
  return keys;
}

/** The left hand lets go of its pattern where a walk begins. */
function withWalks(left: readonly HandNote[], walks: readonly Walk[]): HandNote[] {
  const byChange = new Map(walks.map((walk) => [walk.from.change.id, walk]));
  const arrivals = new Map(walks.map((walk) => [walk.endTick, walk]));
  const struck = keysByTick(left);
  const arriving = left.map((note): HandNote => {
    const walk = arrivals.get(note.tick);
    if (!walk || struck.get(note.tick)?.length !== 1) return note;
    return { ...note, midi: midiOf(walk.goal), pitch: walk.goal };
  });
  const kept = arriving.flatMap((note) => {
    const walk = byChange.get(note.from);
    if (!walk || note.tick + note.length <= walk.tick) return [note];
    return note.tick >= walk.tick ? [] : [{ ...note, length: walk.tick - note.tick }];
  });
  return inTime([...kept, ...walks.flatMap(notesOf)]);
}

function notesOf(walk: Walk): HandNote[] {
  return walk.pitches.map((pitch, i) => ({
    hand: 'left',
    tick: walk.tick + i * walk.noteTicks,
    length: walk.noteTicks,
    midi: midiOf(pitch),
    pitch,
    source: 'fill',
    from: walk.from.change.id,
    lyric: null,
    grace: false,
    finger: null,
  }));
}

function fillOf(played: PlayedSong, walk: Walk, taken: boolean): Fill {
  const bar = barAt(played.bars, walk.tick);
  const notes = walk.pitches.map((p) => typeset(nameOf(p))).join(' ');
  return {
    id: walk.id,
    tick: walk.tick,
    length: walk.endTick - walk.tick,
    kind: 'bass walk',
    where: `bar ${bar.number}, from ${countAt(bar, walk.tick)}: ${notes} to ${typeset(nameOf(walk.goal))}, ${walk.manner}`,
    taken,
    changeId: walk.from.change.id,
  };
}
