import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { learnedFingers } from '../fingering';
import {
  applyEdit,
  type SongEdit,
  DEFAULT_PROFILE,
  emptySong,
  type Division,
  type Song,
  songSchema,
  unfold,
} from '../song';
import { randomSong, songs, wholeBars } from '../testing';
import {
  cutPlaces,
  joinWithNext,
  lockCut,
  moveCut,
  nearestPlace,
  nudgeCut,
  splitAt,
  splitPlace,
} from './cutting';
import { partsOf } from './parts';
import { METHODS } from './methods';
import { proposeSections } from './sections';

const [lanterns, sluicegate, rain, mudflat] = DEMO_SONGS;
const partsIn = (song: Song) => partsOf(song, unfold(song));
const ticksIn = (song: Song): number[] => partsIn(song).map((part) => part.fromTick);

function edited(song: Song, edit: SongEdit | null): Song {
  if (!edit) throw new Error('nothing to do');
  return applyEdit(song, edit);
}

const cutBy = (song: Song, division: Partial<Division>): Song =>
  applyEdit(song, { kind: 'division-chosen', division });

describe('cutting by hand', () => {
  it('splits, joins, moves and undoes by going back to the song before', () => {
    const placed = splitAt(partsIn(lanterns), 2 * 2880);
    expect(placed).toMatchObject({
      cuts: [0, 2, 4, 8, 12, 16, 20].map((bar) => ({ tick: bar * 2880 })),
    });
    const split = edited(lanterns, placed);
    expect(ticksIn(split)).toEqual([0, 2, 4, 8, 12, 16, 20].map((bar) => bar * 2880));
    expect(partsIn(split).map((p) => p.number)).toEqual([1, 2, 3, 4, 5, 6, 7]);
    const joined = edited(split, joinWithNext(partsIn(split), 0));
    expect(ticksIn(joined)).toEqual(ticksIn(lanterns));
    const moved = edited(joined, moveCut(partsIn(joined), 1, 3 * 2880));
    expect(ticksIn(moved)[1]).toBe(3 * 2880);
    expect(partsIn(moved)[1].cutId).toBe(partsIn(lanterns)[1].cutId);
    expect(songSchema.safeParse(moved).success).toBe(true);
  });

  it('leaves the ends, the neighbours and places that are taken alone', () => {
    const parts = partsIn(lanterns);
    expect(splitAt(parts, 0)).toBeNull();
    expect(splitAt(parts, 11520)).toBeNull();
    expect(splitAt(parts, 24 * 2880)).toBeNull();
    expect(moveCut(parts, 0, 960)).toBeNull();
    expect(moveCut(parts, 2, 2880)).toBeNull();
    expect(joinWithNext(parts, parts.length - 1)).toBeNull();
    expect(lockCut(parts, 0)).toBeNull();
  });

  it('moves by keys to the next place where a part may begin, never into a note', () => {
    const played = unfold(lanterns);
    const earlier = edited(lanterns, nudgeCut(played, partsIn(lanterns), 1, -1));
    // Bar 4 is one long note: the cut jumps over it.
    expect(ticksIn(earlier)[1]).toBe(3 * 2880);
    expect(ticksIn(edited(earlier, nudgeCut(played, partsIn(earlier), 1, 1)))).toEqual(ticksIn(lanterns));
    expect(nearestPlace(cutPlaces(played), 4 * 2880 - 500)).toBe(4 * 2880);
    expect(splitPlace(played, partsIn(lanterns)[0])).toBe(2 * 2880);
  });

  it('gives a new cut an id of its own where a cut that was moved away came from', () => {
    const moved = edited(lanterns, moveCut(partsIn(lanterns), 1, 3 * 2880));
    const again = edited(moved, splitAt(partsIn(moved), 4 * 2880));
    const ids = partsIn(again).map((part) => part.cutId);
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('never loses a note or puts one into two parts, whatever is cut how', () => {
    const methods = fc.record({
      method: fc.constantFrom('phrase', 'types', 'bars', 'halves', 'lines', 'own'),
      bars: fc.integer({ min: 1, max: 5 }),
      depth: fc.integer({ min: 1, max: 3 }),
    }) as fc.Arbitrary<Division>;
    const acts = fc.array(
      fc.tuple(fc.constantFrom('split', 'join', 'move', 'lock'), fc.nat(99), fc.nat(99)),
      {
        maxLength: 6,
      },
    );
    fc.assert(
      fc.property(songs, methods, acts, (start, division, list) => {
        let song = cutBy(start, division);
        const played = unfold(song);
        const places = cutPlaces(played);
        for (const [act, a, b] of list) {
          const parts = partsIn(song);
          const [at, tick] = [a % parts.length, places[b % Math.max(1, places.length)] ?? 0];
          const edit = {
            split: () => splitAt(parts, tick),
            join: () => joinWithNext(parts, at),
            move: () => moveCut(parts, at, tick),
            lock: () => lockCut(parts, at),
          }[act as 'split']();
          if (edit) song = applyEdit(song, edit);
        }
        const parts = partsIn(song);
        expect(parts[0].fromTick).toBe(0);
        parts.forEach((part, i) => {
          expect(part.toTick).toBe(parts[i + 1]?.fromTick ?? played.endTick);
          expect(part.toTick).toBeGreaterThan(part.fromTick);
        });
        const inParts = parts.map((p) =>
          played.melody.filter((n) => n.tick >= p.fromTick && n.tick < p.toTick),
        );
        expect(inParts.flat()).toHaveLength(played.melody.length);
        expect(new Set(parts.map((p) => p.cutId)).size).toBe(parts.length);
      }),
    );
  });
});

describe('methods of division', () => {
  it('cut by types of two bars, by so many bars, and keep what is locked', () => {
    expect(ticksIn(cutBy(rain, { method: 'types' }))).toHaveLength(8);
    expect(ticksIn(cutBy(lanterns, { method: 'bars', bars: 6 }))).toHaveLength(4);
    const own = edited(lanterns, splitAt(partsIn(lanterns), 2 * 2880));
    const locked = edited(own, lockCut(partsIn(own), 1));
    const again = cutBy(locked, { method: 'bars', bars: 4 });
    expect(ticksIn(again)).toContain(2 * 2880);
    // Counted anew from the locked cut: bars 3, 7, 11 …
    expect(ticksIn(again)[2]).toBe(6 * 2880);
    expect(ticksIn(cutBy(locked, { method: 'phrase' }))).toContain(2 * 2880);
    const free = edited(again, lockCut(partsIn(again), 1));
    expect(ticksIn(cutBy(free, { method: 'bars', bars: 4 }))).not.toContain(2 * 2880);
  });

  it('halve the song, then the halves, at the strong place near the middle', () => {
    const depths = [1, 2, 3].map((depth) => ticksIn(cutBy(lanterns, { method: 'halves', depth })));
    expect(depths[0]).toEqual([0, 12 * 2880]);
    expect(depths[1]).toHaveLength(4);
    expect(depths[2]).toHaveLength(8);
    for (const tick of depths[0]) expect(depths[1]).toContain(tick);
    for (const tick of depths[1]) expect(depths[2]).toContain(tick);
  });

  it('follow the lines of the words, a comma inside a line left whole', () => {
    const parts = partsIn(cutBy(sluicegate, { method: 'lines' }));
    expect(parts.map((p) => p.fromTick / 960)).toEqual([0, 16, 32, 48]);
    // Without words the tune is cut by phrase.
    expect(ticksIn(cutBy(lanterns, { method: 'lines' }))).toEqual(ticksIn(lanterns));
  });

  it('follow the lines of the words wherever they end, be it in the middle of a phrase', () => {
    const bars = ['C5', 'D5', 'E5', 'F5', 'G5', 'F5', 'E5', 'C5'];
    const tune = wholeBars(
      bars,
      bars.map(() => 'C'),
    );
    const sung = (ends: string): Song => ({
      ...tune,
      melody: tune.melody.map((note, i) => ({
        ...note,
        lyric: {
          text: ends[i] === '.' ? 'la.' : ends[i] === ',' ? 'la,' : 'la',
          syllabic: 'single' as const,
        },
      })),
    });
    const barsOf = (ends: string): number[] =>
      ticksIn(cutBy(sung(ends), { method: 'lines' })).map((tick) => tick / 3840 + 1);
    expect(barsOf('  .    .')).toEqual([1, 4]);
    expect(barsOf('  .  . .')).toEqual([1, 4, 7]);
    expect(barsOf('  .  , .')).toEqual([1, 4]);
  });

  it('are listed with what they go by', () => {
    for (const { method, says } of METHODS) {
      expect(says.length).toBeGreaterThan(5);
      expect(ticksIn(cutBy(sluicegate, { method })).length).toBeGreaterThan(1);
    }
  });
});

describe('songs that hardly are any', () => {
  const named = (song: Partial<Song>): Song => ({ ...emptySong('e', 'E'), ...song });

  it('are cut sensibly: one note, rests only, chords only, melody only', () => {
    const [one] = wholeBars(['C5'], ['C']).melody;
    expect(ticksIn(named({ melody: [one] }))).toEqual([0]);
    expect(ticksIn(named({ barCount: 12 })).length).toBeLessThanOrEqual(6);
    expect(ticksIn({ ...lanterns, melody: [] }).length).toBeGreaterThanOrEqual(3);
    expect(ticksIn({ ...lanterns, changes: [] }).length).toBeGreaterThanOrEqual(5);
  });

  it('cut a thousand bars with changes of metre into parts of at most nine bars', () => {
    const long = randomSong({ bars: 1000, changesPerBar: 1, seed: 3 });
    const metreMap = [...long.metreMap, { tick: 40 * 3840, numerator: 5, denominator: 4 as const }];
    const parts = partsIn({ ...long, metreMap });
    expect(parts.length).toBeGreaterThan(100);
    expect(Math.max(...parts.map((p) => p.toBar - p.fromBar))).toBeLessThanOrEqual(9);
  });

  it('cut a long silence in the middle too', () => {
    const melody = lanterns.melody.filter((n) => n.tick < 4 * 2880 || n.tick >= 20 * 2880);
    const parts = partsIn({ ...lanterns, melody, sections: [] });
    expect(Math.max(...parts.map((p) => p.toBar - p.fromBar + 1))).toBeLessThanOrEqual(9);
    expect(parts.some((p) => p.reasons.some(({ code }) => code === 'melodyRests'))).toBe(true);
  });
});

describe('parts that are the same', () => {
  it('follow choices, but keep their octave', () => {
    const [first, , , fourth] = partsIn(lanterns);
    const chosen = applyEdit(lanterns, {
      kind: 'choose-for-part',
      cutId: first.cutId,
      choices: { level: 7, layout: 'root' },
    });
    const own = applyEdit(chosen, {
      kind: 'choose-for-part',
      cutId: fourth.cutId,
      choices: { octaveShift: 1, level: 2 },
    });
    const after = partsIn(own)[3];
    expect(after.choices).toMatchObject({ level: 7, layout: 'root', octaveShift: 1 });
  });

  it('follow a fill that is taken, and one that is declined', () => {
    const moving = arrange(applyEdit(lanterns, { kind: 'choose', choices: { level: 7 } }), DEFAULT_PROFILE);
    const pairs = moving.parts.flatMap((part) => {
      const leader = moving.parts[(part.sharesWith ?? 0) - 1];
      const walk =
        leader &&
        moving.fills.find((f) => f.kind === 'walk' && f.tick >= leader.fromTick && f.tick < leader.toTick);
      return walk ? [{ walk, at: walk.tick - leader.fromTick + part.fromTick }] : [];
    });
    expect(pairs.length).toBeGreaterThan(0);
    for (const { walk, at } of pairs) {
      const { id, kind, variant } = walk;
      const decided = (song: Song, taken: boolean): Song =>
        applyEdit(song, { kind: 'fill', fill: { id, kind, variant }, taken });
      const isPlayed = (song: Song): boolean =>
        arrange(song, DEFAULT_PROFILE).fills.some((f) => f.tick === at && f.kind === 'walk' && f.taken);
      const taken = decided(moving.song, true);
      expect([isPlayed(taken), isPlayed(decided(taken, false))]).toEqual([true, false]);
    }
  });

  it('are freed, and then choose for themselves', () => {
    const fourth = partsIn(lanterns)[3];
    const freed = applyEdit(lanterns, { kind: 'same-as', cutId: fourth.cutId, sameAs: fourth.cutId });
    const own = applyEdit(freed, { kind: 'choose-for-part', cutId: fourth.cutId, choices: { level: 2 } });
    expect(partsIn(own)[3]).toMatchObject({ isFreed: true, sharesWith: null });
    expect(partsIn(own)[3].choices.level).toBe(2);
  });

  it('declared in a ring do not follow one another for ever', () => {
    const [a, b] = partsIn(lanterns);
    const ring = applyEdit(applyEdit(lanterns, { kind: 'same-as', cutId: a.cutId, sameAs: b.cutId }), {
      kind: 'same-as',
      cutId: b.cutId,
      sameAs: a.cutId,
    });
    expect(partsIn(ring)).toHaveLength(6);
    expect(arrange(ring, DEFAULT_PROFILE).changes).toHaveLength(24);
  });
});

describe('settled parts', () => {
  it('keep keys and fingers of both hands whatever is chosen elsewhere, and open again', () => {
    const before = arrange(applyEdit(lanterns, { kind: 'choose', choices: { level: 5 } }), DEFAULT_PROFILE);
    const part = before.parts[1];
    const inPart = (tick: number): boolean => tick >= part.fromTick && tick < part.toTick;
    const notes = [...before.right, ...before.left].filter((n) => inPart(n.tick));
    const voicings = before.changes
      .filter((c) => inPart(c.change.tick))
      .map((c) => ({ changeId: c.change.id, keys: [...c.voicing.keys], fingers: null }));
    const fingers = learnedFingers(notes, before.played).map((f) => ({ ...f, finger: (f.finger % 5) + 1 }));
    const settled = applyEdit(before.song, {
      kind: 'settle',
      choices: null,
      isRaised: false,
      keys: null,
      fills: [],
      cuts: [],
      cutId: part.cutId,
      voicings,
      fingers,
    });
    const after = arrange(
      applyEdit(settled, { kind: 'choose', choices: { layout: 'root' } }),
      DEFAULT_PROFILE,
    );
    expect(after.parts[1].settled).toBe(true);
    const fingered = (list: typeof notes) =>
      list.filter((n) => inPart(n.tick)).map((n) => [n.tick, n.midi, n.finger]);
    const wanted = (list: typeof notes) => list.map((n) => [n.tick, n.midi, ((n.finger ?? 0) % 5) + 1]);
    expect(fingered([...after.right])).toEqual(wanted(notes.filter((n) => n.hand === 'right')));
    expect(fingered([...after.left])).toEqual(wanted(notes.filter((n) => n.hand === 'left')));
    const ids = notes.map((n) => n.from);
    const open = applyEdit(settled, { kind: 'unsettle', cutId: part.cutId, ids });
    expect(open.settled).toEqual([]);
  });

  it('stay settled as far as they were when parts are joined', () => {
    const { parts, changes } = arrange(lanterns, DEFAULT_PROFILE);
    const voicings = changes
      .slice(0, 4)
      .map((c) => ({ changeId: c.change.id, keys: [...c.voicing.keys], fingers: null }));
    const settled = applyEdit(lanterns, {
      kind: 'settle',
      choices: null,
      isRaised: false,
      keys: null,
      fills: [],
      cuts: [],
      cutId: parts[0].cutId,
      voicings,
      fingers: [],
    });
    const joined = partsIn(edited(settled, joinWithNext(partsIn(settled), 0)))[0];
    expect(joined).toMatchObject({ settled: false, settledChanges: 4 });
  });
});

describe('sections proposed', () => {
  it('call what comes most often the verse, and place each where a part begins', () => {
    const bare = { ...sluicegate, sections: [] };
    const sections = proposeSections(unfold(bare), partsIn(bare));
    expect(sections.map((s) => s.name)).toEqual(['Verse', 'Bridge', 'Verse']);
    expect(sections[1].energy).toBeGreaterThan(sections[0].energy);
    expect(songSchema.safeParse({ ...bare, sections }).success).toBe(true);
    for (const { tick } of sections) expect(ticksIn(bare)).toContain(tick);
  });

  it('are livelier when they come again, and calm where the tune lies low', () => {
    const told = DEMO_SONGS.map((song) => {
      const bare = { ...song, sections: [] };
      return proposeSections(unfold(bare), partsIn(bare)).map(({ name, energy }) => `${name} ${energy}`);
    });
    expect(told.slice(0, 2)).toEqual([
      ['Verse 3', 'Chorus 3', 'Bridge 3', 'Verse 4', 'Chorus 4', 'Close 3'],
      ['Verse 3', 'Bridge 4', 'Verse 4'],
    ]);
    expect(told[4]).toEqual(['Verse 2', 'Chorus 4', 'Verse 4']);
  });

  it('are written once where bars are played twice', () => {
    const bare = { ...mudflat, sections: [] };
    const sections = proposeSections(unfold(bare), partsIn(bare));
    expect(new Set(sections.map((s) => s.tick)).size).toBe(sections.length);
    expect(Math.max(...sections.map((s) => s.tick))).toBeLessThan(26 * 3840);
  });

  it('grow or fall in loudness over their whole length', () => {
    const growing = {
      ...sluicegate,
      sections: sluicegate.sections.map((s) => ({ ...s, dynamics: 'growing' as const })),
    };
    const loud = arrange(growing, DEFAULT_PROFILE).timeline.notes.filter((n) => n.hand === 'right');
    const plain = arrange(sluicegate, DEFAULT_PROFILE).timeline.notes.filter((n) => n.hand === 'right');
    expect(loud[0].velocity).toBeLessThan(plain[0].velocity);
    expect(loud[loud.length - 1].velocity).toBeGreaterThan(plain[plain.length - 1].velocity);
  });
});
