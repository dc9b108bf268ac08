import { inWords } from '../sentences';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { TUNES_APART } from '../../demo/kept-apart';
import { DEMO_SONGS } from '../../demo/songs';
import { applyEdit, DEFAULT_PROFILE, type Profile, type Song } from '../song';
import { LAYOUTS } from '../song/schemaPieces';
import { randomSong, runs, songs, wholeBars } from '../testing';
import { arrange } from './song';

/** Remedies that change nothing. */
function idleRemedies(song: Song, profile: Profile): string[] {
  const { findings } = arrange(song, profile, { withoutFingers: true });
  return findings.flatMap(({ kind, remedies }) =>
    remedies
      .filter(({ edit }) => JSON.stringify(applyEdit(song, edit)) === JSON.stringify(song))
      .map(({ offer }) => `${kind}: ${inWords(offer)} changes nothing`),
  );
}

describe('remedies', () => {
  it('each change something, in any song, voicing style, hand and level', () => {
    const profiles = fc.record({
      leftReach: fc.constantFrom(6, 7, 8, 10),
      keyboard: fc.constantFrom(49, 61, 88),
    }) as fc.Arbitrary<Pick<Profile, 'leftReach' | 'keyboard'>>;
    fc.assert(
      fc.property(
        songs,
        profiles,
        fc.constantFrom(...LAYOUTS),
        fc.constantFrom(2, 3, 4, 5, 7),
        (song, hand, layout, level) => {
          const chosen = { ...song, choices: { ...song.choices, layout, level } };
          expect(idleRemedies(chosen, { ...DEFAULT_PROFILE, ...hand })).toEqual([]);
        },
      ),
      { numRuns: runs(120) },
    );
    for (const song of [...DEMO_SONGS, ...TUNES_APART])
      for (const level of [3, 4, 5, 7])
        expect(idleRemedies({ ...song, choices: { ...song.choices, level } }, DEFAULT_PROFILE)).toEqual([]);
  });

  it('each have their button where there is no room at all', () => {
    for (let seed = 0; seed < 30; seed++) {
      const low = randomSong({ bars: 4, changesPerBar: 2, seed, lowest: 38, highest: 55 });
      expect(idleRemedies(low, { ...DEFAULT_PROFILE, keyboard: 49 })).toEqual([]);
    }
  });

  it('raise the melody of the part where the chord has no room below it', () => {
    const song = wholeBars(['F2', 'C5'], ['C', 'C']);
    const a = arrange(song, { ...DEFAULT_PROFILE, keyboard: 61 });
    const thin = a.findings.find(({ kind }) => kind === 'thin-chord');
    const up = thin?.remedies.find(({ offer }) => offer.code === 'raiseMelody');
    expect(up?.edit).toEqual({
      kind: 'choose-for-part',
      cutId: a.parts[0].cutId,
      choices: { octaveShift: 1 },
    });
    const after = arrange(applyEdit(song, up?.edit ?? { kind: 'rename', title: '' }), {
      ...DEFAULT_PROFILE,
      keyboard: 61,
    });
    expect(after.findings.map(({ kind }) => kind)).not.toContain('thin-chord');
  });
});
