/** Keys one hand strikes together, lowest first. */
export interface HandEvent {
  readonly keys: readonly number[];
  /** True after a rest long enough to move the hand at leisure. */
  readonly afterRest: boolean;
  /** Fingers the pianist fixed, null for a key left free; null where all are. */
  readonly pinned: readonly (number | null)[] | null;
}
