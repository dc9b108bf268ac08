import { describe, expect, it } from 'vitest';
import { TUNES_APART } from '../../demo/kept-apart';
import { UNSEEN_TUNES } from '../../demo/unseen';
import { DEMO_SONGS } from '../../demo/songs';
import { LATER_TUNES, TEST_TUNES } from '../../demo/tunes';
import { arrange } from '../arrange';
import { totalsOf } from '../formats';
import { bassOf, type Chord, parseChord, chroma, midiOf, nameOf, parsePitch } from '../music';
import { partsOf } from '../parts';
import { applyEdit, DEFAULT_PROFILE, type Profile, type Song, unfold } from '../song';
import { some, textOf, wholeBars } from '../testing';
import { derivationOf, whyOf } from '../words';
import { movementInWords } from '../words/explain';
import { notesForLayout } from './members';
import { LAYOUT_ROWS } from './layoutNames';
import { alternativesFor, voiceFresh } from './voiceParts';

const kinds = (song: Song, profile: Profile = DEFAULT_PROFILE): string[] =>
  arrange(song, profile).findings.map((f) => f.kind);

describe('a written bass', () => {
  const of = (symbol: string, layout: Parameters<typeof notesForLayout>[1] = 'block') => {
    const { upper, lowest, foreignBass } = notesForLayout(parseChord(symbol) as Chord, layout);
    return [upper.length, lowest, foreignBass];
  };
  it('that is not of the chord is a note of its own, and one that is lies lowest', () => {
    expect(of('C')).toEqual([3, null, null]);
    expect(of('C/E')).toEqual([3, 4, null]);
    expect(of('C/G')).toEqual([3, 7, null]);
    expect(of('C/D')).toEqual([3, 2, 2]);
    expect(of('C/Bb')).toEqual([3, 10, 10]);
    expect(of('C', 'root')).toEqual([3, 0, null]);
    expect(of('C/E', 'root')).toEqual([3, 4, null]);
  });
  it('takes the room of one note of a full chord', () => {
    const [full] = of('C13');
    const [less] = of('C13/F#');
    expect([full, less]).toEqual([4, 3]);
  });
});

describe('members of a layout', () => {
  const played = (symbol: string, layout: 'block' | 'three' | 'root'): string =>
    notesForLayout(parseChord(symbol) as Chord, layout)
      .upper.map((m) => m.number)
      .join(' ');
  it('leaves out the unaltered fifth first, then the root, never an altered fifth', () => {
    expect(played('C9', 'block')).toBe('1 3 7 9');
    expect(played('C13', 'block')).toBe('3 7 9 13');
    expect(played('C11', 'block')).toBe('1 4 7 9');
    expect(played('C7', 'three')).toBe('1 3 7');
    expect(played('Cm7b5', 'three')).toBe('3 5 7');
    expect(played('C13', 'root')).toBe('1 3 7 13');
    expect(played('C', 'three')).toBe('1 3 5');
  });
});

describe('relaxing when there is no room', () => {
  it('thins the chord first', () => {
    const a = arrange(wholeBars(['D2', 'C5'], ['Dm', 'C']), DEFAULT_PROFILE);
    const low = a.changes[0];
    expect(low.voicing.keys.every((k) => k < 38)).toBe(true);
    expect(kinds(wholeBars(['F2', 'C5'], ['C', 'C']), { ...DEFAULT_PROFILE, keyboard: 61 })).toContain(
      'thin-chord',
    );
  });

  it('then lets go early, before the note in the way', () => {
    const song = wholeBars(['C5', 'C5'], ['C', 'F']);
    const dip = {
      ...song,
      melody: [
        { ...song.melody[0], length: 1920 },
        { ...song.melody[1], id: 'dip', tick: 1920, length: 1920, pitch: parsePitch('C2') },
        song.melody[1],
      ],
    };
    const a = arrange(dip, { ...DEFAULT_PROFILE, keyboard: 61 });
    expect(a.changes[0].length).toBe(1920);
    expect(a.findings.map((f) => f.kind)).toContain('shortened');
  });

  it('then raises the melody of the part by an octave', () => {
    const a = arrange(wholeBars(['D2', 'E2'], ['C', 'G']), { ...DEFAULT_PROFILE, keyboard: 61 });
    expect(a.raisedParts).toEqual([0]);
    expect(a.right.map((n) => n.midi)).toEqual([50, 52]);
    expect(a.findings.filter((f) => f.kind === 'melody-raised')).toHaveLength(1);
  });

  it('and lets the hands cross last of all', () => {
    const a = arrange(wholeBars(['D1', 'E1'], ['C', 'G']), { ...DEFAULT_PROFILE, keyboard: 61 });
    expect(a.findings.map((f) => f.kind)).toEqual(
      expect.arrayContaining(['melody-raised', 'crossing', 'bump']),
    );
    expect(a.changes).toHaveLength(2);
  });

  it('raises no melody beyond the keyboard', () => {
    const a = arrange(wholeBars(['C7', 'C2'], ['C', 'C']), { ...DEFAULT_PROFILE, keyboard: 61 });
    expect([a.raisedParts, a.right.map((n) => n.midi)]).toEqual([[], [96, 36]]);
    expect(a.findings.map((f) => f.kind)).toContain('crossing');
  });

  it('finds something for a hand of a sixth on a root-position thirteenth', () => {
    const song = applyEdit(wholeBars(['C6'], ['C13']), { kind: 'choose', choices: { layout: 'root' } });
    const [change] = arrange(song, { ...DEFAULT_PROFILE, leftReach: 6 }).changes;
    expect(change.voicing.inversion).toBe(0);
    expect(change.voicing.missing.length).toBeGreaterThan(0);
  });
});

describe('pins, settled parts and shared voicings', () => {
  const [lanterns] = DEMO_SONGS;
  it('keeps a pin and solves the rest round it', () => {
    const pin = { changeId: 'c2', keys: [48, 53, 57], fingers: null };
    const a = arrange(applyEdit(lanterns, { kind: 'pin', pin }), DEFAULT_PROFILE);
    expect(a.changes[1].voicing.keys).toEqual(pin.keys);
    expect(a.changes[1].fixedBy).toBe('pin');
    // Part 4 is the same as part 1 and follows it.
    expect(a.changes[13].voicing.keys).toEqual(pin.keys);
  });

  it('says when a pin does not fit the hand, the keyboard or the melody, and keeps it', () => {
    const pin = { changeId: 'c1', keys: [30, 50, 70], fingers: null };
    const a = arrange(applyEdit(lanterns, { kind: 'pin', pin }), { ...DEFAULT_PROFILE, keyboard: 49 });
    expect(a.changes[0].voicing.keys).toEqual(pin.keys);
    expect(
      a.findings
        .filter((f) => textOf(f).startsWith('The pinned'))
        .map((f) => textOf(f).replace(/^The pinned voicing of Am |; it is kept as it is\.$/g, '')),
    ).toEqual(['is wider than your left hand', 'runs off a keyboard of 49 keys']);
    const bump = a.findings.find((f) => f.kind === 'bump');
    expect(bump?.remedies?.[0]).toMatchObject({
      offer: { code: 'releasePinned' },
      edit: { kind: 'unpin' },
    });
  });

  it('a settled part stays as learned whatever happens elsewhere', () => {
    const before = arrange(lanterns, DEFAULT_PROFILE);
    const part = before.parts[2];
    const inPart = before.changes.filter(
      (c) => c.change.tick >= part.fromTick && c.change.tick < part.toTick,
    );
    const voicings = inPart.map((c) => ({ changeId: c.change.id, keys: [...c.voicing.keys], fingers: null }));
    let song = applyEdit(lanterns, {
      kind: 'settle',
      choices: null,
      isRaised: false,
      keys: null,
      fills: [],
      cuts: [],
      cutId: part.cutId,
      voicings,
      fingers: [],
    });
    song = applyEdit(song, { kind: 'choose', choices: { layout: 'root' } });
    const after = arrange(song, DEFAULT_PROFILE);
    for (const { changeId, keys } of voicings)
      expect(after.changes.find((c) => c.change.id === changeId)?.voicing.keys).toEqual(keys);
    expect(after.changes[0].voicing.inversion).toBe(0);
    expect(after.parts[2].settled).toBe(true);
  });

  it('the next-best voicing costs what solving the song anew with it costs', () => {
    const played = unfold(lanterns);
    const alternatives = alternativesFor(lanterns, DEFAULT_PROFILE, played, partsOf(lanterns, played), 'c3');
    expect(alternatives[0].extra).toBe(0);
    expect([...alternatives].sort((a, b) => a.extra - b.extra)).toEqual(alternatives);
    expect(new Set(alternatives.map((a) => a.voicing.keys.join())).size).toBe(alternatives.length);
  });
});

describe('least movement on the songs of the tests', () => {
  const SONGS = [...DEMO_SONGS, ...TEST_TUNES, ...LATER_TUNES, ...TUNES_APART, ...UNSEEN_TUNES];

  it('costs a tenth more than the least possible in all, and never more than root position', () => {
    let [ours, alone, least] = [0, 0, 0];
    for (const song of SONGS) {
      const shared = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
      // Each part for itself: sharing voicings among parts that are the same is a wish beside least movement.
      const partSettings = Object.fromEntries(
        shared.parts.map(({ cutId }) => [cutId, { name: null, sameAs: cutId, choices: {} }]),
      );
      const totals = totalsOf(arrange({ ...song, partSettings }, DEFAULT_PROFILE, { withoutFingers: true }));
      expect(totals.leftSemitones).toBeLessThanOrEqual(totals.rootPositionSemitones);
      expect(totals.leftTravelMm).toBeLessThanOrEqual(totals.rootPositionTravelMm);
      ours += totalsOf(shared).leftSemitones;
      alone += totals.leftSemitones;
      least += totals.optimumSemitones;
    }
    expect(alone).toBeLessThanOrEqual(1.09 * least);
    expect(ours).toBeLessThanOrEqual(1.1 * least);
  });

  it('is never below the least possible, in any layout, at any level with chords, with pins', () => {
    for (const song of DEMO_SONGS)
      for (const { layout } of LAYOUT_ROWS)
        for (const level of some([2, 3, 4])) {
          const pins = [{ changeId: song.changes[1].id, keys: [41, 48, 57], fingers: null }];
          const chosen = { ...song, choices: { ...song.choices, layout, level }, pins };
          const totals = totalsOf(arrange(chosen, DEFAULT_PROFILE, { withoutFingers: true }));
          const told = [song.title, layout, level, totals.leftSemitones, totals.optimumSemitones];
          expect([...told, totals.leftSemitones >= totals.optimumSemitones]).toEqual([...told, true]);
        }
  });
});

describe('the ends of a song', () => {
  const songs = [...DEMO_SONGS, ...TUNES_APART, ...UNSEEN_TUNES];

  it('lie on the root of the last chord and on no second inversion of the first, in every voicing style that has a bass', () => {
    for (const song of songs)
      for (const layout of some(['block', 'three', 'shell', 'fifth', 'root', 'tenth'] as const))
        for (const level of [3, 4, 5]) {
          const choices = { ...song.choices, layout, level };
          const { changes } = arrange({ ...song, choices }, DEFAULT_PROFILE, { withoutFingers: true });
          const [first, last] = [changes[0], changes[changes.length - 1]];
          const told = [song.title, layout, level];
          expect([...told, last.voicing.keys[0] % 12, first.voicing.inversion === 2]).toEqual([
            ...told,
            chroma(bassOf(last.chord)),
            false,
          ]);
        }
  });

  it('are rules of the whole line: no other line that keeps them costs less', () => {
    for (const song of songs) {
      const played = unfold(song);
      const parts = partsOf(song, played).map((part) => ({ ...part, sharesWith: null }));
      const { voiced, cost } = voiceFresh(song, DEFAULT_PROFILE, played, parts);
      const last = voiced[voiced.length - 1];
      // The last chord told to lie as it does, and nothing else.
      const pin = { changeId: last.change.id, keys: [...last.voicing.keys], fingers: null };
      const pinned = voiceFresh({ ...song, pins: [pin] }, DEFAULT_PROFILE, played, parts);
      expect([song.title, pinned.cost]).toEqual([song.title, cost]);
    }
  });

  it('are told, and a pin stays', () => {
    const { changes } = arrange(DEMO_SONGS[1], DEFAULT_PROFILE, { withoutFingers: true });
    const [before, last] = changes.slice(-2);
    expect([last.fixedBy, last.voicing.inversion]).toEqual(['ending', 0]);
    expect(whyOf(before, last)).toMatch(/^The song ends on the root of its last chord\. /);
    const keys = [50, 55, 59];
    const pinned = applyEdit(DEMO_SONGS[1], {
      kind: 'pin',
      pin: { changeId: last.change.writtenId, keys, fingers: null },
    });
    const again = arrange(pinned, DEFAULT_PROFILE, { withoutFingers: true }).changes;
    expect(again[again.length - 1].voicing.keys).toEqual(keys);
  });

  it('may be broken by hand: what they leave out is offered last', () => {
    const played = unfold(DEMO_SONGS[1]);
    const { changes } = DEMO_SONGS[1];
    const offered = alternativesFor(
      DEMO_SONGS[1],
      DEFAULT_PROFILE,
      played,
      partsOf(DEMO_SONGS[1], played),
      changes[changes.length - 1].id,
    );
    const onRoot = offered.map(({ voicing }) => voicing.keys[0] % 12 === 7);
    expect(onRoot.indexOf(false)).toBe(onRoot.filter(Boolean).length);
    expect(onRoot.includes(false)).toBe(true);
    expect(offered.map(({ isAgainstEnds }) => !isAgainstEnds)).toEqual(onRoot);
    expect(offered[0].extra).toBe(0);
  });

  it('leave a chord that is written over its fifth as it is', () => {
    const song = wholeBars(['C5', 'D5', 'E5'], ['C/G', 'G7', 'C/G']);
    const { changes } = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
    expect(changes.map((c) => c.voicing.keys[0] % 12)).toEqual([7, changes[1].voicing.keys[0] % 12, 7]);
  });
});

describe('explanations', () => {
  it('say what stays, what moves and how far, and why the inversion is called that', () => {
    const { changes } = arrange(wholeBars(['C6', 'C6', 'G5'], ['Fm7', 'Bb7', 'Ebmaj7']), DEFAULT_PROFILE);
    const [first, second] = changes;
    expect(second.step && movementInWords(first, second, second.step)).toMatch(/stay.*half steps in all$/);
    expect(derivationOf(second)).toContain('B♭7 is B♭ D F A♭ (seventh)');
    expect(whyOf(null, first)).toContain('The first chord, in root position');
    expect(whyOf(first, second)).toContain('over the whole song');
    expect(second.pitches.map(nameOf).every((name) => midiOf(parsePitch(name)) > 0)).toBe(true);
  });
});
