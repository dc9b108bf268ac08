import { inWords } from '../sentences';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { TUNES_APART } from '../../demo/kept-apart';
import { UNSEEN_TUNES } from '../../demo/unseen';
import { marksOf } from '../../demo/marked';
import { DEMO_SONGS } from '../../demo/songs';
import { LATER_TUNES, TEST_TUNES } from '../../demo/tunes';
import { arrange } from '../arrange';
import { heardRubs, notesUnder } from '../harmony';
import { type Chord, parseChord, chroma } from '../music';
import { barAt, applyEdit, DEFAULT_PROFILE, emptySong, type Song, songSchema, keyAt, unfold } from '../song';
import { randomSong } from '../testing';
import { type Candidate, candidatesIn, TASTES, workOf } from './tastes';
import { slotsOf, suggest } from './suggest';
import { chordsFor, suggestFor, suggestionsAt } from './toChanges';

const [lanterns, sluicegate] = DEMO_SONGS;
const bare = (song: Song): Song => ({ ...song, changes: [], playingOrder: [], pins: [] });
const marked = (song: Song): Chord[][] =>
  marksOf(song)
    .chords.split('|')
    .map((bar) =>
      bar
        .trim()
        .split('/')
        .map((symbol) => parseChord(symbol) as Chord),
    );

/** Share of bars whose every suggestion has a root, and a role, that the teacher marked. */
function agreement(songs: readonly Song[]): { root: number; work: number; bars: number } {
  let [root, work, bars] = [0, 0, 0];
  for (const song of songs) {
    const { slots, chosen } = suggestFor(bare(song), 'sevenths', 'all', true);
    const played = unfold(bare(song));
    const key = keyAt(played, 0);
    marked(song).forEach((good, i) => {
      const bar = played.bars.find((b) => b.number === i + 1);
      if (!bar) throw new Error(`${song.title} has no bar ${i + 1}`);
      const here = chosen.filter(
        (_, k) => slots[k].tick >= bar.tick && slots[k].tick < bar.tick + bar.length,
      );
      bars++;
      if (here.every((c) => good.some((g) => chroma(g.root) === chroma(c.chord.root)))) root++;
      if (here.every((c) => good.some((g) => workOf(g, key) === c.work))) work++;
    });
  }
  return { root: root / bars, work: work / bars, bars };
}

describe('suggestions beside what a teacher would accept', () => {
  it('agree on the songs of the tests, their chords hidden: roots in 93 bars of 100, roles in 94', () => {
    const found = agreement([...DEMO_SONGS, ...TEST_TUNES]);
    expect(found.bars).toBeGreaterThan(350);
    expect(found.root).toBeGreaterThanOrEqual(0.93);
    expect(found.work).toBeGreaterThanOrEqual(0.94);
  });

  it('agree as well on tunes of many kinds that no weight was set by', () => {
    const found = agreement(TUNES_APART);
    expect(found.bars).toBeGreaterThan(200);
    expect(found.root).toBeGreaterThanOrEqual(0.93);
    expect(found.work).toBeGreaterThanOrEqual(0.94);
  });

  it('agree as well on tunes nobody had in sight when the rules were made', () => {
    const found = agreement(UNSEEN_TUNES);
    expect(found.bars).toBeGreaterThan(170);
    expect(found.root).toBeGreaterThanOrEqual(0.93);
    expect(found.work).toBeGreaterThanOrEqual(0.9);
  });

  it.each([...DEMO_SONGS, ...TUNES_APART].map((song) => [song.title, song] as const))(
    'begin on I and come home to it over V or IV, and differ by taste: %s',
    (_, song) => {
      const key = keyAt(unfold(song), 0);
      const sets = TASTES.map(({ taste }) =>
        (chordsFor(bare(song), taste, 'all')?.changes ?? []).map((c) => c.symbol),
      );
      for (const symbols of sets) {
        const [first, before, last] = [symbols[0], ...symbols.slice(-2)].map(
          (symbol) => parseChord(symbol) as Chord,
        );
        const degrees = [first, before, last].map(({ root }) => (chroma(root) - chroma(key.tonic) + 12) % 12);
        expect([degrees[0], degrees[2], workOf(last, key)]).toEqual([0, 0, 'home']);
        expect([5, 7]).toContain(degrees[1]);
      }
      expect(new Set(sets.map((symbols) => symbols.join(' '))).size).toBe(3);
      const inKey = new Set(candidatesIn(key, 'sevenths').map(({ symbol }) => symbol));
      expect(sets[2].some((symbol) => !inKey.has(symbol))).toBe(true);
    },
  );

  it('agree as well on tunes written and marked after the weights were set', () => {
    const found = agreement(LATER_TUNES);
    expect(found.root).toBeGreaterThanOrEqual(0.85);
    expect(found.work).toBeGreaterThanOrEqual(0.92);
  });

  it('leave no rub on a strong note without a word', () => {
    for (const song of [...DEMO_SONGS, ...TEST_TUNES]) {
      const edit = chordsFor(bare(song), 'sevenths', 'gaps');
      if (!edit) throw new Error('nothing suggested');
      const a = arrange(applyEdit(bare(song), edit), DEFAULT_PROFILE, { withoutFingers: true });
      // Those of one part that say the same are told at the first, with the bars of the others.
      const rubs = a.findings.filter((f) => f.kind === 'rub');
      const said = rubs.flatMap(({ tick, says }) => [
        barAt(a.played.bars, tick).number,
        ...says.flatMap(({ code, facts: [bars] }) => (code === 'alsoIn' ? (bars as number[]) : [])),
      ]);
      for (const { tick } of heardRubs(notesUnder(a.played)))
        expect(said).toContain(barAt(a.played.bars, tick).number);
    }
  });
});

describe('the search', () => {
  /** Every way through the slots, added up one by one. */
  function bruteForce(task: Parameters<typeof suggest>[0]): number {
    const { slots, ranked } = suggest(task);
    let best = -Infinity;
    const walk = (i: number, chosen: Candidate[]): void => {
      if (i === slots.length) {
        best = Math.max(best, pointsOf(task, chosen));
        return;
      }
      for (const { candidate } of ranked[i].slice(0, 4)) walk(i + 1, [...chosen, candidate]);
    };
    walk(0, []);
    return best;
  }
  /** Points of one way: the search with each slot left only that candidate. */
  function pointsOf(task: Parameters<typeof suggest>[0], chosen: readonly Candidate[]): number {
    const result = suggest({ ...task, only: chosen });
    return result.points;
  }

  it('finds what trying every way finds', () => {
    for (let seed = 0; seed < 12; seed++) {
      const song = { ...randomSong({ bars: 3, changesPerBar: 1, seed }), changes: [] };
      const played = unfold(song);
      const task = { played, phraseEnds: [], taste: 'three', triads: true, fixedAt: () => null } as const;
      if (slotsOf(played, []).length > 6) continue;
      expect(suggest(task).points).toBe(bruteForce(task));
    }
  });

  it('ranks the chosen first, nothing behind it', () => {
    const { chosen, ranked } = suggestFor(bare(sluicegate), 'sevenths', 'all');
    ranked.forEach((list, i) => {
      expect(list[0].behind).toBe(0);
      expect(list.find(({ candidate }) => candidate.symbol === chosen[i].symbol)?.behind).toBe(0);
      expect(list.map((r) => r.behind)).toEqual([...list.map((r) => r.behind)].sort((a, b) => a - b));
    });
  });
});

describe('chords for a melody', () => {
  it('are a whole valid set, in time, filling every bar, as slow as the tune allows', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12 }), fc.nat(1e6), (bars, seed) => {
        const song = { ...randomSong({ bars, changesPerBar: 1, seed }), changes: [] };
        const edit = chordsFor(song, 'colourful', 'gaps');
        if (!edit) return;
        const after = applyEdit(song, edit);
        expect(songSchema.safeParse(after).success).toBe(true);
        const total = after.changes.reduce((sum, c) => sum + c.length, 0);
        expect(total).toBe(unfold(song).endTick - song.pickup);
        after.changes.forEach((c, i) => {
          const next = after.changes[i + 1];
          if (next) expect(c.tick + c.length).toBe(next.tick);
          // The same chord twice in a row is one chord that lasts.
          if (next) expect(next.symbol).not.toBe(c.symbol);
          expect(c.given).toBe(false);
        });
      }),
      { numRuns: 40 },
    );
  });

  it('keep what the pianist gave and fill only the gaps', () => {
    const some = { ...lanterns, changes: lanterns.changes.filter((_, i) => i % 3 === 0) };
    const edit = chordsFor(some, 'sevenths', 'gaps');
    if (!edit) throw new Error('nothing suggested');
    const after = applyEdit(some, edit);
    for (const change of some.changes) expect(after.changes).toContainEqual(change);
    expect(after.changes.length).toBeGreaterThan(some.changes.length);
    expect(chordsFor(lanterns, 'sevenths', 'gaps')).toBeNull();
    expect(chordsFor({ ...emptySong('e', 'E'), barCount: 4 }, 'sevenths', 'gaps')).toBeNull();
  });

  it('keep to their taste', () => {
    for (const taste of ['three', 'sevenths', 'colourful'] as const) {
      const edit = chordsFor(bare(lanterns), taste, 'gaps');
      const allowed = candidatesIn(keyAt(unfold(lanterns), 0), taste).map((c) => c.symbol);
      for (const { symbol } of edit?.changes ?? []) expect(allowed).toContain(symbol);
    }
  });

  it('are written as they are called: lowered degrees with flats, passing chords with sharps', () => {
    const symbols = (letter: 'F' | 'D', alter: number, mode: 'major' | 'minor'): string[] =>
      candidatesIn({ tonic: { letter, alter }, mode }, 'colourful').flatMap((c) =>
        c.isForeign ? [c.symbol] : [],
      );
    expect(symbols('F', 0, 'major')).toEqual('D7 E7 F7 G7 A7 Bbm6 Dbmaj7 Eb7 Gb7 F#dim7 Bdim7'.split(' '));
    expect(symbols('D', 0, 'minor')).toEqual('D7 E7 F7 G7 C#dim7 Ebmaj7 G#dim7'.split(' '));
  });

  it('say why each could stand at a place', () => {
    const [, second] = lanterns.changes;
    const list = suggestionsAt(lanterns, second.id, 'sevenths', true);
    expect(list.length).toBeGreaterThanOrEqual(5);
    expect(list[0].behind).toBe(0);
    expect(list.flatMap((s) => s.why.map(inWords)).join()).toMatch(/holds|leads by a fifth|moves by step/);
    expect(suggestionsAt(lanterns, 'nothing', 'three')).toEqual([]);
  });
});
