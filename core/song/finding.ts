import type { Phrase } from '../sentences';
import type { SongEdit } from './edits';

/** Something the pianist should know: what, where, and what could be done. */
export interface Finding {
  readonly kind: FindingKind;
  /** Played tick. */
  readonly tick: number;
  readonly says: readonly Phrase[];
  /** Tells it from others of its kind at its tick, where there may be more than one. */
  readonly about?: string;
  /** Findings of a kind that say the same of several places of a part are told once; absent: each is told. */
  readonly sameAs?: string;
  /** One press away, what changes least first. */
  readonly remedies: readonly Remedy[];
}

/** A remedy as an edit that can be undone. */
export interface Remedy {
  readonly offer: Phrase;
  readonly edit: SongEdit;
}

/** What a finding is remembered by when the pianist leaves it as it is; rewording it changes nothing. */
export function findingId({ kind, tick, about }: Finding): string {
  return about === undefined ? `${kind}@${tick}` : `${kind}@${tick}#${about}`;
}

/** Whether a finding was left as it is; songs of before remember it with the sentence it had then. */
export function isDismissed(finding: Finding, dismissed: readonly string[]): boolean {
  const id = findingId(finding);
  const before = `${finding.kind}@${finding.tick}:`;
  return dismissed.some((known) => known === id || known.startsWith(before));
}

type FindingKind =
  | 'unclear'
  | 'thin-chord'
  | 'shortened'
  | 'melody-raised'
  | 'crossing'
  | 'no-voicing'
  | 'muddy'
  | 'pin'
  | 'finger'
  | 'settled'
  | 'reach'
  | 'keyboard'
  | 'bump'
  | 'thinned'
  | 'pattern'
  | 'fill'
  | 'own'
  | 'imported'
  | 'rub'
  | 'crowded'
  | 'quick'
  | 'overlap'
  | 'words'
  | 'accidental';
