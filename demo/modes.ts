import type { Song } from '../core/song';
import { compose, type Score } from './compose';

// Short tunes in the modes, written for the tests: the chords of each are those of its own cadences.

type Sketch = Pick<
  Score,
  'title' | 'tonic' | 'mode' | 'numerator' | 'denominator' | 'tempo' | 'tune' | 'chords'
>;

const SKETCHES: readonly Sketch[] = [
  {
    title: 'Grey Heron',
    tonic: 'D',
    mode: 'dorian',
    numerator: 4,
    denominator: 4,
    tempo: 92,
    tune: `D4:1 A4:2 G4:1 | F4:1 E4:1 D4:2 | C4:1 E4:1 G4:1 B4:1 | A4:4 | A4:1 D5:2 C5:1 | B4:1 G4:1 A4:2 | F4:1 E4:1 C4:1 E4:1 | D4:4`,
    chords: 'Dm | Dm | C | Am | Dm | G | C | Dm',
  },
  {
    title: 'Salt Road',
    tonic: 'E',
    mode: 'dorian',
    numerator: 3,
    denominator: 4,
    tempo: 104,
    tune: `B4:2 E5:1 | D5:2 B4:1 | C#5:1 B4:1 A4:1 | B4:3 | G4:2 B4:1 | A4:2 F#4:1 | D4:1 F#4:1 A4:1 | E4:3`,
    chords: 'Em | Em | A | Em | Em | A | D | Em',
  },
  {
    title: 'The Ferry Reel',
    tonic: 'G',
    mode: 'mixolydian',
    numerator: 4,
    denominator: 4,
    tempo: 120,
    tune: `G4:1 B4:1 D5:1 B4:1 | C5:1 A4:1 F4:2 | G4:1 B4:1 D5:1 G5:1 | F5:2 D5:2 | G5:1 F5:1 D5:1 B4:1 | C5:1 A4:1 F4:1 A4:1 | C5:1 B4:1 A4:1 F4:1 | G4:4`,
    chords: 'G | F | G | F | G | F | F | G',
  },
  {
    title: 'Low Lantern',
    tonic: 'D',
    mode: 'mixolydian',
    numerator: 6,
    denominator: 8,
    tempo: 120,
    tune: `D5:1 A4:0.5 F#4:1 A4:0.5 | C5:1.5 G4:1.5 | A4:1 D5:0.5 F#5:1 D5:0.5 | E5:3 | D5:1 A4:0.5 F#4:1 A4:0.5 | C5:1 E5:0.5 G5:1 E5:0.5 | D5:1 C5:0.5 A4:1 C5:0.5 | D5:3`,
    chords: 'D | C | D | C | D | C | Am | D',
  },
  {
    title: 'Night Watch',
    tonic: 'E',
    mode: 'phrygian',
    numerator: 4,
    denominator: 4,
    tempo: 72,
    tune: `E4:2 F4:1 G4:1 | A4:2 G4:2 | F4:1 G4:1 A4:1 C5:1 | B4:4 | E5:2 D5:1 C5:1 | B4:2 A4:1 G4:1 | A4:1 G4:1 F4:2 | E4:4`,
    chords: 'Em | Am | F | Em | Em | G | F | Em',
  },
  {
    title: 'Kittiwake',
    tonic: 'F',
    mode: 'lydian',
    numerator: 3,
    denominator: 4,
    tempo: 100,
    tune: `F4:1 A4:1 C5:1 | B4:2 A4:1 | G4:1 B4:1 D5:1 | C5:3 | A4:1 C5:1 F5:1 | E5:2 D5:1 | C5:1 B4:1 G4:1 | F4:3`,
    chords: 'F | G | G | F | F | C | G | F',
  },
  {
    title: 'Winter Wrack',
    tonic: 'A',
    mode: 'aeolian',
    numerator: 4,
    denominator: 4,
    tempo: 84,
    tune: `A4:1 C5:1 E5:2 | D5:1 C5:1 B4:2 | C5:1 A4:1 F4:2 | G4:4 | A4:1 C5:1 E5:2 | G5:1 E5:1 D5:2 | C5:1 B4:1 G4:2 | A4:4`,
    chords: 'Am | G | F | G | Am | C | G | Am',
  },
];

/** With their tonality, for the tests of finding it. */
export const MODE_SONGS: readonly Song[] = SKETCHES.map((sketch, i) =>
  compose({ id: `mode-${i}`, subtitle: '', sections: [], ...sketch }),
);
