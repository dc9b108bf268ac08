import type { Song } from '../core/song';
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

const rain = compose({
  id: 'demo-rain',
  title: 'Rain on the Net Loft',
  subtitle: 'Two figures, over and over',
  tonic: 'D',
  mode: 'minor',
  numerator: 4,
  denominator: 4,
  tempo: 92,
  tune: `A4:0.5 A4:1 G4:0.5 F4:1 D4:1 | G4:0.5 G4:1 A4:0.5 G4:2 |
    C5:0.5 C5:1 A4:0.5 D5:1 C5:1 | Bb4:0.5 A4:1 G4:0.5 A4:2 |
    A4:0.5 A4:1 G4:0.5 F4:1 D4:1 | G4:0.5 G4:1 A4:0.5 G4:2 |
    C5:0.5 C5:1 A4:0.5 Bb4:1 G4:1 | F4:0.5 E4:1 E4:0.5 D4:2 |
    D5:0.5 D5:1 C5:0.5 A4:1 F4:1 | G4:0.5 A4:1 Bb4:0.5 A4:2 |
    C5:0.5 C5:1 A4:0.5 D5:1 C5:1 | Bb4:0.5 A4:1 G4:0.5 A4:2 |
    A4:0.5 A4:1 G4:0.5 F4:1 D4:1 | G4:0.5 G4:1 A4:0.5 G4:2 |
    C5:0.5 C5:1 A4:0.5 Bb4:1 G4:1 | F4:0.5 E4:1 E4:0.5 D4:2`,
  chords: `Dm | Gm C | F Bb | Gm A7 | Dm | Gm C | F Gm | A7 Dm |
    Bb F | Gm A7 | F Bb | Gm A7 | Dm | Gm C | F Gm | A7 Dm`,
  sections: [
    [1, 'Drops', 2],
    [9, 'Gutter', 4],
    [13, 'Drops', 3],
  ],
});

const mudflat = compose({
  id: 'demo-mudflat',
  title: 'Mudflat Evening',
  subtitle: 'Slow swing, when the boats sit still',
  tonic: 'Bb',
  mode: 'major',
  numerator: 4,
  denominator: 4,
  tempo: 112,
  feel: { kind: 'swing', ratio: 2 },
  tune: `F4:1 Bb4:0.5 D5:1.5 B4:1 | C5:1.5 A4:0.5 F4:2 | A4:1 F4:0.5 D5:1.5 B4:1 | C5:1.5 Eb5:0.5 D5:1 C5:1 |
    D5:1 Bb4:0.5 F4:0.5 Ab4:2 | G4:1 Bb4:0.5 D5:0.5 C5:2 | A4:1.5 F4:0.5 G4:2 | Eb4:1 G4:1 A4:2 |
    Eb4:1 G4:0.5 C5:0.5 A4:1 F4:1 | Bb4:3 r:1 |
    G4:1.5 Bb4:0.5 D5:2 | Db5:1.5 Bb4:0.5 G4:2 | F4:1.5 A4:0.5 D5:2 | D5:1.5 B4:0.5 G4:2 |
    E5:1.5 D5:0.5 C5:2 | Bb4:1 G4:1 E4:2 | Eb4:1 G4:1 Bb4:1 C5:1 | A4:1 C5:1 Eb5:2 |
    F4:1 Bb4:0.5 D5:1.5 B4:1 | C5:1.5 A4:0.5 F4:2 | A4:1 F4:0.5 D5:1.5 B4:1 | C5:1.5 Eb5:0.5 D5:1 C5:1 |
    D5:1 Bb4:0.5 F4:0.5 Ab4:2 | G4:1 Bb4:0.5 D5:0.5 C5:2 | Eb4:1 G4:0.5 C5:0.5 A4:1 F4:1 | Bb4:4`,
  chords: `Bbmaj7 Bdim7 | Cm7 F7 | Bbmaj7 Bdim7 | Cm7 F7 | Bbmaj7 Bb7 | Ebmaj7 Ebm6 | Bbmaj7 | Cm7 F7 | Cm7 F7 | Bb6 |
    Ebmaj7 | Edim7 | Bbmaj7 | G7 | C7 | % | Cm7 | F7 |
    Bbmaj7 Bdim7 | Cm7 F7 | Bbmaj7 Bdim7 | Cm7 F7 | Bbmaj7 Bb7 | Ebmaj7 Ebm6 | Cm7 F7 | Bb6`,
  order: [
    [1, 8],
    [1, 6],
    [9, 26],
  ],
  sections: [
    [1, 'Verse', 2],
    [11, 'Bridge', 3],
    [19, 'Verse', 3],
  ],
});

const jig = compose({
  id: 'demo-jig',
  title: 'Boathouse Jig',
  subtitle: 'For a wooden floor',
  tonic: 'F',
  mode: 'major',
  numerator: 6,
  denominator: 8,
  tempo: 144,
  tune: `F4:0.5 A4:0.5 C5:0.5 C5:1 A4:0.5 | D5:0.5 C5:0.5 Bb4:0.5 A4:1 F4:0.5 |
    G4:0.5 A4:0.5 Bb4:0.5 D5:1 Bb4:0.5 | C5:0.5 Bb4:0.5 A4:0.5 G4:1.5 |
    F4:0.5 A4:0.5 C5:0.5 C5:1 A4:0.5 | D5:0.5 C5:0.5 Bb4:0.5 A4:1 F4:0.5 |
    Bb4:0.5 A4:0.5 G4:0.5 E4:0.5 F4:0.5 G4:0.5 | F4:1.5 F4:1 r:0.5 |
    D5:1 E5:0.5 F5:1 D5:0.5 | C5:1 A4:0.5 E5:1 C5:0.5 | D5:0.5 C5:0.5 Bb4:0.5 F4:1 Bb4:0.5 | C5:0.5 D5:0.5 E5:0.5 G5:1.5 |
    F5:0.5 E5:0.5 D5:0.5 C5:1 A4:0.5 | Bb4:0.5 C5:0.5 D5:0.5 F5:1 D5:0.5 |
    Bb4:0.5 A4:0.5 G4:0.5 E4:0.5 F4:0.5 G4:0.5 | F4:1.5 F4:1 r:0.5`,
  chords: `F | Bb F | Gm | C7 | F | Bb F | Gm C7 | F | Dm | Am | Bb | C | F | Bb | Gm C7 | F`,
  order: [
    [1, 8],
    [1, 16],
    [9, 16],
  ],
  sections: [
    [1, 'First strain', 3],
    [9, 'Second strain', 4],
  ],
});

const snow = compose({
  id: 'demo-snow',
  title: 'Snow on the Slipway',
  subtitle: 'Quietly, the last verse above',
  tonic: 'E',
  mode: 'minor',
  numerator: 4,
  denominator: 4,
  tempo: 84,
  tune: `E4:1 G4:1 B4:2 | A4:1 G4:1 E4:2 | C5:1 B4:1 A4:1 E4:1 | F#4:3 r:1 |
    E4:1 G4:1 B4:2 | C5:1 B4:1 G4:2 | A4:1 C5:1 B4:1 D#4:1 | E4:3 r:1 |
    D5:1.5 B4:0.5 G4:2 | F#4:1 A4:1 D5:2 | C5:1.5 B4:0.5 A4:2 | B4:3 r:1 |
    E4:1 G4:1 B4:2 | A4:1 G4:1 E4:2 | C5:1 B4:1 A4:1 E4:1 | F#4:3 r:1 |
    E4:1 G4:1 B4:2 | C5:1 B4:1 G4:2 | A4:1 C5:1 B4:1 D#4:1 | E4:4`,
  chords: `Em | C | Am | B7 | Em | C | Am B7 | Em | G | D | Am | B7 | Em | C | Am | B7 | Em | C | Am B7 | Em`,
  words: `Snow comes down on the boats ly- ing there in rows;
    No one knows where the old fer- ry- man now goes.
    White a- long all the quay, still is the sea.
    Snow lies deep on the boats sleep- ing there in rows;
    Light comes back when the tide turns a- bout and flows.`,
  octaveUp: [13, 17],
  sections: [
    [1, 'Verse', 2],
    [9, 'Middle', 3],
    [13, 'Verse', 4],
  ],
});

/** Songs the application ships with, in the order of the shelf. */
export const DEMO_SONGS: readonly Song[] = [lanterns, sluicegate, rain, mudflat, jig, snow];
