/** Keys one hand strikes together and those it still holds, lowest first. */
export interface HandEvent {
  readonly keys: readonly number[];
  /** Those of them that are held on with the finger that struck them. */
  readonly held?: readonly number[];
  /** True after a rest long enough to move the hand at leisure. */
  readonly afterRest: boolean;
  /** Fingers the pianist fixed, null for a key left free; null where all are. */
  readonly pinned: readonly (number | null)[] | null;
}
