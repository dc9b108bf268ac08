import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { midiOf, nameOf } from '../music';
import { partIndexAt } from '../parts';
import { applyEdit, DEFAULT_PROFILE, heads, type MelodyNote } from '../song';
import { wholeBars } from '../testing';
import { type Line, lineBeside, LINES } from './lines';
import { ownBarsId } from './ownBarsId';

const song = wholeBars(['C5', 'E5', 'D5'], ['C', 'Am', 'G7']);
const told = (line: Line, notes: readonly MelodyNote[] = song.melody): string[] | undefined =>
  lineBeside(song, notes, line)?.notes.map(
    ({ after, length, pitch }) => `${after / 960}+${length / 960} ${nameOf(pitch)}`,
  );

describe('a second line beside the tune', () => {
  it('is one chord note held under or over all, of all their chords where there is one', () => {
    expect(told('held-under', song.melody.slice(0, 2))).toEqual(['0+8 E4']);
    expect(told('held-over', song.melody.slice(0, 2))).toEqual(['0+8 C6']);
    // C, A minor and G7 have no key in common: it is the nearest of the first chord.
    expect(told('held-under')).toEqual(['0+12 G4']);
  });

  it('moves under a long note in half beats, two chord notes in turns; a short one has no room for it', () => {
    const half = { ...song.melody[0], length: 1920 };
    expect(told('moving-under', [half])).toEqual(['0+0.5 E4', '0.5+0.5 G4', '1+0.5 E4', '1.5+0.5 G4']);
    expect(told('moving-under', [{ ...half, length: 480 }])).toBeUndefined();
    expect(lineBeside({ changes: [] }, song.melody, 'held-under')).toBeNull();
  });

  it('is played as it is told, and leaves the tune as it was, in any song at any place', () => {
    const place = fc
      .constantFrom(...DEMO_SONGS)
      .chain((all) =>
        fc.tuple(fc.constant(all), fc.nat(heads(all.melody).length - 1), fc.integer({ min: 1, max: 6 })),
      );
    fc.assert(
      fc.property(place, fc.constantFrom(...LINES), ([all, from, count], line) => {
        const notes = heads(all.melody).slice(from, from + count);
        const { parts, right: before } = arrange(all, DEFAULT_PROFILE, { withoutFingers: true });
        const octaves = new Set(notes.map(({ tick }) => parts[partIndexAt(parts, tick)].choices.octaveShift));
        const own = lineBeside(all, notes, line, [...octaves][0]);
        fc.pre(own !== null && all.playingOrder.length === 0 && octaves.size === 1);
        if (!own) return;
        const edit = {
          kind: 'own-bars-written' as const,
          own: { ...own, id: ownBarsId(own) },
          session: null,
        };
        const after = arrange(applyEdit(all, edit), DEFAULT_PROFILE, { withoutFingers: true }).right;
        // Parts that follow this one play it too.
        const added = after.filter(
          ({ source, tick }) => source === 'own' && tick >= own.tick && tick < own.tick + own.length,
        );
        expect(added.map(({ tick, midi }) => [tick, midi])).toEqual(
          own.notes.map(({ after: at, pitch }) => [own.tick + at, midiOf(pitch)]),
        );
        expect(
          after.filter(({ source }) => source === 'melody').map(({ tick, midi }) => [tick, midi]),
        ).toEqual(before.filter(({ source }) => source === 'melody').map(({ tick, midi }) => [tick, midi]));
      }),
      { numRuns: 60 },
    );
  });
});
