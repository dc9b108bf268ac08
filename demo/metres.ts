import type { Song } from '../core/song';
import { compose, type Score } from './compose';

// A short song in each metre there is to choose from, written for the tests.

type Sketch = Pick<
  Score,
  'title' | 'tonic' | 'mode' | 'numerator' | 'denominator' | 'groups' | 'tempo' | 'tune' | 'chords'
>;

const SKETCHES: readonly Sketch[] = [
  {
    title: 'Causeway Step',
    tonic: 'D',
    mode: 'major',
    numerator: 2,
    denominator: 4,
    tempo: 108,
    tune: `A4:0.5 | D5:1 F#5:0.5 E5:0.5 | D5:1 A4:1 | B4:1 D5:0.5 B4:0.5 | A4:1.5 A4:0.5 |
      D5:1 F#5:0.5 E5:0.5 | D5:1 B4:1 | A4:1 C#5:0.5 E5:0.5 | D5:2`,
    chords: 'D | D | G | D | D | G | A7 | D',
  },
  {
    title: 'The Long Jetty',
    tonic: 'F',
    mode: 'major',
    numerator: 3,
    denominator: 4,
    tempo: 112,
    tune: `C5:2 A4:1 | F4:2 G4:1 | A4:1 Bb4:1 C5:1 | G4:3 | C5:2 A4:1 | F4:2 E4:1 | D4:1 G4:1 E4:1 | F4:3`,
    chords: 'F | Dm | F | C7 | F | Dm | C7 | F',
  },
  {
    title: 'Reed Cutters',
    tonic: 'G',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 96,
    tune: `D4:1 | G4:1.5 A4:0.5 B4:2 | A4:1 G4:1 E4:2 | D4:1 G4:1 B4:1.5 A4:0.5 | A4:3 D4:1 |
      G4:1.5 A4:0.5 B4:2 | C5:1 B4:1 E4:2 | D4:1 B4:1 A4:1.5 G4:0.5 | G4:4`,
    chords: 'G | C | G | D7 | G | C | D7 | G',
  },
  {
    title: 'Five Gulls',
    tonic: 'E',
    mode: 'minor',
    numerator: 5,
    denominator: 4,
    tempo: 120,
    tune: `B4:1.5 A4:0.5 G4:1 E4:2 | F#4:1.5 G4:0.5 A4:1 B4:2 | G4:1.5 A4:0.5 B4:1 E5:2 | D5:1.5 C5:0.5 B4:1 B4:2 |
      B4:1.5 A4:0.5 G4:1 E4:2 | F#4:1.5 G4:0.5 A4:1 C5:2 | B4:1.5 A4:0.5 F#4:1 D#4:2 | E4:5`,
    chords: 'Em | D | C | B7 | Em | Am | B7 | Em',
  },
  {
    title: 'Two and Three Oars',
    tonic: 'A',
    mode: 'minor',
    numerator: 5,
    denominator: 4,
    groups: [2, 3],
    tempo: 116,
    tune: `E5:2 C5:1.5 B4:0.5 A4:1 | B4:2 G4:1.5 A4:0.5 B4:1 | C5:2 A4:1.5 B4:0.5 C5:1 | B4:2 E5:2 D5:1 |
      E5:2 C5:1.5 B4:0.5 A4:1 | F4:2 A4:1.5 B4:0.5 C5:1 | B4:2 G#4:1.5 A4:0.5 B4:1 | A4:5`,
    chords: 'Am | G | F | E7 | Am | F | E7 | Am',
  },
  {
    title: 'Slow Locks',
    tonic: 'Bb',
    mode: 'major',
    numerator: 6,
    denominator: 4,
    tempo: 132,
    tune: `F4:1 | Bb4:2 C5:1 D5:2 Bb4:1 | C5:2 A4:1 F4:3 | G4:2 A4:1 Bb4:2 G4:1 | F4:5 F4:1 |
      Bb4:2 C5:1 D5:2 F5:1 | Eb5:2 D5:1 C5:3 | D5:2 Bb4:1 C5:2 A4:1 | Bb4:6`,
    chords: 'Bb | F | Eb | F7 | Bb | Cm | F7 | Bb',
  },
  {
    title: 'Seven Posts',
    tonic: 'C',
    mode: 'major',
    numerator: 7,
    denominator: 4,
    tempo: 126,
    tune: `E4:2 G4:1 C5:1 B4:2 G4:1 | A4:2 C5:1 A4:1 G4:3 | F4:2 A4:1 D5:1 C5:2 A4:1 | G4:4 D5:3 |
      E4:2 G4:1 C5:1 B4:2 G4:1 | A4:2 C5:1 E5:1 D5:3 | F4:2 A4:1 C5:1 B4:2 D5:1 | C5:7`,
    chords: 'C | F | Dm | G7 | C | Am | G7 | C',
  },
  {
    title: 'Wide Water',
    tonic: 'Eb',
    mode: 'major',
    numerator: 2,
    denominator: 2,
    tempo: 150,
    tune: `Bb4:1 Bb4:1 | Eb5:2 G5:1 F5:1 | Eb5:2 Bb4:2 | C5:2 Eb5:1 C5:1 | Bb4:2 Bb4:1 Bb4:1 |
      Eb5:2 G5:1 F5:1 | Eb5:2 C5:2 | Bb4:2 D5:1 F5:1 | Eb5:4`,
    chords: 'Eb | Eb | Ab | Bb7 | Eb | Ab | Bb7 | Eb',
  },
  {
    title: 'Moth at the Lamp',
    tonic: 'G',
    mode: 'minor',
    numerator: 3,
    denominator: 8,
    tempo: 80,
    tune: `D5:0.5 | G5:0.25 F#5:0.25 G5:0.5 D5:0.5 | Eb5:1 C5:0.5 | A4:0.25 Bb4:0.25 C5:0.5 A4:0.5 | Bb4:1 D5:0.5 |
      G5:0.25 F#5:0.25 G5:0.5 D5:0.5 | Eb5:1 G5:0.5 | D5:0.25 C5:0.25 Bb4:0.5 A4:0.5 | G4:1.5`,
    chords: 'Gm | Cm | D7 | Gm | Gm | Cm | D7 | Gm',
  },
  {
    title: 'Kelp Jig',
    tonic: 'D',
    mode: 'major',
    numerator: 6,
    denominator: 8,
    tempo: 165,
    tune: `A4:0.5 | D5:1 F#5:0.5 E5:1 D5:0.5 | A4:1 B4:0.5 A4:1 F#4:0.5 | G4:1 B4:0.5 E5:1 D5:0.5 | C#5:1 A4:0.5 A4:1 A4:0.5 |
      D5:1 F#5:0.5 E5:1 D5:0.5 | B4:1 G4:0.5 B4:1 D5:0.5 | C#5:0.5 D5:0.5 E5:0.5 A4:1 C#5:0.5 | D5:3`,
    chords: 'D | D | G | A7 | D | G | A7 | D',
  },
  {
    title: 'Nets Going Out',
    tonic: 'C',
    mode: 'major',
    numerator: 9,
    denominator: 8,
    tempo: 120,
    tune: `G4:1.5 E4:1 G4:0.5 C5:1 D5:0.5 | E5:1.5 D5:1 C5:0.5 A4:1 C5:0.5 | G4:1.5 A4:1 G4:0.5 E4:1 D4:0.5 | D4:3 D4:1.5 |
      G4:1.5 E4:1 G4:0.5 C5:1 D5:0.5 | E5:1.5 G5:1 E5:0.5 D5:1 C5:0.5 | B4:1.5 A4:1 G4:0.5 B4:1 D5:0.5 | C5:4.5`,
    chords: 'C | F | C | G7 | C | Am | G7 | C',
  },
  {
    title: 'Night Ferry',
    tonic: 'A',
    mode: 'minor',
    numerator: 12,
    denominator: 8,
    tempo: 90,
    tune: `E4:0.5 | A4:2.5 B4:0.5 C5:1 B4:0.5 A4:1 E4:0.5 | F4:2.5 G4:0.5 A4:1 C5:0.5 B4:1 A4:0.5 |
      G4:2.5 A4:0.5 B4:1 G4:0.5 D4:1 G4:0.5 | E4:5.5 E4:0.5 | A4:2.5 B4:0.5 C5:1 B4:0.5 A4:1 E5:0.5 |
      D5:2.5 C5:0.5 A4:1 F4:0.5 A4:1 D5:0.5 | C5:2.5 B4:0.5 A4:1 G#4:0.5 B4:1 G#4:0.5 | A4:6`,
    chords: 'Am | F | G | E7 | Am | Dm | E7 | Am',
  },
  {
    title: 'Crooked Stile',
    tonic: 'D',
    mode: 'minor',
    numerator: 5,
    denominator: 8,
    tempo: 110,
    tune: `A4:1 F4:0.5 D4:1 | E4:1 G4:0.5 F4:1 | D4:0.5 E4:0.5 F4:0.5 A4:1 | G4:1.5 E4:1 |
      A4:1 F4:0.5 D5:1 | C5:1 Bb4:0.5 G4:1 | F4:0.5 E4:0.5 G4:0.5 C#4:1 | D4:2.5`,
    chords: 'Dm | C | Bb | A7 | Dm | Gm | A7 | Dm',
  },
  {
    title: 'Stile the Other Way',
    tonic: 'G',
    mode: 'major',
    numerator: 5,
    denominator: 8,
    groups: [2, 3],
    tempo: 110,
    tune: `B4:1 D5:1 B4:0.5 | A4:1 C5:1 A4:0.5 | G4:1 B4:0.5 D5:0.5 G5:0.5 | F#5:1 D5:1.5 |
      B4:1 D5:1 B4:0.5 | C5:1 E5:1 C5:0.5 | A4:1 F#4:0.5 A4:0.5 D4:0.5 | G4:2.5`,
    chords: 'G | D | Em | D7 | G | C | D7 | G',
  },
  {
    title: 'Seven Stones',
    tonic: 'A',
    mode: 'minor',
    numerator: 7,
    denominator: 8,
    tempo: 130,
    tune: `A4:1 C5:1 E5:1 D5:0.5 | C5:1 B4:1 A4:1.5 | G4:1 B4:1 D5:1 C5:0.5 | B4:2 E4:1.5 |
      A4:1 C5:1 E5:1 D5:0.5 | F5:1 E5:1 D5:1.5 | C5:1 B4:1 G#4:1 B4:0.5 | A4:3.5`,
    chords: 'Am | F | G | E7 | Am | Dm | E7 | Am',
  },
  {
    title: 'Three Before Two',
    tonic: 'E',
    mode: 'minor',
    numerator: 7,
    denominator: 8,
    groups: [3, 2, 2],
    tempo: 130,
    tune: `E5:1 D5:0.5 B4:1 G4:1 | A4:1 B4:0.5 D5:1 A4:1 | G4:1 A4:0.5 B4:1 E5:1 | D#5:1.5 B4:2 |
      E5:1 D5:0.5 B4:1 G4:1 | A4:1 C5:0.5 E5:1 C5:1 | B4:1 A4:0.5 F#4:1 D#4:1 | E4:3.5`,
    chords: 'Em | D | C | B7 | Em | Am | B7 | Em',
  },
  {
    title: 'Two Three Two',
    tonic: 'C',
    mode: 'major',
    numerator: 7,
    denominator: 8,
    groups: [2, 3, 2],
    tempo: 130,
    tune: `G4:1 C5:1 B4:0.5 G4:1 | A4:1 C5:1 A4:0.5 F4:1 | E4:1 G4:1 A4:0.5 C5:1 | B4:1 D5:1.5 G4:1 |
      G4:1 C5:1 D5:0.5 E5:1 | F5:1 E5:1 D5:0.5 A4:1 | G4:1 B4:1 A4:0.5 B4:1 | C5:3.5`,
    chords: 'C | F | C | G7 | C | Dm | G7 | C',
  },
  {
    title: 'Three and Four Posts',
    tonic: 'G',
    mode: 'minor',
    numerator: 7,
    denominator: 4,
    groups: [3, 4],
    tempo: 126,
    tune: `D5:1.5 C5:0.5 Bb4:1 A4:2 G4:1 A4:1 | Bb4:1.5 A4:0.5 G4:1 D4:4 | Eb4:1.5 F4:0.5 G4:1 C5:2 Bb4:1 G4:1 | A4:3 D5:4 |
      D5:1.5 C5:0.5 Bb4:1 A4:2 G4:1 A4:1 | Bb4:1.5 C5:0.5 D5:1 Eb5:4 | D5:1.5 C5:0.5 Bb4:1 A4:2 F#4:1 A4:1 | G4:7`,
    chords: 'Gm | Gm | Cm | D7 | Gm | Eb | D7 | Gm',
  },
  {
    title: 'Rope and Tackle',
    tonic: 'D',
    mode: 'major',
    numerator: 8,
    denominator: 8,
    tempo: 100,
    tune: `D5:1 C#5:0.5 B4:1 A4:0.5 F#4:1 | G4:1 A4:0.5 B4:1 D5:0.5 B4:1 | A4:1 B4:0.5 D5:1 F#5:0.5 E5:1 | E5:1.5 C#5:1.5 A4:1 |
      D5:1 C#5:0.5 B4:1 A4:0.5 F#4:1 | G4:1 B4:0.5 E5:1 D5:0.5 B4:1 | A4:1 C#5:0.5 E5:1 G5:0.5 C#5:1 | D5:4`,
    chords: 'D | G | D | A7 | D | Em | A7 | D',
  },
];

export const METRE_SONGS: readonly Song[] = SKETCHES.map((sketch, i) =>
  compose({ id: `metre-${i}`, subtitle: '', sections: [], ...sketch }),
);
