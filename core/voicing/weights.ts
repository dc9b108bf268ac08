/**
 * What a voicing and a step between two voicings cost, in tenths of a semitone of one voice.
 * Integers, so that results are exact and repeatable. Published in docs/costs.md.
 */
export interface VoicingWeights {
  /** One voice moved by a semitone. */
  readonly semitone: number;
  /** Millimetres of hand travel (midpoint of the outer keys) that cost one point; 0 = not counted. */
  readonly millimetresPerPoint: number;
  /** Taken off for each key that stays down. */
  readonly commonTone: number;
  /** Each semitone the centre of gravity lies outside the free band. */
  readonly register: number;
  /** An adjacent pair below its low-interval limit, and each semitone below it. */
  readonly lowInterval: number;
  readonly lowIntervalPerSemitone: number;
  /** The outer keys lie within a white key's width of the widest reach of a hand. */
  readonly nearFullReach: number;
  /** First or last chord of the song not in root position. */
  readonly notRootAtEnds: number;
  readonly missingThird: number;
  readonly missingColour: number;
  readonly missingRoot: number;
  readonly doubledLeadingNote: number;
}

/** Source: common arranging practice; small beside the semitone so that least movement decides. */
export const DEFAULT_WEIGHTS: VoicingWeights = {
  semitone: 10,
  millimetresPerPoint: 12,
  commonTone: 2,
  register: 3,
  lowInterval: 16,
  lowIntervalPerSemitone: 4,
  nearFullReach: 3,
  notRootAtEnds: 20,
  missingThird: 40,
  missingColour: 30,
  missingRoot: 8,
  doubledLeadingNote: 30,
};

/** Semitones only, nothing else: for comparison and tests. */
export const PURE_WEIGHTS: VoicingWeights = {
  semitone: 10,
  millimetresPerPoint: 0,
  commonTone: 0,
  register: 0,
  lowInterval: 0,
  lowIntervalPerSemitone: 0,
  nearFullReach: 0,
  notRootAtEnds: 0,
  missingThird: 0,
  missingColour: 0,
  missingRoot: 0,
  doubledLeadingNote: 0,
};

/** Centre of gravity aimed at for a three-note block: G3. */
export const REGISTER_CENTRE = 55;
/** Semitones lower for each note more than three. */
export const LOWER_PER_EXTRA_NOTE = 1;
/** Semitones either side of the centre that cost nothing. */
export const REGISTER_FREE_BAND = 4;

/**
 * Lowest MIDI pitch of the lower note at which an interval (index, in semitones) stays clear.
 * Source: low-interval limits, common arranging practice.
 */
export const LOW_INTERVAL_LIMITS: readonly number[] = [
  0, 52, 51, 48, 46, 46, 47, 34, 43, 41, 41, 41, 0, 40, 39, 34, 34,
];
