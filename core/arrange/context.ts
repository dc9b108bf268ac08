import type { ArrangedChange, SongFrame } from '../arrangement';
import { fixedFingers, type FixedFingers } from '../fingering';
import type { HandNote } from '../hands';
import { type Degree, degreeOf } from '../harmony';
import { type ChangeMeeting, meetingOf, rubFindings, struckNote } from '../joining';
import { type Memory, memoryOf } from '../memory';
import { keyName, TICKS_PER_QUARTER } from '../music';
import {
  isIn,
  NOTHING_WRITTEN,
  without,
  type Written,
  writtenFindings,
  writtenHands,
  writtenIn,
} from '../own';
import { type Part, partIndexAt, partsOf, type PartToPlay, partToPlay, twinsOf } from '../parts';
import { withSlowing } from '../performance';
import { withRhythms } from '../rhythm';
import { type Finding, type PlayedSong, type Profile, type Song, unfold } from '../song';
import { type VoicedChange, type VoicedSong, voiceParts } from '../voicing';
import { type Shape, shapeOf, slowsAtEnd, styledLeft, type StyledStrike } from '../shaping';
import { keptHands } from './settled';
import { songFindings } from './songFindings';
import { keysByTick } from './windows';

/** What is known of one part before its hands are worked out. */
export interface PartMaterial {
  readonly part: Part;
  readonly toPlay: PartToPlay;
  /** The melody as the right hand strikes it; none where the part is laid out for singing. */
  readonly melody: readonly HandNote[];
  readonly voiced: readonly ArrangedChange[];
  /** What song, chords and voicing make a pianist want to know of it. */
  readonly findings: readonly Finding[];
  readonly settled: Song['settled'][number] | null;
  /** What the pianist wrote where it lasts, and where what it strikes rings on. */
  readonly written: Written;
}

/** All that the parts of a song need of it, solved for the whole song; each part takes what it needs by name. */
export interface SongContext extends SongFrame {
  readonly material: readonly PartMaterial[];
  /** The melody of all parts, in time. */
  readonly melody: readonly HandNote[];
  readonly longestNote: number;
  /** What the left hand strikes under each chord that is played in a style, by played id. */
  readonly styled: ReadonlyMap<string, readonly StyledStrike[]>;
  /** Changes of parts that follow another, with the change each stands for. */
  readonly twins: ReadonlyMap<string, string>;
  readonly fixed: FixedFingers;
  readonly withoutFingers: boolean;
  readonly memory: Memory;
}

/** Everything of a song that is solved over the whole of it: what is played, its parts, its voicings. */
export function* contextOf(
  song: Song,
  profile: Profile,
  withoutFingers: boolean,
): Generator<null, SongContext> {
  const memory = memoryOf(song.id);
  const asWritten = unfoldOnce(song, memory);
  const parts = partsOf(song, asWritten);
  const inTime = rhythmsOnce(asWritten, parts, memory);
  const shape = shapeOnce(song, inTime, memory);
  const played = slowsAtEnd(song, parts, shape) ? slowedOnce(inTime, memory) : inTime;
  yield null;
  const voiced = voiceParts(song, profile, played, parts);
  const changes = describeChanges(played, voiced, memory);
  yield null;
  const raisedParts = raisedIn(song, parts, voiced, memory);
  const frame = {
    song,
    profile,
    played,
    parts,
    changes,
    raisedParts,
    shape,
  };
  const twins = twinsOf(parts, played.changes);
  const written = writtenOnce(frame, memory);
  const material = materialOf(frame, voiced, written, memory);
  const melody = material.flatMap((part) => part.melody);
  const longestNote = melody.reduce((most, note) => Math.max(most, note.length), 0);
  return {
    ...frame,
    material,
    melody,
    longestNote,
    styled: styledOnce(frame, material, melody, longestNote, memory),
    twins,
    fixed: withoutFingers ? () => null : fixedFingers(song, played, twins),
    withoutFingers,
    memory,
  };
}

/**
 * Unfolding looks at nothing a pianist chooses: it is remembered as long as notes, changes and maps are the same, and
 * what an edit of some of them left alone keeps its identity.
 */
function unfoldOnce(song: Song, memory: Memory): PlayedSong {
  const { melody, changes, words, ownBars, sections, keyMap, metreMap, tempoMap } = song;
  const { playingOrder, pickup, barCount } = song;
  const kept = <T>(field: string, from: readonly unknown[], value: T): T =>
    memory.of<T>(`unfolded ${field}`)('song', from, () => value);
  const from = [
    melody,
    changes,
    words,
    ownBars,
    sections,
    keyMap,
    metreMap,
    tempoMap,
    playingOrder,
    pickup,
    barCount,
  ];
  return memory.of<PlayedSong>('unfolded')('song', from, () => {
    const now = unfold(song);
    return {
      ...now,
      melody: kept('melody', [now.melody], now.melody),
      changes: kept('changes', [now.changes], now.changes),
      bars: kept('bars', [JSON.stringify(now.bars)], now.bars),
      words: kept('words', [JSON.stringify(now.words)], now.words),
      ownBars: kept('own bars', [JSON.stringify(now.ownBars)], now.ownBars),
      sections: kept('sections', [JSON.stringify(now.sections)], now.sections),
      keyMap: kept('keys', [JSON.stringify(now.keyMap)], now.keyMap),
      tempoMap: kept('tempos', [JSON.stringify(now.tempoMap)], now.tempoMap),
    };
  });
}

/** Rhythm versions look only at the rhythms chosen: remembered, so that later stages meet the same song again. */
function rhythmsOnce(written: PlayedSong, parts: readonly Part[], memory: Memory): PlayedSong {
  const chosen = parts.map((part) => `${part.fromTick}:${part.choices.rhythm}`).join();
  return memory.of<PlayedSong>('rhythms')('song', [written, chosen], () => withRhythms(written, parts));
}

/** The song slowing at its end, remembered, so that later stages meet the same objects again. */
function slowedOnce(played: PlayedSong, memory: Memory): PlayedSong {
  return memory.of<PlayedSong>('slowed')('song', [played], () => withSlowing(played));
}

/** The shape looks at the song as it is played, and at what the pianist says of its phrases. */
function shapeOnce({ feel, intensities }: Song, played: PlayedSong, memory: Memory): Shape {
  const { melody, bars, changes, sections, keyMap, tempoMap } = played;
  const from = [melody, bars, changes, sections, keyMap, tempoMap, JSON.stringify([feel, intensities])];
  return memory.of<Shape>('shape')('song', from, () => shapeOf({ feel, intensities }, played, memory));
}

/** The left hand in a style, solved over the whole song round what is learned or played otherwise. */
function styledOnce(
  { shape, parts, changes, played, profile }: SongFrame,
  material: readonly PartMaterial[],
  melody: readonly HandNote[],
  longestNote: number,
  memory: Memory,
): SongContext['styled'] {
  const chosen = parts.map(({ cutId, fromTick, choices, settled }) => {
    const { level, pattern, layout, register, style } = choices;
    return [cutId, fromTick, level, pattern, layout, register, style, settled];
  });
  const notes = memory.of<readonly HandNote[]>('tune of the song')('song', [melody], () => melody);
  const settled = material.map((part) => part.settled);
  const from = [shape, changes, notes, played.bars, played.endTick, profile, JSON.stringify(chosen), settled];
  return memory.of<SongContext['styled']>('styled')('song', from, () => {
    const kept = new Map(
      settled.flatMap((part) => (part ? [...keysByTick(keptHands(part, played)?.notes ?? [])] : [])),
    );
    const keptBass = ({ change }: VoicedChange): number | null => kept.get(change.tick)?.[0] ?? null;
    return styledLeft({
      shape,
      parts,
      voiced: changes,
      played,
      profile,
      melody,
      longestNote,
      memory,
      keptBass,
    });
  });
}

/** What is written by hand, the same as long as what it depends on is. */
function writtenOnce({ played, parts, profile }: SongFrame, memory: Memory): Written {
  const { ownBars, changes, melody, keyMap } = played;
  if (ownBars.length === 0) return NOTHING_WRITTEN;
  const laid = parts.map(({ fromTick, toTick, sharesWith }) => `${fromTick}:${toTick}:${sharesWith ?? ''}`);
  const from = [ownBars, changes, melody, keyMap, profile.keyboard, laid.join()];
  return memory.of<Written>('written')('song', from, () => writtenHands(played, parts, profile));
}

/** Parts (by index) whose melody is played an octave higher; in a settled part as it was when it was settled. */
function raisedIn(
  { settled }: Song,
  parts: readonly Part[],
  { raisedParts }: VoicedSong,
  memory: Memory,
): readonly number[] {
  const raised = parts.flatMap(({ cutId, settled: isSettled }, index) => {
    const kept = isSettled ? settled.find((part) => part.cutId === cutId) : undefined;
    return (kept?.choices ? kept.isRaised : raisedParts.has(index)) ? [index] : [];
  });
  return memory.of<readonly number[]>('raised')('song', [raised], () => raised);
}

/** What each change is in the song; one that is voiced as before, after a chord that is too, and meets what it met, keeps its identity. */
function describeChanges(played: PlayedSong, solved: VoicedSong, memory: Memory): readonly ArrangedChange[] {
  const { voiced } = solved;
  const described = memory.of<ArrangedChange>('described');
  // As they were where they say the same, so that they keep their identity under another voicing, or beside another note.
  const meetings = memory.of<ChangeMeeting>('meetings of changes');
  const degrees = memory.of<Degree>('degrees');
  return memory.of<readonly ArrangedChange[]>('described, all')('song', [played, solved], () => {
    const changes = voiced.map((v, i) => {
      const { id } = v.change;
      const around = [-1, 1, 2].map((by) => voiced[i + by]?.chord);
      const found = meetingOf(played, v);
      const meeting = meetings(id, Object.values(found), () => found);
      // It moves from the keys before.
      const from = [...saidOf(v), ...around, voiced[i - 1]?.voicing.keys, meeting];
      const degree = (): Degree => {
        const now = degreeIn(voiced, i);
        return degrees(id, [JSON.stringify(now)], () => now);
      };
      return described(id, from, () => ({ ...v, degree: degree(), meeting }));
    });
    return memory.of<readonly ArrangedChange[]>('changes')('song', [changes], () => changes);
  });
}

function degreeIn(voiced: VoicedSong['voiced'], i: number): Degree {
  const v = voiced[i];
  const around = { before: voiced[i - 1]?.chord, afterNext: voiced[i + 2]?.chord };
  return degreeOf(v.chord, voiced[i + 1]?.chord ?? null, v.key, around);
}

/** All that tells how a change of the same song is voiced: what else is known of it follows from that. */
function saidOf(v: VoicedChange): unknown[] {
  const { change, chord, key, layout, voicing, fixedBy, closeHands, relaxed, couldLetGo, length, nextBest } =
    v;
  const chosen = [change, chord, keyName(key), layout, voicing.keys];
  return [
    ...chosen,
    fixedBy,
    closeHands,
    relaxed,
    couldLetGo,
    length,
    nextBest?.voicing.keys,
    nextBest?.extra,
  ];
}

/** Fills lead up to so many ticks beyond a part. */
const BEYOND = 4 * TICKS_PER_QUARTER;

function materialOf(frame: SongFrame, voiced: VoicedSong, written: Written, memory: Memory): PartMaterial[] {
  const melodyOf = memory.of<readonly HandNote[]>('melody');
  const { song, played, parts, changes } = frame;
  const raised = new Set(frame.raisedParts);
  const notes = split(played.melody, parts);
  const keptOf = ({ settled, cutId }: Part): PartMaterial['settled'] =>
    settled ? (song.settled.find((kept) => kept.cutId === cutId) ?? null) : null;
  const voicedIn = split(changes, parts, ({ change }) => change.tick);
  const writtenOf = memory.of<Written>('written in part');
  const ownIn = parts.map((part, i): Written => {
    if (written === NOTHING_WRITTEN) return written;
    const ends = [...notes[i], ...voicedIn[i].map(({ change }) => change)].map(
      ({ tick, length }) => tick + length,
    );
    const own = writtenIn(written, part.fromTick, Math.max(part.toTick, ...ends) + BEYOND);
    // As it was where it says the same, so that what is written elsewhere changes nothing here.
    return own === NOTHING_WRITTEN ? own : writtenOf(part.cutId, [JSON.stringify(own)], () => own);
  });
  const melodies = parts.map((part, i) => {
    const octaves = part.choices.octaveShift + (raised.has(i) ? 1 : 0);
    if (part.choices.layout === 'singing') return [];
    const kept = keptOf(part);
    const silent = kept?.keys ? new Set(kept.silent) : null;
    return melodyOf(part.cutId, [notes[i], octaves, kept, ownIn[i]], () => {
      const struck = notes[i].map((note) => struckNote(note, octaves));
      // A part that is learned leaves out what it left out when it was.
      return silent
        ? struck.filter(({ from }) => !silent.has(from))
        : [...without(struck, ownIn[i].right.closed)];
    });
  });
  const findings = split(
    [
      ...songFindings(frame, melodies.flat(), memory),
      ...writtenFindings(song, played, frame.profile, written),
      ...[...rubFindings(played, voiced.voiced, memory), ...voiced.findings].filter(
        ({ tick }) => !isIn(written.left.closed, tick),
      ),
    ],
    parts,
  );
  return parts.map((part, i) => ({
    part,
    toPlay: partToPlay(part, memory),
    melody: melodies[i],
    voiced: voicedIn[i],
    findings: findings[i],
    settled: keptOf(part),
    written: ownIn[i],
  }));
}

/** Things in time, by the part they lie in. */
function split<T>(
  things: readonly T[],
  parts: readonly Part[],
  tickOf: (thing: T) => number = (thing) => (thing as { tick: number }).tick,
): T[][] {
  const lists: T[][] = parts.map(() => []);
  for (const thing of things) lists[partIndexAt(parts, tickOf(thing))].push(thing);
  return lists;
}
