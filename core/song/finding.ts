/** Something the pianist should know: what, where, and what could be done. */
export interface Finding {
  readonly kind: FindingKind;
  /** Played tick. */
  readonly tick: number;
  readonly text: string;
  readonly remedies: readonly string[];
}

export type FindingKind =
  | 'unclear'
  | 'thin-chord'
  | 'shortened'
  | 'melody-raised'
  | 'crossing'
  | 'no-voicing'
  | 'muddy'
  | 'pin'
  | 'settled'
  | 'reach'
  | 'keyboard'
  | 'bump'
  | 'thinned'
  | 'imported';
