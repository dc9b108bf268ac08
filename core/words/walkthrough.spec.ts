import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../song';
import { leftPlayed, meetingInWords } from './meetings';
import { barsInWords, partInWords, relationInWords, typesetForm, writeWalkthrough } from './walkthrough';

const [lanterns, sluicegate] = DEMO_SONGS;
const onLevel = (song: Song, level: number): Song => applyEdit(song, { kind: 'choose', choices: { level } });

describe('the walkthrough', () => {
  it('has no meetings where there is nothing to meet', () => {
    const bare = { ...lanterns, changes: [], pins: [] };
    const told = writeWalkthrough(arrange(bare, DEFAULT_PROFILE));
    expect(told).not.toContain('Where they meet');
    expect(told.match(/silent in this part/g)).toHaveLength(arrange(bare, DEFAULT_PROFILE).parts.length);
  });

  it('says no finger where none is worked out', () => {
    const bare = partInWords(arrange(lanterns, DEFAULT_PROFILE, { withoutFingers: true }), 0);
    expect(bare).toContain('  Start on the A above middle C.');
    expect(bare.join(' ')).not.toMatch(/finger|null/);
  });

  it('tells the first part of a song as a teacher would read it aloud', () => {
    expect(partInWords(arrange(lanterns, DEFAULT_PROFILE), 0)).toEqual([
      'Part 1 (A), Verse: bars 1–4',
      '---------------------------',
      'Level 4, block chords.',
      'Right hand',
      '  Start on the A above middle C with finger 3.',
      '  Bar 1: A, up to B   (on 1, 3)',
      '  Bar 2: up to C, down to B   (on 1, 3)',
      '  Bar 3: down to A, down to F, up to A   (on 1, 2, 3)',
      '  Bar 4: down to G♯   (on 1)',
      'Left hand',
      '  Bar 1: Am, first inversion: C3 E3 A3 (i, tonic, home).',
      '  Bar 2: F, second inversion: C3 F3 A3 (VI, stands in for the tonic or subdominant); C and A stay, E rises a half step to F: 1 half step in all.',
      '  Bar 3: Dm, root position: D3 F3 A3 (iv, subdominant); F and A stay, C rises a whole step to D: 2 half steps in all.',
      '  Bar 4: E7, third inversion: D3 E3 G♯3 B3 (V7, dominant, leads home); D stays, F falls a half step to E, G♯ is added, A rises a whole step to B: 4 half steps in all.',
      '  4 chords: Am, F, Dm, E7.',
      'Where they meet',
      '  Am with A, on 1 of bar 1.',
      '  F with C, on 1 of bar 2.',
      '  Dm with A, on 1 of bar 3.',
      '  E7 with G♯, on 1 of bar 4.',
      '  Say it: Am with A, on 1; F with C, on 1; Dm with A, on 1; E7 with G♯, on 1.',
    ]);
  });

  it('tells the keys beside the tune, and a note that is not under it as what it is', () => {
    const fuller = (how: 'under' | 'above'): string[] => {
      const song = { ...lanterns, choices: { ...lanterns.choices, level: 6, fuller: how } };
      return partInWords(arrange(song, DEFAULT_PROFILE), 0).filter((line) => /: (under|with) /.test(line));
    };
    expect(fuller('under')).toEqual([
      '  Bar 1: under A, on 1: C4+A4, fingers 1-5.',
      '  Bar 2: under C, on 1: A4+C5, fingers 3-5.',
      '  Bar 3: under A, on 1: F4+A4, fingers 1-3.',
      '  Bar 4: under G♯, on 1: E4+G♯4, fingers 1-2.',
    ]);
    expect(fuller('above')[0]).toBe('  Bar 1: with A, on 1: A4+C5, fingers 2-3.');
  });

  it('says when a chord is struck that waits for its beat to pass', () => {
    const waiting = { ...lanterns, choices: { ...lanterns.choices, level: 5, pattern: 'after-beat' } };
    const lines = partInWords(arrange(waiting, DEFAULT_PROFILE), 0);
    expect(lines.slice(-6)).toEqual([
      'Where they meet',
      '  Am after A, first on 2 of bar 1.',
      '  F after C, first on 2 of bar 2.',
      '  Dm after A, first on 2 of bar 3.',
      '  E7 after G♯, first on 2 of bar 4.',
      '  Say it: Am after A, on 2; F after C, on 2; Dm after A, on 2; E7 after G♯, on 2.',
    ]);
  });

  it('says of the melody alone only what the right hand does', () => {
    const lines = partInWords(arrange(onLevel(lanterns, 1), DEFAULT_PROFILE), 0);
    expect(lines).not.toContain('Where they meet');
    expect(lines[2]).toBe('Level 1, melody alone.');
  });

  it('counts repeated keys and says when a key comes again in the next bar', () => {
    const melody = lanterns.melody.map((n, i) => (i < 5 ? { ...n, pitch: lanterns.melody[0].pitch } : n));
    const text = writeWalkthrough(arrange({ ...lanterns, melody }, DEFAULT_PROFILE));
    expect(text).toContain('Bar 1: A twice   (on 1, 3)');
    expect(text).toContain('Bar 2: A again twice');
  });

  it('names pick-up, key, metre, tempo and form at the head', () => {
    const head = writeWalkthrough(arrange(sluicegate, DEFAULT_PROFILE)).split('\n').slice(0, 4);
    expect(head).toEqual([
      'Sluicegate Song',
      '===============',
      'G major, 4/4, 104 BPM, 16 bars, with a pick-up of one beat.',
      'Form: A A′ B A′.',
    ]);
  });

  it('gives the list of chords first when that is the order chosen', () => {
    const song = applyEdit(lanterns, { kind: 'choose', choices: { firstHand: 'chords' } });
    const lines = partInWords(arrange(song, DEFAULT_PROFILE), 0);
    expect(lines[lines.indexOf('Left hand') + 1]).toBe('  4 chords: Am, F, Dm, E7.');
  });

  it('adds what there is to know about a part', () => {
    const lines = partInWords(
      arrange(
        applyEdit(onLevel(sluicegate, 5), { kind: 'choose', choices: { pattern: 'rocking' } }),
        DEFAULT_PROFILE,
      ),
      0,
    );
    expect(lines.filter((l) => l.startsWith('  Note: '))).not.toEqual([]);
  });

  it('words meetings, bars and relations', () => {
    const whole = arrange(sluicegate, DEFAULT_PROFILE);
    const { changes, parts } = whole;
    const told = (change: (typeof changes)[number]): string => meetingInWords(change, leftPlayed(whole));
    expect(told(changes[0])).toBe('G with “tide” (G), on 1 of bar 1.');
    const held = { ...changes[0], meeting: { ...changes[0].meeting, how: 'held' as const } };
    expect(told(held)).toBe('G under “tide” (G), which is held: between G and A, on 1 of bar 1.');
    const alone = {
      ...changes[0],
      meeting: { ...changes[0].meeting, how: 'rest' as const, note: null, syllable: null },
    };
    expect(told(alone)).toBe('G alone, on 1 of bar 1: the melody rests.');
    expect(parts.map((part) => relationInWords(part))).toEqual([
      '',
      'Begins like part 1; the ending is new, from bar 6.',
      '',
      'The same as part 2: nothing new to learn.',
    ]);
    expect(barsInWords({ ...parts[0], fromBar: 3, toBar: 3 })).toBe('bar 3');
    const typeset = ['A', "A'", "A''", "A'''", "A''''", "B2'''''", 'Intro'].map(typesetForm);
    expect(typeset).toEqual(['A', 'A′', 'A′′', 'A′′′', 'A′4', 'B2′5', 'Intro']);
  });
});
