import type { Song } from '../core/song';
import { compose, type Score } from './compose';

// Twelve songs of as many kinds, composed and marked before the rules of arranging above the fourth level were set. Weights
// may be set by them; those of `shaped-apart.ts` never are. They do not ship with the application.

/** A song with what a musician marked: how strong each phrase should be, and the manners of playing that would suit. */
export type Shaped = Score & {
  /** First bars of the phrases, each with its intensity from 1 (plain) to 9 (the climax): "1:2 5:4 9:8 13:5". */
  readonly shape: string;
  /** Styles any of which would suit. */
  readonly styles: string;
};

type Heading = Pick<
  Shaped,
  'tonic' | 'mode' | 'numerator' | 'denominator' | 'tempo' | 'shape' | 'styles' | 'tune' | 'chords'
> &
  Partial<Pick<Shaped, 'feel' | 'sections' | 'groups' | 'order'>>;

/** A song of a set, its id told from its title. */
export function shaped(title: string, subtitle: string, rest: Heading): Shaped {
  const id = `shaped-${title.toLowerCase().replaceAll(/[^a-z]+/g, '-')}`;
  return { id, title, subtitle, sections: [], ...rest };
}

export const SHAPED: readonly Shaped[] = [
  shaped('The Heron Stands', 'Dorian, a folk song', {
    tonic: 'D',
    mode: 'dorian',
    numerator: 4,
    denominator: 4,
    tempo: 104,
    tune: `D4:1 | A4:1.5 G4:0.5 F4:1 E4:1 | D4:2 C4:1 D4:1 | F4:1 G4:1 A4:1 B4:1 | A4:3 D4:1 |
      A4:1.5 G4:0.5 F4:1 E4:1 | D4:2 C4:1 D4:1 | F4:1 E4:1 C4:1 E4:1 | D4:3 A4:1 |
      D5:1.5 C5:0.5 B4:1 G4:1 | A4:2 A4:1 A4:1 | B4:1 C5:1 D5:1 B4:1 | A4:3 D4:1 |
      A4:1.5 G4:0.5 F4:1 E4:1 | D4:2 C4:1 D4:1 | F4:1 E4:1 C4:1 E4:1 | D4:3 r:1`,
    chords: `Dm | C | Dm G | Am | Dm | C | F C | Dm | G | Am | G | Am | Dm | C | F C | Dm`,
    shape: '1:2 5:3 9:8 13:5',
    styles: 'drone song ballad',
  }),
  shaped('Cold Kettle Blues', 'Twelve bars, swung', {
    tonic: 'C',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 112,
    feel: { kind: 'swing', ratio: 2 },
    tune: `G4:1 Eb4:0.5 E4:0.5 C4:2 | r:4 | G4:1 Eb4:0.5 E4:0.5 G4:1 A4:1 | G4:3 r:1 |
      A4:1 G4:0.5 F4:0.5 Eb4:2 | r:4 | G4:1 Eb4:0.5 E4:0.5 C4:2 | r:4 |
      D5:1 C5:0.5 B4:0.5 G4:2 | C5:1 Bb4:0.5 A4:0.5 F4:2 | Eb4:0.5 E4:0.5 G4:1 C4:2 | r:4`,
    chords: `C7 | F7 | C7 | C7 | F7 | F7 | C7 | C7 | G7 | F7 | C7 | G7`,
    shape: '1:2 5:4 9:7',
    styles: 'blues swing',
  }),
  shaped('Penny on the Rail', 'A rag in two', {
    tonic: 'F',
    mode: 'major',
    numerator: 2,
    denominator: 4,
    tempo: 84,
    tune: `C5:0.25 A4:0.5 C5:0.25 F5:0.5 D5:0.5 | C5:0.25 A4:0.5 F4:0.25 A4:1 | Bb4:0.25 G4:0.5 Bb4:0.25 E5:0.5 C5:0.5 | A4:0.25 C5:0.5 A4:0.25 F4:1 |
      C5:0.25 A4:0.5 C5:0.25 F5:0.5 D5:0.5 | C5:0.25 A4:0.5 F4:0.25 B4:1 | C5:0.25 D5:0.5 E5:0.25 G5:0.5 E5:0.5 | C5:1.5 r:0.5 |
      D5:0.25 F5:0.5 D5:0.25 Bb4:0.5 D5:0.5 | C5:0.25 F5:0.5 C5:0.25 A4:1 | G4:0.25 Bb4:0.5 G4:0.25 E5:0.5 D5:0.5 | C5:0.25 A4:0.5 C5:0.25 F5:1 |
      D5:0.25 F5:0.5 D5:0.25 Bb4:0.5 D5:0.5 | C5:0.25 F5:0.5 A5:0.25 F5:1 | E5:0.25 D5:0.5 C5:0.25 Bb4:0.5 G4:0.5 | F4:1.5 r:0.5`,
    chords: `F | F | C7 | F | F | G7 | C | C7 | Bb | F | C7 | F | Bb | F D7 | Gm C7 | F`,
    shape: '1:3 5:5 9:5 13:8',
    styles: 'stride',
  }),
  shaped('Orange Crates', 'A habanera', {
    tonic: 'D',
    mode: 'minor',
    numerator: 2,
    denominator: 4,
    tempo: 66,
    tune: `A4:0.75 Bb4:0.25 A4:0.3333 G#4:0.3334 A4:0.3333 | D5:1 C#5:0.5 D5:0.5 | E5:0.75 D5:0.25 Bb4:0.3333 C5:0.3334 Bb4:0.3333 | A4:2 |
      G4:0.75 A4:0.25 G4:0.3333 F#4:0.3334 G4:0.3333 | C5:1 Bb4:0.5 A4:0.5 | G4:0.75 F4:0.25 E4:0.5 C#4:0.5 | D4:2 |
      F5:0.75 E5:0.25 D5:0.3333 C#5:0.3334 D5:0.3333 | A5:1 G5:0.5 F5:0.5 | E5:0.75 D5:0.25 C#5:0.3333 B4:0.3334 C#5:0.3333 | D5:2 |
      G4:0.75 A4:0.25 G4:0.3333 F#4:0.3334 G4:0.3333 | C5:1 Bb4:0.5 A4:0.5 | G4:0.75 F4:0.25 E4:0.5 C#4:0.5 | D4:2`,
    chords: `Dm | Dm | E7 | A7 | Gm | C7 F | Gm A7 | Dm | Bb | Dm | A7 | Dm | Gm | C7 F | Gm A7 | Dm`,
    shape: '1:3 5:4 9:8 13:4',
    styles: 'habanera',
  }),
  shaped('All Ye Lamps', 'A hymn, a chord to nearly each beat', {
    tonic: 'Eb',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 84,
    tune: `Eb4:1 G4:1 Bb4:1 Ab4:1 | G4:2 F4:2 | G4:1 Ab4:1 Bb4:1 C5:1 | Bb4:4 |
      C5:1 Bb4:1 Ab4:1 G4:1 | F4:2 G4:2 | Ab4:1 G4:1 F4:1 D4:1 | Eb4:4 |
      Bb4:1 C5:1 D5:1 Bb4:1 | Eb5:2 D5:2 | C5:1 Bb4:1 Ab4:1 G4:1 | F4:4 |
      G4:1 Bb4:1 Eb5:1 C5:1 | Bb4:2 Ab4:2 | G4:1 Ab4:1 G4:1 F4:1 | Eb4:4`,
    chords: `Eb Bb Eb Ab | Eb Bb | Eb Fm Gm Ab | Eb Bb | Ab Eb Fm Cm | Bb Eb | Fm Eb Bb7 Bb7 | Eb |
      Gm Ab Bb Gm | Cm Bb | Ab Eb Fm Eb | Bb | Eb Gm Cm Ab | Eb Ab | Eb Fm Eb Bb7 | Eb`,
    shape: '1:3 5:4 9:6 13:8',
    styles: 'hymn',
  }),
  shaped('What the Tide Took', 'A ballad that rises', {
    tonic: 'G',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 66,
    tune: `D4:0.5 G4:0.5 A4:1 B4:2 | A4:0.5 G4:0.5 E4:3 | E4:0.5 G4:0.5 A4:1 C5:1.5 B4:0.5 | A4:4 |
      D4:0.5 G4:0.5 A4:1 B4:2 | D5:0.5 B4:0.5 G4:3 | E4:0.5 G4:0.5 A4:1 G4:1 F#4:1 | G4:4 |
      B4:0.5 C5:0.5 D5:1 E5:2 | D5:0.5 B4:0.5 G4:3 | C5:0.5 D5:0.5 E5:1 G5:1.5 E5:0.5 | D5:4 |
      D4:0.5 G4:0.5 A4:1 B4:2 | D5:0.5 B4:0.5 G4:3 | E4:0.5 G4:0.5 A4:1 G4:1 F#4:1 | G4:4`,
    chords: `G | Em | C Am | D7 | G | Em | C D7 | G | C | G Em | Am C | D7 | G | Em | C D7 | G`,
    shape: '1:2 5:4 9:9 13:4',
    styles: 'ballad',
  }),
  shaped('Three Turns of the Floor', 'A chain of waltzes', {
    tonic: 'A',
    mode: 'major',
    numerator: 3,
    denominator: 4,
    tempo: 152,
    tune: `E4:1 A4:1 C#5:1 | E5:2 C#5:1 | D5:1 C#5:1 B4:1 | F#4:2 B4:1 | G#4:1 B4:1 D5:1 | F#5:2 E5:1 | D5:1 B4:1 G#4:1 | A4:3 |
      E4:1 A4:1 C#5:1 | E5:2 C#5:1 | D5:1 C#5:1 B4:1 | F#4:2 B4:1 | G#4:1 B4:1 E5:1 | D5:2 B4:1 | A4:3 | r:3 |
      F#5:3 | E5:2 D5:1 | C#5:3 | A4:3 | D5:3 | C#5:2 B4:1 | A4:2 G#4:1 | F#4:3 |
      F#5:3 | E5:2 D5:1 | C#5:3 | E5:3 | D5:2 B4:1 | G#4:2 E4:1 | A4:3 | r:3`,
    chords: `A | A | Bm | Bm | E7 | E7 | E7 | A | A | A | Bm | Bm | E7 | E7 | A | A |
      D | D | A | A | Bm | E7 | E7 | F#m | D | D | A | A | E7 | E7 | A | A`,
    shape: '1:3 9:4 17:6 25:8',
    styles: 'waltz',
  }),
  shaped('Five Bollards', 'In five', {
    tonic: 'E',
    mode: 'minor',
    numerator: 5,
    denominator: 4,
    tempo: 116,
    tune: `E4:1 G4:1 B4:1 A4:1 G4:1 | F#4:3 D4:2 | E4:1 G4:1 B4:1 D5:1 C5:1 | B4:5 |
      C5:1 B4:1 A4:1 G4:1 A4:1 | B4:3 G4:2 | A4:1 G4:1 F#4:1 D#4:1 F#4:1 | E4:5 |
      B4:1 D5:1 E5:1 D5:1 B4:1 | A4:3 C5:2 | B4:1 A4:1 G4:1 F#4:1 A4:1 | B4:5 |
      E4:1 G4:1 B4:1 A4:1 G4:1 | F#4:3 D4:2 | C4:1 E4:1 A4:1 G4:1 F#4:1 | E4:5`,
    chords: `Em | D | Em C | Bm | Am | Em | B7 | Em | G | Am | D | B7 | Em | D | Am B7 | Em`,
    shape: '1:2 5:4 9:8 13:5',
    styles: 'groups',
  }),
  shaped('Slip of the Quay', 'A jig in nine', {
    tonic: 'G',
    mode: 'major',
    numerator: 9,
    denominator: 8,
    tempo: 156,
    tune: `D5:0.5 B4:0.5 G4:0.5 G4:0.5 A4:0.5 B4:0.5 A4:1 D4:0.5 | D5:0.5 B4:0.5 G4:0.5 G4:0.5 A4:0.5 B4:0.5 G4:1.5 | E4:0.5 F#4:0.5 G4:0.5 A4:0.5 B4:0.5 C5:0.5 B4:1 G4:0.5 | A4:0.5 G4:0.5 F#4:0.5 G4:1.5 G4:1.5 |
      G5:0.5 F#5:0.5 E5:0.5 D5:0.5 B4:0.5 G4:0.5 A4:1.5 | G5:0.5 F#5:0.5 E5:0.5 D5:0.5 B4:0.5 G4:0.5 B4:1.5 | C5:0.5 B4:0.5 A4:0.5 B4:0.5 A4:0.5 G4:0.5 E4:1.5 | A4:0.5 G4:0.5 F#4:0.5 G4:1.5 G4:1.5`,
    chords: `G G D | G G G | C D G | D G G | G G D | G G G | C G Em | D G G`,
    shape: '1:3 5:7',
    styles: 'jig',
  }),
  shaped('Up the Church Field', 'A march that goes up a tone', {
    tonic: 'Bb',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 116,
    tune: `F4:0.75 F4:0.25 | Bb4:1 Bb4:0.75 C5:0.25 D5:1 Bb4:1 | C5:1 A4:1 F4:1 F4:1 | Eb5:1 D5:1 C5:1 A4:1 | Bb4:3 F4:0.75 F4:0.25 |
      Bb4:1 Bb4:0.75 C5:0.25 D5:1 F5:1 | Eb5:1 C5:1 A4:1 C5:1 | Bb4:1 D5:1 C5:1 A4:1 | Bb4:3 G4:0.75 G4:0.25 |
      C5:1 C5:0.75 D5:0.25 E5:1 C5:1 | D5:1 B4:1 G4:1 G4:1 | F5:1 E5:1 D5:1 B4:1 | C5:3 G4:0.75 G4:0.25 |
      C5:1 C5:0.75 D5:0.25 E5:1 G5:1 | F5:1 D5:1 B4:1 D5:1 | C5:1 E5:1 D5:1 B4:1 | C5:4`,
    chords: `Bb | F7 | F7 | Bb | Bb | Cm F7 | Bb F7 | Bb G7 | C | G7 | G7 | C | C | Dm G7 | C G7 | C`,
    shape: '1:3 5:5 9:6 13:9',
    styles: 'march',
  }),
  shaped('Owl Under the Eaves', 'A lullaby', {
    tonic: 'F',
    mode: 'major',
    numerator: 3,
    denominator: 4,
    tempo: 76,
    tune: `A4:2 G4:1 | F4:3 | A4:2 Bb4:1 | C5:3 | D5:2 C5:1 | A4:2 F4:1 | G4:2 A4:1 | G4:3 |
      A4:2 G4:1 | F4:3 | A4:2 Bb4:1 | C5:2 D5:1 | C5:2 A4:1 | G4:2 E4:1 | F4:3 | F4:3`,
    chords: `F | Dm | F | Am | Bb | F | Gm | C7 | F | Dm | F | Am | F | C7 | F | F`,
    shape: '1:2 5:6 9:3 13:5',
    styles: 'lullaby',
  }),
  shaped('Nothing but Reeds', 'Five tones, slow, with long rests', {
    tonic: 'C',
    mode: 'major',
    numerator: 4,
    denominator: 4,
    tempo: 60,
    tune: `G4:2 A4:2 | C5:4 | r:4 | A4:2 G4:2 | E4:4 | r:4 | G4:2 A4:2 | C5:2 D5:2 |
      E5:4 | r:4 | D5:2 C5:2 | A4:4 | r:4 | G4:2 E4:2 | D4:2 C4:2 | C4:4`,
    chords: `C | Am | Am | F | C | C | C | F | Am | Am | F | Dm | Dm | C | G | C`,
    shape: '1:2 4:3 7:7 11:5 14:2',
    styles: 'still ballad',
  }),
];

export const SHAPED_SONGS: readonly Song[] = SHAPED.map(compose);
