/** One step of the tour: where it is, and what to do there. */
interface GuideStep {
  readonly title: string;
  /** Last part of the address of the bench; null: the song's own. */
  readonly bench: string | null;
  /** What to look at and press, in one or two sentences. */
  readonly what: string;
}

/** The song the tour leads through. */
export const GUIDED_SONG = 'demo-lanterns';

/** In the order in which pianists arrange a song by hand. */
export const GUIDE_STEPS: readonly GuideStep[] = [
  {
    title: 'Cut it into parts',
    bench: 'parts',
    what: 'The song is cut into short numbered parts. Press 1 to 6, or tap a part on the left, to look at each. A part that comes back is learned once.',
  },
  {
    title: 'The right hand',
    bench: 'tune',
    what: 'The melody of part 1: each note shows its letter, and stands higher when it sounds higher. Press 1, then R for the right hand and Space to hear it.',
  },
  {
    title: 'The chords of the left hand',
    bench: 'chords',
    what: 'Press → to go from chord to chord. Each is placed as near as possible to the one before; the panel on the right says why.',
  },
  {
    title: 'Say where the hands meet',
    bench: null,
    what: 'The seam is the line between the hands. A cross on it marks a melody note that is played together with a chord. Say them aloud: chord, word, count.',
  },
  {
    title: 'Join the hands',
    bench: null,
    what: 'Press B for both hands and Space to hear them, − for slower. Levels 1 to 7 below make it easier or fuller.',
  },
  {
    title: 'Practise',
    bench: 'practise',
    what: 'One small task at a time: play it, or say how it went with Y or N. → is the next task. Your progress is saved.',
  },
];
