import { barTicks, beatsOf, groupsOf, type Metre, middleTicks, placeAt, unitTicks } from '../music';
import { offsetInBar } from '../song';
import { type Beam, beamsOf, type Written } from './beams';
import { type NoteValue, valuesOf } from './noteValues';
import type { WrittenBar } from './scoreStretch';
import type { VoiceEvent } from './voices';

/** A note, chord or rest of one voice in one bar, as it is written. */
export interface WrittenNote {
  readonly tick: number;
  readonly value: NoteValue;
  /** What is struck or held on; null: a rest. */
  readonly event: VoiceEvent | null;
  /** It is struck here, and let go at its end; else it is tied. */
  readonly isStruck: boolean;
  readonly isLetGo: boolean;
  /** A rest as long as its bar. */
  readonly isBarRest: boolean;
  readonly beams: readonly Beam[];
}

/**
 * One voice of one bar: rests where it is silent, lengths split where the metre is to be seen, beams. Grace notes stand
 * in no value. For files and the staff alike.
 */
export function writtenVoice(voice: readonly VoiceEvent[], bar: WrittenBar): WrittenNote[] {
  const whole = bar.whole ?? bar;
  const end = bar.tick + bar.length;
  const written: Omit<WrittenNote, 'beams'>[] = [];
  let at = bar.tick;
  const write = (to: number, event: VoiceEvent | null): void => {
    if (to <= at) return;
    const isBarRest = !event && to - at === barTicks(bar.metre);
    const spans = spansOf(bar.metre, offsetInBar(whole, at), offsetInBar(whole, to), !event);
    const values = isBarRest ? [BAR_REST(to - at)] : spans.flatMap(([from, until]) => valuesOf(until - from));
    for (const value of values) {
      const tick = at;
      at += value.ticks;
      const isStruck = tick === event?.tick;
      const isLetGo = event !== null && at === event.tick + event.length;
      written.push({ tick, value, event, isStruck, isLetGo, isBarRest });
    }
  };
  for (const event of voice) {
    const from = Math.max(event.tick, bar.tick);
    const to = Math.min(event.tick + event.length, end);
    if (from >= to) continue;
    write(from, null);
    write(to, event);
  }
  write(end, null);
  const line = written.map(({ tick, value, event }): Written => {
    return { offset: offsetInBar(whole, tick), value, isRest: event === null };
  });
  const beams = beamsOf(line, bar.metre);
  return written.map((note, i) => ({ ...note, beams: beams[i] }));
}

/** A bar of silence is a whole rest in every metre. */
const BAR_REST = (ticks: number): NoteValue => ({ ticks, type: 'whole', dots: 0, triplet: false });

type Span = readonly [from: number, to: number];

/**
 * The stretches a length is written in, in ticks from the bar line, so that the half of 4/4 and groups stay to be seen:
 * one that crosses them is split unless it begins the bar or is a plain syncopation on the second beat; what begins
 * between the beats does not hide the next one. `spansOf(7/8, 0, 3360) // 2 + 2 + 3 eighths: [0, 1920], [1920, 3360]`
 * Source: common practice of engraving.
 */
export function spansOf(metre: Metre, from: number, to: number, isRest: boolean): Span[] {
  const wall = crossedWall(metre, from, to, isRest) ?? hiddenBeat(metre, from, to, isRest);
  if (wall === null) return [[from, to]];
  return [...spansOf(metre, from, wall, isRest), ...spansOf(metre, wall, to, isRest)];
}

/** The strongest place between groups that a length may not cross; null where there is none. */
function crossedWall(metre: Metre, from: number, to: number, isRest: boolean): number | null {
  const walls = wallsOf(metre);
  const inside = walls.filter((wall) => wall > from && wall < to);
  if (inside.length === 0) return null;
  const isOneValue = valuesOf(to - from).length === 1 && valuesOf(to - from)[0].dots < 2;
  const middle = middleTicks(metre);
  const strongest = middle !== null && inside.includes(middle) ? middle : inside[0];
  if (!isOneValue) return strongest;
  const [whole, beats] = [barTicks(metre), beatsOf(metre)];
  const isOnWall = (tick: number): boolean => tick === 0 || tick === whole || walls.includes(tick);
  const isEven = metre.denominator < 8 && groupsOf(metre).every((size) => size < 3);
  if (isEven) {
    if (from === 0 && !isRest) return null;
    const isSyncopation = from === beats[1].at && to === beats[3]?.at;
    return isSyncopation && !isRest ? null : strongest;
  }
  return isOnWall(from) && isOnWall(to) && !(isRest && from > 0) ? null : strongest;
}

/** Where groups of more than one beat, or beats of more than one unit, begin. */
function wallsOf(metre: Metre): readonly number[] {
  const groups = groupsOf(metre);
  if (groups.every((size) => size === 1)) {
    const middle = metre.denominator < 4 ? middleTicks(metre) : null;
    return middle === null ? [] : [middle];
  }
  let at = 0;
  return groups.slice(0, -1).map((size) => (at += size * unitTicks(metre)));
}

/** The next beat, where a length that begins between two would hide it; null where it may. */
function hiddenBeat(metre: Metre, from: number, to: number, isRest: boolean): number | null {
  const { inBeat, beatTicks, stepTicks, strength } = placeAt(metre, from);
  const next = from - inBeat + beatTicks;
  if (isRest && inBeat > 0 && strength === 1 && stepTicks === unitTicks(metre) && from + stepTicks < to)
    return Math.min(next, from + stepTicks);
  if (next >= to) return null;
  if (isRest && metre.numerator === 3 && beatTicks === unitTicks(metre)) return next;
  if (inBeat === 0) return null;
  if (isRest || strength === 0) return next;
  return to - from > 1.5 * beatTicks ? next : null;
}
