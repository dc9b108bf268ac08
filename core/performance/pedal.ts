import type { HandNote } from '../hands';
import { barTicks, middleTicks } from '../music';
import { type Choices, type PlayedBar, type PlayedSong, within } from '../song';

/** How a part is pedalled. */
export type Pedal = Exclude<Choices['pedal'], 'auto'>;

/** The pedal going down or up. */
export interface TimedPedal {
  readonly tick: number;
  readonly seconds: number;
  readonly down: boolean;
}

/** The pedal is lifted as the chord goes down and pressed again this long after it. */
const PEDAL_AGAIN_SECONDS = 0.08;

interface PedalTask {
  readonly played: PlayedSong;
  /** What the left hand strikes, in time. */
  readonly left: readonly HandNote[];
  readonly pedalAt: (tick: number) => Pedal;
  readonly partAt: (tick: number) => number;
  readonly secondsAt: (tick: number) => number;
}

/** Ticks for which the pedal is down. */
interface Press {
  readonly from: number;
  readonly to: number;
}

/**
 * The pedal of a song as each part has it: with each chord, also at half bars, held through the part, or only under the
 * last chord; changed where the bass walks, which it would blur. Where one press follows another at once it is lifted as
 * the chord goes down, and pressed just after.
 */
export function pedalsOf(task: PedalTask): TimedPedal[] {
  const presses = withWritten(task, pressesOf(task));
  const pedals: TimedPedal[] = [];
  presses.forEach(({ from, to }, i) => {
    const seconds = task.secondsAt(from);
    if (presses[i - 1]?.to === from) pedals.push({ tick: from, seconds, down: false });
    pedals.push({ tick: from, seconds: seconds + PEDAL_AGAIN_SECONDS, down: true });
    if (presses[i + 1]?.from !== to) pedals.push({ tick: to, seconds: task.secondsAt(to), down: false });
  });
  return pedals;
}

/** Where the pedal is written it is pressed so, and nowhere else. */
function withWritten({ played: { ownBars } }: PedalTask, presses: readonly Press[]): readonly Press[] {
  const written = ownBars.flatMap(({ pedals, ...own }) => (pedals ? [{ ...own, pedals }] : []));
  if (written.length === 0) return presses;
  const isOver = ({ from, to }: Press): boolean =>
    written.some(({ tick, length }) => from < tick + length && to > tick);
  const own = written.flatMap(({ tick, pedals }) =>
    pedals.map(({ after, length }) => ({ from: tick + after, to: tick + after + length })),
  );
  return [...presses.filter((press) => !isOver(press)), ...own].sort((a, b) => a.from - b.from);
}

function pressesOf({ played, left, pedalAt, partAt }: PedalTask): Press[] {
  const struck = new Set(left.map(({ tick }) => tick));
  const sounding = played.changes.filter(({ chord }) => chord !== null);
  const presses: Press[] = [];
  let heldIn = -1;
  sounding.forEach(({ tick, length }, i) => {
    const pedal = pedalAt(tick);
    const isLast = i === sounding.length - 1;
    if (!struck.has(tick) || pedal === 'none' || (pedal === 'end' && !isLast)) return;
    const to = Math.min(tick + length, sounding[i + 1]?.tick ?? Infinity);
    const part = partAt(tick);
    const before = presses[presses.length - 1];
    if (pedal === 'held' && heldIn === part && before?.to === tick)
      presses[presses.length - 1] = { ...before, to };
    else {
      const whole = pedal === 'half' ? halved(played.bars, tick, to) : [{ from: tick, to }];
      presses.push(...(pedal === 'held' ? whole : whole.flatMap((press) => changedAtSteps(press, left))));
    }
    heldIn = pedal === 'held' ? part : -1;
  });
  return presses;
}

/** A whole step in half steps. */
const STEP = 2;

/** A press changed where the left hand fills in a step beside a key that still rings. Source: common practice of pedalling. */
function changedAtSteps({ from, to }: Press, left: readonly HandNote[]): Press[] {
  const starts = [from];
  for (const note of within(left, from, to)) {
    if (note.source !== 'fill' || note.tick === from) continue;
    const ringing = within(left, starts[starts.length - 1], note.tick);
    if (ringing.some(({ midi }) => midi !== note.midi && Math.abs(midi - note.midi) <= STEP))
      starts.push(note.tick);
  }
  return starts.map((start, i) => ({ from: start, to: starts[i + 1] ?? to }));
}

/** A stretch cut at bar lines, and at the middle of bars that have one. */
function halved(bars: readonly PlayedBar[], from: number, to: number): Press[] {
  const inside = bars.filter((bar) => bar.tick < to && bar.tick + bar.length > from);
  const cuts = inside.flatMap((bar) => {
    const middle = middleTicks(bar.metre);
    return middle === null ? [bar.tick] : [bar.tick, bar.tick + bar.length - barTicks(bar.metre) + middle];
  });
  const starts = [from, ...cuts.filter((tick) => tick > from && tick < to)];
  return starts.map((start, i) => ({ from: start, to: starts[i + 1] ?? to }));
}
