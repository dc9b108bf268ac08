import { gotOrMade } from '../memory';
import { bassOf, chroma, reachMm, spanMm } from '../music';
import { aboveRoot } from '../patterns';
import { placeIn, type Touch } from '../song';
import { soundingIn, type VoicedChange } from '../voicing';
import { bassLine, type BassPlace, stepInto } from './bassLine';
import { closingKeys } from './closing';
import { CLEAR } from './room';
import { eventsOf, type Placed, type StreamTask, type Styled } from './streamEvents';
import type { Phrase } from './phrases';
import { styleOf } from './styles';
import { upperNotes } from './upper';

/** Keys the left hand strikes in a style. */
export interface StyledStrike {
  readonly tick: number;
  readonly length: number;
  readonly keys: readonly number[];
  readonly touch?: Touch;
}

/**
 * What the left hand strikes under each chord of a song that is played in a style, by played id. The bass is one line over the
 * whole song, the upper notes move as the blocks do, the figure goes on through the cuts of the pianist and knows phrases alone.
 */
export function leftStream(task: StreamTask): ReadonlyMap<string, readonly StyledStrike[]> {
  const events = task.styled.flatMap((_, at) => eventsOf(task, at));
  const places = placesOf(task, events);
  const line = bassLine(
    places.map(({ place }) => place),
    task.profile,
  );
  const basses = new Map(places.map(({ event }, i) => [event, line[i].midi]));
  return strikes(task, withSteps(task, events, basses), basses);
}

/** Steps of the bass to the next chord, told by the line; where none is clear the chord is struck again. */
function withSteps(
  task: StreamTask,
  events: readonly Placed[],
  basses: Map<Placed, number>,
): readonly Placed[] {
  let from: number | null = null;
  return events.map((event, i) => {
    if (event.bass !== 'w') {
      from = basses.get(event) ?? from;
      return event;
    }
    const next = events.find((other, at) => at > i && basses.has(other));
    const to = next && basses.get(next);
    const { voiced, style } = task.styled[event.at];
    const { chord, key } = voiced;
    const under = soundingIn(task.melody, event.tick, event.tick + event.length, task.longestNote);
    const ceiling = Math.min(128, ...under.map(({ midi }) => midi));
    const step =
      next === undefined || to === undefined || from === null || !style
        ? null
        : stepInto({ chord, next: task.styled[next.at].voiced.chord, key, style, from, to, ceiling });
    if (step === null) return { ...event, bass: null, upper: 'all' };
    basses.set(event, step);
    from = step;
    return event;
  });
}

interface PlacedBass {
  readonly place: BassPlace;
  readonly event: Placed;
}

/** The places of the bass, in time. */
function placesOf(task: StreamTask, events: readonly Placed[]): PlacedBass[] {
  const { styled, played } = task;
  const begun = new Set<Phrase>();
  const chordsWhere = (has: (event: Placed) => boolean): ReadonlySet<number> =>
    new Set(events.filter(has).map(({ at }) => at));
  const second = chordsWhere(({ bass }) => bass === 'b');
  const walking = chordsWhere(({ member }) => member !== null);
  let before: Placed | null = null;
  return events.flatMap((event): PlacedBass[] => {
    if (event.bass === null || event.bass === 'w') return [];
    const { voiced, style, phrase, register, kept } = styled[event.at];
    const isNew = before?.at !== event.at;
    before = event;
    const { strength } = placeIn(played.bars, event.tick);
    const isBegin = event.tick >= phrase.barTick && !begun.has(phrase);
    if (isBegin) begun.add(phrase);
    const over = soundingIn(task.melody, event.tick, event.tick + 1, task.longestNote);
    const during = soundingIn(
      task.melody,
      event.tick,
      event.tick + Math.max(1, event.length),
      task.longestNote,
    );
    const nextOther = styled[event.at + 1];
    const { tick } = voiced.change;
    const first = soundingIn(
      task.melody,
      tick,
      tick + placeIn(played.bars, tick).beatTicks,
      task.longestNote,
    );
    const place: BassPlace = {
      chord: voiced.chord,
      key: voiced.key,
      style: style ?? PLAIN,
      kind: isNew ? 'first' : 'second',
      hasSecond: second.has(event.at),
      isDownbeat: strength === 4,
      isWalking: walking.has(event.at),
      isStrong: strength >= 3,
      isBegin,
      isClose: event.closes === true || (isNew && (!nextOther || nextOther.phrase !== phrase)),
      tune: over.length > 0 ? Math.max(...over.map(({ midi }) => midi)) : null,
      ceiling: Math.min(128, ...during.map(({ midi }) => midi)),
      upperCeiling: Math.min(128, ...first.map(({ midi }) => midi)),
      above: voiced.voicing.keys[1] ?? null,
      register,
      kept: style ? null : (kept ?? voiced.voicing.keys[0]),
    };
    return [{ place, event }];
  });
}

/** Of a chord that is played otherwise nothing of a style is asked. */
const PLAIN = styleOf('song');

function strikes(
  task: StreamTask,
  events: readonly Placed[],
  basses: ReadonlyMap<Placed, number>,
): ReadonlyMap<string, readonly StyledStrike[]> {
  const byChord = new Map<number, Placed[]>();
  for (const event of events) gotOrMade(byChord, event.at, (): Placed[] => []).push(event);
  const indices = task.styled.flatMap(({ style }, i) => (style ? [i] : []));
  const upper = upperNotes(
    indices.map((i) => upperPlace(task, task.styled[i], byChord.get(i) ?? [], basses)),
    task.memory,
  );
  const found = new Map<string, StyledStrike[]>();
  indices.forEach((i, n) => {
    const { voiced } = task.styled[i];
    const own = byChord.get(i) ?? [];
    found.set(voiced.change.id, struckIn(task, task.styled[i], own, basses, upper[n]));
  });
  return found;
}

function upperPlace(
  { melody, longestNote, profile, played }: StreamTask,
  { voiced, style, row }: Styled,
  events: readonly Placed[],
  basses: ReadonlyMap<Placed, number>,
): Parameters<typeof upperNotes>[0][number] {
  const { tick } = voiced.change;
  const beat = placeIn(played.bars, tick).beatTicks;
  const lowest = (ticks: number): number =>
    Math.min(128, ...soundingIn(melody, tick, tick + ticks, longestNote).map(({ midi }) => midi));
  const heard = new Map<number, number>();
  for (const note of soundingIn(melody, tick, tick + voiced.length, longestNote))
    heard.set(note.midi % 12, (heard.get(note.midi % 12) ?? 0) + note.length);
  const own = events.flatMap((event) => {
    const bass = basses.get(event);
    return bass !== undefined && event.bass !== 'w' ? [bass] : [];
  });
  // A figure that names its notes has as many as it names.
  const named = events.flatMap(({ upper }) => (typeof upper === 'number' ? [upper] : []));
  const highest = Math.max(0, ...named);
  const hasChord = named.length === 0 || events.some(({ upper }) => upper === 'all');
  return {
    id: voiced.change.id,
    chord: voiced.chord,
    voicing: voiced.voicing.keys,
    basses: own.length > 0 ? own : [voiced.voicing.keys[0]],
    count: hasChord ? (row?.upper ?? 2) : highest >= 3 ? 3 : 2,
    style: style ?? PLAIN,
    isTogether: events.some(({ bass, upper }) => bass !== null && upper !== null),
    ceilings: [lowest(voiced.length), lowest(2 * beat), lowest(beat)],
    tune: new Set([...heard].filter(([, ticks]) => 2 * ticks >= voiced.length).map(([own]) => own)),
    reach: profile.leftReach,
  };
}

function struckIn(
  task: StreamTask,
  { voiced, style }: Styled,
  events: readonly Placed[],
  basses: ReadonlyMap<Placed, number>,
  upper: readonly number[],
): StyledStrike[] {
  const short = style?.isShort ? ({ touch: 'staccato' } as const) : {};
  let low: number | null = null;
  const found: { tick: number; length: number; keys: number[]; isBass: boolean; touch?: Touch }[] = [];
  for (const event of events) {
    const { tick, member, holdsBass } = event;
    const bass = basses.get(event) ?? null;
    if (bass !== null) low = event.bass === 'w' ? low : bass;
    const length = event.upper === 'all' && bass === null ? freeFor(task, event, upper) : event.length;
    const under = soundingIn(task.melody, tick, tick + length, task.longestNote);
    const isFree = (key: number): boolean => under.every(({ midi }) => key <= midi - CLEAR);
    if (event.closes && bass !== null) {
      const isOpen = style?.closesOpen === true;
      const keys = closingKeys(voiced, { root: bass, isFree, reach: task.profile.leftReach, upper, isOpen });
      const isHeld = event === events[events.length - 1];
      found.push({ tick, length, keys: [...keys], isBass: true, ...(isHeld ? {} : short) });
      continue;
    }
    const above =
      event.upper === 'all' ? upper : event.upper === null ? [] : upper.slice(event.upper - 1, event.upper);
    const single =
      event.upper !== null && event.upper !== 'all' && above.length === 0 ? upper.slice(0, 1) : above;
    const walked = member === null || low === null ? [] : [walkedTo(voiced, low, member, isFree)];
    const fifth = event.bass === 'D' && bass !== null ? [overDrone(voiced, bass)] : [];
    const keys = [...(bass === null ? [] : [bass]), ...fifth, ...walked, ...single].filter(
      (key) => key === bass || isFree(key),
    );
    if (keys.length === 0) continue;
    if (holdsBass) {
      const held = found.findLast(({ isBass }) => isBass);
      const spans = held && spanMm(held.keys[0], Math.max(...keys)) <= reachMm(task.profile.leftReach);
      if (held && spans) held.length = tick + length - held.tick;
    }
    const isOff = event.upper === 'all' && bass === null && !holdsBass;
    found.push({
      tick,
      length,
      keys: [...new Set(keys)].sort((a, b) => a - b),
      isBass: bass !== null,
      ...(isOff ? short : {}),
    });
  }
  return found.map(({ isBass: _, ...strike }) => strike);
}

/** How long a chord sounds: where the tune comes down to it after a beat or more, only until then. */
function freeFor(
  { melody, longestNote, played }: StreamTask,
  { tick, length }: Placed,
  upper: readonly number[],
): number {
  const top = Math.max(0, ...upper);
  const near = soundingIn(melody, tick, tick + length, longestNote).filter(({ midi }) => top > midi - CLEAR);
  const until = Math.min(...near.map((note) => note.tick)) - tick;
  return until >= placeIn(played.bars, tick).beatTicks && until < length ? until : length;
}

/** A member of the chord above its bass; an octave lower where the tune leaves it no room. */
function walkedTo(
  { chord }: VoicedChange,
  low: number,
  member: number,
  isFree: (key: number) => boolean,
): number {
  const key = low + aboveRoot(chord, member);
  return isFree(key) ? key : key - 12;
}

/** What is held with the bass of a drone: the fifth over the root, the root over the fifth. */
function overDrone({ chord }: VoicedChange, bass: number): number {
  const root = chroma(bassOf(chord));
  const isRoot = bass % 12 === root;
  return isRoot ? bass + aboveRoot(chord, 5) : bass + ((root - (bass % 12) + 12) % 12);
}
