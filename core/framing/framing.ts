import type { Arrangement } from '../arrangement';
import { chroma, membersOf, metricStrength, midiOf, parseChord } from '../music';
import { barAt, type Choices, type FrameKind, type FramePiece, keyAt } from '../song';
import { because } from '../sentences';
import { dominant, onDegree, tonicChord } from './chords';
import {
  barLength,
  chordsOf,
  edges,
  hasPiece,
  keyOf,
  ownBars,
  type Material,
  raised,
  tonicNear,
  tuneOf,
} from './material';

/** Where the parts of a song begin now. */
function cutsOf({ parts }: Arrangement): FramePiece['cuts'] {
  return parts.map(({ cutId, fromTick }) => ({ id: cutId, tick: fromTick }));
}

/** A stretch that could frame the song, with why. */
export interface FrameProposal {
  readonly piece: FramePiece;
  /** Which of several ways this is: "the last phrase's chords, quietly". */
  readonly variant: string;
  readonly reason: string;
}

/** What is heard of a proposal: the stretch itself with a bar of what is beside it, in played ticks of the song with it. */
export function stretchOf(
  { piece }: FrameProposal,
  { bars, endTick }: Pick<Arrangement['played'], 'bars' | 'endTick'>,
): { readonly fromTick: number; readonly toTick: number } {
  const { before } = piece;
  const full = bars.filter(({ number }) => number > 0);
  const beside = full.find(({ tick, length }) => tick + length > (before ?? endTick - 1)) ?? full[0];
  const bar = beside.length;
  const length = piece.bars * bar;
  if (before === null) return { fromTick: Math.max(0, endTick - bar), toTick: endTick + length };
  return { fromTick: Math.max(0, before === 0 ? 0 : before - bar), toTick: before + length + bar };
}

const QUIET: Partial<Choices> = { pattern: 'open-tenth' };
const CALM = 1;

/** Each kind by name, as its part is called. Source: common practice of arranging songs. */
const FRAME_NAMES: Record<FrameKind, string> = {
  intro: 'Intro',
  turnaround: 'Turnaround',
  interlude: 'Interlude',
  chorus: 'Instrumental',
  ending: 'Ending',
};

/** Ways to begin, of two or four bars, from the song's own phrases. Empty for a song without chords. */
export function introsFor(arrangement: Arrangement, bars: 2 | 4): FrameProposal[] {
  const { played, changes } = arrangement;
  const full = ownBars(arrangement);
  if (changes.length === 0 || full.length < bars || hasPiece(arrangement, 'intro')) return [];
  const key = keyOf(arrangement, 'beginning');
  const bar = barLength(arrangement, 'beginning');
  const leadsIn = (material: Material): Material => leadingTo(material, bars * bar, bar, dominant(key));
  const last = full.slice(-bars);
  const first = full.slice(0, bars);
  const room =
    bars * bar - played.bars.filter(({ number }) => number === 0).reduce((sum, b) => sum + b.length, 0);
  const clear = (material: Material): Material => ({ ...material, melody: upTo(material.melody, room) });
  const motif = tuneOf(arrangement, first.slice(0, 1));
  const build = (
    variant: string,
    material: Material,
    choices: Partial<Choices>,
    reason: string,
  ): FrameProposal => ({
    piece: {
      kind: 'intro',
      name: FRAME_NAMES.intro,
      bars,
      before: 0,
      energy: CALM,
      choices,
      cuts: cutsOf(arrangement),
      ...clear(leadsIn(material)),
    },
    variant,
    reason,
  });
  return [
    build(
      'the last phrase, its tune and chords',
      { melody: tuneOf(arrangement, last), changes: chordsOf(arrangement, last) },
      {},
      because.introKnown(),
    ),
    build(
      'the last phrase’s chords alone, low and quiet',
      { melody: [], changes: chordsOf(arrangement, last) },
      QUIET,
      because.introQuiet(),
    ),
    build(
      'the tune’s first bar over its chords, then they go on alone',
      { melody: motif, changes: chordsOf(arrangement, first) },
      QUIET,
      because.introHints(),
    ),
  ].filter(({ piece }) => piece.changes.length > 0);
}

/** Ways to end after the last bar. Empty for a song without chords. */
export function endingsFor(arrangement: Arrangement): FrameProposal[] {
  if (arrangement.changes.length === 0 || hasPiece(arrangement, 'ending')) return [];
  const key = keyOf(arrangement, 'end');
  const bar = barLength(arrangement, 'end');
  const last = ownBars(arrangement).slice(-2);
  const end = arrangement.played.melody.at(-1)?.midi ?? 72;
  const tonic = tonicNear(key, end);
  const I = tonicChord(key);
  const held = (tick: number, length: number): Material['melody'] => [{ tick, length, pitch: tonic }];
  const build = (
    variant: string,
    bars: number,
    material: Material,
    choices: Partial<Choices>,
    reason: string,
  ): FrameProposal => ({
    piece: {
      kind: 'ending',
      name: FRAME_NAMES.ending,
      bars,
      before: null,
      energy: CALM,
      choices,
      cuts: cutsOf(arrangement),
      ...material,
    },
    variant,
    reason,
  });
  const [from] = edges(last);
  const tag =
    last.length === 2
      ? [
          build(
            'the last two bars once more, then home',
            3,
            {
              melody: [...tuneOf(arrangement, last), ...held(2 * bar, bar)],
              changes: [...chordsOf(arrangement, last), { tick: 2 * bar, length: bar, symbol: I }],
            },
            {},
            because.endsAgain(barAt(arrangement.played.bars, from).number),
          ),
        ]
      : [];
  return [
    build(
      'a close: home by the fourth degree',
      2,
      {
        melody: held(0, 2 * bar),
        changes: [
          { tick: 0, length: bar, symbol: onDegree(key, '4P', key.mode === 'minor' ? 'm' : '') },
          { tick: bar, length: bar, symbol: I },
        ],
      },
      {},
      because.endsHome(),
    ),
    build(
      'a suspended close: fourth, second, then the chord',
      3,
      {
        melody: held(0, 3 * bar),
        changes: [
          { tick: 0, length: bar, symbol: onDegree(key, '1P', 'sus4') },
          { tick: bar, length: bar, symbol: onDegree(key, '1P', 'sus2') },
          { tick: 2 * bar, length: bar, symbol: I },
        ],
      },
      { pattern: 'block' },
      because.endsSuspended(),
    ),
    ...tag,
  ];
}

/**
 * Ways back between two parts: turnarounds, interludes, an instrumental chorus. Where bars are repeated they stand between
 * two passes, or at any other bar line at which a part begins; none where a part begins within a bar there.
 */
export function betweenFor(arrangement: Arrangement, partIndex: number): FrameProposal[] {
  const { parts, song, changes } = arrangement;
  const part = parts[partIndex];
  const isFrame = arrangement.played.sections.some(
    ({ tick, frame }) => frame && part && part.fromTick >= tick && part.fromTick < tick + frame.ticks,
  );
  if (!part || partIndex === 0 || isFrame || changes.length === 0) return [];
  const bars = arrangement.played.bars.filter(({ number }) => number > 0);
  const start = bars.find(({ tick }) => tick >= part.fromTick);
  if (!start || (song.playingOrder.length > 0 && start.tick !== part.fromTick)) return [];
  // Home is where the music goes on.
  const key = keyAt(arrangement.played, start.tick);
  const { length: bar } = barAt(bars, start.tick);
  const first = ownBars(arrangement).slice(0, 4);
  const build = (
    kind: FrameKind,
    variant: string,
    count: number,
    material: Material,
    choices: Partial<Choices>,
    reason: string,
    energy = 2,
  ): FrameProposal => ({
    piece: {
      kind,
      name: FRAME_NAMES[kind],
      bars: count,
      before: part.fromTick,
      energy,
      choices,
      cuts: cutsOf(arrangement),
      ...material,
    },
    variant,
    reason,
  });
  const room = start.tick - part.fromTick;
  const cut = (melody: Material['melody'], count: number): Material['melody'] =>
    upTo(melody, count * bar - room);
  const half = Math.round(bar / 2);
  const back = (symbols: readonly string[]): Material => ({
    melody: [],
    changes: symbols.map((symbol, i) => {
      const length = symbols.length === 1 ? bar : half;
      return { tick: i * length, length: symbols.length === 1 ? bar : i === 0 ? half : bar - half, symbol };
    }),
  });
  const interlude = {
    melody: cut(tuneOf(arrangement, first), first.length),
    changes: chordsOf(arrangement, first),
  };
  const chorus = instrumental(arrangement, partIndex);
  return [
    build('turnaround', 'by the dominant', 1, back([dominant(key)]), {}, because.turnsByDominant()),
    build(
      'turnaround',
      'from a half step above',
      1,
      back([onDegree(key, '2m', '7'), dominant(key)]),
      {},
      because.turnsFromAbove(),
    ),
    build(
      'turnaround',
      'by a diminished chord that leads back',
      1,
      back([onDegree(key, '7M', 'dim7')]),
      {},
      because.turnsDiminished(),
    ),
    build(
      'interlude',
      'the first phrase’s chords, low and quiet',
      first.length,
      { ...interlude, melody: [] },
      QUIET,
      because.interludeQuiet(),
      CALM,
    ),
    build(
      'interlude',
      'the first phrase an octave higher',
      first.length,
      { ...interlude, melody: raised(interlude.melody, 1) },
      {},
      because.interludeHigher(),
    ),
    ...(chorus
      ? [
          build(
            'chorus',
            `the notes of part ${chorus.of} in another order, over its chords`,
            chorus.bars,
            { ...chorus.material, melody: cut(chorus.material.melody, chorus.bars) },
            {},
            because.instrumental(),
            3,
          ),
        ]
      : []),
  ].filter(({ piece }) => piece.changes.length > 0 && piece.bars > 0);
}

/** The notes of the part before in another order over its chords: in each bar the order that agrees best on strong beats, never the one it had. */
function instrumental(
  arrangement: Arrangement,
  partIndex: number,
): { readonly of: number; readonly bars: number; readonly material: Material } | null {
  const source = arrangement.parts[partIndex - 1];
  const bars = arrangement.played.bars.filter(
    ({ tick, number }) => number > 0 && tick >= source.fromTick && tick < source.toTick,
  );
  if (bars.length === 0) return null;
  const changes = chordsOf(arrangement, bars);
  const [from] = edges(bars);
  const melody = bars.flatMap((bar) => {
    const notes = tuneOf(arrangement, [bar]).map((note) => ({ ...note, tick: note.tick + bar.tick - from }));
    return reordered(notes, changes, (tick) => metricStrength(tick + from - bar.tick, bar.metre));
  });
  return { of: source.number, bars: bars.length, material: { melody, changes } };
}

/** The same rhythm and the same notes, in the order other than the own that has most chord members on strong beats. */
function reordered(
  notes: Material['melody'],
  changes: Material['changes'],
  strengthAt: (tick: number) => number,
): Material['melody'] {
  if (new Set(notes.map(({ pitch }) => midiOf(pitch))).size < 2) return notes;
  const orders = [...notes.keys()].slice(1).map((by) => [...notes.slice(by), ...notes.slice(0, by)]);
  orders.push(notes.toReversed());
  const own = notes.map(({ pitch }) => midiOf(pitch)).join();
  const fitOf = (order: Material['melody']): number =>
    order.reduce((sum, { pitch }, i) => {
      const { tick, length } = notes[i];
      const over = changes.findLast((change) => change.tick <= tick);
      const chord = over ? parseChord(over.symbol) : null;
      const fits = chord && membersOf(chord).some((member) => member.chroma === midiOf(pitch) % 12);
      return sum + (fits ? (1 + strengthAt(tick)) * length : 0);
    }, 0);
  const other = orders.filter((order) => order.map(({ pitch }) => midiOf(pitch)).join() !== own);
  const best = other.reduce((found, order) => (fitOf(order) > fitOf(found) ? order : found), other[0]);
  return best ? notes.map((note, i) => ({ ...note, pitch: best[i].pitch })) : notes;
}

/** What of a tune is over by a tick. */
function upTo(melody: Material['melody'], end: number): Material['melody'] {
  return melody.flatMap((note) =>
    note.tick >= end ? [] : [{ ...note, length: Math.min(note.length, end - note.tick) }],
  );
}

/** The last bar of a stretch leads home: its chord is the dominant, where it is not already. */
function leadingTo(material: Material, end: number, bar: number, symbol: string): Material {
  const before = material.changes.flatMap((change) =>
    change.tick >= end - bar ? [] : [{ ...change, length: Math.min(change.length, end - bar - change.tick) }],
  );
  const chord = parseChord(symbol);
  const members = new Set(chord ? membersOf(chord).map((member) => member.chroma) : []);
  // What is sung over it must be of it, so that nothing rubs.
  const melody = material.melody.filter(
    ({ tick, length, pitch }) => tick + length <= end - bar || tick < end - bar || members.has(chroma(pitch)),
  );
  return {
    melody: melody.map((note) =>
      note.tick < end - bar && note.tick + note.length > end - bar
        ? { ...note, length: end - bar - note.tick }
        : note,
    ),
    changes: [...before, { tick: end - bar, length: bar, symbol }],
  };
}
