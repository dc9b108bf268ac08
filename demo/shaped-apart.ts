import type { Song } from '../core/song';
import { compose } from './compose';
import { type Shaped, shaped } from './shaped';

// Twelve songs of other kinds, composed and marked with those of `shaped.ts`, before the rules: no weight is ever set by
// them. They do not ship with the application.

export const SHAPED_APART: readonly Shaped[] = [
  shaped('Seven Stones Reel', 'Mixolydian', {
    tonic: 'A',
    mode: 'mixolydian',
    numerator: 4,
    denominator: 4,
    tempo: 108,
    tune: `A4:1 C#5:0.5 D5:0.5 E5:1 C#5:1 | D5:1 B4:1 G4:1 B4:1 | A4:1 C#5:0.5 D5:0.5 E5:1 A5:1 | G5:2 E5:2 |
      A4:1 C#5:0.5 D5:0.5 E5:1 C#5:1 | D5:1 B4:1 G4:1 B4:1 | C#5:1 A4:1 G4:1 B4:1 | A4:4 |
      A5:1 G5:0.5 E5:0.5 G5:1 E5:1 | D5:1 E5:1 G5:1 E5:1 | A5:1 G5:0.5 E5:0.5 D5:1 B4:1 | G4:2 B4:2 |
      A4:1 C#5:0.5 D5:0.5 E5:1 C#5:1 | D5:1 B4:1 G4:1 B4:1 | C#5:1 A4:1 G4:1 B4:1 | A4:4`,
    chords: `A | G | A | G | A | G | A G | A | A | D | A G | G | A | G | A G | A`,
    shape: '1:3 5:4 9:8 13:5',
    styles: 'drone song march',
  }),
  shaped('Salt in the Window', 'Chromatic, slow', {
    tonic: 'C',
    mode: 'minor',
    numerator: 4,
    denominator: 4,
    tempo: 63,
    tune: `G4:1.5 F#4:0.5 G4:1 Ab4:1 | G4:3 Eb4:1 | F4:1.5 E4:0.5 F4:1 G4:1 | F4:4 |
      Ab4:1.5 G4:0.5 Ab4:1 Bb4:1 | C5:3 Ab4:1 | G4:1.5 F#4:0.5 F4:1 D4:1 | Eb4:4 |
      C5:1.5 B4:0.5 C5:1 D5:1 | Eb5:3 C5:1 | Db5:1.5 C5:0.5 Bb4:1 Ab4:1 | G4:4 |
      G4:1.5 F#4:0.5 G4:1 Ab4:1 | C5:3 Eb4:1 | D4:1.5 Eb4:0.5 D4:1 B3:1 | C4:4`,
    chords: `Cm | Cm/Bb | Fm | Dm7b5 G7 | Fm | Ab | G7 | Eb | Ab | Cm | Db | G7 | Cm | Ab | Dm7b5 G7 | Cm`,
    shape: '1:2 5:4 9:8 13:4',
    styles: 'ballad',
  }),
  shaped('Late Tram', 'Swing, two strains and back', {
    tonic: 'Bb',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 132,
    feel: { kind: 'swing', ratio: 2 },
    tune: `F4:1 D5:1.5 C5:0.5 Bb4:1 | G4:3 r:1 | Eb4:1 C5:1.5 Bb4:0.5 A4:1 | F4:3 r:1 |
      D4:1 Bb4:1.5 A4:0.5 G4:1 | C5:2 G4:2 | Eb5:1 D5:1 C5:1 A4:1 | Bb4:3 r:1 |
      G4:1 Bb4:1 D5:1.5 C5:0.5 | D5:3 r:1 | F4:1 A4:1 C5:1.5 Bb4:0.5 | C5:3 r:1 |
      F4:1 D5:1.5 C5:0.5 Bb4:1 | G4:3 r:1 | Eb5:1 D5:1 C5:1 A4:1 | Bb4:4`,
    chords: `Bbmaj7 | Gm7 | Cm7 | F7 | Bbmaj7 G7 | Cm7 | Cm7 F7 | Bb6 | Gm7 | Gm7 | C7 | F7 | Bbmaj7 | Gm7 | Cm7 F7 | Bb6`,
    shape: '1:3 5:5 9:8 13:6',
    styles: 'swing',
  }),
  shaped('Lime Street Tango', 'Dotted basses in four', {
    tonic: 'A',
    mode: 'minor',
    numerator: 2,
    denominator: 4,
    tempo: 60,
    tune: `E5:0.5 D#5:0.25 E5:0.25 C5:0.5 B4:0.5 | A4:1.5 E4:0.5 | G#4:0.3333 A4:0.3334 B4:0.3333 D5:0.5 B4:0.5 | C5:2 |
      E5:0.5 D#5:0.25 E5:0.25 C5:0.5 A4:0.5 | D5:1.5 A4:0.5 | C5:0.3333 B4:0.3334 A4:0.3333 G#4:0.5 B4:0.5 | A4:2 |
      F5:0.5 E5:0.25 F5:0.25 D5:0.5 A4:0.5 | E5:1.5 C5:0.5 | D5:0.3333 C5:0.3334 B4:0.3333 G#4:0.5 E4:0.5 | A4:2`,
    chords: `Am | Am | E7 | Am | Am | Dm | E7 | Am | Dm | Am | E7 | Am`,
    shape: '1:3 5:5 9:8',
    styles: 'habanera',
  }),
  shaped('Evening Bread', 'A hymn in three', {
    tonic: 'D',
    mode: 'major',
    numerator: 3,
    denominator: 4,
    tempo: 88,
    tune: `A4:1 | F#4:1 G4:1 A4:1 | B4:2 A4:1 | G4:1 F#4:1 E4:1 | F#4:2 A4:1 | D5:1 C#5:1 B4:1 | A4:2 G4:1 | F#4:1 E4:1 C#4:1 | D4:2 F#4:1 |
      G4:1 A4:1 B4:1 | C#5:2 A4:1 | D5:1 E5:1 D5:1 | C#5:2 A4:1 | D5:1 C#5:1 B4:1 | A4:2 G4:1 | F#4:1 E4:1 C#4:1 | D4:3`,
    chords: `D Em D | G G D | Em D A | D D D | Bm A G | D D Em | D A A7 | D D D | Em D G | A A F#m | Bm A Bm | A A A | Bm A G | D D Em | D A A7 | D`,
    shape: '1:3 5:5 9:8 13:6',
    styles: 'hymn',
  }),
  shaped('Seven Geese', 'In seven', {
    tonic: 'D',
    mode: 'minor',
    numerator: 7,
    denominator: 8,
    groups: [2, 2, 3],
    tempo: 140,
    tune: `D4:0.5 F4:0.5 A4:1 G4:0.5 F4:0.5 E4:0.5 | F4:1 D4:1 D4:1.5 | C4:0.5 E4:0.5 G4:1 A4:0.5 G4:0.5 E4:0.5 | F4:2 A4:1.5 |
      D5:0.5 C5:0.5 A4:1 Bb4:0.5 A4:0.5 G4:0.5 | A4:1 F4:1 D4:1.5 | C4:0.5 E4:0.5 G4:1 F4:0.5 E4:0.5 C4:0.5 | D4:3.5`,
    chords: `Dm | Dm | C | F | Bb | Dm | C | Dm`,
    shape: '1:3 5:7',
    styles: 'groups',
  }),
  shaped('Oars at Dusk', 'A barcarolle in twelve', {
    tonic: 'E',
    mode: 'major',
    numerator: 12,
    denominator: 8,
    tempo: 84,
    tune: `B4:3 G#4:1.5 A4:1.5 | B4:1.5 E5:1.5 B4:3 | A4:1.5 G#4:1.5 F#4:1.5 A4:1.5 | G#4:4.5 r:1.5 |
      C#5:3 B4:1.5 A4:1.5 | G#4:1.5 B4:1.5 E5:3 | F#5:1.5 E5:1.5 D#5:1.5 B4:1.5 | E5:4.5 r:1.5 |
      B4:3 G#4:1.5 A4:1.5 | C#5:1.5 B4:1.5 G#4:3 | A4:1.5 G#4:1.5 F#4:1.5 D#4:1.5 | E4:6`,
    chords: `E | E | B7 | E | A | E | B7 | E | E | A E | B7 | E`,
    shape: '1:2 5:8 9:4',
    styles: 'lullaby',
  }),
  shaped('Two Keys Home', 'A song that goes to the flat side and back', {
    tonic: 'C',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 96,
    tune: `E4:1 G4:1 C5:1.5 B4:0.5 | A4:2 F4:2 | D4:1 F4:1 B4:1.5 A4:0.5 | G4:4 |
      E4:1 G4:1 C5:1.5 B4:0.5 | A4:2 C5:2 | B4:1 A4:1 F4:1 D4:1 | C4:4 |
      C5:1 Eb5:1 Ab4:2 | Bb4:1 Db5:1 G4:2 | Ab4:1 C5:1 Eb5:2 | D5:2 G4:2 |
      E4:1 G4:1 C5:1.5 B4:0.5 | A4:2 C5:2 | B4:1 A4:1 F4:1 D4:1 | C4:4`,
    chords: `C | F | G7 | C | C | F Dm | G7 | C | Ab | Eb7 | Ab | G7 | C | F Dm | G7 | C`,
    shape: '1:2 5:4 9:7 13:6',
    styles: 'song classical march',
  }),
  shaped('The Clock at Noon', 'A minuet', {
    tonic: 'G',
    mode: 'major',
    numerator: 3,
    denominator: 4,
    tempo: 112,
    tune: `D5:1 G4:0.5 A4:0.5 B4:0.5 C5:0.5 | D5:1 G4:1 G4:1 | E5:1 C5:0.5 D5:0.5 E5:0.5 F#5:0.5 | G5:1 G4:1 G4:1 |
      C5:1 D5:0.5 C5:0.5 B4:0.5 A4:0.5 | B4:1 C5:0.5 B4:0.5 A4:0.5 G4:0.5 | F#4:1 G4:0.5 A4:0.5 B4:0.5 G4:0.5 | A4:3 |
      B4:1 G4:0.5 A4:0.5 B4:0.5 G4:0.5 | A4:1 D4:0.5 E4:0.5 F#4:0.5 D4:0.5 | G4:1 E4:0.5 F#4:0.5 G4:0.5 D4:0.5 | C#4:0.5 E4:0.5 A4:2 |
      A4:0.5 B4:0.5 C5:0.5 D5:0.5 E5:0.5 F#5:0.5 | G5:1 F#5:1 E5:1 | D5:0.5 C5:0.5 B4:0.5 A4:0.5 F#4:0.5 A4:0.5 | G4:3`,
    chords: `G | G | C | G | C | G | D | D7 | G | D | Em | A7 | D | G C | D7 | G`,
    shape: '1:3 5:4 9:5 13:8',
    styles: 'classical waltz',
  }),
  shaped('Frost on the Gate', 'A carol in minor', {
    tonic: 'E',
    mode: 'minor',
    numerator: 4,
    denominator: 4,
    tempo: 100,
    tune: `E4:1 | E4:1 B4:1 B4:1 A4:1 | G4:1 F#4:1 E4:1 D4:1 | E4:1 F#4:1 G4:1 A4:1 | B4:3 E4:1 |
      E4:1 B4:1 B4:1 A4:1 | G4:1 F#4:1 E4:1 D4:1 | E4:1 F#4:1 G4:1 A4:1 | B4:3 B4:1 |
      C5:1 A4:1 B4:1 C5:1 | D5:1 E5:1 B4:1 A4:1 | G4:1 E4:1 F#4:1 G4:1 | A4:2 G4:1 A4:1 |
      B4:2 C5:1 B4:1 | B4:1 A4:1 G4:1 F#4:1 | E4:2 G4:1 F#4:1 | E4:4`,
    chords: `Em | Em D | C Am | B7 | Em | Em D | C Am | B7 | Am | G | Em | D | G C | Em B7 | C B7 | Em`,
    shape: '1:2 5:4 9:8 13:6',
    styles: 'song march hymn classical',
  }),
  shaped('Round the Lightship', 'A jig in six', {
    tonic: 'D',
    mode: 'major',
    numerator: 6,
    denominator: 8,
    tempo: 168,
    tune: `A4:0.5 F#4:0.5 A4:0.5 D5:0.5 A4:0.5 F#4:0.5 | G4:0.5 E4:0.5 G4:0.5 B4:1 A4:0.5 | F#4:0.5 A4:0.5 D5:0.5 E5:0.5 D5:0.5 B4:0.5 | A4:1.5 A4:1.5 |
      A4:0.5 F#4:0.5 A4:0.5 D5:0.5 A4:0.5 F#4:0.5 | G4:0.5 E4:0.5 G4:0.5 B4:1 A4:0.5 | G4:0.5 F#4:0.5 E4:0.5 A4:0.5 G4:0.5 E4:0.5 | D4:1.5 D4:1.5 |
      D5:0.5 E5:0.5 F#5:0.5 G5:0.5 F#5:0.5 E5:0.5 | D5:0.5 B4:0.5 D5:0.5 A4:1.5 | D5:0.5 E5:0.5 F#5:0.5 G5:0.5 F#5:0.5 E5:0.5 | F#5:1.5 E5:1.5 |
      D5:0.5 E5:0.5 F#5:0.5 G5:0.5 F#5:0.5 E5:0.5 | D5:0.5 B4:0.5 D5:0.5 A4:1.5 | G4:0.5 F#4:0.5 E4:0.5 A4:0.5 G4:0.5 E4:0.5 | D4:1.5 D4:1.5`,
    chords: `D | Em A | D G | D A | D | Em A | Em A7 | D | G | D | G | D A | G | D | Em A7 | D`,
    shape: '1:3 5:4 9:7 13:8',
    styles: 'jig',
  }),
  shaped('A Glass of Rain', 'A slow song in minor with rests between the lines', {
    tonic: 'B',
    mode: 'minor',
    numerator: 4,
    denominator: 4,
    tempo: 76,
    tune: `r:1 F#4:0.5 B4:0.5 C#5:1 D5:1 | C#5:1 B4:2 r:1 | r:1 E4:0.5 A4:0.5 B4:1 C#5:1 | B4:1 A4:2 r:1 |
      r:1 D5:0.5 D5:0.5 C#5:1 B4:1 | E5:1.5 D5:0.5 B4:1 r:1 | r:1 C#5:0.5 B4:0.5 A#4:1 C#5:1 | B4:3 r:1 |
      r:1 F#5:0.5 E5:0.5 D5:1 F#5:1 | E5:1.5 D5:0.5 C#5:1 r:1 | r:1 E5:0.5 D5:0.5 C#5:1 A#4:1 | B4:3 r:1`,
    chords: `Bm | G | A | D | Bm | Em | F#7 | Bm | D | A | F#7 | Bm`,
    shape: '1:2 5:5 9:8',
    styles: 'ballad song',
  }),
];

export const SHAPED_SONGS_APART: readonly Song[] = SHAPED_APART.map(compose);
