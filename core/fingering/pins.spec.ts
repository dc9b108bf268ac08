import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { TUNES_APART } from '../../demo/kept-apart';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange, otherFingers } from '../arrange';
import type { HandNote } from '../hands';
import { isBlack } from '../music';
import { LEVELS } from '../levels';
import { applyEdit, DEFAULT_PROFILE, migrateSong, transpose, type Song } from '../song';
import { runs, textOf } from '../testing';
import { costOfFingers, keyOfPin } from '.';

const [lanterns, sluicegate, , mudflat] = DEMO_SONGS;
const on = (level: number, song: Song): Song => ({ ...song, choices: { ...song.choices, level } });

function pinned(song: Song, note: HandNote, finger: number): Song {
  const { played } = arrange(song, DEFAULT_PROFILE);
  return applyEdit(song, { kind: 'finger-pinned', pin: { ...keyOfPin(note, played), finger } });
}

describe('a finger pinned on a key', () => {
  it('is played, in either hand, at any level; the rest is solved round it', () => {
    const note = fc.record({
      song: fc.constantFrom(...DEMO_SONGS),
      level: fc.constantFrom(...LEVELS.map(({ number }) => number)),
      hand: fc.constantFrom('right' as const, 'left' as const),
      at: fc.nat(500),
      finger: fc.integer({ min: 1, max: 5 }),
    });
    fc.assert(
      fc.property(note, ({ song, level, hand, at, finger }) => {
        const there = on(level, song);
        const before = arrange(there, DEFAULT_PROFILE);
        const notes = before[hand];
        if (notes.length === 0) return;
        const of = notes[at % notes.length];
        const after = arrange(pinned(there, of, finger), DEFAULT_PROFILE);
        const same = after[hand].find(({ tick, midi }) => tick === of.tick && midi === of.midi);
        const said = after.findings.filter(({ kind }) => kind === 'finger');
        // Either it is played, or it is said that it cannot be.
        expect([same?.finger === finger, said.some(({ tick }) => tick === of.tick)]).toEqual(
          same?.finger === finger ? [true, false] : [false, true],
        );
        expect(after[hand].map(({ midi, tick }) => [midi, tick])).toEqual(
          notes.map(({ midi, tick }) => [midi, tick]),
        );
      }),
      { numRuns: runs(120) },
    );
  });

  it('holds wherever the written note is played again, and goes along into another key', () => {
    const { right } = arrange(mudflat, DEFAULT_PROFILE);
    const again = right.find(({ from }) => from.endsWith('@2'));
    const first = right.find(({ from }) => `${from}@2` === again?.from);
    if (!first || !again) throw new Error('nothing comes back');
    const song = pinned(mudflat, again, 4);
    const fingerOf = (of: Song, midi: number, from: string): number | null | undefined =>
      arrange(of, DEFAULT_PROFILE).right.find((n) => n.from === from && n.midi === midi)?.finger;
    expect(fingerOf(song, first.midi, first.from)).toBe(4);
    expect(fingerOf(song, again.midi, again.from)).toBe(4);
    const moved = transpose(song, { tonic: { letter: 'C', alter: 0 }, mode: 'major' }, 2);
    expect(fingerOf(moved, first.midi + 2, first.from)).toBe(4);
  });

  it('that the chord leaves no way to is said with the reason, and one press lets it go', () => {
    const four = on(4, lanterns);
    const top = arrange(four, DEFAULT_PROFILE).left.filter(({ tick }) => tick === 0)[2];
    // The top of three keys in the left hand cannot have the little finger.
    const song = pinned(four, top, 5);
    const [said] = arrange(song, DEFAULT_PROFILE).findings.filter(({ kind }) => kind === 'finger');
    expect(textOf(said)).toBe('Finger 5 cannot be kept on A3: the fingers of the chord would cross.');
    expect(song.fingerPins).toHaveLength(1);
    const fix = said.remedies?.[0];
    if (!fix) throw new Error('no remedy');
    expect(applyEdit(song, fix.edit).fingerPins).toEqual([]);
    const low = arrange(four, DEFAULT_PROFILE).left.filter(({ tick }) => tick === 0)[0];
    const both = pinned(pinned(four, low, 3), arrange(four, DEFAULT_PROFILE).left[1], 3);
    expect(textOf(arrange(both, DEFAULT_PROFILE).findings.find(({ kind }) => kind === 'finger'))).toBe(
      'Finger 3 cannot be kept on C3: another key struck with it has the same finger.',
    );
  });

  it('on one key of a chord leaves the others the fingers that go with it', () => {
    const four = on(4, lanterns);
    const chord = (song: Song): string =>
      arrange(song, DEFAULT_PROFILE)
        .left.filter(({ tick }) => tick === 0)
        .map(({ midi, finger }) => `${midi} ${finger}`)
        .join(', ');
    expect(chord(four)).toBe('48 5, 52 3, 57 1');
    const [low, middle, top] = arrange(four, DEFAULT_PROFILE).left;
    expect(chord(pinned(four, low, 4))).toBe('48 4, 52 2, 57 1');
    expect(chord(pinned(four, middle, 2))).toBe('48 5, 52 2, 57 1');
    expect(chord(pinned(four, middle, 4))).toBe('48 5, 52 4, 57 1');
    expect(chord(pinned(four, top, 2))).toBe('48 5, 52 4, 57 2');
  });

  it('replaces the pin on the same key, and is let go alone', () => {
    const [first, second] = arrange(lanterns, DEFAULT_PROFILE).right;
    const song = pinned(pinned(pinned(lanterns, first, 1), second, 2), first, 4);
    expect(song.fingerPins.map(({ from, finger }) => [from, finger])).toEqual([
      [second.from, 2],
      [first.from, 4],
    ]);
    const { finger: _gone, ...key } = song.fingerPins[1];
    expect(applyEdit(song, { kind: 'finger-released', key }).fingerPins.map(({ finger }) => finger)).toEqual([
      2,
    ]);
  });

  it('leaves songs of before as they were', () => {
    const { fingerPins: _none, ...old } = lanterns;
    expect(migrateSong({ ...old, schemaVersion: 5 })).toEqual(lanterns);
  });
});

describe('other fingers of a key', () => {
  it('are measured with the part solved round them, the one played first and free', () => {
    const part = arrange(sluicegate, DEFAULT_PROFILE).arranged[0];
    for (const hand of ['right', 'left'] as const)
      for (const note of part?.[hand].slice(0, 6) ?? []) {
        const found = otherFingers(sluicegate, DEFAULT_PROFILE, {
          part: 0,
          hand,
          tick: note.tick,
          midi: note.midi,
        });
        expect(found[0]).toMatchObject({ finger: note.finger, others: 0 });
        expect(found[0].extra).toBeCloseTo(0, 6);
        for (const { finger, extra, fingers, edit } of found) {
          expect(extra).toBeGreaterThanOrEqual(-1e-6);
          const after = arrange(applyEdit(sluicegate, edit), DEFAULT_PROFILE).arranged[0]?.[hand] ?? [];
          expect(after.map((n) => n.finger)).toEqual(fingers);
          expect(after.find(({ tick, midi }) => tick === note.tick && midi === note.midi)?.finger).toBe(
            finger,
          );
        }
      }
    expect(otherFingers(sluicegate, DEFAULT_PROFILE, { part: 0, hand: 'right', tick: 1, midi: 60 })).toEqual(
      [],
    );
  });

  it('cost nothing where there are none', () => {
    const { right } = arrange(lanterns, DEFAULT_PROFILE, { withoutFingers: true });
    expect(costOfFingers(right, 'right', 8)).toBe(0);
    expect(costOfFingers([], 'right', 8)).toBe(0);
  });
});

describe('manners of the thumb', () => {
  const thumbsOn = (
    song: Song,
    thumb: 'usual' | 'off-black' | 'on-black',
  ): { black: number; all: number } => {
    const chosen = applyEdit(on(5, song), { kind: 'choose', choices: { thumb } });
    const { right, left } = arrange(chosen, DEFAULT_PROFILE);
    const single = [right, left].flatMap((notes) =>
      notes.filter((n) => !n.grace && notes.filter((other) => other.tick === n.tick).length === 1),
    );
    const thumbs = single.filter(({ finger }) => finger === 1);
    return { black: thumbs.filter(({ midi }) => isBlack(midi)).length, all: thumbs.length };
  };

  it('keep the thumb off black keys in single notes, or let it go there as on white', () => {
    let [off, usual, free] = [0, 0, 0];
    for (const song of [...DEMO_SONGS, ...TUNES_APART]) {
      off += thumbsOn(song, 'off-black').black;
      usual += thumbsOn(song, 'usual').black;
      free += thumbsOn(song, 'on-black').black;
    }
    expect(off).toBe(0);
    expect(usual).toBeGreaterThan(0);
    expect(free).toBeGreaterThan(usual);
  });

  it('are chosen for a part as for a song, and a settled part keeps its own', () => {
    const black = DEMO_SONGS[5];
    const { parts } = arrange(on(5, black), DEFAULT_PROFILE);
    const own = applyEdit(on(5, black), {
      kind: 'choose-for-part',
      cutId: parts[1].cutId,
      choices: { thumb: 'off-black' },
    });
    const [before, after] = [on(5, black), own].map((song) => arrange(song, DEFAULT_PROFILE).arranged);
    expect(after[2]?.right.map(({ finger }) => finger)).toEqual(before[2]?.right.map(({ finger }) => finger));
    expect(arrange(own, DEFAULT_PROFILE).parts[1].choices.thumb).toBe('off-black');
  });
});
