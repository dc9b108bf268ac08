import type { Song } from '../core/song';
import { compose, type Score } from './compose';

// Tunes written for the tests: other metres, lengths, pick-ups, phrases of three and five bars, a phrase whose last
// note is the first of the next. They do not ship with the application.

const SCORES: readonly Score[] = [
  {
    id: 'ferry-bell',
    title: 'Ferry Bell',
    subtitle: 'Eight bars',
    tonic: 'C',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 100,
    tune: `E4:1 G4:1 C5:1.5 B4:0.5 | A4:1 G4:1 E4:2 | F4:1 A4:1 G4:1 E4:1 | D4:3 r:1 |
      E4:1 G4:1 C5:1.5 B4:0.5 | A4:1 C5:1 G4:2 | F4:1 D4:1 B3:1 D4:1 | C4:4`,
    chords: `C | Am C | F C | G | C | F C | Dm G7 | C`,
    sections: [],
  },
  {
    id: 'samphire-waltz',
    title: 'Samphire Waltz',
    subtitle: 'A pick-up of one beat',
    tonic: 'G',
    mode: 'major',
    numerator: 3,
    denominator: 4,
    tempo: 120,
    tune: `D4:1 | G4:2 A4:1 | B4:2 G4:1 | E4:1 G4:1 C5:1 | B4:2 D5:1 |
      D5:2 C5:1 | B4:2 G4:1 | A4:1 B4:1 G4:1 | A4:2 D4:1 |
      G4:2 A4:1 | B4:2 G4:1 | E4:1 G4:1 C5:1 | B4:2 D5:1 |
      E5:1 D5:1 C5:1 | B4:1 A4:1 G4:1 | A4:1 F#4:1 D4:1 | G4:3`,
    chords: `G | G | C | G | G | Em | A7 | D7 | G | G | C | G | C | G | D7 | G`,
    sections: [],
  },
  {
    id: 'three-oar-reel',
    title: 'Three-Oar Reel',
    subtitle: 'Quick, in two',
    tonic: 'D',
    mode: 'major',
    numerator: 2,
    denominator: 4,
    tempo: 112,
    tune: `D4:0.5 F#4:0.5 A4:0.5 F#4:0.5 | B4:0.5 A4:0.5 F#4:0.5 A4:0.5 | G4:0.5 E4:0.5 F#4:0.5 D4:0.5 | E4:1.5 r:0.5 |
      D4:0.5 F#4:0.5 A4:0.5 F#4:0.5 | B4:0.5 A4:0.5 F#4:0.5 A4:0.5 | G4:0.5 E4:0.5 C#4:0.5 E4:0.5 | D4:1.5 r:0.5 |
      F#5:0.5 E5:0.5 D5:0.5 B4:0.5 | A4:0.5 B4:0.5 D5:1 | E5:0.5 D5:0.5 B4:0.5 G4:0.5 | A4:1.5 r:0.5 |
      F#5:0.5 E5:0.5 D5:0.5 B4:0.5 | A4:0.5 F#4:0.5 D4:1 | E4:0.5 G4:0.5 C#4:0.5 E4:0.5 | D4:2`,
    chords: `D | D | Em | A | D | D | A7 | D | Bm | D | Em | A | Bm | D | A7 | D`,
    sections: [],
  },
  {
    id: 'eel-trap',
    title: 'The Eel Trap',
    subtitle: 'Phrases of three, three, five and three bars',
    tonic: 'A',
    mode: 'minor',
    numerator: 4,
    denominator: 4,
    tempo: 88,
    tune: `A4:1 C5:1 B4:1 A4:1 | E5:2 D5:1 C5:1 | B4:3 r:1 |
      A4:1 C5:1 B4:1 A4:1 | F4:2 G4:1 A4:1 | E4:3 r:1 |
      C5:1 E5:1 D5:1 C5:1 | D5:1 F5:1 E5:1 D5:1 | C5:1 B4:1 A4:1 G4:1 | F4:1 A4:1 G#4:1 B4:1 | E5:3 r:1 |
      A4:1 C5:1 B4:1 A4:1 | D5:1 C5:1 B4:1 G#4:1 | A4:4`,
    chords: `Am | C | E | Am | F | E | C | Dm | Am | Dm E | E7 | Am | Dm E7 | Am`,
    sections: [],
  },
  {
    id: 'long-causeway',
    title: 'The Long Causeway',
    subtitle: 'Phrases of five bars',
    tonic: 'F',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 96,
    tune: `F4:1 G4:1 A4:1 C5:1 | Bb4:1.5 A4:0.5 G4:2 | A4:1 C5:1 D5:1 C5:1 | A4:1 F4:1 G4:1 A4:1 | G4:4 |
      F4:1 G4:1 A4:1 C5:1 | Bb4:1.5 A4:0.5 G4:2 | A4:1 C5:1 D5:1 C5:1 | Bb4:1 G4:1 E4:1 G4:1 | F4:4 |
      D5:2 C5:1 A4:1 | Bb4:1 C5:1 D5:2 | D5:2 C5:1 A4:1 | G4:1 A4:1 C5:2 |
      F4:1 G4:1 A4:1 C5:1 | Bb4:1.5 A4:0.5 G4:2 | A4:1 C5:1 D5:1 C5:1 | Bb4:1 G4:1 E4:1 G4:1 | F4:4`,
    chords: `F | Gm | F | Dm | C | F | Gm | F | C7 | F | Dm | Gm | Bb F | C | F | Gm | F | C7 | F`,
    sections: [],
  },
  {
    id: 'mist-off-the-creek',
    title: 'Mist off the Creek',
    subtitle: 'Rocking, with a pick-up of an eighth',
    tonic: 'Eb',
    mode: 'major',
    numerator: 6,
    denominator: 8,
    tempo: 80,
    tune: `Bb4:0.5 | Eb5:1 D5:0.5 C5:1 Bb4:0.5 | G4:1 Ab4:0.5 Bb4:1 G4:0.5 | F4:1 G4:0.5 Ab4:1 F4:0.5 | G4:2.5 Bb4:0.5 |
      Eb5:1 D5:0.5 C5:1 Bb4:0.5 | G4:1 Ab4:0.5 Bb4:1 C5:0.5 | D5:1 C5:0.5 Bb4:1 A4:0.5 | Bb4:2.5 Bb4:0.5 |
      C5:1 C5:0.5 Eb5:1 C5:0.5 | Bb4:1 Ab4:0.5 G4:1 Bb4:0.5 | Ab4:1 G4:0.5 F4:1 Ab4:0.5 | G4:2.5 Bb4:0.5 |
      Eb5:1 D5:0.5 C5:1 Bb4:0.5 | G4:1 Ab4:0.5 Bb4:1 G4:0.5 | F4:1 G4:0.5 Ab4:1 D4:0.5 | Eb4:3`,
    chords: `Eb Ab | Eb | Bb7 | Eb | Eb Ab | Eb | Bb F7 | Bb | Ab | Eb | Fm Bb7 | Eb | Eb Ab | Eb | Bb7 | Eb`,
    sections: [],
  },
  {
    id: 'winter-geese',
    title: 'Winter Geese',
    subtitle: 'The second phrase ends where the third begins',
    tonic: 'D',
    mode: 'minor',
    numerator: 3,
    denominator: 4,
    tempo: 108,
    tune: `D4:1 F4:1 A4:1 | Bb4:2 A4:1 | G4:1 F4:1 E4:1 | A4:2 r:1 |
      D4:1 F4:1 A4:1 | D5:2 C5:1 | Bb4:1 G4:1 E4:1 |
      F4:1 A4:1 C5:1 | F5:2 E5:1 | D5:1 C5:1 Bb4:1 | A4:2 r:1 |
      D4:1 F4:1 A4:1 | Bb4:2 A4:1 | G4:1 E4:1 C#4:1 | D4:3`,
    chords: `Dm | Gm | Gm | A | Dm | Dm | C7 | F | F | Bb | F | Dm | Gm | A7 | Dm`,
    sections: [],
  },
  {
    id: 'harbour-clock',
    title: 'Harbour Clock',
    subtitle: 'A A B A, with a pick-up of two beats',
    tonic: 'Bb',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 116,
    tune: `F4:1 G4:1 | Bb4:1.5 A4:0.5 G4:1 F4:1 | D4:2 Eb4:1 F4:1 | G4:1 Bb4:1 A4:1 G4:1 | F4:2 F4:1 G4:1 |
      Bb4:1.5 A4:0.5 G4:1 F4:1 | D4:2 Eb4:1 F4:1 | G4:1 A4:1 C5:1 A4:1 | Bb4:2 F4:1 G4:1 |
      Bb4:1.5 A4:0.5 G4:1 F4:1 | D4:2 Eb4:1 F4:1 | G4:1 Bb4:1 A4:1 G4:1 | F4:2 F4:1 G4:1 |
      Bb4:1.5 A4:0.5 G4:1 F4:1 | D4:2 Eb4:1 F4:1 | G4:1 A4:1 C5:1 A4:1 | Bb4:2 Bb4:1 C5:1 |
      D5:1.5 C5:0.5 Bb4:1 G4:1 | Eb5:2 D5:1 C5:1 | D5:1.5 C5:0.5 A4:1 F#4:1 | G4:2 G4:1 A4:1 |
      Bb4:1.5 A4:0.5 G4:1 Bb4:1 | C5:2 E4:1 G4:1 | Bb4:1 A4:1 G4:1 E4:1 | F4:2 F4:1 G4:1 |
      Bb4:1.5 A4:0.5 G4:1 F4:1 | D4:2 Eb4:1 F4:1 | G4:1 Bb4:1 A4:1 G4:1 | F4:2 F4:1 G4:1 |
      Bb4:1.5 A4:0.5 G4:1 F4:1 | D4:2 Eb4:1 F4:1 | G4:1 A4:1 C5:1 A4:1 | Bb4:4`,
    chords: `Bb | Gm | Eb | F7 | Bb | Gm | Cm F7 | Bb | Bb | Gm | Eb | F7 | Bb | Gm | Cm F7 | Bb |
      Gm | Cm | D7 | Gm | Gm | C7 | C7 | F7 | Bb | Gm | Eb | F7 | Bb | Gm | Cm F7 | Bb`,
    sections: [],
  },
  {
    id: 'salt-and-rope',
    title: 'Salt and Rope',
    subtitle: 'In five',
    tonic: 'E',
    mode: 'minor',
    numerator: 5,
    denominator: 4,
    tempo: 120,
    tune: `E4:1 G4:1 B4:1 A4:1 G4:1 | F#4:1 A4:1 B4:3 | E4:1 G4:1 B4:1 A4:1 G4:1 | F#4:1 D#4:1 E4:3 |
      C5:1 B4:1 A4:1 G4:1 A4:1 | B4:1 G4:1 E4:3 | C5:1 B4:1 A4:1 G4:1 A4:1 | F#4:1 D#4:1 E4:3`,
    chords: `Em | B7 | Em | Em | Am | Em | Am | Em`,
    sections: [],
  },
  {
    id: 'oyster-street',
    title: 'Oyster Street',
    subtitle: 'Twelve bars, swung',
    tonic: 'A',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 126,
    feel: { kind: 'swing', ratio: 2 },
    tune: `A4:1.5 C#5:0.5 E5:1 E5:1 | F#5:1 E5:1 C#5:2 | A4:1.5 C#5:0.5 E5:1 G5:1 | E5:3 r:1 |
      D5:1.5 C#5:0.5 D5:1 F#5:1 | F#5:1 D5:1 A4:2 | A4:1.5 C#5:0.5 E5:1 C#5:1 | A4:3 r:1 |
      B4:1.5 C#5:0.5 D5:1 G#4:1 | A4:1 F#4:1 D4:2 | A4:1.5 C#5:0.5 B4:1 G#4:1 | A4:4`,
    chords: `A | D A | A | A7 | D | D | A | A | E7 | D | A E7 | A`,
    sections: [],
  },
  {
    id: 'old-pilot',
    title: "The Old Pilot's Hymn",
    subtitle: 'Four lines without a rest',
    tonic: 'D',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 84,
    tune: `D4:1 | F#4:1 F#4:1 E4:1 D4:1 | A4:2 G4:1 F#4:1 | E4:1 F#4:1 G4:1 E4:1 | F#4:3 A4:1 |
      B4:1 A4:1 G4:1 F#4:1 | E4:2 F#4:1 G#4:1 | A4:1 E4:1 F#4:1 G#4:1 | A4:3 A4:1 |
      D5:1 C#5:1 B4:1 A4:1 | B4:2 A4:1 G4:1 | F#4:1 G4:1 A4:1 F#4:1 | E4:3 D4:1 |
      F#4:1 F#4:1 E4:1 D4:1 | A4:2 G4:1 F#4:1 | E4:1 D4:1 E4:1 C#4:1 | D4:4`,
    chords: `D | D | Em | D | G | A | E7 | A | D | G | D | A | D | D | A7 | D`,
    words: `The old pi- lot steers by a light on the hill- side home;
      He counts ev- ery wave as it breaks on the sand- y bar,
      And if you should ask him the way to the har- bour mouth,
      He points to the lan- tern and hums an old tune of his.`,
    sections: [],
  },
  {
    id: 'marsh-lights',
    title: 'Marsh Lights',
    subtitle: 'Three long beats',
    tonic: 'C',
    mode: 'minor',
    numerator: 9,
    denominator: 8,
    tempo: 96,
    tune: `C5:1.5 G4:1 G4:0.5 Ab4:1.5 | G4:1.5 F4:1 Eb4:0.5 D4:1.5 | Eb4:1 F4:0.5 G4:1 Ab4:0.5 Bb4:1.5 | G4:3 r:1.5 |
      C5:1.5 G4:1 G4:0.5 Ab4:1.5 | G4:1.5 F4:1 Eb4:0.5 D4:1.5 | Eb4:1 F4:0.5 D4:1 Eb4:0.5 B3:1.5 | C4:4.5`,
    chords: `Cm | G | Eb | Eb | Cm | G7 | G7 | Cm`,
    sections: [],
  },
  {
    id: 'sixty-four-steps',
    title: 'The Sixty-Four Steps',
    subtitle: 'Four strains, each twice',
    tonic: 'G',
    mode: 'major',
    numerator: 2,
    denominator: 4,
    tempo: 108,
    ...sixtyFourSteps(),
    sections: [],
  },
  {
    id: 'two-bells',
    title: 'Two Bells',
    subtitle: 'Phrases of three bars with a pick-up',
    tonic: 'F',
    mode: 'major',
    numerator: 3,
    denominator: 4,
    tempo: 112,
    tune: `C5:1 | A4:2 G4:1 | F4:1 G4:1 A4:1 | G4:2 C5:1 | A4:2 G4:1 | F4:1 D5:1 C5:1 | C5:2 C5:1 |
      D5:2 Bb4:1 | A4:1 G4:1 F4:1 | G4:2 C5:1 | A4:2 G4:1 | F4:1 E4:1 G4:1 | F4:3`,
    chords: `F | F | C | F | Bb | F | Bb | F | C7 | F | C7 | F`,
    sections: [],
  },
];

/** Composed and marked after the weights of the division were set: none of them was looked at while setting them. */
const LATER_SCORES: readonly Score[] = [
  {
    id: 'tide-table',
    title: 'Tide Table',
    subtitle: 'Slow, in three',
    tonic: 'A',
    mode: 'major',
    numerator: 3,
    denominator: 4,
    tempo: 88,
    tune: `E4:1 A4:1 C#5:1 | B4:2 A4:1 | F#4:1 A4:1 D5:1 | C#5:3 |
      E4:1 A4:1 C#5:1 | E5:2 D5:1 | C#5:1 B4:1 A4:1 | B4:3 |
      D5:2 C#5:1 | B4:2 G#4:1 | C#5:2 B4:1 | A4:2 F#4:1 |
      E4:1 A4:1 C#5:1 | D5:2 B4:1 | A4:1 B4:1 G#4:1 | A4:3`,
    chords: `A | E | D | A | A | A | D | E | Bm | E | A | F#m | A | Bm | E7 | A`,
    sections: [],
  },
  {
    id: 'cockle-cart',
    title: 'The Cockle Cart',
    subtitle: 'Trotting',
    tonic: 'G',
    mode: 'minor',
    numerator: 6,
    denominator: 8,
    tempo: 100,
    tune: `G4:1 A4:0.5 Bb4:1 G4:0.5 | D5:1 C5:0.5 Bb4:1 A4:0.5 | Bb4:0.5 A4:0.5 G4:0.5 F#4:1 A4:0.5 | G4:1.5 D4:1 r:0.5 |
      G4:1 A4:0.5 Bb4:1 G4:0.5 | Eb5:1 D5:0.5 C5:1 Bb4:0.5 | A4:0.5 Bb4:0.5 A4:0.5 D4:1 F#4:0.5 | G4:3`,
    chords: `Gm | Bb | D7 | Gm | Gm | Cm | D7 | Gm`,
    sections: [],
  },
  {
    id: 'lamplighter',
    title: 'The Lamplighter',
    subtitle: 'A pick-up of three eighths',
    tonic: 'C',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 104,
    tune: `G4:0.5 A4:0.5 B4:0.5 | C5:2 G4:1 E4:1 | F4:1 A4:1 G4:2 | E4:1 G4:1 F4:1 D4:1 | E4:2.5 G4:0.5 A4:0.5 B4:0.5 |
      C5:2 E5:1 C5:1 | D5:1 C5:1 A4:2 | G4:1 E4:1 F4:1 B3:1 | C4:4`,
    chords: `C | F | G7 | C | C | F | G7 | C`,
    sections: [],
  },
  {
    id: 'dunlin',
    title: 'Dunlin',
    subtitle: 'Two phrases of four bars and an echo of two',
    tonic: 'E',
    mode: 'minor',
    numerator: 4,
    denominator: 4,
    tempo: 92,
    tune: `B4:1 E5:1 D5:1 B4:1 | C5:2 B4:1 A4:1 | G4:1 B4:1 A4:1 F#4:1 | B4:4 |
      B4:1 E5:1 D5:1 B4:1 | C5:2 B4:1 A4:1 | G4:1 F#4:1 A4:1 F#4:1 | E4:3 r:1 |
      G4:1 F#4:1 A4:1 F#4:1 | E4:4`,
    chords: `Em | C | Em | B7 | Em | C | Em B7 | Em | Em B7 | Em`,
    sections: [],
  },
];

export const LATER_TUNES: readonly Song[] = LATER_SCORES.map(compose);

function sixtyFourSteps(): Pick<Score, 'tune' | 'chords'> {
  const a = `G4:0.5 B4:0.5 D5:0.5 B4:0.5 | C5:0.5 A4:0.5 B4:1 | A4:0.5 B4:0.5 C5:0.5 A4:0.5 | B4:0.5 G4:0.5 D4:1 |
    G4:0.5 B4:0.5 D5:0.5 B4:0.5 | C5:0.5 A4:0.5 B4:1 | A4:0.5 D5:0.5 C5:0.5 F#4:0.5 | G4:2`;
  const b = `D5:0.5 E5:0.5 D5:0.5 B4:0.5 | C5:0.5 D5:0.5 C5:0.5 A4:0.5 | B4:0.5 C5:0.5 B4:0.5 G4:0.5 | A4:1 D4:1 |
    D5:0.5 E5:0.5 D5:0.5 B4:0.5 | C5:0.5 D5:0.5 E5:0.5 C5:0.5 | B4:0.5 G4:0.5 A4:0.5 F#4:0.5 | G4:2`;
  const c = `E5:1 D5:0.5 B4:0.5 | C5:1 B4:0.5 A4:0.5 | G4:0.5 A4:0.5 B4:0.5 G4:0.5 | E4:2 |
    E5:1 D5:0.5 B4:0.5 | C5:1 B4:0.5 A4:0.5 | G4:0.5 F#4:0.5 E4:0.5 D#4:0.5 | E4:2`;
  const under = {
    a: 'G | Am | D7 | G | G | Am | D7 | G',
    b: 'G | Am | G | D | G | C | D7 | G',
    c: 'Em | Am | G | Em | Em | Am | B7 | Em',
  };
  const { a: x, b: y, c: z } = under;
  return {
    tune: [a, a, b, b, c, c, a, a].join(' | '),
    chords: [x, x, y, y, z, z, x, x].join(' | '),
  };
}

/** Tunes for the tests, from 8 to 64 bars. */
export const TEST_TUNES: readonly Song[] = SCORES.map(compose);
