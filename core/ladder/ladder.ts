/** The seven steps of the ladder, each a complete arrangement; `ready` says which can be played now. */
export const RUNGS = [
  { number: 1, name: 'Melody alone', ready: true },
  { number: 2, name: 'Melody and bass notes', ready: true },
  { number: 3, name: 'Two-note chords', ready: true },
  { number: 4, name: 'Block chords', ready: true },
  { number: 5, name: 'Moving left hand', ready: true },
  { number: 6, name: 'Fuller right hand', ready: false },
  { number: 7, name: 'Fills and endings', ready: true },
] as const;
