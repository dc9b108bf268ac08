/** What a step looks at: what is shown, heard and chosen of the song. */
export interface Seen {
  readonly part: number;
  readonly hands: 'left' | 'right' | 'both';
  readonly isPlaying: boolean;
  readonly level: number;
  /** Voicings that were taken. */
  readonly pins: number;
}

/** One step of the tour: where it is, what to do there, and when that is done. */
interface GuideStep {
  readonly title: string;
  /** Last part of the address of the bench; null: the song's own. */
  readonly bench: string | null;
  /** What is to be seen, in a sentence or two. */
  readonly what: string;
  /** What to press, on a keyboard and on a screen that is touched. */
  readonly press: string;
  readonly tap: string;
  readonly isDone: (now: Seen, begun: Seen) => boolean;
}

/** The song the tour leads through. */
export const GUIDED_SONG = 'demo-lanterns';

/** In the order in which pianists arrange a song by hand. */
export const GUIDE_STEPS: readonly GuideStep[] = [
  {
    title: 'Cut it into parts',
    bench: 'parts',
    what: 'The song is cut into short numbered parts. One that comes back is learned once.',
    press: 'Press 2, then 1.',
    tap: 'Tap part 2 on the map.',
    isDone: (now, begun) => now.part !== begun.part,
  },
  {
    title: 'The right hand',
    bench: 'tune',
    what: 'This is the melody of the part. A note stands higher when it sounds higher.',
    press: 'Press R to hear the right hand.',
    tap: 'Tap Right, then Play.',
    isDone: (now) => now.isPlaying && now.hands === 'right',
  },
  {
    title: 'The chords of the left hand',
    bench: 'chords',
    what: 'Each chord lies as near as possible to the one before; the panel says why.',
    press: 'Press → for a chord, ↓ to hear another voicing, Enter to take it.',
    tap: 'Tap a chord, then Take beside another voicing.',
    isDone: (now, begun) => now.pins > begun.pins,
  },
  {
    title: 'Where the hands meet',
    bench: null,
    what: 'The seam is the line between the hands. A cross on it marks a note that is played together with a chord. Say them aloud: chord, word, count.',
    press: 'Press B to hear both hands.',
    tap: 'Tap Both, then Play.',
    isDone: (now) => now.isPlaying && now.hands === 'both',
  },
  {
    title: 'Join the hands',
    bench: null,
    what: 'The level below the music makes it easier or fuller.',
    press: 'Choose level 5, then press Space to hear the moving left hand.',
    tap: 'Choose level 5, then tap Play to hear the moving left hand.',
    isDone: (now) => now.isPlaying && now.level === 5,
  },
  {
    title: 'Practise',
    bench: 'practise',
    what: 'One small task at a time: you play it and say how it went. Your progress is saved.',
    press: 'Press Space to hear the part, then Y.',
    tap: 'Tap Hear it, then Done.',
    isDone: (now) => now.isPlaying,
  },
];
