import { inWords } from '../sentences';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { quickChanges } from '../harmony';
import { partsOf, progressionsOf } from '../parts';
import { applyEdit, type Finding, DEFAULT_PROFILE, type Song, unfold } from '../song';
import { offersOf, textOf, wholeBars } from '../testing';
import { bumpsBetween } from './bumps';

const [lanterns, sluicegate] = DEMO_SONGS;
const findingsOf = (song: Song, kind: Finding['kind']): Finding[] =>
  arrange(song, DEFAULT_PROFILE).findings.filter((f) => f.kind === kind);

describe('a chord that fights the tune', () => {
  it('is found, explained, and every remedy mends it or leaves the member out', () => {
    const song = wholeBars(['F5', 'E5'], ['C', 'C']);
    const [rub, ...others] = findingsOf(song, 'rub');
    expect(others).toEqual([]);
    expect(textOf(rub)).toBe('F clashes with C: the 11 over a major third, for 4 beats on 1 of bar 1.');
    expect(offersOf(rub)[0]).toBe('Leave out the E');
    expect(rub.remedies?.length).toBeGreaterThanOrEqual(4);
    for (const { edit, offer } of rub.remedies) {
      const after = applyEdit(song, edit);
      const still = findingsOf(after, 'rub').filter((f) => f.tick === rub.tick);
      if (edit.kind === 'pin') {
        expect(arrange(after, DEFAULT_PROFILE).changes[0].voicing.keys.every((key) => key % 12 !== 4)).toBe(
          true,
        );
        continue;
      }
      expect(still, inWords(offer)).toEqual([]);
    }
  });

  it('offers the sixth where the root meets a major seventh', () => {
    const [rub] = findingsOf(wholeBars(['C5'], ['Cmaj7']), 'rub');
    expect(offersOf(rub)).toContain('C6: another quality');
  });

  it('offers to strike the chord after a long appoggiatura', () => {
    const base = wholeBars(['F5'], ['C']);
    const [note] = base.melody;
    const melody = [
      { ...note, length: 1920 },
      { ...note, id: 'n1', tick: 1920, length: 1920, pitch: { ...note.pitch, letter: 'E' as const } },
    ];
    const [rub] = findingsOf({ ...base, melody }, 'rub');
    expect(offersOf(rub)).toContain('Strike the chord after it, on 3');
  });
});

describe('chords that pass too quickly', () => {
  it('are offered to be left out, by how long one has played', () => {
    const fast = applyEdit(sluicegate, { kind: 'tempo', quartersPerMinute: 240 });
    const found = (experience: 'first-year' | 'some-years' | 'fluent') =>
      quickChanges(unfold(fast), experience).length;
    expect(found('first-year')).toBeGreaterThanOrEqual(found('some-years'));
    expect(found('some-years')).toBeGreaterThan(0);
    expect(found('fluent')).toBe(0);
    const [first] = quickChanges(unfold(fast), 'some-years');
    const edit = first.remedies?.[0]?.edit;
    if (!edit) throw new Error('no remedy');
    expect(applyEdit(fast, edit).changes).toHaveLength(fast.changes.length - 1);
  });
});

describe('hands too close', () => {
  const note = (hand: 'right' | 'left', midi: number) =>
    ({
      hand,
      tick: 0,
      length: 1920,
      midi,
      pitch: { letter: 'C', alter: 0, octave: 4 },
      source: hand === 'left' ? 'chord' : 'melody',
      from: hand === 'left' ? 'c1' : 'n1',
      lyric: null,
      grace: false,
      finger: null,
    }) as const;

  it('bump, crowd, or have room', () => {
    const kinds = (low: number) => bumpsBetween([note('right', 60)], [note('left', low)]).map((f) => f.kind);
    expect(kinds(60)).toEqual(['bump']);
    expect(kinds(62)).toEqual(['bump']);
    expect(kinds(59)).toEqual(['crowded']);
    expect(kinds(57)).toEqual([]);
    // That both want one key is said, though another key crowds it there.
    const both = bumpsBetween([note('right', 60)], [note('left', 59), note('left', 60)]);
    expect(both.map((f) => f.kind)).toEqual(['bump']);
  });

  it('are remedied for the chord or for the part, each remedy an edit that can be undone', () => {
    const { parts, changes } = arrange(lanterns, DEFAULT_PROFILE);
    const about = { parts, changeOf: () => changes[0], lowerKeys: () => null };
    const [bump] = bumpsBetween([note('right', 60)], [note('left', 61)], about);
    expect(bump.remedies?.map((f) => f.edit.kind)).toEqual([
      'layout',
      'layout',
      'layout',
      'choose-for-part',
      'choose-for-part',
      'close-hands',
    ]);
    const lowered = { ...about, lowerKeys: () => [48, 52, 55] };
    const [lower] = bumpsBetween([note('right', 60)], [note('left', 61)], lowered);
    expect(lower.remedies?.[0]).toMatchObject({
      offer: { code: 'lowerPosition' },
      edit: { pin: { keys: [48, 52, 55] } },
    });
    const raised = applyEdit(lanterns, bump.remedies?.at(-2)?.edit ?? { kind: 'rename', title: 'x' });
    expect(partsOf(raised, unfold(raised))[0].choices.octaveShift).toBe(1);
  });
});

describe('progressions', () => {
  it('are listed once each with the parts they fill', () => {
    const played = unfold(lanterns);
    const list = progressionsOf(played, partsOf(lanterns, played));
    expect(list[0]).toMatchObject({ numerals: 'i – VI – iv – V7', symbols: 'Am F Dm E7', parts: [1, 4] });
    expect(list.flatMap((p) => p.parts).sort()).toEqual([1, 2, 3, 4, 5, 6]);
  });
});
