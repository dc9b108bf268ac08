import type { Arrangement } from '../arrangement';
import { chroma, membersOf, parseChord } from '../music';
import { because, type Phrase } from '../sentences';
import { barAt, type Choices } from '../song';
import { dominant, fourthChord, onDegree, tonicChord } from './chords';
import {
  barLength,
  chordsOf,
  edges,
  hasPiece,
  keyOf,
  type Material,
  ownBars,
  tonicNear,
  tuneOf,
  upTo,
} from './material';
import { CALM, cutsOf, FRAME_NAMES, type FrameProposal, type FrameVariant, QUIET } from './proposal';

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
    variant: FrameVariant,
    material: Material,
    choices: Partial<Choices>,
    reason: Phrase,
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
      'last-phrase',
      { melody: tuneOf(arrangement, last), changes: chordsOf(arrangement, last) },
      {},
      because.introKnown(),
    ),
    build('last-chords', { melody: [], changes: chordsOf(arrangement, last) }, QUIET, because.introQuiet()),
    build('first-bar', { melody: motif, changes: chordsOf(arrangement, first) }, QUIET, because.introHints()),
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
    variant: FrameVariant,
    bars: number,
    material: Material,
    choices: Partial<Choices>,
    reason: Phrase,
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
            'again',
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
      'close',
      2,
      {
        melody: held(0, 2 * bar),
        changes: [
          { tick: 0, length: bar, symbol: fourthChord(key) },
          { tick: bar, length: bar, symbol: I },
        ],
      },
      {},
      because.endsHome(),
    ),
    build(
      'suspended',
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
