/** What became of a key that was struck. */
export interface Struck {
  /** Index among the keys struck, in time. */
  readonly played: number;
  /** Index of the key it stands for; null for one nothing was wanted for. */
  readonly wanted: number | null;
  readonly kind: 'right' | 'wrong' | 'extra';
}

/** A take laid against what was wanted. */
export interface Alignment {
  readonly struck: readonly Struck[];
  /** Indices of keys that were wanted and passed over, each time they were. */
  readonly missed: readonly number[];
  /** Where the player stopped and began again: the key struck first after it, and where in the music it is. */
  readonly restarts: readonly { readonly played: number; readonly wanted: number }[];
}
