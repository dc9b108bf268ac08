/** One step of the guided way: where it is, and what to do there. */
interface GuideStep {
  readonly title: string;
  /** Last part of the address of the bench; null: the song's own. */
  readonly bench: string | null;
  /** What to look at and press, in one or two sentences. */
  readonly what: string;
}

/** The song the guided way leads through. */
export const GUIDED_SONG = 'demo-lanterns';

/** In the order in which pianists arrange a song by hand. */
export const GUIDE_STEPS: readonly GuideStep[] = [
  {
    title: 'Cut it into parts',
    bench: 'parts',
    what: 'The song is cut into short numbered parts. Press 1 to 6 to look at each: what comes back is learned once.',
  },
  {
    title: 'The right hand',
    bench: 'tune',
    what: 'The tune of part 1, each key with its letter, as high as it lies. Press 1, then R for the right hand and Space to hear it.',
  },
  {
    title: 'The chords of the left hand',
    bench: 'chords',
    what: 'Press → to go from chord to chord. Each lies as near as it can to the one before; the panel says why.',
  },
  {
    title: 'Say where the hands meet',
    bench: null,
    what: 'Each cross on the seam is a key of the tune with which a chord is struck. Say them aloud: chord, word, count.',
  },
  {
    title: 'Join the hands',
    bench: null,
    what: 'Press B for both hands and Space to hear them, − for slower. The rungs 1 to 7 below make it easier or fuller.',
  },
  {
    title: 'Practise',
    bench: 'practise',
    what: 'One small job at a time: play it, or say how it went with Y or N. → is the next job. What you do is kept.',
  },
];
