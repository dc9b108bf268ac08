import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import type { Arrangement } from '../arrangement';
import { arrange } from '../arrange';
import { barTicks, keyFromFifths } from '../music';
import { applyEdit, DEFAULT_PROFILE, keyAt, type Song, unfold, withoutFrame } from '../song';
import { randomSong, runs, writtenOf } from '../testing';
import { betweenFor } from './between';
import { endingsFor, introsFor } from './framing';
import type { FrameProposal } from './proposal';

const arranged = (song: Song): Arrangement => arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
const all = (a: Arrangement): FrameProposal[] => [
  ...introsFor(a, 2),
  ...endingsFor(a),
  ...a.parts.flatMap((_, i) => betweenFor(a, i)),
];
const add = (song: Song, { piece }: FrameProposal): Song => applyEdit(song, { kind: 'frame-added', piece });

describe('what frames a song in which bars are repeated', () => {
  it('stands between two passes of a song that repeats bars, in the key and metre of its place, and leaves no trace', () => {
    const orders = [
      [1, 4, 1, 8],
      [1, 8, 1, 8],
      [1, 6, 1, 4, 7, 8],
      [1, 8, 3, 5, 1, 2],
    ];
    fc.assert(
      fc.property(
        fc.nat(1e6),
        fc.constantFrom(...orders),
        fc.boolean(),
        fc.array(fc.nat(60), { minLength: 1, maxLength: 3 }),
        fc.nat(5),
        (seed, order, modulates, picks, out) => {
          const plain = randomSong({ bars: 8, changesPerBar: 1, seed });
          const bar = barTicks(plain.metreMap[0]);
          const playingOrder = order.flatMap((fromBar, i) =>
            i % 2 === 0 ? [{ fromBar, toBar: order[i + 1] }] : [],
          );
          const later = { tick: plain.pickup + 4 * bar, ...keyFromFifths(4, 'major') };
          const song = { ...plain, playingOrder, keyMap: [...plain.keyMap, ...(modulates ? [later] : [])] };
          const framed = picks.reduce((s, pick) => {
            const list = all(arranged(s));
            const chosen = list[pick % list.length];
            if (!chosen) return s;
            const next = add(s, chosen);
            const [was, is] = [unfold(s), unfold(next)];
            const { before, bars, kind } = chosen.piece;
            // What was played is played before it and after it, and the key is that of its place.
            const own = new RegExp(
              `^${next.sections.find(({ id }) => !s.sections.some((o) => o.id === id))?.id}[nc]`,
            );
            expect(is.melody.filter(({ id }) => !own.test(id)).map(({ id }) => id)).toEqual(
              was.melody.map(({ id }) => id),
            );
            if (before !== null && before > 0) {
              const [first] = is.changes.filter(({ id }) => own.test(id));
              expect([kind, first.tick]).toEqual([kind, before]);
              expect([kind, keyAt(is, before)]).toEqual([kind, keyAt(was, before)]);
              expect(is.bars.filter(({ tick }) => tick >= before)[bars].tick).toBe(
                before + is.endTick - was.endTick,
              );
            }
            return next;
          }, song);
          expect(writtenOf(withoutFrame(framed))).toEqual(writtenOf(song));
          // In any order of taking out.
          const ids = framed.sections.flatMap(({ id, frame }) => (frame ? [id] : []));
          const turned = [...ids.slice(out % ids.length), ...ids.slice(0, out % ids.length)].reverse();
          const back = turned.reduce(
            (s, id) => applyEdit(s, { kind: 'frame-removed', sectionId: id }),
            framed,
          );
          expect(writtenOf(back)).toEqual(writtenOf(song));
          expect(back.partSettings).toEqual(song.partSettings);
          expect(arranged(back).parts.map((part) => [part.label, part.fromTick])).toEqual(
            arranged(song).parts.map((part) => [part.label, part.fromTick]),
          );
        },
      ),
      { numRuns: runs(60) },
    );
  });

  it('leaves a placed cut its name and what was chosen there, and tells an unplaced one by its new tick', () => {
    const [lanterns] = DEMO_SONGS;
    const choices = { level: 3 };
    const song = {
      ...lanterns,
      cuts: [0, 11520].map((tick) => ({ id: `cut${tick}`, tick, locked: true })),
      partSettings: {
        cut11520: { name: 'Placed', sameAs: null, choices },
        cut23040: { name: 'Only proposed', sameAs: 'cut11520', choices },
      },
    };
    const [, quiet] = introsFor(arranged(song), 2);
    const framed = add(song, quiet);
    const by = 2 * 2880;
    expect(framed.cuts.find(({ id }) => id === 'cut11520')?.tick).toBe(11520 + by);
    expect(framed.partSettings['cut11520']).toEqual(song.partSettings.cut11520);
    const moved = Object.entries(framed.partSettings).find(([, { name }]) => name === 'Only proposed');
    expect(moved?.[1]).toMatchObject({ sameAs: 'cut11520', choices });
    expect(arranged(framed).parts.find(({ cutId }) => cutId === moved?.[0])?.fromTick).toBe(23040 + by);
    expect(withoutFrame(framed).partSettings).toEqual(song.partSettings);
  });

  it('turns back from a first ending into the second pass, named, and the section goes on after it', () => {
    const mudflat = DEMO_SONGS[3];
    const a = arranged(mudflat);
    const again = a.parts.findIndex(({ fromTick }) => fromTick === 8 * 3840);
    const [turn] = betweenFor(a, again);
    const b = arranged(add(mudflat, turn));
    expect(b.song.playingOrder).toEqual([
      { fromBar: 1, toBar: 8 },
      { fromBar: 27, toBar: 27 },
      { fromBar: 1, toBar: 6 },
      { fromBar: 9, toBar: 26 },
    ]);
    expect(
      b.parts.slice(again - 1, again + 2).map(({ label, fromTick }) => [label, fromTick / 3840]),
    ).toEqual([
      [a.parts[again - 1].label, a.parts[again - 1].fromTick / 3840],
      ['Turnaround', 8],
      [a.parts[again].label, 9],
    ]);
    expect(b.played.sections.map(({ name, tick }) => [name, tick / 3840])).toEqual([
      ['Verse', 0],
      ['Turnaround', 8],
      ['Verse', 9],
      ['Bridge', 17],
      ['Verse', 25],
    ]);
    // Within a pass the section goes on where it was left.
    const within = betweenFor(a, 1)[0];
    expect(a.parts[1].fromTick).toBe(4 * 3840);
    const c = unfold(add(mudflat, within));
    expect(c.sections.slice(0, 4).map(({ name, tick }) => [name, tick / 3840])).toEqual([
      ['Verse', 0],
      ['Turnaround', 4],
      ['Verse', 5],
      ['Verse', 9],
    ]);
  });
});
