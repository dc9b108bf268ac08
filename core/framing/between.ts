import type { Arrangement } from '../arrangement';
import { type Key, membersOf, midiOf, parseChord } from '../music';
import { because, type Phrase } from '../sentences';
import { barAt, type Choices, type FrameKind, keyAt, placeInBar } from '../song';
import { dominant, onDegree } from './chords';
import { chordsOf, edges, type Material, ownBars, raised, tuneOf, upTo } from './material';
import { CALM, cutsOf, FRAME_NAMES, type FrameProposal, type FrameVariant, QUIET } from './proposal';

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
  const build: Build = (kind, variant, count, material, choices, reason, energy = 2) => ({
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
  const interlude = {
    melody: cut(tuneOf(arrangement, first), first.length),
    changes: chordsOf(arrangement, first),
  };
  const chorus = instrumental(arrangement, partIndex);
  const proposals = [...turnarounds(build, key, bar), ...interludes(build, interlude, first.length)];
  if (chorus) {
    const material = { ...chorus.material, melody: cut(chorus.material.melody, chorus.bars) };
    proposals.push(build('chorus', 'other-order', chorus.bars, material, {}, because.instrumental(), 3));
  }
  return proposals.filter(({ piece }) => piece.changes.length > 0 && piece.bars > 0);
}

type Build = (
  kind: FrameKind,
  variant: FrameVariant,
  bars: number,
  material: Material,
  choices: Partial<Choices>,
  reason: Phrase,
  energy?: number,
) => FrameProposal;

/** A bar that leads back to the tonic, by one chord or by two. */
function turnarounds(build: Build, key: Key, bar: number): FrameProposal[] {
  const half = Math.round(bar / 2);
  const by = (...symbols: [string] | [string, string]): Material => {
    const lengths = symbols.length === 1 ? [bar] : [half, bar - half];
    const changes = symbols.map((symbol, i) => ({ tick: i * half, length: lengths[i], symbol }));
    return { melody: [], changes };
  };
  const fromAbove = by(onDegree(key, '2m', '7'), dominant(key));
  const diminished = by(onDegree(key, '7M', 'dim7'));
  return [
    build('turnaround', 'dominant', 1, by(dominant(key)), {}, because.turnsByDominant()),
    build('turnaround', 'half-step-above', 1, fromAbove, {}, because.turnsFromAbove()),
    build('turnaround', 'diminished', 1, diminished, {}, because.turnsDiminished()),
  ];
}

/** The first phrase, its chords alone or its tune higher. */
function interludes(build: Build, material: Material, bars: number): FrameProposal[] {
  const chordsAlone = { ...material, melody: [] };
  const higher = { ...material, melody: raised(material.melody, 1) };
  return [
    build('interlude', 'first-chords', bars, chordsAlone, QUIET, because.interludeQuiet(), CALM),
    build('interlude', 'octave-higher', bars, higher, {}, because.interludeHigher()),
  ];
}

/** The notes of the part before in another order over its chords: in each bar the order that agrees best on strong beats, never the one it had. */
function instrumental(
  arrangement: Arrangement,
  partIndex: number,
): { readonly bars: number; readonly material: Material } | null {
  const source = arrangement.parts[partIndex - 1];
  const bars = arrangement.played.bars.filter(
    ({ tick, number }) => number > 0 && tick >= source.fromTick && tick < source.toTick,
  );
  if (bars.length === 0) return null;
  const changes = chordsOf(arrangement, bars);
  const [from] = edges(bars);
  const melody = bars.flatMap((bar) => {
    const notes = tuneOf(arrangement, [bar]).map((note) => ({ ...note, tick: note.tick + bar.tick - from }));
    return reordered(notes, changes, (tick) => placeInBar(bar, tick + from).strength);
  });
  return { bars: bars.length, material: { melody, changes } };
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
