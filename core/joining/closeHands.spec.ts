import { inWords } from '../sentences';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrange } from '../arrange';
import type { Arrangement } from '../arrangement';
import { parsePitch } from '../music';
import { applyEdit, findingId, DEFAULT_PROFILE, type Song } from '../song';
import { offersOf, randomSong, runs, wholeBars } from '../testing';
import { whyOf } from '../words';
import { withSharedKeys } from './sharedKeys';

const without = { withoutFingers: true };
const played = (song: Song): Arrangement => arrange(song, DEFAULT_PROFILE, without);

/** C held for a bar with its top key G4, to which the melody comes down on the third beat. */
const comingDown: Song = (() => {
  const bar = wholeBars(['C5', 'C5'], ['C', 'C']);
  const [first, second] = bar.melody;
  const half = { ...first, length: 1920 };
  const down = { ...half, id: 'down', tick: 1920, pitch: parsePitch('G4') };
  const pin = { changeId: bar.changes[0].id, keys: [55, 60, 67], fingers: null };
  return { ...bar, melody: [half, down, second], pins: [pin] };
})();

const of = (a: Arrangement, kind: string) => a.findings.filter((finding) => finding.kind === kind);
const firstChord = (a: Arrangement) =>
  a.left.filter((n) => n.from === a.changes[0].change.id).map((n) => [n.midi, n.length]);

function taking(song: Song, label: string): Song {
  const fix = played(song)
    .findings.flatMap((f) => f.remedies ?? [])
    .find((f) => inWords(f.offer) === label);
  if (!fix) throw new Error(`no remedy "${label}"`);
  return applyEdit(song, fix.edit);
}

describe('where both hands want one key', () => {
  it('remedies are offered from the least to the most', () => {
    const [bump] = of(played(comingDown), 'bump');
    expect(offersOf(bump)).toEqual([
      'Release the pinned voicing',
      'Use a lower voicing',
      'Let the right hand play G4 for both',
      'Let the chord go before G4',
      'Thin this chord to three notes',
      'Thin this chord to two notes',
      'Drop its root and add the ninth',
      'Two notes in the whole part',
      'Melody of the part an octave higher',
    ]);
  });

  it('the right hand plays it for both: the left lets it go there and holds the rest', () => {
    const a = played(taking(comingDown, 'Let the right hand play G4 for both'));
    expect(firstChord(a)).toEqual([
      [55, 3840],
      [60, 3840],
      [67, 1920],
    ]);
    expect(of(a, 'bump')).toEqual([]);
    expect(whyOf(null, a.changes[0])).toContain('played by the right hand for both');
  });

  it('the chord is let go before it', () => {
    const a = played(taking(comingDown, 'Let the chord go before G4'));
    expect(firstChord(a)).toEqual([
      [55, 1920],
      [60, 1920],
      [67, 1920],
    ]);
    expect([...of(a, 'bump'), ...of(a, 'pin')]).toEqual([]);
  });

  it("a key struck by both at once is the right hand's", () => {
    const note = {
      hand: 'left',
      source: 'chord',
      from: 'c1',
      lyric: null,
      grace: false,
      finger: null,
    } as const;
    const left = [60, 64].map((midi) => ({ ...note, tick: 0, length: 960, midi, pitch: parsePitch('C4') }));
    const melody = [{ tick: 0, length: 480, midi: 64 }];
    expect(withSharedKeys(left, melody, () => true).map((n) => n.midi)).toEqual([60]);
    expect(withSharedKeys(left, melody, () => false)).toEqual(left);
  });
});

describe('where the left hand lies above the right', () => {
  const below: Song = {
    ...comingDown,
    melody: comingDown.melody.map((n) => (n.id === 'down' ? { ...n, pitch: parsePitch('E4') } : n)),
  };

  it('the hands may cross: no finding is left, the reasons say so, and it can be taken back', () => {
    const crossing = taking(below, 'Let the hands cross here');
    const a = played(crossing);
    expect([...of(a, 'bump'), ...of(a, 'pin')]).toEqual([]);
    expect(firstChord(a)).toEqual(firstChord(played(below)));
    expect(whyOf(null, a.changes[0])).toContain('may cross');
    const { changeId } = crossing.closeHands[0];
    expect(
      of(played(applyEdit(crossing, { kind: 'close-hands', changeId, how: null })), 'bump'),
    ).toHaveLength(1);
  });

  it('parts that are the same follow the choice', () => {
    const twice = wholeBars(['C5', 'E4', 'C5', 'E4'], ['C', 'G', 'C', 'G']);
    const song = applyEdit(twice, { kind: 'division-chosen', division: { method: 'bars', bars: 2 } });
    const chosen = applyEdit(song, { kind: 'close-hands', changeId: song.changes[1].id, how: 'cross' });
    expect(played(chosen).parts[1].sharesWith).toBe(1);
    expect(played(chosen).changes.map((c) => c.closeHands)).toEqual([null, 'cross', null, 'cross']);
    const freed = applyEdit(chosen, { kind: 'close-hands', changeId: song.changes[3].id, how: null });
    expect(played(freed).changes.map((c) => c.closeHands)).toEqual([null, 'cross', null, null]);
  });
});

describe('where the program made room', () => {
  const dip: Song = (() => {
    const song = wholeBars(['G4', 'G4'], ['Cmaj7', 'Cmaj7']);
    const [first, second] = song.melody;
    const low = { ...first, id: 'low', tick: 1920, length: 1920, pitch: parsePitch('Bb2') };
    return { ...song, melody: [{ ...first, length: 1920 }, low, second] };
  })();
  const small = { ...DEFAULT_PROFILE, keyboard: 49 } as const;

  it('a chord that was thinned is played whole and let go early instead', () => {
    const before = arrange(dip, small, without);
    const [thin] = of(before, 'thin-chord');
    const fix = thin.remedies?.find((f) => f.offer.code === 'letGo');
    const after = arrange(applyEdit(dip, fix?.edit ?? { kind: 'rename', title: '' }), small, without);
    expect(before.changes[0].voicing.missing.length).toBeGreaterThan(0);
    expect(after.changes[0].voicing.missing).toEqual([]);
    expect(after.changes[0].length).toBe(1920);
    expect([...of(after, 'thin-chord'), ...of(after, 'shortened'), ...of(after, 'bump')]).toEqual([]);
  });

  it('hands that may cross leave the melody of the part where it was', () => {
    const low = wholeBars(['D2', 'C5'], ['C', 'G']);
    const before = arrange(low, { ...DEFAULT_PROFILE, keyboard: 61 }, without);
    const [raised] = of(before, 'melody-raised');
    const crossed = applyEdit(low, raised.remedies?.[0].edit ?? { kind: 'rename', title: '' });
    const after = arrange(crossed, { ...DEFAULT_PROFILE, keyboard: 61 }, without);
    expect(before.raisedParts).toEqual([0]);
    expect(after.raisedParts).toEqual([]);
    expect(after.right.map((n) => n.midi)).toEqual([38, 72]);
    expect([...of(after, 'crossing'), ...of(after, 'bump')]).toEqual([]);
  });
});

describe('every remedy for hands too close', () => {
  it('takes away the finding it is offered for, and loses no note of the melody', () => {
    const cases = fc.record({
      seed: fc.integer({ min: 1, max: 500 }),
      lift: fc.integer({ min: 0, max: 10 }),
    });
    let tried = 0;
    fc.assert(
      fc.property(cases, ({ seed, lift }) => {
        const song = randomSong({ bars: 2, changesPerBar: 1, seed, lowest: 60, highest: 72 });
        const [change] = song.changes;
        const keys = [52 + lift, 56 + lift, 60 + lift];
        const pinned = applyEdit(song, { kind: 'pin', pin: { changeId: change.id, keys, fingers: null } });
        const a = played(pinned);
        for (const finding of [...of(a, 'bump'), ...of(a, 'crowded')])
          for (const { edit } of finding.remedies ?? []) {
            if (edit.kind !== 'close-hands') continue;
            tried++;
            const after = played(applyEdit(pinned, edit));
            const same = (tick: number, kinds: string[]) =>
              after.findings.filter((f) => f.tick === tick && kinds.includes(f.kind)).map(findingId);
            // A key given to the other hand may leave another one too near: that is said anew.
            if (edit.how !== 'share') expect(same(finding.tick, ['bump', 'crowded'])).toEqual([]);
            expect(after.right).toEqual(a.right);
          }
      }),
      { numRuns: runs(150) },
    );
    expect(tried).toBeGreaterThan(30);
  });
});
