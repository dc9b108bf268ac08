// What a teacher marked on the songs before any program looked at them: where parts begin, and which chords could
// stand in each bar. Marked by hand from the notes; changed only where a mark was a slip of the pen.

/** The marks of one song, by its id. */
export interface Marks {
  /**
   * Played bars in which a part begins, besides the first: "5" on its bar line, "5-1" one quarter before it,
   * so many quarters of a pick-up.
   */
  readonly cuts: string;
  /**
   * Chords that could be played in each written bar, bars between "|", choices between "/". Any of them is right;
   * where a bar holds two chords, any of the two is.
   */
  readonly chords: string;
}

const HARBOUR_A = 'Bb/Gm | Bb/Gm/Eb | Eb/Cm/Gm | F7/F/Bb/Dm | Bb/Gm | Bb/Gm/Eb | F7/F/Cm/Am7b5 | Bb/Gm';
const STEPS_A = 'G | Am/D7/C/D | D7/Am/D/C | G/Em/Bm | G | Am/D7/C/D | D7/D/Am | G';
const STEPS_B = 'G/Bm/Em | Am/C/D7 | G/Em | D/D7/Am | G/Bm/Em | C/Am | G/D7/D/Em | G';
const STEPS_C = 'Em/G/Bm | Am/C/F#m7b5 | G/Em/Bm | Em/C | Em/G/Bm | Am/C/F#m7b5 | Em/B7/B/D#dim7 | Em';
const LANTERNS_VERSE = 'Am | F/Am/C | Dm/F | E7/E | Am/C | Dm/F | G7/G/Em | C/Am/F';
const RAIN_TAIL = 'Dm/F | Gm/C/C7/Em7b5 | F/Gm/Am/Bb/C | A7/A/Dm/F';
const MUDFLAT_A =
  'Bbmaj7/Bdim7/Bb/G7/Bb6 | Cm7/F7/F/Cm | Bbmaj7/Bdim7/Dm/G7/Bb | Cm7/F7/F/Cm | Bbmaj7/Bb7/Bb/Dm7 | Ebmaj7/Ebm6/Cm7/Eb/C7';
const SNOW_VERSE = 'Em/C/G | C/Am/Em | Am/C/F#m7b5 | B7/B/D';

export const MARKS: Readonly<Record<string, Marks>> = {
  'demo-lanterns': {
    cuts: '5 9 13 17 21',
    chords: `${LANTERNS_VERSE} | F/Am | C/Em | Dm7/Dm/F/Bdim | E7/E/G/G7 | ${LANTERNS_VERSE} |
      F/C/Am | Dm/F | E7/E | Am`,
  },
  'demo-sluicegate': {
    cuts: '5-1 9-1 13-1',
    chords: `G/Em | C/G/Am | Em/C/G | D7/D/Am | G/Em | C/Am/G | Am7/D7/Am/D/C | G | Em/G/C | C/Am | Am7/Am/D7/F#m7b5 | D7/D/G |
      G/Em | C/Am/G | Am7/D7/Am/D/C | G`,
  },
  'demo-rain': {
    cuts: '3 5 7 9 11 13 15',
    chords: `Dm/F | Gm/C/C7/Em7b5 | F/Bb/Am/C/Dm | Gm/A7/A/C/F | Dm/F | Gm/C/C7/Em7b5 | F/Gm/Am/Bb/C | A7/A/Dm/F |
      Bb/F/Dm/Am | Gm/A7/A/C/F | F/Bb/Am/C/Dm | Gm/A7/A/C/F | ${RAIN_TAIL}`,
  },
  'demo-mudflat': {
    cuts: '5 9 13 17 21 25 29',
    chords: `${MUDFLAT_A} | Bbmaj7/Gm7/F7/Bb/Gm/Dm7 | Cm7/F7/Cm/F/Eb/Am7b5 | Cm7/F7/Cm/F/Am7b5 | Bb6/Bb/Bbmaj7/Gm |
      Ebmaj7/Gm7/Eb/Gm/Bb | Edim7/Eb7/Bbm/C7/Gm7b5 | Bbmaj7/Dm/F/Bb/Dm7 | G7/G | C7/C/Am7/Am | C7/C/Gm/Edim7/Em7b5 |
      Cm7/Cm/Eb/Ebmaj7/F7 | F7/F/Am7b5/Cm | ${MUDFLAT_A} | Cm7/F7/Cm/F/Am7b5 | Bb6/Bb/Bbmaj7/Gm`,
  },
  'demo-jig': {
    cuts: '5 9 13 17 21 25 29',
    chords: `F/Am | Bb/F/Dm | Gm/Bb | C7/C/F/Am | F/Am | Bb/F/Dm | Gm/C7/C | F | Dm/Bb/F | Am/C/F/A | Bb/F/Gm | C/C7/Am |
      F/Dm/Am | Bb/Gm | Gm/C7/C | F`,
  },
  'demo-snow': {
    cuts: '5 9 13 17',
    chords: `${SNOW_VERSE} | Em/C/G | C/Am/Em | Am/B7/B/F#m7b5 | Em | G/Em/Bm | D/Bm | Am/C/Am7/D7 | B7/B/Em/G |
      ${SNOW_VERSE} | Em/C/G | C/Am/Em | Am/B7/B/F#m7b5 | Em`,
  },
  'ferry-bell': {
    cuts: '5',
    chords: `C/Am/Em | Am/F/C | F/C/Dm | G/G7/Dm | C/Am/Em | F/C/Am | Dm/G/G7/F | C`,
  },
  'samphire-waltz': {
    cuts: '5-1 9-1 13-1',
    chords: `G | G/Em | C/Am | G/Em | G/D/D7/Bm | G/Em | A7/Am/A | D7/D/Am | G | G/Em | C/Am | G/Em | C/Am/Am7 | G/Em | D7/D | G`,
  },
  'three-oar-reel': {
    cuts: '5 9 13',
    chords: `D/Bm | D/Bm/G | Em/G/A7/A/D | A/A7/Em | D/Bm | D/Bm/G | A7/A/Em | D | Bm/D/G | D/Bm/G | Em/G/E7 | A/A7/D |
      Bm/D/G | D/Bm | A7/A/Em | D`,
  },
  'eel-trap': {
    cuts: '4 7 12',
    chords: `Am/F | C/Am/F | E/E7/Em/G | Am/F | F/Dm/Dm7 | E/Am/C/E7 | C/Am | Dm/F/Bdim/G | Am/C/F/G/Em | Dm/E/F/E7 | E7/E/Am/C |
      Am/F | Dm/E7/E/F | Am`,
  },
  'long-causeway': {
    cuts: '6 11 15',
    chords: `F/Dm | Gm/Bb/C7/C | F/Dm/Am | F/Dm/Am | C/C7/Gm/G7 | F/Dm | Gm/Bb/C7/C | F/Dm/Am | C7/C/Gm | F | Dm/Bb/F | Gm/Bb/Dm |
      Bb/F/Dm | C/C7/F/Am | F/Dm | Gm/Bb/C7/C | F/Dm/Am | C7/C/Gm | F`,
  },
  'mist-off-the-creek': {
    cuts: '5-0.5 9-0.5 13-0.5',
    chords: `Eb/Ab/Cm | Eb/Cm/Gm | Bb7/Bb/Fm | Eb/Cm/Gm | Eb/Ab/Cm | Eb/Cm/Gm/Ab | Bb/F7/F/Gm | Bb/Bb7/Gm | Ab/Cm | Eb/Gm/Cm |
      Fm/Bb7/Bb/Ab | Eb/Cm/Gm | Eb/Ab/Cm | Eb/Cm/Gm | Bb7/Bb/Fm | Eb`,
  },
  'winter-geese': {
    cuts: '5 8 12',
    chords: `Dm | Gm/Bb | Gm/C/C7/Em7b5/A7 | A/A7/F/Dm | Dm | Dm/Bb/F | C7/C/Gm/A7 | F/Dm | F/Dm | Bb/Gm/F/C7 | F/Dm/A | Dm |
      Gm/Bb | A7/A/Gm/C7 | Dm`,
  },
  'harbour-clock': {
    cuts: '5-2 9-2 13-2 17-2 21-2 25-2 29-2',
    chords: `${HARBOUR_A} | ${HARBOUR_A} | Gm/Bb/G7/Eb | Cm/Eb/Ab | D7/D/Am7b5 | Gm/G7/Eb | Gm/Bb/Eb/Gm7 | C7/C/Cm |
      C7/C/Edim7/Gm | F7/F | ${HARBOUR_A}`,
  },
  'salt-and-rope': {
    cuts: '3 5 7',
    chords: `Em/G | B7/B/Bm/D | Em/G | Em/B7/B | Am/C/F | Em/G | Am/C/F | Em/B7/B`,
  },
  'oyster-street': {
    cuts: '5 9',
    chords: `A/F#m | A/D/F#m | A/A7/C#m | A7/A/C#m/E | D/D7/Bm | D/D7/F#m/Bm | A/F#m | A/F#m/D | E7/E/Bm | D/D7/F#m/Bm | A/E7/E | A`,
  },
  'old-pilot': {
    cuts: '5-1 9-1 13-1',
    chords: `D/Bm | D/A/Bm/F#m | Em/A7/A/G | D/Bm | G/D/Em | A/E7/E/Em | E7/A/E/F#m | A/A7 | D/G/Bm | G/Em | D/Bm | A/A7/Em |
      D/Bm | D/A/Bm/F#m | A7/A/Em | D`,
  },
  'marsh-lights': {
    cuts: '5',
    chords: `Cm/Ab/Fm | G/G7/Bb/Cm/Fm | Eb/Bb/Cm/Ab | Eb/Cm/G | Cm/Ab/Fm | G/G7/Bb/Cm/Fm | G7/G/Cm/Fm | Cm`,
  },
  'sixty-four-steps': {
    cuts: '5 9 13 17 21 25 29 33 37 41 45 49 53 57 61',
    chords: [STEPS_A, STEPS_A, STEPS_B, STEPS_B, STEPS_C, STEPS_C, STEPS_A, STEPS_A].join(' | '),
  },
  'tide-table': {
    cuts: '5 9 13',
    chords: `A/F#m | E/A/E7 | D/Bm | A/F#m | A/F#m | A/Bm/E7/D | A/D/F#m | E/E7/Bm | Bm/D | E/E7/Bm | A/C#m | F#m/D/A | A/F#m | Bm/D/E7 |
      E7/E/Bm | A`,
  },
  'cockle-cart': {
    cuts: '5',
    chords: `Gm/Eb | Bb/Gm/D7/D | D7/D/Gm | Gm | Gm/Eb | Cm/Eb/Gm | D7/D | Gm`,
  },
  lamplighter: {
    cuts: '5-1.5',
    chords: `C/Am | F/C/Dm | G7/C/G/Dm | C/Am | C/Am | F/Dm/D/D7 | G7/G/C | C`,
  },
  dunlin: {
    cuts: '5 9',
    chords: `Em/G | C/Am | Em/G/D/B7 | B7/B/Em/G | Em/G | C/Am | B7/Em/B/Am | Em | B7/Em/B/F#m7b5 | Em`,
  },
  'two-bells': {
    cuts: '4-1 7-1 10-1',
    chords: `F/Dm/C | F/Dm/Bb | C/C7/Gm | F/Dm/C | F/Bb/Dm | F/C/Am | Bb/Gm/Dm | F/Dm/C7 | C/C7/Gm | F/Dm/C | C7/C/F | F`,
  },
};
