/** One quality of chord. Members are intervals from the root, in the order they are stacked. */
export interface ChordType {
  /** Suffix as written here after the root, ASCII accidentals: "m7b5"; a major triad is "". */
  readonly suffix: string;
  readonly members: readonly string[];
  /** Semitones from the root, member by member (13ths and 9ths above the octave). */
  readonly semitones: readonly number[];
  /** Other usual spellings of the suffix that are read. */
  readonly spellings: readonly string[];
  /** MusicXML: the kind, then degrees as "add 9 -1", "alter 5 1", "subtract 3". */
  readonly xml: readonly string[];
  /** In words, after the root: "minor seventh". */
  readonly words: string;
}
