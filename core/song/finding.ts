import type { SongEdit } from './edits';

/** Something the pianist should know: what, where, and what could be done. */
export interface Finding {
  readonly kind: FindingKind;
  /** Played tick. */
  readonly tick: number;
  readonly text: string;
  readonly remedies: readonly string[];
  /** Remedies that are one press away. */
  readonly fixes?: readonly Fix[];
}

/** A remedy as an edit that can be undone. */
export interface Fix {
  readonly label: string;
  readonly edit: SongEdit;
}

/** What a finding is remembered by when the pianist leaves it as it is. */
export function findingId({ kind, tick, text }: Finding): string {
  return `${kind}@${tick}:${text.slice(0, 80)}`;
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
  | 'pattern'
  | 'imported'
  | 'rub'
  | 'crowded'
  | 'quick'
  | 'overlap'
  | 'words'
  | 'accidental';
