import type { Song } from '../core/song';
import { compose, type Score } from './compose';
import type { Marks } from './marks';

// Tunes of fourteen kinds, composed and marked before the weights of cutting and of chords were set again, and kept
// apart: no weight is ever set by them. They do not ship with the application.

export type KeptApart = Score & { readonly marks: Marks };

const SCORES: readonly KeptApart[] = [
  {
    id: 'apart-quay-march',
    title: 'Quay March',
    subtitle: 'A march with a pick-up of one beat',
    tonic: 'F',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 112,
    tune: `C4:1 | F4:1.5 F4:0.5 F4:1 G4:1 | A4:1.5 F4:0.5 C4:1 F4:1 | Bb4:1 A4:1 G4:1 F4:1 | G4:3 C4:1 |
      F4:1.5 F4:0.5 F4:1 G4:1 | A4:1.5 F4:0.5 C5:1 A4:1 | G4:1 Bb4:1 A4:1 G4:1 | F4:3 C5:1 |
      D5:1.5 C5:0.5 Bb4:1 D5:1 | C5:1.5 Bb4:0.5 A4:1 C5:1 | Bb4:1 A4:1 G4:1 Bb4:1 | A4:3 C4:1 |
      F4:1.5 F4:0.5 F4:1 G4:1 | A4:1.5 F4:0.5 C5:1 A4:1 | G4:1 Bb4:1 A4:1 G4:1 | F4:4`,
    chords: `F | F | Bb | C7 | F | F | C7 | F | Bb | F | C7 | F | F | F | C7 | F`,
    sections: [],
    marks: {
      cuts: '5-1 9-1 13-1',
      chords:
        'F | F | Bb/Gm/C7 | C7/C | F | F | C7/Gm/C | F | Bb/Gm | F | C7/Gm/C | F/Dm | F | F | C7/Gm/C | F',
    },
  },
  {
    id: 'apart-lantern-waltz',
    title: 'Waltz of the Empty Boats',
    subtitle: 'Each phrase with a pick-up of its own',
    tonic: 'D',
    mode: 'major',
    numerator: 3,
    denominator: 4,
    tempo: 126,
    tune: `A4:2 F#4:1 | D4:2 E4:1 | F#4:1 G4:1 A4:1 | B4:3 |
      A4:2 F#4:1 | E4:2 D4:1 | C#4:1 D4:1 E4:1 | E4:1 D4:1 C#4:1 |
      A4:2 F#4:1 | D4:2 E4:1 | F#4:1 G4:1 A4:1 | D5:2 C#5:1 |
      B4:2 G4:1 | F#4:2 A4:1 | E4:1 F#4:1 E4:1 | D4:3`,
    chords: `D | D | D | G | D | Em | A7 | A7 | D | D | D | Bm | G | D | A7 | D`,
    sections: [],
    marks: {
      cuts: '5 9 13',
      chords:
        'D | D/Bm | D/Bm/Em | G/Em | D | Em/A7/Bm | A7/A | A7/A | D | D/Bm | D/Bm | Bm/D/G | G/Em | D | A7/A/Em | D',
    },
  },
  {
    id: 'apart-weir-jig',
    title: 'Weir Jig',
    subtitle: 'Two strains of eight bars',
    tonic: 'G',
    mode: 'major',
    numerator: 6,
    denominator: 8,
    tempo: 110,
    tune: `D4:0.5 | G4:0.5 A4:0.5 B4:0.5 D5:0.5 B4:0.5 G4:0.5 | A4:0.5 B4:0.5 C5:0.5 A4:1 D5:0.5 | B4:0.5 G4:0.5 B4:0.5 C5:0.5 A4:0.5 F#4:0.5 | G4:1 A4:0.5 F#4:0.5 E4:0.5 D4:0.5 |
      G4:0.5 A4:0.5 B4:0.5 D5:0.5 B4:0.5 G4:0.5 | E5:0.5 D5:0.5 C5:0.5 A4:1 C5:0.5 | B4:0.5 G4:0.5 B4:0.5 A4:0.5 F#4:0.5 D4:0.5 | G4:1.5 G4:1 B4:0.5 |
      D5:1 D5:0.5 E5:0.5 D5:0.5 B4:0.5 | C5:1 C5:0.5 D5:0.5 C5:0.5 A4:0.5 | B4:1 B4:0.5 C5:0.5 B4:0.5 G4:0.5 | A4:0.5 B4:0.5 A4:0.5 F#4:0.5 E4:0.5 D4:0.5 |
      D5:1 D5:0.5 E5:0.5 D5:0.5 B4:0.5 | C5:0.5 D5:0.5 E5:0.5 A4:1 C5:0.5 | B4:0.5 G4:0.5 B4:0.5 A4:0.5 F#4:0.5 D4:0.5 | G4:1.5 G4:1.5`,
    chords: `G | Am | G | G D | G | Am | G D7 | G | G | Am | G | D | G | Am | G D7 | G`,
    sections: [],
    marks: {
      cuts: '5-0.5 9-0.5 13',
      chords:
        'G | Am/D7/C/D | G/D7/D | G/D/D7 | G | Am/C | G/D7/D | G | G/Em | Am/C | G/Em | D7/D/Am | G/Em | Am/C | G/D7/D | G',
    },
  },
  {
    id: 'apart-ebb-hymn',
    title: 'Ebb Hymn',
    subtitle: 'Four lines that begin on the third beat',
    tonic: 'Eb',
    mode: 'major',
    numerator: 3,
    denominator: 4,
    tempo: 84,
    tune: `Bb3:1 | Eb4:2 F4:1 | G4:2 Eb4:1 | Ab4:2 G4:1 | F4:2 G4:1 |
      Ab4:2 Bb4:1 | C5:2 Bb4:1 | G4:2 Ab4:1 | Bb4:2 Bb4:1 |
      C5:2 Bb4:1 | Ab4:2 G4:1 | F4:2 Eb4:1 | D4:2 Bb3:1 |
      Eb4:2 G4:1 | F4:2 Ab4:1 | G4:2 F4:1 | Eb4:3`,
    chords: `Eb | Eb | Ab | Bb7 | Fm | Ab | Eb | Bb | Ab | Fm | Bb7 | Bb | Eb | Bb7 | Bb7 | Eb`,
    sections: [],
    marks: {
      cuts: '5-1 9-1 13-1',
      chords:
        'Eb | Eb/Cm | Ab/Fm | Bb7/Bb/Fm | Ab/Fm | Ab/Cm/Fm | Eb/Cm | Bb/Bb7/Eb | Ab/Cm/Fm | Fm/Ab/Bb7 | Bb7/Fm/Bb | Bb/Bb7 | Eb/Cm | Bb7/Fm/Bb | Eb/Bb7/Bb | Eb',
    },
  },
  {
    id: 'apart-heron-air',
    title: 'Heron Air',
    subtitle: 'Slow, with long notes in the middle of phrases',
    tonic: 'A',
    mode: 'minor',
    numerator: 4,
    denominator: 4,
    tempo: 66,
    tune: `E4:1 A4:2 B4:1 | C5:2 B4:1 A4:1 | G4:2 E4:1 G4:1 | A4:4 |
      C5:1 D5:2 E5:1 | G5:2 E5:1 D5:1 | C5:1 B4:1 A4:1 G#4:1 | B4:4 |
      E5:1 E5:2 D5:1 | C5:2 D5:1 C5:1 | B4:2 G4:1 B4:1 | A4:3 r:1 |
      E4:1 A4:2 B4:1 | C5:2 B4:1 A4:1 | G#4:2 E4:1 G#4:1 | A4:4`,
    chords: `Am | Am | Em | Am | Am | C | Am | E | C | Am | G | Am | Am | Am | E | Am`,
    sections: [],
    marks: {
      cuts: '5 9 13',
      chords:
        'Am | Am/F/C | Em/C/G | Am/F | Am/F/C/Dm | C/G | Am/E7/E/F | E/E7/G | C/Am/Em | Am/F/C | G/Em/E7 | Am/F | Am | Am/F/C | E7/E | Am',
    },
  },
  {
    id: 'apart-slipway-swing',
    title: 'Slipway Swing',
    subtitle: 'Every phrase begins after a rest',
    tonic: 'C',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 132,
    tune: `r:0.5 G4:0.5 A4:0.5 C5:0.5 E5:1 D5:1 | C5:0.5 A4:1 G4:2.5 | r:0.5 G4:0.5 A4:0.5 C5:0.5 D5:1 E5:1 | D5:3 r:1 |
      r:0.5 G4:0.5 A4:0.5 C5:0.5 E5:1 D5:1 | C5:0.5 A4:1 G4:2.5 | r:0.5 E4:0.5 G4:0.5 A4:0.5 B4:1 D5:1 | C5:3 r:1 |
      r:0.5 E5:0.5 E5:0.5 D5:0.5 C5:1 A4:1 | F4:0.5 A4:1 C5:2.5 | r:0.5 D5:0.5 D5:0.5 C5:0.5 A4:1 F#4:1 | G4:3 r:1 |
      r:0.5 G4:0.5 A4:0.5 C5:0.5 E5:1 D5:1 | C5:0.5 A4:1 G4:2.5 | r:0.5 E4:0.5 G4:0.5 A4:0.5 B4:1 D5:1 | C5:3 r:1`,
    chords: `C | Am | C | G7 | C | Am | G7 | C | F | F | D7 | G7 | C | Am | G7 | C`,
    sections: [],
    marks: {
      cuts: '5 9 13',
      chords:
        'C/Am | Am/C/F | C/Am/D7 | G7/G/Dm | C/Am | Am/C/F | G7/Em/G/C | C | F/Am/C | F/Dm | D7/Dm | G7/G/C | C/Am | Am/C/F | G7/Em/G/C | C',
    },
  },
  {
    id: 'apart-cradle',
    title: 'Cradle on the Tide',
    subtitle: 'A lullaby, rocking',
    tonic: 'Bb',
    mode: 'major',
    numerator: 6,
    denominator: 8,
    tempo: 60,
    tune: `D5:1 C5:0.5 Bb4:1 F4:0.5 | G4:1 A4:0.5 Bb4:1.5 | D5:1 C5:0.5 Bb4:1 G4:0.5 | F4:3 |
      D5:1 C5:0.5 Bb4:1 F4:0.5 | G4:1 A4:0.5 Bb4:1.5 | C5:1 D5:0.5 C5:1 A4:0.5 | Bb4:3 |
      F5:1.5 D5:1.5 | Eb5:1 D5:0.5 C5:1.5 | D5:1 C5:0.5 Bb4:1 G4:0.5 | F4:3 |
      D5:1 C5:0.5 Bb4:1 F4:0.5 | G4:1 A4:0.5 Bb4:1.5 | C5:1 D5:0.5 C5:1 A4:0.5 | Bb4:3`,
    chords: `Bb | Eb | Gm | F | Bb | Eb | F7 | Bb | Bb | Cm | Gm | F | Bb | Eb | F7 | Bb`,
    sections: [],
    marks: {
      cuts: '5 9 13',
      chords:
        'Bb | Eb/Gm | Gm/Bb/Eb | F/Bb/F7 | Bb | Eb/Gm | F7/F/Cm | Bb | Bb/Gm | Cm/F7/Eb | Gm/Bb/Eb | F/Bb/F7/Dm | Bb | Eb/Gm | F7/F/Cm | Bb',
    },
  },
  {
    id: 'apart-crab-polka',
    title: 'Crab Polka',
    subtitle: 'Short strains in two',
    tonic: 'A',
    mode: 'major',
    numerator: 2,
    denominator: 4,
    tempo: 108,
    tune: `E4:0.5 A4:0.5 A4:0.5 B4:0.5 | C#5:0.5 B4:0.5 A4:1 | D5:0.5 C#5:0.5 B4:0.5 A4:0.5 | G#4:0.5 B4:0.5 E4:1 |
      E4:0.5 A4:0.5 A4:0.5 B4:0.5 | C#5:0.5 B4:0.5 A4:1 | D5:0.5 B4:0.5 G#4:0.5 B4:0.5 | A4:2 |
      C#5:0.5 E5:0.5 E5:0.5 C#5:0.5 | D5:0.5 F#5:0.5 F#5:0.5 D5:0.5 | C#5:0.5 E5:0.5 D5:0.5 C#5:0.5 | B4:1 E4:1 |
      C#5:0.5 E5:0.5 E5:0.5 C#5:0.5 | D5:0.5 F#5:0.5 E5:0.5 D5:0.5 | C#5:0.5 A4:0.5 B4:0.5 G#4:0.5 | A4:2`,
    chords: `A | A | D | E | A | A | E7 | A | A | D | A | E | A | D | E7 | A`,
    sections: [],
    marks: {
      cuts: '5 9 13',
      chords:
        'A | A/F#m | D/Bm/E7 | E7/E | A | A/F#m | E7/E/Bm | A | A/C#m/F#m | D/Bm | A/F#m | E/E7/Bm | A/C#m/F#m | D/Bm | E7/A/E | A',
    },
  },
  {
    id: 'apart-black-sail',
    title: 'Black Sail',
    subtitle: 'Minor, with syncopation over the bar line',
    tonic: 'D',
    mode: 'minor',
    numerator: 4,
    denominator: 4,
    tempo: 104,
    tune: `A4:1.5 D5:1 C#5:0.5 D5:1 | E5:1.5 F5:1 E5:1.5 | D5:1.5 Bb4:1 A4:0.5 G4:1 | A4:3 r:1 |
      A4:1.5 D5:1 C#5:0.5 D5:1 | E5:1.5 F5:1 G5:1.5 | F5:1 E5:1 D5:1 C#5:1 | D5:3 r:1 |
      Bb4:1.5 Bb4:1 A4:0.5 G4:1 | A4:1.5 A4:1 G4:0.5 F4:1 | G4:1.5 G4:1 F4:0.5 E4:1 | A4:3 r:1 |
      A4:1.5 D5:1 C#5:0.5 D5:1 | E5:1.5 F5:1 G5:1.5 | F5:1 E5:1 D5:1 C#5:1 | D5:4`,
    chords: `Dm | A7 | Gm | A | Dm | A7 | Dm A7 | Dm | Gm | Dm | C | A | Dm | A7 | Dm A7 | Dm`,
    sections: [],
    marks: {
      cuts: '5 9 13',
      chords:
        'Dm/A7 | A7/A/F/Dm | Gm/Bb | A/A7/F/Dm | Dm/A7 | A7/C/F/Dm/C7 | Dm/A7/Bb/F | Dm | Gm/Bb | F/Dm/Am | C/Gm/C7/Em7b5 | A/A7/F/Dm | Dm/A7 | A7/C/F/Dm/C7 | Dm/A7/Bb/F | Dm',
    },
  },
  {
    id: 'apart-high-water',
    title: 'High Water Ballad',
    subtitle: 'Pick-ups of one, two and no beats',
    tonic: 'G',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 76,
    tune: `B4:2 A4:1 G4:1 | E4:3 G4:1 | A4:2 G4:1 E4:1 | D4:3 D4:1 |
      G4:2 A4:1 B4:1 | D5:3 B4:1 | A4:2 B4:1 G4:1 | A4:2 D4:1 E4:1 |
      B4:2 A4:1 G4:1 | E4:3 G4:1 | A4:2 G4:1 E4:1 | D4:3 D4:1 |
      E4:2 G4:1 C5:1 | B4:2 G4:1 E4:1 | A4:2 F#4:2 | G4:4`,
    chords: `G | C | Am | D | G | Bm | Am | D7 | G | C | Am | D | C | Em | D7 | G`,
    sections: [],
    marks: {
      cuts: '5-1 9-2 13-1',
      chords:
        'G/Em | C/Em/Am | Am/C | D/G/D7/Bm | G/Em | Bm/G/D | Am/D7/D/F#m7b5 | D7/D/Am | G/Em | C/Em/Am | Am/C | D/G/D7/Bm | C/Am/Em | Em/G | D7/D/Am | G',
    },
  },
  {
    id: 'apart-call',
    title: 'Call from the Pier',
    subtitle: 'Calls of two bars, each answered',
    tonic: 'C',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 108,
    tune: `G4:1 G4:1 A4:1 G4:1 | E4:2 r:2 | C4:1 E4:1 G4:1 E4:1 | D4:2 r:2 |
      G4:1 G4:1 A4:1 G4:1 | E4:2 r:2 | D4:1 E4:1 D4:1 B3:1 | C4:2 r:2 |
      C5:1 C5:1 D5:1 C5:1 | A4:2 r:2 | F4:1 A4:1 C5:1 A4:1 | G4:2 r:2 |
      G4:1 G4:1 A4:1 G4:1 | E4:2 r:2 | D4:1 E4:1 D4:1 B3:1 | C4:4`,
    chords: `C | C | C | G | C | C | G7 | C | F | F | F | G | C | C | G7 | C`,
    sections: [],
    marks: {
      cuts: '3 5 7 9 11 13 15',
      chords:
        'C | C/Am | C | G/G7/Dm | C | C/Am | G7/G/Dm | C | F/Am/C | F/Am/Dm | F/Dm | G/C/Em/G7 | C | C/Am | G7/G/Dm | C',
    },
  },
  {
    id: 'apart-chapel',
    title: 'Chapel on the Point',
    subtitle: 'A chorale in lines of two bars and a half',
    tonic: 'G',
    mode: 'minor',
    numerator: 4,
    denominator: 4,
    tempo: 80,
    tune: `G4:1 | Bb4:1 A4:1 G4:1 D5:1 | C5:1 Bb4:1 A4:1 D5:1 | D5:1 C5:1 Bb4:1 A4:1 | Bb4:3 F4:1 |
      Bb4:1 C5:1 D5:1 Bb4:1 | Eb5:1 D5:1 C5:1 D5:1 | C5:1 Bb4:1 A4:1 C5:1 | Bb4:3 Bb4:1 |
      D5:1 C5:1 Bb4:1 A4:1 | G4:1 A4:1 Bb4:1 C5:1 | D5:1 C5:1 Bb4:1 A4:1 | D4:3 D4:1 |
      G4:1 A4:1 Bb4:1 G4:1 | C5:1 Bb4:1 A4:1 D5:1 | Bb4:1 A4:1 G4:1 F#4:1 | G4:4`,
    chords: `Gm | F | Bb F | Bb | Bb | Cm | F7 | Bb | Gm | Gm | Gm | D | Gm | Cm D | Gm D7 | Gm`,
    sections: [],
    marks: {
      cuts: '5-1 9-1 13-1',
      chords:
        'Gm | F/D7/D/Cm/Bb/Gm | Bb/F/Gm/D7/D | Bb/Gm | Bb/Gm | Cm/Eb/F7 | F7/F/Cm | Bb/Gm | Gm/Bb/D7/D/F | Gm/Cm/Eb | Gm/Bb/D7/D/F | D/D7/Gm | Gm/Bb | Cm/D7/D/F | Gm/D7/D/Bb | Gm',
    },
  },
  {
    id: 'apart-cutwater',
    title: 'Cutwater',
    subtitle: 'In two half notes a bar',
    tonic: 'D',
    mode: 'major',
    numerator: 2,
    denominator: 2,
    tempo: 160,
    tune: `D4:1 E4:1 F#4:1 A4:1 | A4:2 F#4:2 | G4:1 F#4:1 E4:1 D4:1 | E4:4 |
      D4:1 E4:1 F#4:1 A4:1 | B4:2 A4:2 | G4:1 E4:1 C#4:1 E4:1 | D4:4 |
      A4:2 A4:1 B4:1 | A4:2 F#4:2 | G4:2 G4:1 A4:1 | F#4:2 D4:2 |
      A4:2 A4:1 B4:1 | A4:2 F#4:2 | E4:1 F#4:1 E4:1 C#4:1 | D4:4`,
    chords: `D | D | Em | A | D | G | A7 | D | D | D | G | D | D | D | A7 | D`,
    sections: [],
    marks: {
      cuts: '5 9 13',
      chords:
        'D | D | Em/G/A7 | A/A7/Em | D | G/D/Em | A7/A/Em | D | D/F#m | D | G/Em/A7 | D/Bm | D/F#m | D | A7/A/Em | D',
    },
  },
  {
    id: 'apart-sandbar',
    title: 'The Sandbar',
    subtitle: 'A long key-note in the middle of each phrase',
    tonic: 'E',
    mode: 'minor',
    numerator: 3,
    denominator: 4,
    tempo: 96,
    tune: `B4:1 | E5:3 | D5:1 C5:1 B4:1 | A4:2 G4:1 | F#4:2 B4:1 |
      E5:3 | F#5:1 G5:1 E5:1 | D5:1 C5:1 A4:1 | B4:2 B4:1 |
      E5:3 | D5:1 C5:1 B4:1 | A4:2 G4:1 | F#4:2 G4:1 |
      A4:2 B4:1 | C5:1 B4:1 A4:1 | G4:1 F#4:1 D#4:1 | E4:3`,
    chords: `Em | Em | Am | B7 | Em | Em | Am | B7 | Em | Em | Am | B7 | Am | Am | B7 | Em`,
    sections: [],
    marks: {
      cuts: '5-1 9-1 13-1',
      chords:
        'Em | Em/G/Am/C | Am/D/C/D7/F#m7b5 | B7/B/D | Em | Em/G/C | Am/D7/D/F#m7b5 | B7/B/Em/G | Em | Em/G/Am/C | Am/D/C/D7/F#m7b5 | B7/B/D | Am/F#m7b5/D7/D | Am/F#m7b5/C | B7/B/Em | Em',
    },
  },
];

/** Every mark of the tunes kept apart, by the id of the tune. */
export const MARKS_APART: Readonly<Record<string, Marks>> = Object.fromEntries(
  SCORES.map(({ id, marks }) => [id, marks]),
);

/** Tunes by which no weight is set. */
export const TUNES_APART: readonly Song[] = SCORES.map(compose);
