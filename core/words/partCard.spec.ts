import { describe, expect, it } from 'vitest';
import { onLevel } from '../../demo/arranged';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { handsInWords } from './handsAgain';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../song';
import { wholeBars } from '../testing';
import { learningInWords } from './learning';
import { partCard } from './partCard';

const [lanterns, sluicegate, rain] = DEMO_SONGS;
const arranged = (song: Song) => arrange(song, DEFAULT_PROFILE);

/** Whole-bar notes and chords, a part every two bars. */
const inPairs = (melody: string[], chords: string[]): Song =>
  applyEdit(wholeBars(melody, chords), { kind: 'division-chosen', division: { method: 'bars', bars: 2 } });

describe('the card of a part', () => {
  it('says what a teacher would: bars, first key, letters, counts, words, chords, length', () => {
    const card = partCard(arranged(sluicegate), 0);
    expect(card).toMatchObject({
      title: 'Part 1 A, Verse',
      bars: 'bars 1–4',
      firstKey: 'the D above middle C, with finger 1',
      relation: '',
      order: 'right',
    });
    expect(card.seconds).toBeCloseTo((16 * 60) / 104, 5);
    expect(card.lines[0]).toEqual({ bar: 0, letters: 'D', counts: '4', words: 'The', chords: '' });
    expect(card.lines[1]).toMatchObject({ bar: 1, chords: 'G on 1', words: 'tide is tur-ning' });
  });

  it('names only what no earlier part had', () => {
    expect(partCard(arranged(sluicegate), 1).isNew).toBe('Bars 6, 7 and 8 and the chord Am7.');
    expect(partCard(arranged(lanterns), 3).isNew).toBe('Nothing: you know it already.');
    expect(partCard(arranged(lanterns), 5).isNew).toBe('The melody.');
    // The tune and its chords are known, the last of them lies elsewhere.
    expect(partCard(arranged(sluicegate), 3).isNew).toBe('The left hand in bar 16.');
  });

  it('says that nothing is new only where both hands come back, in every song and at every level', () => {
    for (const song of DEMO_SONGS)
      for (const level of [2, 4, 5, 7]) {
        const a = arranged(applyEdit(song, { kind: 'choose', choices: { level } }));
        a.parts.forEach((part, i) => {
          const isKnown = partCard(a, i).isNew === 'Nothing: you know it already.';
          if (!isKnown || part.relatedTo === null) return;
          const left = a.relations.left[i];
          expect([song.title, level, part.number, left?.relation ?? 'same']).toEqual([
            song.title,
            level,
            part.number,
            'same',
          ]);
        });
      }
  });

  it('speaks of no left hand where it strikes nothing: at the level of the melody alone, in every song', () => {
    for (const song of DEMO_SONGS) {
      const a = onLevel(song, 1);
      expect(a.relations.left.map(({ relation }) => relation)).toEqual(a.parts.map(() => 'silent'));
      expect(learningInWords(a)).not.toContain('left hand');
      a.parts.forEach(({ number, relation, relatedTo, sameChords }, i) => {
        const card = partCard(a, i);
        const told = `${card.isNew} ${card.relation} ${card.hands}`;
        expect([song.title, number, told]).toEqual([song.title, number, expect.not.stringMatching(/left/)]);
        if (relation !== 'same' || !sameChords) return;
        // An octave higher it is not the same to the hand.
        const isSame = a.relations.right[i].relation === 'same';
        expect([card.relation, card.isNew]).toEqual(
          isSame
            ? [`The same as part ${relatedTo}: nothing new to learn.`, 'Nothing: you know it already.']
            : [
                `The melody and chords of part ${relatedTo}; the right hand plays them otherwise.`,
                'The right hand.',
              ],
        );
      });
    }
  });

  it('has an order of hands where both play', () => {
    const orders = (song: Song) => arranged(song).parts.map((_, i) => partCard(arranged(song), i).order);
    expect(new Set(orders(lanterns))).toEqual(new Set(['right']));
    expect(new Set(orders({ ...rain, melody: [] }))).toEqual(new Set([null]));
    expect(onLevel(lanterns, 1).parts.map((_, i) => partCard(onLevel(lanterns, 1), i).order)).toEqual(
      Array(6).fill(null),
    );
  });

  it('says that the left hand rests where only it is left out of what comes back', () => {
    const whole = arranged(lanterns);
    const alone = { kind: 'choose-for-part', cutId: whole.parts[3].cutId, choices: { level: 1 } } as const;
    const free = { kind: 'same-as', cutId: whole.parts[3].cutId, sameAs: whole.parts[3].cutId } as const;
    const a = arranged(applyEdit(applyEdit(lanterns, free), alone));
    expect(a.relations.left.map(({ relation }) => relation === 'silent')).toEqual([
      ...[false, false, false, true, false, false],
    ]);
    expect(partCard(a, 3)).toMatchObject({
      relation: 'The melody and chords of part 1; the left hand rests.',
      isNew: 'Nothing: you know it already.',
      hands: '',
    });
    expect(learningInWords(a)).toBe(
      '6 parts, 4 different; left hand: 4 different. Learn part 2 once and play it twice.',
    );
  });

  it('speaks of no melody where there is none: chords alone, and a part in which the melody rests', () => {
    const bare = arranged({ ...rain, melody: [] });
    expect(bare.parts.map((_, i) => partCard(bare, i).isNew)).toEqual([
      'The chords Dm, Gm, C, F, B♭, A7.',
      'The order of the chords.',
      'The order of the chords.',
      'Nothing: you know it already.',
    ]);
    const song = inPairs(['C5', 'D5', 'E5', 'F5'], ['C', 'G', 'C', 'F']);
    const resting = arranged({ ...song, melody: song.melody.slice(0, 2) });
    expect(resting.parts.map((_, i) => partCard(resting, i).isNew)).toEqual([
      'The melody and the chords C, G.',
      'The chord F.',
    ]);
  });

  it('counts what there is to learn', () => {
    expect(learningInWords(arranged(rain))).toBe(
      '8 parts, 4 different; left hand: 4 different. Learn part 1 once and play it 3 times; ' +
        'part 2 once and play it twice; part 4 once and play it twice.',
    );
    expect(learningInWords(arranged(inPairs(['C5', 'D5'], ['C', 'G'])))).toBe(
      'One part: nothing comes back.',
    );
    expect(learningInWords(arranged(inPairs(['C5', 'D5', 'E5', 'F5'], ['C', 'G', 'C', 'F'])))).toMatch(
      /^2 parts, /,
    );
  });

  it('has no line for a bar in which nothing is struck', () => {
    const song = inPairs(['C5', 'D5', 'E5', 'F5'], ['C', 'G', 'C', 'F']);
    const still = { ...song, melody: [song.melody[0]], changes: [song.changes[0]] };
    expect(
      arranged(still).parts.flatMap((_, i) => partCard(arranged(still), i).lines.map(({ bar }) => bar)),
    ).toEqual([1]);
  });
});

describe('what each hand repeats on its own', () => {
  const tune = ['C5', 'E5', 'D5', 'B4'];
  const handsOf = (song: Song) => {
    // Each part for itself, so that the left hand is free.
    const a = arranged(song);
    return handsInWords(a.relations, 1);
  };

  it('the same right hand over a new left', () => {
    const song = inPairs([...tune.slice(0, 2), ...tune.slice(0, 2)], ['C', 'Am', 'F', 'Em']);
    expect(handsOf(song)).toBe('Right hand: the same as in part 1, over a new left hand.');
  });

  it('the same left under a new right, or under one that is moved up', () => {
    const melody = lanterns.melody.map((n) => ({ ...n, pitch: { ...n.pitch, octave: n.pitch.octave + 1 } }));
    const up = (from: number, to: number): Song => ({
      ...lanterns,
      melody: lanterns.melody.map((n, i) => (n.tick >= from && n.tick < to ? melody[i] : n)),
    });
    // In root position the chords lie alike wherever they come.
    const moved = up(12 * 2880, 16 * 2880);
    const a = arranged({ ...moved, choices: { ...moved.choices, layout: 'root' } });
    expect(a.parts[3].relation).toBe('moved');
    expect(handsInWords(a.relations, 3)).toBe(
      'Right hand: part 1, an octave higher. Left hand: the same as in part 1.',
    );
    // The chords of part 1 under notes that are all its own: its first two bars turned round.
    const turned = lanterns.melody.map((n) => {
      const at = n.tick - 12 * 2880;
      return at >= 0 && at < 4 * 2880
        ? { ...n, length: 480, pitch: { ...n.pitch, octave: at % 960 ? 5 : 4 } }
        : n;
    });
    const split = turned.flatMap((n) =>
      n.tick >= 12 * 2880 && n.tick < 16 * 2880
        ? [
            n,
            {
              ...n,
              id: `${n.id}b`,
              tick: n.tick + 480,
              pitch: { ...n.pitch, octave: 5, letter: 'D' as const, alter: 0 },
            },
          ]
        : [n],
    );
    const partSettings = { cut34560: { name: null, sameAs: 'cut0', choices: {} } };
    const b = arranged({ ...lanterns, melody: split, partSettings });
    expect(handsInWords(b.relations, 3)).toBe('Left hand: the same as in part 1, under a new right hand.');
  });

  it('nothing where both come back together', () => {
    expect(handsInWords(arranged(lanterns).relations, 3)).toBe('');
    expect(handsInWords({ right: [], left: [] }, 0)).toBe('');
  });
});
