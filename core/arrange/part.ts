import type { ArrangedChange, PartArrangement } from '../arrangement';
import { barsOfEffort, type Effort, type EffortBar, effortOf } from '../effort';
import {
  fillPart,
  NO_FILL_YET,
  type Opening,
  type PartFills,
  type Proposal,
  withKeptFills,
  withLeftFills,
  withRightFills,
} from '../fills';
import {
  fingerPart,
  fingersNotKept,
  FROM_NOWHERE,
  type HandState,
  isFreeBetween,
  landingOf,
} from '../fingering';
import { type Hand, type HandNote, inTime } from '../hands';
import {
  barsIn,
  bumpsBetween,
  handsForSinging,
  leftHand,
  type Meeting,
  meetingsOf,
  type PartHands,
} from '../joining';
import { rungOf } from '../ladder';
import { beatTicks, rememberEach } from '../music';
import { Clock } from '../performance';
import type { PartToPlay } from '../parts';
import { type Finding, isDismissed, indexAt, onsetsOf, type PlayedSong, within } from '../song';
import { keysInPlace, type VoicedChange } from '../voicing';
import type { PartMaterial, SongContext } from './context';
import { gathered } from './gathering';
import { asStored, waitingFinding } from './partFills';
import { keptHands } from './settled';
import { fixedIn, keysByTick, lasting, sungWords, windowOf } from './windows';

/** Works out one part of a song, as it is in the finished song. */
export type ArrangePart = (index: number) => PartArrangement;

/** Both hands as struck, with fills, without fingers. */
type StruckPart = Readonly<Record<Hand, readonly HandNote[]>>;

interface FingeredHand {
  readonly notes: readonly HandNote[];
  readonly leaves: HandState;
}

/**
 * Each part is a pure function of what it needs, which comes in by name: its own material, the chord after its last,
 * the fills that lead into it, and where each hand comes from. What a part needs of its neighbours is solved forwards
 * and remembered, so that the part asked for first is the part of the finished song; and a part that needs nothing new
 * after an edit is the very same object.
 */
export function partsOfSong(context: SongContext): ArrangePart {
  const { song, profile, played, parts, material, melody, longestNote, twins } = context;
  const starts = parts.map((part) => ({ tick: part.fromTick }));
  const clock = new Clock(played.tempoMap, song.feel);
  const words = sungWords(played);
  const inFull = new Set(song.thinningRefused);
  const changeTicks = new Set(played.changes.map((change) => change.tick));

  /** Until when what begins up to a part rings at the latest. */
  let longest = 0;
  const ringsUntil = material.map(({ melody: own, voiced }) => {
    for (const { tick, length } of own) longest = Math.max(longest, tick + length);
    for (const { change, length } of voiced) longest = Math.max(longest, change.tick + length);
    return longest;
  });

  const handsOf = once((index): PartHands => {
    const { toPlay: part, voiced, settled } = material[index];
    const kept = settled && keptHands(settled, played);
    if (kept) return handsMade(part.cutId, [settled, played.melody, played.changes], () => kept);
    const until = voiced.reduce((end, v) => Math.max(end, v.change.tick + v.length), part.toTick);
    const task = {
      part,
      profile,
      voiced,
      melody: windowOf(melody, part.fromTick, until, longestNote),
      longestNote,
      bars: barsIn(played.bars, part.fromTick, until),
      words: within(words, part.fromTick, until),
      songEnd: played.endTick,
      ownPatterns: song.patterns,
      playedInFull: voiced
        .map((v) => v.change.id)
        .filter((id) => inFull.has(id) || inFull.has(twins.get(id) ?? '')),
    };
    const { words: sung, ...rest } = task;
    return handsMade(part.cutId, [...Object.values(rest), JSON.stringify(sung)], () =>
      isSung(part) ? handsForSinging(task) : leftHand(task),
    );
  });

  /** For each part the next one that has chords below a melody; none: past the last. */
  const leadsInto: number[] = [];
  for (let at = parts.length - 1, next = parts.length; at >= 0; at--) {
    leadsInto[at] = next;
    if (material[at].voiced.length > 0 && !isSung(parts[at])) next = at;
  }

  /** The chords of a part, each with its successor, the last with the first of what follows, and what the left hand strikes there. */
  const openingsOf = (index: number): Opening[] => {
    const next = leadsInto[index];
    const { voiced } = material[index];
    const own = keysByTick(handsOf(index).notes);
    return voiced.flatMap((from, i): Opening[] => {
      const isPartEnd = i === voiced.length - 1;
      const into = (isPartEnd ? material[next]?.voiced[0] : voiced[i + 1]) ?? null;
      const struck = isPartEnd && next < parts.length ? keysByTick(handsOf(next).notes) : own;
      const firstKeys = into ? struck.get(into.change.tick) : [];
      if (!firstKeys) return [];
      const start = own.get(from.change.tick)?.[0] ?? from.voicing.keys[0];
      const isIntoSettled = isPartEnd && Boolean(material[next]?.settled?.keys);
      return [{ from, into, start, firstKeys, isIntoSettled, isPartEnd }];
    });
  };

  const fillsOf = forwards((index, before): PartFills => {
    const { part, voiced, settled, melody: tuneOfPart } = material[index];
    const after = before?.after ?? NO_FILL_YET;
    const { hasFills } = rungOf(part.choices);
    if (!(hasFills || song.fillsTaken.length > 0) || isSung(part) || voiced.length === 0)
      return { fills: [], playing: [], waiting: [], after };
    const openings = openingsOf(index);
    const until = openings.reduce((end, { into }) => Math.max(end, into?.change.tick ?? 0), part.toTick);
    const tune = windowOf(melody, part.fromTick, until, longestNote);
    const beside = [index, leadsInto[index]].flatMap((at) =>
      at < parts.length ? handsOf(at).right.filter(({ tick }) => tick <= until) : [],
    );
    const task = {
      profile,
      melody: beside.length === 0 ? tune : inTime([...tune, ...beside]),
      longestNote,
      bars: barsIn(played.bars, part.fromTick, until),
      partStarts: within(starts, part.fromTick, until + 1).map(({ tick }) => tick),
      tune: tuneOfPart,
      after: firstFrom(melody, part.toTick),
      beside: handsOf(index).right,
      left: handsOf(index).notes,
      voiced,
      partEnd: part.toTick,
      songEnd: played.endTick,
    };
    const leaders = voiced.map((v) => twins.get(v.change.id) ?? '');
    const { measure, seed } = part.choices.fills ?? { measure: 'few' as const, seed: 0 };
    const decided = [
      hasFills,
      measure,
      seed,
      song.fillsTaken,
      settled ? [] : song.fillsDeclined,
      leaders,
      after.lastBar,
      after.kinds.join(),
    ];
    const told = openings.flatMap((o) => [
      o.from,
      o.into,
      o.start,
      o.firstKeys.join(),
      o.isIntoSettled,
      o.isPartEnd,
    ]);
    return fillsMade(part.cutId, [...Object.values(task), told, ...decided, settled], () => {
      const twinOf = (id: string): string | null => {
        const at = voiced.findIndex((v) => id.endsWith(`:${v.change.id}`));
        return at >= 0 && leaders[at] ? id.replace(/:.*$/, `:${leaders[at]}`) : null;
      };
      const decisions = {
        measure: hasFills ? measure : ('none' as const),
        seed,
        taken: song.fillsTaken,
        declined: settled ? [] : song.fillsDeclined,
        twinOf,
      };
      const proposed = fillPart(task, openings, decisions, after);
      // What a settled part plays was stored with it.
      return settled?.keys ? asStored(proposed, settled.fills) : proposed;
    });
  });

  /** For each part the fills of earlier parts that lead into it. */
  const arrivals = lazily((): Proposal[][] => {
    const lists = parts.map((): Proposal[] => []);
    parts.forEach((_, index) => {
      for (const fill of fillsOf(index).playing)
        if (fill.goal) lists[indexAt(starts, fill.place.endTick)].push(fill);
    });
    return lists;
  });

  /** What melody, chords and fills of a part strike, wherever that is. */
  const soundedOf = once((index): StruckPart => {
    const { part, melody: own, settled } = material[index];
    const { notes, right } = handsOf(index);
    const { playing } = fillsOf(index);
    const arriving = settled?.keys ? [] : arrivals()[index];
    return soundedMade(part.cutId, [own, notes, right, playing, arriving, settled], () => {
      const tune = settled?.keys ? withKeptFills(own, right, settled.fills, onsetsOf(played)) : own;
      return {
        right: withRightFills(right.length === 0 ? tune : inTime([...tune, ...right]), playing),
        left: withLeftFills(notes, playing, arriving),
      };
    });
  });

  /** The parts that may sound while one lasts: chords and notes ring on, or are struck again, into later parts. */
  const soundingIn = (index: number): number[] => {
    const indices = [index];
    for (let at = index - 1; at >= 0 && ringsUntil[at] > parts[index].fromTick; at--) indices.unshift(at);
    return indices;
  };

  /** What is struck while a part lasts. */
  const struckOf = once((index): StruckPart => {
    const { cutId, fromTick, toTick } = parts[index];
    // A settled part has stored all that is struck while it lasts, from whatever part it came.
    const around = (material[index].settled?.keys ? [index] : soundingIn(index)).map(soundedOf);
    const handIn = (hand: Hand): readonly HandNote[] => {
      const all = around.length === 1 ? around[0][hand] : inTime(around.flatMap((part) => part[hand]));
      return all.every(({ tick }) => tick >= fromTick && tick < toTick)
        ? all
        : all.filter(({ tick }) => tick >= fromTick && tick < toTick);
    };
    const [right, left] = [handIn('right'), handIn('left')];
    return struckMade(cutId, [right, left], () => ({ right, left }));
  });

  /** At the beginning of a part a hand is free after a rest or a long note. */
  const isFreeAt = (hand: Hand, index: number): boolean => {
    const [before, here] = [struckOf(index - 1)[hand], struckOf(index)[hand]];
    return before.length > 0 && here.length > 0 && isFreeBetween(before, here[0]);
  };

  const fingerHand = (hand: Hand, index: number, from: HandState): FingeredHand => {
    const notes = struckOf(index)[hand];
    const reach = hand === 'right' ? profile.rightReach : profile.leftReach;
    const { thumb = 'usual' } = material[index].part.choices;
    const { fixed, name } = fixedIn(notes, context.fixed);
    const isLast = index === parts.length - 1;
    const landing = isLast || isFreeAt(hand, index + 1) ? [] : landingOf(struckOf(index + 1)[hand]);
    return fingersMade(
      `${hand} ${material[index].part.cutId}`,
      [notes, reach, JSON.stringify(from), landing, name, thumb],
      () => fingerPart(notes, hand, reach, from, landing, fixed, thumb),
    );
  };

  /** Fingers are solved forwards, from the last part at whose beginning the hand is free. */
  const fingeredBy = (hand: Hand): ((index: number) => FingeredHand) => {
    const known: FingeredHand[] = [];
    return (index) => {
      let at = index;
      while (at > 0 && !known[at] && !isFreeAt(hand, at)) at--;
      for (; at <= index; at++) {
        const from = at === 0 || isFreeAt(hand, at) ? FROM_NOWHERE : known[at - 1].leaves;
        known[at] ??= fingerHand(hand, at, from);
      }
      return known[index];
    };
  };
  const fingered = { right: fingeredBy('right'), left: fingeredBy('left') };

  return (index) => {
    const { part, findings } = material[index];
    const { cutId } = part;
    const handOf = (hand: Hand): readonly HandNote[] =>
      context.withoutFingers ? struckOf(index)[hand] : fingered[hand](index).notes;
    const [right, left] = [handOf('right'), handOf('left')];
    const ticks = within(played.changes, part.fromTick, part.toTick).map(({ tick }) => tick);
    const meetings = meetingsMade(cutId, [right, left, ticks, played.bars], () =>
      meetingsOf(played.bars, changeTicks, right, left),
    );
    const lasting = barsLasting(played, part, clock);
    const effort = effortMade(cutId, [right, left, JSON.stringify(lasting), profile], () =>
      effortOf({ right, left, bars: lasting, profile }),
    );
    const notKept =
      song.fingerPins.length === 0 || context.withoutFingers
        ? []
        : [right, left].flatMap((notes) => fingersNotKept(notes, context.fixed, played));
    const waiting = fillsOf(index).waiting.map(waitingFinding);
    const all = [...findings, ...handsOf(index).findings, ...bumpsIn(index), ...notKept, ...waiting];
    const toShow = shownOf(gathered(all, played.bars), song.dismissed);
    const shown = findingsMade(cutId, [JSON.stringify(toShow)], () => toShow);
    const { fills } = fillsOf(index);
    return partMade(cutId, [right, left, meetings, fills, effort, shown], () => ({
      right,
      left,
      meetings,
      fills,
      effort,
      findings: shown,
    }));
  };

  /** Where the hands are in each other's way while the part lasts, the part before ringing on into it. */
  function bumpsIn(index: number): readonly Finding[] {
    const { toPlay: part } = material[index];
    const around = soundingIn(index);
    const [right, left] = (['right', 'left'] as const).map((hand) =>
      lasting(
        around.flatMap((at) => soundedOf(at)[hand]),
        part.fromTick,
        part.toTick,
      ),
    );
    const voiced = around.flatMap((at): readonly ArrangedChange[] => material[at].voiced);
    return bumpsMade(part.cutId, [part, right, left, voiced, profile], () =>
      bumpsBetween(right, left, {
        parts: [part],
        changeOf: (id) => voiced.find((v) => v.change.id === id),
        lowerKeys: ({ chord, voicing }: VoicedChange, ceiling) => {
          const keys = keysInPlace(chord, voicing.keys, ceiling, profile);
          return keys.length > 0 ? keys : null;
        },
      }).filter(({ tick }) => tick >= part.fromTick && tick < part.toTick),
    );
  }
}

/** The bars of a part, or of any stretch, and how long each lasts, as effort is measured by them. */
export function barsLasting(
  played: PlayedSong,
  part: Pick<PartToPlay, 'fromTick' | 'toTick'>,
  clock: Clock,
): EffortBar[] {
  const bars = barsIn(played.bars, part.fromTick, part.toTick);
  const timed = bars.map((bar) => ({ ...bar, beat: beatTicks(bar.metre) }));
  return barsOfEffort(timed, part.fromTick, part.toTick, (tick) => clock.secondsAt(tick));
}

/** The first note of a melody at or after a tick that is no grace note. */
function firstFrom(melody: readonly HandNote[], tick: number): HandNote | null {
  if (melody.length === 0) return null;
  for (let at = indexAt(melody, tick); at < melody.length; at++)
    if (melody[at].tick >= tick && !melody[at].grace) return melody[at];
  return null;
}

function isSung({ choices }: PartMaterial['toPlay']): boolean {
  return choices.layout === 'singing';
}

function shownOf(findings: readonly Finding[], dismissed: readonly string[]): Finding[] {
  return findings.filter((finding) => !isDismissed(finding, dismissed));
}

/** A value for each part, made when it is first asked for. */
function once<T>(make: (index: number) => T): (index: number) => T {
  const made: T[] = [];
  return (index) => (made[index] ??= make(index));
}

/** The same where each needs the one before. */
function forwards<T>(make: (index: number, before: T | null) => T): (index: number) => T {
  const made: T[] = [];
  return (index) => {
    for (let at = made.length; at <= index; at++) made.push(make(at, made[at - 1] ?? null));
    return made[index];
  };
}

function lazily<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}

// What was made of each part, remembered from one arrangement to the next.
const handsMade = rememberEach<PartHands>();
const fillsMade = rememberEach<PartFills>();
const soundedMade = rememberEach<StruckPart>();
const struckMade = rememberEach<StruckPart>();
const fingersMade = rememberEach<FingeredHand>();
const meetingsMade = rememberEach<readonly Meeting[]>();
const effortMade = rememberEach<Effort>();
const bumpsMade = rememberEach<readonly Finding[]>();
const findingsMade = rememberEach<readonly Finding[]>();
const partMade = rememberEach<PartArrangement>();
