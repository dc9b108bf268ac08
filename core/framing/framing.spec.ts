import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { type Arrangement, settling } from '../arrangement';
import { arrange } from '../arrange';
import { readProject, writeMusicXml, writeProject } from '../formats';
import { type Chord, chroma, membersOf, midiOf, nameOf, parseChord } from '../music';
import { applyEdit, DEFAULT_PROFILE, migrateSong, type Song, unfold, withoutFrame } from '../song';
import { randomSong, readMusicXml, runs, writtenOf } from '../testing';
import { betweenFor } from './between';
import { endingsFor, introsFor, stretchOf } from './framing';
import type { FrameProposal } from './proposal';

const arranged = (song: Song): Arrangement => arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
const all = (a: Arrangement): FrameProposal[] => [
  ...introsFor(a, 2),
  ...introsFor(a, 4),
  ...endingsFor(a),
  ...a.parts.flatMap((_, i) => betweenFor(a, i)),
];
const add = (song: Song, { piece }: FrameProposal): Song => applyEdit(song, { kind: 'frame-added', piece });

const lengthOf = (part: Arrangement['parts'][number] | undefined): number =>
  part ? part.toTick - part.fromTick : 0;

describe('what frames a song', () => {
  it('is proposed for every demo song: three ways to begin, three or more to end, from its own phrases', () => {
    for (const song of DEMO_SONGS) {
      const a = arranged(song);
      expect(introsFor(a, 2).length).toBe(3);
      expect(introsFor(a, 4).length).toBe(3);
      expect(endingsFor(a).length).toBe(3);
      const middle = betweenFor(a, 1).map(({ piece }) => piece.kind);
      expect([...new Set(middle)]).toEqual(['turnaround', 'interlude', 'chorus']);
      const own = new Set(song.melody.map(({ pitch }) => chroma(pitch)));
      for (const { piece } of all(a).filter(({ piece }) => piece.kind !== 'ending'))
        for (const { pitch } of piece.melody) expect(own.has(chroma(pitch))).toBe(true);
    }
  });

  it('is put in and taken out again, and the song is as it was given, whatever it is (random songs and the demo songs)', () => {
    const songs = fc.oneof(
      fc.constantFrom(...DEMO_SONGS),
      fc.nat(1e6).map((seed) => randomSong({ bars: 8, changesPerBar: 1, seed })),
    );
    fc.assert(
      fc.property(songs, fc.nat(40), fc.nat(40), (song, x, y) => {
        const a = arranged(song);
        const list = all(a);
        const [first, second] = [list[x % list.length], list[y % list.length]];
        const once = add(song, first);
        expect(writtenOf(withoutFrame(once))).toEqual(writtenOf(song));
        expect(withoutFrame(once).sections).toEqual(song.sections);
        expect(
          withoutFrame(once).cuts.filter(({ tick }) => !a.parts.some((p) => p.fromTick === tick)),
        ).toEqual([]);
        // A second piece is proposed for the song as it is then.
        const again = all(arranged(once)).find((p) => p.variant === second.variant);
        if (again) expect(writtenOf(withoutFrame(add(once, again)))).toEqual(writtenOf(song));
        expect(migrateSong(JSON.parse(JSON.stringify(once)))).toEqual(once);
        const back = readProject(writeProject({ song: once, profile: DEFAULT_PROFILE }));
        expect(back.song).toEqual(once);
      }),
      { numRuns: runs(100) },
    );
  });

  it('begins and ends a song in either order, and is taken out in either order, repeats or none', () => {
    const withRepeat = {
      ...DEMO_SONGS[0],
      playingOrder: [
        { fromBar: 1, toBar: 8 },
        { fromBar: 1, toBar: DEMO_SONGS[0].barCount },
      ],
    };
    for (const song of [...DEMO_SONGS, withRepeat]) {
      const a = arranged(song);
      const pieces: FrameProposal[] = [introsFor(a, 2)[1], endingsFor(a)[0]];
      for (const introFirst of [true, false])
        for (const introOutFirst of [true, false]) {
          const framed = add(song, pieces[introFirst ? 0 : 1]);
          const both = add(
            framed,
            [...introsFor(arranged(framed), 2).slice(1, 2), ...endingsFor(arranged(framed)).slice(0, 1)][0],
          );
          const kinds = both.sections.flatMap(({ id, frame }) => (frame ? [{ id, kind: frame.kind }] : []));
          expect(kinds.map(({ kind }) => kind)).toEqual(['intro', 'ending']);
          const [intro, ending] = kinds;
          const order = introOutFirst ? [intro, ending] : [ending, intro];
          const played = unfold(both).bars.length;
          expect(played).toBe(unfold(song).bars.length + 4 - (song.pickup > 0 ? 1 : 0));
          const back = order.reduce(
            (s, { id }) => applyEdit(s, { kind: 'frame-removed', sectionId: id }),
            both,
          );
          expect([song.title, writtenOf(back)]).toEqual([song.title, writtenOf(song)]);
          expect(arranged(back).parts.map((part) => [part.label, part.fromTick, part.cutId])).toEqual(
            a.parts.map((part) => [part.label, part.fromTick, part.cutId]),
          );
        }
    }
  });

  it('makes bars of the played song with a part of their own, by its name; the other parts are as they were', () => {
    for (const song of DEMO_SONGS) {
      const a = arranged(song);
      for (const proposal of [...introsFor(a, 4), ...endingsFor(a), ...betweenFor(a, 1)]) {
        const framed = add(song, proposal);
        const b = arranged(framed);
        const told = [song.title, proposal.variant];
        expect([...told, b.parts.filter(({ label }) => label === proposal.piece.name).length]).toEqual([
          ...told,
          1,
        ]);
        const others = b.parts.filter(({ label }) => label !== proposal.piece.name);
        expect([...told, others.map(({ label }) => label)]).toEqual([
          ...told,
          a.parts.map(({ label }) => label),
        ]);
        expect([...told, others.map((p) => p.toTick - p.fromTick)]).toEqual([
          ...told,
          a.parts.map((p) => p.toTick - p.fromTick),
        ]);
        const before = unfold(song);
        expect([...told, b.played.endTick - before.endTick]).toEqual([
          ...told,
          proposal.piece.before === 0
            ? b.parts[1].fromTick
            : lengthOf(b.parts.find((p) => p.label === proposal.piece.name)),
        ]);
        // The tune of the song itself, in its order, with its notes.
        const tune = (played: Arrangement['played'], skip: (id: string) => boolean): string[] =>
          played.melody
            .filter(({ id }) => !skip(id))
            .map(({ pitch, length }) => `${nameOf(pitch)} ${length}`);
        expect([...told, tune(b.played, (id) => /^f\d+n/.test(id)).join()]).toEqual([
          ...told,
          tune(before, () => false).join(),
        ]);
      }
    }
  });

  it('leaves settled parts as they were learned, each by its own name, and when it is taken out again', () => {
    for (const song of DEMO_SONGS) {
      const filled = {
        ...song,
        choices: { ...song.choices, level: 7, fills: { measure: 'many', seed: 0 } },
      } as Song;
      const before = arrange(filled, DEFAULT_PROFILE);
      const settled = before.parts.reduce((s, _part, i) => {
        const edit = settling(before, i);
        return edit ? applyEdit(s, edit) : s;
      }, filled);
      const learned = arrange(settled, DEFAULT_PROFILE);
      // Under a pick-up sounds what comes before: another chord, where bars were put between.
      const told = (a: Arrangement, ownAlone: boolean) =>
        learned.parts.map(({ label }) => {
          const at = a.parts.findIndex((part) => part.label === label);
          const { fromTick, settled: isSettled } = a.parts[at];
          const before = new Set(a.changes.filter((c) => c.change.tick < fromTick).map((c) => c.change.id));
          const notes = (['right', 'left'] as const).map((hand) =>
            a.arranged[at]?.[hand]
              .filter(({ from }) => !(ownAlone && before.has(from)))
              .map((n) => `${n.tick - fromTick} ${n.length} ${n.midi} ${n.finger}`),
          );
          return [label, isSettled, ...notes];
        });
      const framings = [
        introsFor(learned, 2)[0],
        endingsFor(learned)[0],
        ...betweenFor(learned, 1).slice(0, 1),
      ];
      for (const proposal of framings) {
        const framed = arrange(add(settled, proposal), DEFAULT_PROFILE);
        const isBetween = proposal.piece.kind === 'turnaround';
        const which = [song.title, proposal.variant];
        expect([...which, told(framed, isBetween)]).toEqual([...which, told(learned, isBetween)]);
        const back = arrange(withoutFrame(framed.song), DEFAULT_PROFILE);
        expect([...which, told(back, false)]).toEqual([...which, told(learned, false)]);
      }
    }
  });

  it('is heard whole, with a bar of what stands beside it', () => {
    for (const song of DEMO_SONGS) {
      const a = arranged(song);
      for (const proposal of all(a)) {
        const { fromTick, toTick } = stretchOf(proposal, a.played);
        const framed = unfold(add(song, proposal));
        const section = framed.sections.find(({ frame }) => frame !== undefined);
        const { kind } = proposal.piece;
        const last = framed.bars[framed.bars.length - 1];
        // An ending is played after every pass: its own bars are the last of the song.
        const own = framed.bars.slice(-proposal.piece.bars);
        const begins = kind === 'ending' ? own[0].tick : (section?.tick ?? -1);
        const ends = kind === 'ending' ? last.tick + last.length : begins + (section?.frame?.ticks ?? 0);
        const bar = framed.bars[1].length;
        const which = [song.title, proposal.variant];
        expect([...which, fromTick]).toEqual([...which, kind === 'intro' ? 0 : begins - bar]);
        expect([...which, toTick - ends]).toEqual([
          ...which,
          kind === 'ending' ? 0 : kind === 'intro' ? bar + song.pickup : bar,
        ]);
      }
    }
  });

  it('leads in on the dominant, and leaves the pick-up its place in the last bar of the intro', () => {
    const sluicegate = DEMO_SONGS[1];
    expect(sluicegate.pickup).toBe(960);
    const framed = add(sluicegate, introsFor(arranged(sluicegate), 2)[0]);
    expect(framed.pickup).toBe(0);
    const { played } = arranged(framed);
    expect(played.bars.slice(0, 3).map(({ number, tick, length }) => [number, tick, length])).toEqual([
      [1, 0, 3840],
      [2, 3840, 3840],
      [3, 7680, 3840],
    ]);
    // The first note of the song is struck on the fourth beat of the second bar.
    expect(played.melody.find(({ id }) => id === sluicegate.melody[0].id)?.tick).toBe(7680 - 960);
    const last = framed.changes.filter(({ id }) => /^f\d+c/.test(id)).at(-1);
    expect([last?.symbol, last?.tick, last?.length]).toEqual(['D7', 3840, 3840]);
  });

  it('an instrumental chorus has the rhythm of the part before, bar by bar, and its notes in another order', () => {
    for (const song of DEMO_SONGS.filter(({ playingOrder }) => playingOrder.length === 0)) {
      const a = arranged(song);
      a.parts.slice(1).forEach((part, i) => {
        const chorus = betweenFor(a, i + 1).find(({ piece }) => piece.kind === 'chorus')?.piece;
        const source = a.parts[i];
        const bars = a.played.bars.filter(
          ({ number, tick }) => number > 0 && tick >= source.fromTick && tick < source.toTick,
        );
        const start = bars[0].tick;
        // Where the next part begins with a pick-up, the tune ends before it.
        const full = a.played.bars.find(({ number, tick }) => number > 0 && tick >= part.fromTick);
        const end = bars.length * bars[0].length - ((full?.tick ?? 0) - part.fromTick);
        const tune = a.played.melody.filter((n) => !n.grace);
        for (const bar of bars) {
          const from = bar.tick - start;
          const own = tune.filter((n) => n.tick >= bar.tick && n.tick < bar.tick + bar.length);
          const now = chorus?.melody.filter((n) => n.tick >= from && n.tick < from + bar.length) ?? [];
          const kept = own.filter((n) => n.tick - start < end);
          const which = [song.title, part.number, bar.number];
          expect([...which, now.map((n) => n.tick)]).toEqual([...which, kept.map((n) => n.tick - start)]);
          if (kept.length < own.length) continue;
          const keys = (notes: readonly { pitch: Parameters<typeof midiOf>[0] }[]): number[] =>
            notes.map(({ pitch }) => midiOf(pitch));
          const sorted = (list: number[]): number[] => [...list].sort((x, y) => x - y);
          expect([...which, sorted(keys(now))]).toEqual([...which, sorted(keys(own))]);
          if (new Set(keys(own)).size > 1) expect([...which, keys(now)]).not.toEqual([...which, keys(own)]);
        }
      });
    }
  });

  it('turns back by chords that lead home: dominant, half step above it, diminished on the leading note', () => {
    const [lanterns] = DEMO_SONGS;
    const turns = betweenFor(arranged(lanterns), 1).filter(({ piece }) => piece.kind === 'turnaround');
    expect(turns.map(({ piece }) => piece.changes.map(({ symbol }) => symbol).join(' '))).toEqual([
      'E7',
      'Bb7 E7',
      'G#dim7',
    ]);
    for (const { piece } of turns)
      for (const { symbol } of piece.changes) expect(membersOf(parseChord(symbol) as Chord).length).toBe(4);
  });

  it('closes on the tonic, which the tune holds', () => {
    for (const song of DEMO_SONGS)
      for (const { piece } of endingsFor(arranged(song))) {
        const b = arranged(applyEdit(song, { kind: 'frame-added', piece }));
        const chord = b.changes.at(-1)?.chord;
        const key = song.keyMap.at(-1);
        expect(chord && key && chroma(chord.root) === chroma(key.tonic)).toBe(true);
        const last = b.played.melody.at(-1);
        expect(last && key && chroma(last.pitch) === chroma(key.tonic)).toBe(true);
        expect(b.findings.filter(({ kind }) => kind === 'rub' || kind === 'bump')).toEqual(
          arranged(song).findings.filter(({ kind }) => kind === 'rub' || kind === 'bump'),
        );
      }
  });

  it('is bars like any other in a file that is opened again, and is not in the song as given', () => {
    for (const song of DEMO_SONGS) {
      const framed = add(add(song, introsFor(arranged(song), 2)[0]), endingsFor(arranged(song))[0]);
      const a = arranged(framed);
      const back = readMusicXml(writeMusicXml(a), 'x', '');
      const played = unfold(back);
      // A part that is played an octave up is written there.
      const tune = ({ melody }: typeof played): string[] =>
        melody.map(({ tick, pitch }) => `${tick} ${nameOf(pitch).replace(/-?\d/, '')}`);
      expect(tune(played)).toEqual(tune(a.played));
      expect(played.bars.length).toBe(a.played.bars.length);
      expect(writtenOf(withoutFrame(framed))).toEqual(writtenOf(song));
    }
  });

  it('is not proposed for a song without chords, nor longer than the song', () => {
    const [lanterns] = DEMO_SONGS;
    expect(all(arranged({ ...lanterns, changes: [] }))).toEqual([]);
    const short = arranged(randomSong({ bars: 2, changesPerBar: 1, seed: 3 }));
    expect(introsFor(short, 4)).toEqual([]);
  });
});
