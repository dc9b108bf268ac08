import { describe, expect, it } from 'vitest';
import { TUNES_APART } from '../../demo/kept-apart';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { partsOf } from '../parts';
import { applyEdit, DEFAULT_PROFILE, type Song, unfold } from '../song';
import { some, wholeBars } from '../testing';
import { LAYOUT_ROWS } from './layoutNames';
import { voice } from './voice';
import { alternativesFor, taskFor } from './voiceParts';

const onWhole = (song: Song, layout: Song['choices']['layout']): Song => ({
  ...song,
  choices: { ...song.choices, level: 4, layout },
});

describe('the voicings a chord could have', () => {
  it('begin with the one that is played, which costs least, in parts that are the same as in others', () => {
    for (const song of [...DEMO_SONGS, ...TUNES_APART])
      for (const { layout } of some(some(LAYOUT_ROWS))) {
        const a = arrange(onWhole(song, layout), DEFAULT_PROFILE, { withoutFingers: true });
        for (const { change, voicing, fixedBy } of some(some(a.changes))) {
          if (fixedBy === 'pin') continue;
          const others = alternativesFor(a.song, DEFAULT_PROFILE, a.played, a.parts, change.id);
          const told = [song.title, layout, change.id];
          const costs = others
            .filter(({ isAgainstEnds, isApart }) => !isAgainstEnds && !isApart)
            .map(({ extra }) => extra);
          expect([...told, others[0].voicing.keys, costs[0]]).toEqual([...told, voicing.keys, 0]);
          expect(costs).toEqual([...costs].sort((x, y) => x - y));
        }
      }
  });

  it('cost, where two parts share them, what the least of all ways to play both alike costs', () => {
    const base = wholeBars(
      ['E5', 'C5', 'A4', 'G5', 'E5', 'C5', 'F5', 'D5'],
      ['C', 'Am', 'F', 'G', 'C', 'Am', 'Dm', 'G'],
    );
    const song = applyEdit(base, { kind: 'division-chosen', division: { method: 'bars', bars: 2 } });
    const first = arrange(song, DEFAULT_PROFILE);
    const [model, , twin] = first.parts;
    const alike = applyEdit(song, { kind: 'same-as', cutId: twin.cutId, sameAs: model.cutId });
    const a = arrange(alike, DEFAULT_PROFILE);
    expect(a.changes.map(({ fixedBy }) => fixedBy)).toEqual([
      'shared',
      'shared',
      null,
      null,
      'same',
      'same',
      null,
      'ending',
    ]);
    const ids = a.changes.map(({ change }) => change.id);
    const of = (id: string) =>
      alternativesFor(a.song, DEFAULT_PROFILE, a.played, a.parts, id).filter(
        (o) => !o.isAgainstEnds && !o.isApart,
      );
    // Every way to play the two chords alike in both parts, pinned, the rest solved.
    const costOf = (own: readonly number[], next: readonly number[]): number => {
      const pins = [
        [ids[0], own],
        [ids[4], own],
        [ids[1], next],
        [ids[5], next],
      ] as const;
      const pinned: Song = {
        ...alike,
        pins: pins.map(([changeId, keys]) => ({ changeId, keys: [...keys], fingers: null })),
      };
      const played = unfold(pinned);
      return voice(taskFor(pinned, DEFAULT_PROFILE, played, partsOf(pinned, played))).cost;
    };
    const [ones, twos] = [of(ids[0]), of(ids[1])];
    const all = ones.map((one) => twos.map((two) => costOf(one.voicing.keys, two.voicing.keys)));
    const least = Math.min(...all.flat());
    expect(ones.map(({ extra }) => extra)).toEqual(all.map((row) => Math.min(...row) - least));
    expect(twos.map(({ extra }) => extra)).toEqual(
      twos.map((_, t) => Math.min(...all.map((row) => row[t])) - least),
    );
    // In the part that returns the same is told; more may be had there, where the song does not begin.
    const costs = new Map(ones.map(({ voicing, extra }) => [voicing.keys.join(), extra]));
    const again = of(ids[4]).filter(({ voicing }) => costs.has(voicing.keys.join()));
    expect(again.map(({ voicing, extra }) => [voicing.keys.join(), extra])).toEqual([...costs]);
  });

  it('come after what is played where another part has no room for them, also where they cost less there', () => {
    const snow = arrange(onWhole(DEMO_SONGS[5], 'fifth-octave'), DEFAULT_PROFILE, { withoutFingers: true });
    const told = alternativesFor(snow.song, DEFAULT_PROFILE, snow.played, snow.parts, 'c14').map(
      ({ voicing, extra, isApart }) => `${voicing.keys.join(' ')} ${extra}${isApart ? ' apart' : ''}`,
    );
    expect(told).toEqual(['40 47 52 0', '52 59 64 -203 apart', '28 35 40 711']);
  });
});
