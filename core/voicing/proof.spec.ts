import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { compareLayouts } from '../arrange/comparing';
import { totalsOf } from '../formats';
import { partsOf } from '../parts';
import { DEFAULT_PROFILE, type Song, unfold } from '../song';
import { some, wholeBars } from '../testing';
import { proofInWords } from '../words';
import { type MovementProof, movementProof } from './proof';
import { throughout } from './throughout';

const proofOf = (song: Song): MovementProof => {
  const played = unfold(song);
  return movementProof(song, DEFAULT_PROFILE, played, partsOf(song, played)) as MovementProof;
};

describe('the proof of least movement', () => {
  it('has the sums of the arrangement, and reasons that add up to what lies between', () => {
    for (const song of DEMO_SONGS) {
      const proof = proofOf(song);
      const totals = totalsOf(arrange(song, DEFAULT_PROFILE, { withoutFingers: true }));
      expect([proof.ours, proof.least]).toEqual([totals.leftSemitones, totals.optimumSemitones]);
      expect(proof.ours).toBe(proof.least + proof.forClarity + proof.forSharing);
      expect([proof.forClarity >= 0, proof.byEnds >= 0, proof.byPins]).toEqual([true, true, 0]);
    }
  });

  it('has under every style the figures of the table of styles', () => {
    for (const song of some(DEMO_SONGS)) {
      const rows = compareLayouts(song, DEFAULT_PROFILE);
      const inRoots = rows.find(({ layout }) => layout === 'root')?.semitones;
      for (const { layout, semitones } of rows) {
        const proof = proofOf(throughout(song, layout, null));
        expect([song.title, layout, proof.ours, proof.rootPosition]).toEqual([
          song.title,
          layout,
          semitones,
          inRoots,
        ]);
      }
    }
  });

  it('counts what a pin costs, in the least too', () => {
    const song = wholeBars(['C6', 'B5', 'C6'], ['C', 'G', 'C']);
    const free = proofOf(song);
    // C to G and back: C stays once, the others fall a half and a whole step.
    expect([free.least, free.byPins]).toEqual([6, 0]);
    const pinned = proofOf({
      ...song,
      pins: [{ changeId: song.changes[1].id, keys: [43, 47, 50], fingers: null }],
    });
    expect(pinned.byPins).toBe(pinned.least - free.least);
    expect(pinned.byPins).toBeGreaterThan(0);
  });

  it('is none where no line is played', () => {
    const song = wholeBars(['C6'], ['C']);
    const played = unfold(song);
    expect(movementProof(song, DEFAULT_PROFILE, played, partsOf(song, played))).toBeNull();
  });

  it('is told in sentences', () => {
    const proof = {
      ours: 62,
      least: 50,
      rootPosition: 120,
      forClarity: 9,
      forSharing: 3,
      byPins: 1,
      byEnds: 4,
    };
    expect(proofInWords(proof)).toEqual([
      '12 half steps above the least: 9 to sound clear and complete and to spare the hand, 3 so that parts that are the same are learned once.',
      'What you pinned or keep as learned costs 1 half step.',
      'To begin on no second inversion and to end on the root costs 4 half steps.',
    ]);
    const least = { ...proof, ours: 50, forClarity: 0, forSharing: 0, byPins: 0, byEnds: 0 };
    expect(proofInWords(least)).toEqual(['No other way through these chords moves less.']);
  });
});
