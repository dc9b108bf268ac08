import { describe, expect, it } from 'vitest';
import { onLevel } from '../../demo/arranged';
import { DEMO_SONGS } from '../../demo/songs';
import type { HandNote } from '../hands';
import { LEVELS } from '../levels';
import { Clock } from '../performance';
import { barAt, DEFAULT_PROFILE, onsetsOf, type PlayedSong } from '../song';
import { minutesSinceRest, widePassages } from './care';
import { heatOf, hottest } from './hotSpots';
import { judgeTake } from './judge';
import { type Aim, rankSongs, type SongToRank } from './nextSongs';
import { partsToPractise } from './parts';
import { playAsPupil, STEADY } from './pianist';
import { slipsOf } from './slips';
import { wantedKeys } from './wanted';

const DAY = 86_400_000;
const arranged = onLevel;
const clockOf = (a: ReturnType<typeof arranged>): Clock => new Clock(a.played.tempoMap, a.song.feel);

describe('where a song goes wrong', () => {
  const a = arranged(DEMO_SONGS[0], 4);
  const secondsAt = (tick: number): number => clockOf(a).secondsAt(tick);
  const at = (bar: number, hand: 'right' | 'left'): HandNote => {
    const { tick, length } = a.played.bars.find(({ number }) => number === bar) ?? a.played.bars[0];
    return a[hand].filter((n) => n.tick >= tick && n.tick < tick + length)[0];
  };
  const slip = ({ from, tick, midi, hand }: HandNote, played: PlayedSong = a.played) => ({
    from,
    after: tick - (onsetsOf(played).get(from) ?? 0),
    midi,
    hand,
    kind: 'wrong' as const,
  });

  it('is told by bars, the recent turns weighing most: a slip of two weeks ago counts half', () => {
    const now = 100 * DAY;
    const turns = [
      { at: now - 14 * DAY, slips: [slip(at(3, 'right')), slip(at(3, 'right')), slip(at(3, 'right'))] },
      { at: now, slips: [slip(at(7, 'left')), slip(at(7, 'left')), slip(at(9, 'left'))] },
      { at: now },
    ];
    const heat = heatOf(a, turns, now, secondsAt);
    expect(heat.bars).toHaveLength(a.played.bars.length);
    expect(hottest(heat, 5).map(({ bar, heat: h, slips, hand }) => [bar, h, slips, hand])).toEqual([
      [7, 1, 2, 'left'],
      [3, 0.75, 3, 'right'],
      [9, 0.5, 1, 'left'],
    ]);
    expect(hottest(heat, 1).map(({ bar }) => bar)).toEqual([7]);
    expect(heat.lost).toBe(0);
    // A clock set back: what seems to come later than now counts as of now.
    expect(hottest(heatOf(a, turns, now - 30 * DAY, secondsAt), 1)[0].bar).toBe(3);
  });

  it('is of the hand whose key went wrong most', () => {
    const both = [slip(at(7, 'right')), slip(at(7, 'left')), slip(at(7, 'left'))];
    expect(hottest(heatOf(a, [{ at: 0, slips: both }], 0, secondsAt), 1)[0]).toMatchObject({
      bar: 7,
      hand: 'left',
      slips: 3,
    });
    const more = [...both, slip(at(7, 'right')), slip(at(7, 'right'))];
    expect(hottest(heatOf(a, [{ at: 0, slips: more }], 0, secondsAt), 1)[0].hand).toBe('right');
  });

  it('has every slip in its own bar, whatever chord it belongs to, in every song at every level', () => {
    for (const song of DEMO_SONGS)
      for (const { number: level } of LEVELS) {
        const b = arranged(song, level);
        const clock = clockOf(b);
        const wanted = wantedKeys([...b.right, ...b.left], clock, { fromTick: 0, toTick: b.played.endTick });
        const silent = { keys: wanted.map((key) => ({ wanted: key, how: 'missed' as const, late: null })) };
        const judgement = { ...silent, extra: [], restarts: [] } as unknown as Parameters<typeof slipsOf>[0];
        for (let from = 0; from < wanted.length; from += 60) {
          const keys = judgement.keys.slice(from, from + 60);
          const slips = slipsOf({ ...judgement, keys }, onsetsOf(b.played));
          const heat = heatOf(b, [{ at: 0, slips }], 0, (tick) => clock.secondsAt(tick));
          const told = heat.bars.flatMap(({ bar, slips: n }) => (n > 0 ? [[bar, n]] : []));
          const inBar = keys.map(({ wanted: { tick } }) => barAt(b.played.bars, tick).number);
          const wantedBars = [...new Set(inBar)].map((bar) => [bar, inBar.filter((n) => n === bar).length]);
          expect([song.title, level, heat.lost, told]).toEqual([song.title, level, 0, wantedBars]);
        }
      }
  });

  it('finds notes again after an edit elsewhere, and says what is gone', () => {
    const gone = { from: 'n999', after: 0, midi: 60, hand: 'right' as const, kind: 'wrong' as const };
    const heat = heatOf(a, [{ at: 0, slips: [gone, slip(at(3, 'right'))] }], 0, secondsAt);
    expect([heat.lost, hottest(heat, 5).map(({ bar }) => bar)]).toEqual([1, [3]]);
    expect(heatOf(a, [], 0, secondsAt)).toMatchObject({
      lost: 0,
      bars: a.played.bars.map(() => ({ heat: 0 })),
    });
  });

  it('names the cause where the rules know one', () => {
    const bar = a.played.bars[0];
    const note = (tick: number, midi: number, finger: number): HandNote =>
      ({
        ...a.right[0],
        hand: 'right',
        tick,
        midi,
        finger,
        from: `x${tick}`,
        grace: false,
        length: 240,
      }) as HandNote;
    const causeAt = (right: HandNote[], which: number, seconds = (tick: number) => tick / 1920) =>
      causeIn({ ...a.played, bars: [bar] }, right, right[which], seconds);
    const causeIn = (
      played: PlayedSong,
      right: HandNote[],
      { midi, tick }: HandNote,
      seconds: (tick: number) => number,
    ) => {
      const first = { from: 'n1', after: tick, midi, hand: 'right' as const, kind: 'wrong' as const };
      return heatOf({ right, left: [], played }, [{ at: 0, slips: [first] }], 0, seconds).bars[0].cause;
    };
    expect(causeAt([note(0, 60, 1), note(960, 72, 5)], 1)).toBe('leap');
    expect(causeAt([note(0, 60, 1), note(960, 71, 5)], 1)).toBeNull();
    expect(causeAt([note(0, 64, 3), note(960, 65, 1)], 1)).toBe('crossing');
    expect(causeAt([note(0, 60, 1), note(960, 62, 2)], 1, (tick) => tick / 4900)).toBe('quick');
    expect(causeAt([note(0, 60, 1), note(960, 62, 2)], 1, (tick) => tick / 4800)).toBeNull();
    expect(causeAt([note(0, 60, 1), note(1440, 62, 2)], 1)).toBe('off-the-beat');
    expect(causeAt([note(0, 61, 2)], 0)).toBe('black-key');
    expect(causeAt([note(0, 60, 1)], 0)).toBeNull();
    // A key that is not struck there any more has none.
    expect(causeIn({ ...a.played, bars: [bar] }, [note(0, 61, 1)], note(0, 63, 1), secondsAt)).toBeNull();
  });

  it('keeps of a take what went wrong, and nothing of what was right or not reached', () => {
    const wanted = wantedKeys([...a.right, ...a.left], clockOf(a), a.parts[0]);
    const onsets = onsetsOf(a.played);
    expect(slipsOf(judgeTake(wanted, playAsPupil(wanted, STEADY).events, 0.6), onsets)).toEqual([]);
    const pupil = { ...STEADY, missed: 0.2, seed: 4 };
    const { events, slips } = playAsPupil(wanted, pupil);
    const kept = slipsOf(judgeTake(wanted, events, 0.6), onsets);
    expect(kept.length).toBeGreaterThan(0);
    const left = new Set(
      slips.map(({ wanted: i }) => `${wanted[i].from} ${wanted[i].midi} ${wanted[i].hand}`),
    );
    for (const { from, midi, hand } of kept) expect(left.has(`${from} ${midi} ${hand}`)).toBe(true);
  });
});

describe('what is kept of a take', () => {
  it('has a key too many, and a new beginning, at the key that was wanted there', () => {
    const key = (tick: number, how: 'right' | 'wrong' | 'not-reached') => ({
      wanted: { tick, seconds: tick, midi: 60 + tick, hand: 'right' as const, from: `n${tick}` },
      how,
      late: 0,
    });
    const judgement = {
      keys: [key(0, 'right'), key(2, 'wrong'), key(4, 'not-reached')],
      extra: [{ tick: 1, midi: 99 }],
      restarts: [2, -1],
    } as unknown as Parameters<typeof slipsOf>[0];
    const onsets = new Map([
      ['n0', 0],
      ['n2', 1],
    ]);
    expect(
      slipsOf(judgement, onsets).map(({ from, after, midi, kind }) => [from, after, midi, kind]),
    ).toEqual([
      ['n2', 1, 62, 'wrong'],
      ['n0', 0, 60, 'extra'],
      ['n2', 1, 62, 'restart'],
    ]);
  });
});

describe('the hardest bar of a part', () => {
  it('is rehearsed from the bar before and ends on the next downbeat, in every song at every level', () => {
    for (const song of DEMO_SONGS)
      for (const { number: level } of LEVELS) {
        const a = arranged(song, level);
        partsToPractise(a).forEach(({ hardest, differs }, i) => {
          const bars = a.efforts[i]?.bars ?? [];
          const most = bars.reduce((top, bar) => Math.max(top, bar.total), 0);
          const mean = bars.reduce((sum, bar) => sum + bar.total, 0) / bars.length;
          const which = [song.title, level, i + 1];
          const number = bars.find(({ total }) => total === most)?.number;
          const at = a.played.bars.findIndex((bar) => bar.number === number);
          const start = a.played.bars[at]?.tick ?? -1;
          // Of a near copy only what differs is practised.
          const isOwn = !differs || (start >= differs.fromTick && start < differs.toTick);
          expect([...which, hardest !== null]).toEqual([
            ...which,
            bars.length > 1 && most >= 1.25 * mean && isOwn,
          ]);
          if (!hardest) return;
          const [bar, next] = [a.played.bars[at], a.played.bars[at + 1]];
          expect([...which, hardest.fromTick]).toEqual([...which, a.played.bars[Math.max(0, at - 1)].tick]);
          expect([...which, hardest.toTick > bar.tick + bar.length]).toEqual([...which, next !== undefined]);
          expect(hardest.seconds).toBeGreaterThan(0);
        });
      }
  });

  it('weighs by what went wrong of late at its part', () => {
    const a = arranged(DEMO_SONGS[0], 4);
    const { cutId } = a.parts[1];
    const turn = (card: string, isClean: boolean) => ({ card, isClean });
    const turns = [
      turn(`${cutId}|right|4`, false),
      ...Array.from({ length: 6 }, () => turn(`${cutId}|left|4`, true)),
      turn(`${cutId}|both|4`, false),
      turn(`${cutId}|both|4`, false),
      turn('other|both|4', false),
    ];
    // The last eight of its own: two of them went wrong.
    expect(partsToPractise(a, turns).map(({ missed }) => missed)).toEqual(
      a.parts.map((part) => (part.cutId === cutId ? 0.25 : 0)),
    );
  });
});

describe('care for the hands', () => {
  const MINUTE = 60_000;
  it('counts the minutes played since the last rest of five minutes', () => {
    const turn = (endMinute: number, minutes: number) => ({ at: endMinute * MINUTE, seconds: minutes * 60 });
    expect(minutesSinceRest([], 0)).toBe(0);
    const turns = [turn(10, 10), turn(20, 2), turn(24, 2), turn(30, 1)];
    // From the end of the tenth minute to the eighteenth nothing was played.
    expect(minutesSinceRest(turns, 30 * MINUTE)).toBe(12);
    expect(minutesSinceRest(turns, 35 * MINUTE)).toBe(17);
    expect(minutesSinceRest(turns, 36 * MINUTE)).toBe(0);
    expect(minutesSinceRest(turns, 20 * MINUTE)).toBe(12);
  });

  it('tells passages of octaves and of wide chords, for the hands one has', () => {
    const base = arranged(DEMO_SONGS[0], 4).right[0];
    const strikes = (...pairs: (readonly [number, number])[]): HandNote[] =>
      pairs.flatMap(([low, high], i) =>
        [low, high].map((midi) => ({ ...base, tick: i * 960, midi, hand: 'right' as const })),
      );
    const span = { fromTick: 0, toTick: 9600 };
    const wide = (right: HandNote[], rightReach: 8 | 10 = 8) =>
      widePassages({ right, left: [] }, span, { rightReach, leftReach: 8 });
    expect(wide(strikes([60, 72], [62, 74], [64, 76]))).toEqual([
      { hand: 'right', kind: 'octaves', strikes: 3 },
    ]);
    expect(wide(strikes([60, 72], [62, 74]))).toEqual([]);
    expect(wide(strikes([60, 72], [62, 74], [64, 76]), 10)).toEqual([]);
    expect(wide(strikes([60, 76], [62, 77], [64, 80]), 10)).toEqual([
      { hand: 'right', kind: 'wide-chords', strikes: 3 },
    ]);
    // As many octaves as other wide chords are no passage of octaves.
    expect(wide(strikes([60, 72], [62, 74], [60, 74], [62, 76]))).toEqual([
      { hand: 'right', kind: 'wide-chords', strikes: 4 },
    ]);
    expect(wide(strikes([60, 67], [62, 69], [64, 71]))).toEqual([]);
    expect(
      widePassages(
        { right: strikes([60, 72], [62, 74], [64, 76]), left: [] },
        { fromTick: 0, toTick: 1000 },
        DEFAULT_PROFILE,
      ),
    ).toEqual([]);
  });
});

describe('which song next', () => {
  const none = { leaps: 0, independence: 0, stretch: 0, shifts: 0, blackKeys: 0, speed: 0, density: 0 };
  const song = (
    id: string,
    totals: number[],
    measures: Partial<typeof none>[],
    differs: Partial<SongToRank> = {},
  ): SongToRank => ({
    id,
    title: id,
    efforts: totals.map((total, i) => ({ total, measures: { ...none, ...measures[i] } })),
    accidentals: 0,
    offBeats: 0,
    ...differs,
  });
  const songs = [
    song('a', [20, 30], [{ leaps: 10 }, { leaps: 40, independence: 5 }], { accidentals: 1, offBeats: 0.1 }),
    song('b', [20, 20], [{ leaps: 30, independence: 60 }, {}], { accidentals: 3, offBeats: 0.6 }),
    song('c', [90], [{ leaps: 60 }], { accidentals: 2 }),
  ];
  const order = (aim: Aim) => rankSongs(songs, aim).map(({ id, much, part }) => [id, much, part]);

  it('is the one with most of what one wants to work on, and the part of it; far too hard ones come later', () => {
    expect(order('leaps')).toEqual([
      ['a', 40, 2],
      ['b', 30, 1],
      ['c', 60, 1],
    ]);
    expect(order('left-hand').map(([id, much, part]) => [id, much, part])).toEqual([
      ['b', 60, 1],
      ['a', 5, 2],
      ['c', 0, null],
    ]);
    expect(order('off-beats')[0]).toEqual(['b', 60, null]);
    expect(order('reading').map(([id]) => id)).toEqual(['b', 'a', 'c']);
    expect(order('easiest').map(([id]) => id)).toEqual(
      rankSongs(songs, 'easiest')
        .toSorted((a, b) => a.effort - b.effort)
        .map(({ id }) => id),
    );
    expect(rankSongs([], 'leaps')).toEqual([]);
    expect(rankSongs([song('x', [], [])], 'leaps')).toEqual([
      { id: 'x', title: 'x', much: 0, effort: 0, part: null },
    ]);
  });

  it('knows each aim by its own measure', () => {
    const aims: [Aim, Partial<typeof none>][] = [
      ['left-hand', { independence: 50 }],
      ['leaps', { leaps: 50 }],
      ['stretches', { stretch: 50 }],
      ['black-keys', { blackKeys: 50 }],
      ['speed', { speed: 50 }],
    ];
    for (const [aim, measures] of aims)
      for (const [other] of aims)
        expect([aim, other, rankSongs([song('x', [10], [measures])], other)[0].much]).toEqual([
          aim,
          other,
          aim === other ? 50 : 0,
        ]);
  });
});
