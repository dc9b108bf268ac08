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
  {
    id: 'last-drowned-bell',
    title: 'The Drowned Bell',
    subtitle: 'A hymn in half notes, four lines of four bars',
    tonic: 'G',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 80,
    tune: `G4:2 A4:2 | B4:2 D5:2 | C5:2 B4:2 | A4:4 |
      B4:2 C5:2 | D5:2 G4:2 | A4:2 A4:2 | G4:4 |
      D5:2 E5:2 | D5:2 B4:2 | C5:2 A4:2 | B4:4 |
      G4:2 A4:2 | B4:2 C5:2 | B4:2 A4:2 | G4:4`,
    chords: `G D | G | C G | D | G C | D G | D7 | G | G C | G | Am D | G | G D | G C | G D7 | G`,
    sections: [],
    marks: {
      cuts: '5 9 13',
      chords:
        'G/D/D7/Em/Am | G/Bm/Em | C/G/Am/Em | D/D7/Am | G/C/Em/Am | G/Em/D/Bm | D7/D/Am | G | G/C/Em/D/Am/Bm | G/D/Em/Bm | C/Am/D7/D | G/Em/Bm | G/D/D7/Em/Am | G/C/Em/Am | G/D7/D/Em/Am | G',
    },
  },
  {
    id: 'last-customs-march',
    title: 'Customs House March',
    subtitle: 'Dotted, a pick-up of one beat',
    tonic: 'C',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 108,
    tune: `G4:0.75 G4:0.25 | C5:1 C5:1 E5:0.75 D5:0.25 C5:1 | D5:1 D5:1 G4:1 G4:0.75 G4:0.25 | C5:1 C5:1 E5:0.75 F5:0.25 G5:1 | D5:3 G4:0.75 G4:0.25 |
      C5:1 C5:1 E5:0.75 D5:0.25 C5:1 | A4:1 A4:1 D5:1 C5:1 | B4:1 D5:1 C5:1 B4:1 | C5:3 E5:0.75 F5:0.25 |
      G5:1 G5:1 E5:1 C5:1 | F5:1 F5:1 D5:1 D5:0.75 E5:0.25 | F5:1 F5:1 D5:1 B4:1 | E5:3 G4:0.75 G4:0.25 |
      C5:1 C5:1 E5:0.75 D5:0.25 C5:1 | A4:1 A4:1 D5:1 C5:1 | B4:1 D5:1 C5:1 B4:1 | C5:4`,
    chords: `C | G | C | G | C | F D7 | G7 | C | C | F G | G7 | C | C | F D7 | G7 | C`,
    sections: [],
    marks: {
      cuts: '5-1 9-1 13-1',
      chords:
        'C/Am | G/G7/Dm/D7 | C/Am | G/G7/Dm | C/Am | F/D7/Dm/Am/Dm7 | G7/G/C | C | C/Am | F/G/Dm/G7 | G7/F/Dm/G | C/Am | C/Am | F/D7/Dm/Am/Dm7 | G7/G/C | C',
    },
  },
  {
    id: 'last-creek-lullaby',
    title: 'Creek Lullaby',
    subtitle: 'Three-four, two lines of eight bars, each in halves',
    tonic: 'F',
    mode: 'major',
    numerator: 3,
    denominator: 4,
    tempo: 84,
    tune: `A4:2 C5:1 | A4:2 F4:1 | G4:2 Bb4:1 | G4:3 | G4:2 Bb4:1 | G4:2 E4:1 | F4:2 A4:1 | F4:3 |
      C5:2 D5:1 | C5:2 A4:1 | Bb4:2 C5:1 | Bb4:3 | A4:2 C5:1 | Bb4:1 A4:1 G4:1 | F4:2 E4:1 | F4:3`,
    chords: `F | F | Gm | C7 | C7 | C7 | F | F | F | F | Bb | Bb | F | C7 | C7 | F`,
    sections: [],
    marks: {
      cuts: '5 9 13',
      chords:
        'F | F/Dm | Gm/C7/C/Bb | C7/C/Gm | C7/Gm/C | C7/C/Gm | F/Dm | F/Dm | F/C/Dm/C7 | F/Am | Bb/C7/Gm | Bb/Gm | F/Am | C7/Gm/Bb/C/F | F/C7/C/Dm | F',
    },
  },
  {
    id: 'last-tar-barrel',
    title: 'Tar Barrel',
    subtitle: 'A work song of twelve bars, three lines',
    tonic: 'A',
    mode: 'minor',
    numerator: 4,
    denominator: 4,
    tempo: 100,
    tune: `A4:1 A4:0.5 C5:0.5 D5:1 C5:1 | A4:1 G4:1 A4:2 | A4:1 A4:0.5 C5:0.5 D5:1 E5:1 | D5:3 r:1 |
      D5:1 D5:0.5 F5:0.5 E5:1 D5:1 | C5:1 A4:1 C5:2 | D5:1 C5:1 A4:1 G4:1 | A4:3 r:1 |
      E5:1 E5:0.5 D5:0.5 C5:1 D5:1 | E5:1 C5:1 A4:2 | G#4:1 A4:1 B4:1 G#4:1 | A4:3 r:1`,
    chords: `Am | Am | Am | Dm | Dm | Am | G | Am | C | Am | E7 | Am`,
    sections: [],
    marks: {
      cuts: '5 9',
      chords:
        'Am/Dm/F | Am/C | Am/Dm/F | Dm/G/G7 | Dm/Bb/F | Am/F/C | Dm/Am/C/G/D7/F | Am | C/Am/E7 | Am/C | E7/E | Am',
    },
  },
  {
    id: 'last-quayside-two-step',
    title: 'Quayside Two-Step',
    subtitle: 'In two, syncopated, no pick-up',
    tonic: 'Bb',
    mode: 'major',
    numerator: 2,
    denominator: 4,
    tempo: 92,
    tune: `F4:0.25 Bb4:0.5 D5:0.25 Bb4:0.5 F4:0.5 | G4:0.25 Bb4:0.5 Eb5:0.25 D5:1 | C5:0.25 D5:0.5 C5:0.25 A4:0.5 F4:0.5 | Bb4:1.5 r:0.5 |
      F4:0.25 Bb4:0.5 D5:0.25 Bb4:0.5 F4:0.5 | G4:0.25 Bb4:0.5 Eb5:0.25 D5:1 | C5:0.25 F5:0.5 Eb5:0.25 C5:0.5 A4:0.5 | Bb4:1.5 r:0.5 |
      D5:0.25 F5:0.5 D5:0.25 Bb4:1 | Eb5:0.25 G5:0.5 Eb5:0.25 C5:1 | F5:0.25 Eb5:0.5 C5:0.25 A4:0.5 C5:0.5 | D5:1.5 r:0.5 |
      F4:0.25 Bb4:0.5 D5:0.25 Bb4:0.5 F4:0.5 | G4:0.25 Bb4:0.5 Eb5:0.25 D5:1 | C5:0.25 F5:0.5 Eb5:0.25 C5:0.5 A4:0.5 | Bb4:1.5 r:0.5`,
    chords: `Bb | Eb Bb | F7 | Bb | Bb | Eb Bb | F7 | Bb | Bb | Cm | F7 | Bb | Bb | Eb Bb | F7 | Bb`,
    sections: [],
    marks: {
      cuts: '5 9 13',
      chords:
        'Bb | Eb/Bb/Gm/Cm | F7/F/Cm | Bb | Bb | Eb/Bb/Gm/Cm | F7/F/Cm | Bb | Bb/Gm | Cm/Eb | F7/F/Cm | Bb/Gm | Bb | Eb/Bb/Gm/Cm | F7/F/Cm | Bb',
    },
  },
  {
    id: 'last-tide-mill',
    title: 'The Tide Mill',
    subtitle: 'A round of running eighths, six-eight, no pick-up',
    tonic: 'A',
    mode: 'major',
    numerator: 6,
    denominator: 8,
    tempo: 96,
    tune: `A4:0.5 B4:0.5 C#5:0.5 E5:1 C#5:0.5 | B4:0.5 C#5:0.5 B4:0.5 A4:1 F#4:0.5 | A4:0.5 B4:0.5 C#5:0.5 E5:1 C#5:0.5 | B4:1.5 E4:1.5 |
      A4:0.5 B4:0.5 C#5:0.5 E5:1 C#5:0.5 | B4:0.5 C#5:0.5 B4:0.5 A4:1 F#4:0.5 | E4:0.5 F#4:0.5 A4:0.5 B4:1 G#4:0.5 | A4:3 |
      E5:1 F#5:0.5 E5:1 C#5:0.5 | D5:1 E5:0.5 D5:1 B4:0.5 | C#5:1 D5:0.5 C#5:1 A4:0.5 | B4:1.5 E4:1.5 |
      A4:0.5 B4:0.5 C#5:0.5 E5:1 C#5:0.5 | B4:0.5 C#5:0.5 B4:0.5 A4:1 F#4:0.5 | E4:0.5 F#4:0.5 A4:0.5 B4:1 G#4:0.5 | A4:3`,
    chords: `A | Bm D | A | E | A | Bm D | A E7 | A | A | Bm | A | E | A | Bm D | A E7 | A`,
    sections: [],
    marks: {
      cuts: '5 9 13',
      chords:
        'A | Bm/D/E7/F#m/E | A | E/E7 | A | Bm/D/E7/F#m/E | A/E7/E/F#m/D/Bm | A | A/F#m | Bm/D/E7/E | A/F#m | E/E7 | A | Bm/D/E7/F#m/E | A/E7/E/F#m/D/Bm | A',
    },
  },
];

/** Every mark of these tunes, by the id of the tune. */
export const UNSEEN_MARKS: Readonly<Record<string, Marks>> = Object.fromEntries(
  UNSEEN_SCORES.map(({ id, marks }) => [id, marks]),
);

/** Tunes nobody had in sight when the rules were made. */
export const UNSEEN_TUNES: readonly Song[] = UNSEEN_SCORES.map(compose);
