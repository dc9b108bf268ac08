import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { settling, unsettling, type Arrangement } from '../arrangement';
import { keyOfPin } from '../fingering';
import { keepIdentity } from '../memory';
import { joinWithNext, nudgeCut, splitAt } from '../parts';
import { PATTERNS } from '../patterns';
import { parsePitch } from '../music';
import {
  applyEdit,
  type Choices,
  DEFAULT_PROFILE,
  HARMONIES,
  type OwnBars,
  type Song,
  type SongEdit,
  writtenBars,
} from '../song';
import { LAYOUTS } from '../song/schemaPieces';
import { randomSong } from '../testing';
import { arrange } from './song';

const without = { withoutFingers: true };
const copyOf = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** A bar of either hand written by hand, its second key following the chord. */
function ownBar(song: Song, at: number): OwnBars {
  const { tick, length } = of(writtenBars(song), at);
  const half = Math.floor(length / 2);
  const [first, second] = ['E2', 'C4'].map(parsePitch);
  return {
    id: `o${at % 3}`,
    hand: at % 2 === 0 ? 'left' : 'right',
    tick,
    length,
    how: at % 5 === 0 ? 'beside' : 'instead',
    pass: null,
    notes: [
      { after: 0, length, pitch: first },
      { after: half, length: half, pitch: second, over: 'Am7' },
    ],
  };
}

/** Edits as a pianist makes them one after another, each from a number that says where: of chords, notes, cuts, choices. */
const EDITS: readonly ((song: Song, at: number, now: () => Arrangement) => SongEdit | null)[] = [
  (_, at) => ({ kind: 'choose', choices: { level: 1 + (at % 7) } }),
  (_, at) => ({ kind: 'choose', choices: { layout: LAYOUTS[at % LAYOUTS.length] } }),
  (_, at) => ({ kind: 'choose', choices: { level: 5, pattern: PATTERNS[at % PATTERNS.length].id } }),
  (_, at) => ({ kind: 'tempo', quartersPerMinute: 50 + (at % 150) }),
  ({ changes }, at) => ({
    kind: 'pin',
    pin: { changeId: of(changes, at).id, keys: [48, 52, 57], fingers: null },
  }),
  ({ changes }, at) => ({ kind: 'unpin', changeId: of(changes, at).id }),
  ({ changes }, at) => ({
    kind: 'layout',
    changeId: of(changes, at).id,
    layout: LAYOUTS[at % LAYOUTS.length],
  }),
  ({ changes }, at) => ({
    kind: 'change-written',
    id: of(changes, at).id,
    symbol: of(['Am7', 'F', 'E7'], at),
  }),
  ({ changes }, at) => ({ kind: 'change-moved', id: of(changes, at).id, ticks: at % 2 ? 480 : -480 }),
  ({ changes }, at) => ({
    kind: 'close-hands',
    changeId: of(changes, at).id,
    how: of(['let-go', 'share', 'cross', null] as const, at),
  }),
  ({ melody }, at) => ({ kind: 'notes-moved', ids: [of(melody, at).id], steps: at % 2 ? 1 : -2 }),
  (song, at) => ({ kind: 'own-bars-written', own: ownBar(song, at), session: null }),
  (song, at) => ({ kind: 'own-bars-cleared', ...ownBar(song, at) }),
  ({ melody }, at) => ({
    kind: 'notes-harmonised',
    ids: [of(melody, at).id],
    harmony: { how: HARMONIES[at % HARMONIES.length] },
  }),
  ({ melody }, at) => ({ kind: 'notes-lengthened', ids: [of(melody, at).id], ticks: at % 2 ? 240 : -240 }),
  ({ melody }, at) => (melody.length > 4 ? { kind: 'notes-deleted', ids: [of(melody, at).id] } : null),
  ({ melody }, at) => ({
    kind: 'words-typed',
    fromId: of(melody, at).id,
    toId: of(melody, at).id,
    text: 'loo',
  }),
  (_, at, now) => joinWithNext(now().parts, at % now().parts.length),
  (_, at, now) => splitAt(now().parts, (at % 12) * 1920),
  (_, at, now) => nudgeCut(now().played, now().parts, at % now().parts.length, at % 2 ? 1 : -1),
  (_, at, now) => ({
    kind: 'choose-for-part',
    cutId: of(now().parts, at).cutId,
    choices: of(
      [{ level: 4 }, { level: 6, pattern: 'rocking' }, { rhythm: 'dotted' }, { octaveShift: 1 }],
      at,
    ) as Partial<Choices>,
  }),
  (_, at, now) => settling(now(), at % now().parts.length),
  (_, at, now) => unsettling(now(), at % now().parts.length),
  (_, at, now) => {
    const fill = now().fills[at % Math.max(1, now().fills.length)];
    return fill ? { kind: 'fill-left', id: fill.id } : null;
  },
  (_, at, now) => {
    const { right, played } = now();
    const note = right[at % Math.max(1, right.length)];
    return note ? { kind: 'finger-pinned', pin: { ...keyOfPin(note, played), finger: 1 + (at % 5) } } : null;
  },
];

function of<T>(list: readonly T[], at: number): T {
  return list[at % list.length];
}

/** All of an arrangement that is derived. */
const derived = ({
  parts,
  changes,
  left,
  right,
  findings,
  meetings,
  fills,
  efforts,
  relations,
}: Arrangement) => copyOf({ parts, changes, left, right, findings, meetings, fills, efforts, relations });

describe('what is remembered between edits', () => {
  it('never changes what comes out: each arrangement is that of the song arranged for the first time', () => {
    const start = fc
      .tuple(fc.integer({ min: 1, max: 300 }), fc.constantFrom(6, 12))
      .map(([seed, bars]) => randomSong({ bars, changesPerBar: 1, seed, lowest: 58, highest: 76 }));
    const step = fc.tuple(fc.constantFrom(...EDITS), fc.nat(9999));
    fc.assert(
      fc.property(start, fc.array(step, { minLength: 2, maxLength: 5 }), (first, steps) => {
        let song = first;
        const inTurn = steps.map(([editOf, at]) => {
          const edit = editOf(song, at, () => arrange(song, DEFAULT_PROFILE));
          // As the worker does: a copy comes, and what the edit left alone keeps its identity.
          if (edit) song = keepIdentity(song, copyOf(applyEdit(song, edit)));
          return { song, derived: derived(arrange(song, DEFAULT_PROFILE)) };
        });
        for (const { song: now, derived: then } of inTurn)
          expect(derived(arrange(copyOf(now), DEFAULT_PROFILE))).toEqual(then);
      }),
      { numRuns: 40 },
    );
  });

  it('keeps the changes a pin elsewhere left as they were', () => {
    const [lanterns] = DEMO_SONGS;
    const pin = { changeId: 'c3', keys: [45, 50, 53], fingers: null };
    const before = arrange(lanterns, DEFAULT_PROFILE, without);
    const after = arrange(
      keepIdentity(lanterns, copyOf(applyEdit(lanterns, { kind: 'pin', pin }))),
      DEFAULT_PROFILE,
      without,
    );
    const kept = after.changes.filter((change, i) => change === before.changes[i]);
    expect(kept.length).toBeGreaterThan(0);
    expect(after.changes[2]).not.toBe(before.changes[2]);
  });
});

describe('a note that is moved', () => {
  it.each([
    // In the middle: no chord is told otherwise, and the hand before goes on to another key.
    [0, 3, [2, 3], 0],
    [0, 6, [5, 6], 0],
    // Its part and the one that comes back, which share voicings no more.
    [0, 1, [1, 3, 4, 5], 13],
    [1, 1, [1], 1],
    [1, 3, [2, 3], 1],
  ])(
    'in song %i, part %i leaves all parts but %j the very objects they were, and all but %i chords',
    (at, number, others, chords) => {
      const song = DEMO_SONGS[at];
      const before = arrange(song, DEFAULT_PROFILE);
      const { fromTick, toTick } = before.parts[number - 1];
      const note = before.played.melody.find(({ tick }) => tick >= fromTick + 1920 && tick < toTick);
      const moved = applyEdit(song, { kind: 'notes-moved', ids: [note?.writtenId ?? ''], steps: 1 });
      const after = arrange(moved, DEFAULT_PROFILE);
      expect(after.arranged.flatMap((part, i) => (part === before.arranged[i] ? [] : [i + 1]))).toEqual(
        others,
      );
      expect(after.changes.filter((change, i) => change !== before.changes[i])).toHaveLength(chords);
    },
  );
});

describe('an edit of a long song at the highest level', () => {
  const long = applyEdit(randomSong({ bars: 100, changesPerBar: 1, seed: 11 }), {
    kind: 'choose',
    choices: { level: 7, fills: { measure: 'many', seed: 0 } },
  });
  it.each<[string, SongEdit]>([
    ['a chord', { kind: 'change-written', id: of(long.changes, 50).id, symbol: 'Em7' }],
    ['a note', { kind: 'notes-moved', ids: [of(long.melody, 150).id], steps: 1 }],
  ])('%s: leaves nearly all parts the very objects they were', (_, edit) => {
    const before = arrange(long, DEFAULT_PROFILE);
    const after = arrange(applyEdit(long, edit), DEFAULT_PROFILE);
    const anew = after.arranged.filter((part, i) => part !== before.arranged[i]);
    expect(anew.length).toBeGreaterThan(0);
    expect(anew.length).toBeLessThanOrEqual(before.parts.length / 3);
  });
});
