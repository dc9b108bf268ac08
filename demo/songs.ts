import type { Song } from '../core/song/schema';
import { compose } from './compose';

// Written for this project: a winter evening at Saltmarsh Hall, a village by a tidal river.

const lanterns = compose({
  id: 'demo-lanterns',
  title: 'Lanterns at Low Water',
  subtitle: 'Waltz for a winter evening',
  tonic: 'A',
  mode: 'minor',
  numerator: 3,
  denominator: 4,
  tempo: 96,
  tune: `A4:2 B4:1 | C5:2 B4:1 | A4:1 F4:1 A4:1 | G#4:3 |
    E5:2 C5:1 | D5:1 A4:1 F4:1 | G4:1.5 A4:0.5 B4:1 | C5:3 |
    A4:1 C5:1 F5:1 | E5:2 G4:1 | F4:1 A4:1 D5:1 | B4:2 r:1 |
    A4:2 B4:1 | C5:2 B4:1 | A4:1 F4:1 A4:1 | G#4:3 |
    E5:2 C5:1 | D5:1 A4:1 F4:1 | G4:1.5 A4:0.5 B4:1 | C5:3 |
    C5:1.5 D5:0.5 C5:1 | D5:1 A4:1 F4:1 | B4:1 G#4:1 B4:1 | A4:3`,
  chords: `Am | F | Dm | E7 | Am | Dm | G7 | C | F | C | Dm7 | E7 |
    Am | F | Dm | E7 | Am | Dm | G7 | C | F | Dm | E7 | Am`,
  sections: [
    [1, 'Verse', 2],
    [9, 'Middle', 3],
    [13, 'Verse', 3],
    [21, 'Close', 2],
  ],
});

const sluicegate = compose({
  id: 'demo-sluicegate',
  title: 'Sluicegate Song',
  subtitle: 'For the evening tide',
  tonic: 'G',
  mode: 'major',
  numerator: 4,
  denominator: 4,
  tempo: 104,
  tune: `D4:1 | G4:1.5 A4:0.5 B4:1 G4:1 | C5:1 B4:1 G4:1 D4:1 | E4:1 G4:1 B4:1 G4:1 | A4:3
    D4:1 | G4:1.5 A4:0.5 B4:1 G4:1 | C5:1 B4:1 G4:1 E4:1 | A4:1 C5:1 A4:1 F#4:1 | G4:3
    B4:1 | E5:1.5 D5:0.5 B4:1 G4:1 | C5:3 B4:1 | A4:1.5 B4:0.5 C5:1 A4:1 | D5:3
    D4:1 | G4:1.5 A4:0.5 B4:1 G4:1 | C5:1 B4:1 G4:1 E4:1 | A4:1 C5:1 A4:1 F#4:1 | G4:4`,
  chords: `G | C | Em | D7 | G | C | Am7 D7 | G | Em | C | Am7 | D7 | G | C | Am7 D7 | G`,
  words: `The tide is tur- ning at the gate, the wheel be- gins to groan;
    We lift the boards and let it go, the long way round to home.
    O let the wa- ter run, the sil- ver and the brown,
    And where it meets the mor- ning sea, we'll set the lan- terns down.`,
  sections: [
    [1, 'Verse', 2],
    [9, 'Bridge', 4],
    [13, 'Verse', 3],
  ],
});

/** Songs the application ships with, in the order of the shelf. */
export const DEMO_SONGS: readonly Song[] = [lanterns, sluicegate];
