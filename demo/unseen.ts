import type { Song } from '../core/song';
import { compose } from './compose';
import type { KeptApart } from './kept-apart';
import type { Marks } from './marks';

// Tunes composed and marked when the rules of cutting and of chords stood: no rule was made with them in sight.

const UNSEEN_SCORES: readonly KeptApart[] = [
  {
    id: 'last-mussel-reel',
    title: 'Mussel Reel',
    subtitle: 'Eight bars, quick',
    tonic: 'E',
    mode: 'minor',
    numerator: 4,
    denominator: 4,
    tempo: 116,
    tune: `E4:0.5 G4:0.5 B4:0.5 G4:0.5 A4:0.5 G4:0.5 F#4:0.5 D4:0.5 | E4:0.5 G4:0.5 B4:0.5 E5:0.5 D5:1 B4:1 | A4:0.5 F#4:0.5 D4:0.5 F#4:0.5 A4:0.5 B4:0.5 A4:0.5 F#4:0.5 | G4:1 E4:1 E4:2 |
      E5:1 D5:0.5 B4:0.5 G4:1 B4:1 | D5:1 B4:0.5 A4:0.5 F#4:1 A4:1 | G4:0.5 F#4:0.5 E4:0.5 G4:0.5 F#4:0.5 E4:0.5 D4:0.5 F#4:0.5 | E4:4`,
    chords: `Em | Em | D | Em | Em | D | Em D | Em`,
    sections: [],
    marks: { cuts: '5', chords: 'Em | Em/G | D/Bm | Em/C | Em/G/C | D/Bm/Bm7 | Em/D/G/C/Am | Em' },
  },
  {
    id: 'last-barge-song',
    title: 'Barge Song',
    subtitle: 'A pick-up of two eighths, phrases of four bars',
    tonic: 'A',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 88,
    tune: `E4:0.5 F#4:0.5 | A4:2 C#5:1 B4:1 | A4:2 F#4:2 | E4:1 A4:1 B4:1 C#5:1 | B4:3 E4:0.5 F#4:0.5 |
      A4:2 C#5:1 B4:1 | A4:2 F#4:2 | E4:1 C#5:1 B4:1 G#4:1 | A4:3 A4:0.5 B4:0.5 |
      C#5:2 C#5:1 D5:1 | E5:2 C#5:2 | D5:1 C#5:1 B4:1 A4:1 | B4:3 E4:0.5 F#4:0.5 |
      A4:2 C#5:1 B4:1 | A4:2 F#4:2 | E4:1 C#5:1 B4:1 G#4:1 | A4:4`,
    chords: `A | D | A | E | A | D | E7 | A | A | A | D | E | A | D | E7 | A`,
    sections: [],
    marks: {
      cuts: '5-1 9-1 13-1',
      chords:
        'A/F#m | D/F#m/Bm | A/E | E/E7 | A/F#m | D/F#m/Bm | E7/A/E | A | A/F#m | A | D/Bm/A/E7 | E/E7 | A/F#m | D/F#m/Bm | E7/A/E | A',
    },
  },
  {
    id: 'last-gull-waltz',
    title: 'Gull Waltz',
    subtitle: 'Slow, sixteen bars, no pick-up',
    tonic: 'Bb',
    mode: 'major',
    numerator: 3,
    denominator: 4,
    tempo: 92,
    tune: `F4:1 Bb4:1 D5:1 | C5:2 Bb4:1 | G4:1 Bb4:1 Eb5:1 | D5:3 |
      F4:1 Bb4:1 D5:1 | C5:2 A4:1 | G4:1 A4:1 Bb4:1 | C5:3 |
      D5:1 Eb5:1 F5:1 | Eb5:2 C5:1 | C5:1 D5:1 Eb5:1 | D5:2 Bb4:1 |
      G4:1 Bb4:1 Eb5:1 | D5:2 Bb4:1 | C5:1 Bb4:1 A4:1 | Bb4:3`,
    chords: `Bb | F7 | Eb | Bb | Bb | F | C7 | F7 | Bb | Cm | F7 | Bb | Eb | Bb | F7 | Bb`,
    sections: [],
    marks: {
      cuts: '5 9 13',
      chords:
        'Bb | F7/Bb/F/Cm/Gm | Eb/Gm/Cm | Bb/Gm | Bb | F/F7/Am7b5 | C7/Gm/Eb/Cm/F7 | F7/F/C7/Cm | Bb | Cm/F7/Eb | F7/Cm/F | Bb/Gm | Eb/Gm/Cm | Bb/Gm | F7/F/Cm | Bb',
    },
  },
  {
    id: 'last-net-mender',
    title: 'The Net Mender',
    subtitle: 'Six-eight, each phrase with an upbeat',
    tonic: 'D',
    mode: 'major',
    numerator: 6,
    denominator: 8,
    tempo: 80,
    tune: `A4:0.5 | D5:1 C#5:0.5 B4:1 A4:0.5 | F#4:1 G4:0.5 A4:1 A4:0.5 | B4:1 A4:0.5 G4:1 F#4:0.5 | E4:2.5 A4:0.5 |
      D5:1 C#5:0.5 B4:1 A4:0.5 | F#4:1 G4:0.5 A4:1 F#4:0.5 | G4:1 F#4:0.5 E4:1 C#4:0.5 | D4:2.5 D4:0.5 |
      G4:1 A4:0.5 B4:1 G4:0.5 | A4:1 F#4:0.5 D4:1 D4:0.5 | G4:1 A4:0.5 B4:1 C#5:0.5 | D5:1.5 A4:1 A4:0.5 |
      D5:1 C#5:0.5 B4:1 A4:0.5 | F#4:1 G4:0.5 A4:1 F#4:0.5 | G4:1 F#4:0.5 E4:1 C#4:0.5 | D4:3`,
    chords: `D G | D | G D | A7 | D G | D | A7 | D | G | D | G A7 | D | D G | D | A7 | D`,
    sections: [],
    marks: {
      cuts: '5-0.5 9-0.5 13-0.5',
      chords:
        'D/G/Bm | D/A/F#m | G/D/Em/A7 | A7/A/Em | D/G/Bm | D/F#m/Bm | A7/Em/G | D | G/Em | D/F#m/A7 | G/A7/Em | D/A7/A | D/G/Bm | D/F#m/Bm | A7/Em/G | D',
    },
  },
  {
    id: 'last-hulk',
    title: 'The Hulk',
    subtitle: 'Minor, a half note in the middle of every bar line of four',
    tonic: 'C',
    mode: 'minor',
    numerator: 4,
    denominator: 4,
    tempo: 72,
    tune: `C5:1 Bb4:1 Ab4:2 | G4:1 Ab4:1 G4:2 | F4:1 G4:1 Ab4:1 F4:1 | G4:4 |
      C5:1 Bb4:1 Ab4:2 | G4:1 Ab4:1 C5:2 | D5:1 Eb5:1 D5:1 B4:1 | C5:4 |
      Eb5:1 D5:1 C5:2 | Bb4:1 C5:1 Ab4:2 | F4:1 G4:1 Ab4:1 C5:1 | B4:2 G4:2 |
      C5:1 Bb4:1 Ab4:2 | G4:1 Ab4:1 C5:2 | D5:1 Eb5:1 D5:1 B4:1 | C5:4`,
    chords: `Cm Ab | Cm | Fm | G7 | Cm Ab | Ab | G7 | Cm | Cm | Bb Ab | Fm | G7 | Cm Ab | Ab | G7 | Cm`,
    sections: [],
    marks: {
      cuts: '5 9 13',
      chords:
        'Cm/Ab/Fm | Cm/Eb/G7/Ab | Fm/Dm7b5/Bb7/Bb | G7/G/Cm/Eb | Cm/Ab/Fm | Ab/Cm/Fm | G7/G/Bb7 | Cm | Cm/Ab | Bb/Ab/Fm/Bb7 | Fm/Ab/Dm7b5 | G7/G | Cm/Ab/Fm | Ab/Cm/Fm | G7/G/Bb7 | Cm',
    },
  },
  {
    id: 'last-harbour-dance',
    title: 'Harbour Dance',
    subtitle: 'In two, a strain of eight bars and its answer',
    tonic: 'F',
    mode: 'major',
    numerator: 2,
    denominator: 4,
    tempo: 100,
    tune: `F4:0.5 A4:0.5 C5:1 | Bb4:0.5 G4:0.5 E4:1 | F4:0.5 A4:0.5 G4:0.5 F4:0.5 | E4:0.5 G4:0.5 C4:1 |
      F4:0.5 A4:0.5 C5:1 | Bb4:0.5 G4:0.5 E4:1 | F4:0.5 C5:0.5 Bb4:0.5 G4:0.5 | F4:2 |
      D5:0.5 D5:0.5 C5:1 | Bb4:0.5 Bb4:0.5 A4:1 | G4:0.5 A4:0.5 Bb4:0.5 G4:0.5 | A4:0.5 F4:0.5 C5:1 |
      D5:0.5 D5:0.5 C5:1 | Bb4:0.5 Bb4:0.5 A4:1 | G4:0.5 C5:0.5 Bb4:0.5 E4:0.5 | F4:2`,
    chords: `F | C7 | F | C | F | C7 | F C7 | F | Bb F | Gm F | C7 | F | Bb F | Gm F | C7 | F`,
    sections: [],
    marks: {
      cuts: '5 9 13',
      chords:
        'F | C7/Gm/C | F/Dm | C/C7 | F | C7/Gm/C | F/C7/Gm | F | Bb/F/Dm | Gm/F/Bb/Dm | C7/Gm/C | F | Bb/F/Dm | Gm/F/Bb/Dm | C7/Gm/C | F',
    },
  },
];

/** Every mark of these tunes, by the id of the tune. */
export const UNSEEN_MARKS: Readonly<Record<string, Marks>> = Object.fromEntries(
  UNSEEN_SCORES.map(({ id, marks }) => [id, marks]),
);

/** Tunes nobody had in sight when the rules were made. */
export const UNSEEN_TUNES: readonly Song[] = UNSEEN_SCORES.map(compose);
