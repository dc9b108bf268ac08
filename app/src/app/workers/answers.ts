import {
  arrange,
  compareLayouts,
  type EasierBy,
  easierBy,
  type EffortOver,
  effortOver,
  type Exception,
  fillEfforts,
  type KeyPlace,
  type LayoutCost,
  type OtherFinger,
  otherFingers,
  patternTried,
} from '@joined-hands/core/arrange';
import { type Arrangement, factsOf, type SongFacts } from '@joined-hands/core/arrangement';
import { easierKeys, type KeyChoice } from '@joined-hands/core/effort';
import { writeMidi, writeMusicXml, writeMxl, writeProject } from '@joined-hands/core/formats';
import { findKeys, type FoundKey } from '@joined-hands/core/harmony';
import { MELODY_ALONE } from '@joined-hands/core/levels';
import { type SongToRank, songToRank } from '@joined-hands/core/practice';
import { partsOf, type Progression, progressionsOf } from '@joined-hands/core/parts';
import {
  applyEdit,
  type OwnPattern,
  type Profile,
  type Song,
  type SongEdit,
  unfold,
} from '@joined-hands/core/song';
import {
  chordsFor,
  type Scope,
  type Suggestion,
  suggestionsAt,
  type Taste,
} from '@joined-hands/core/suggesting';
import { findMetres, type FoundMetre } from '@joined-hands/core/takes';
import {
  type Alternative,
  alternativesFor,
  type MovementProof,
  movementProof,
} from '@joined-hands/core/voicing';
import { writePartCards, writeWalkthrough } from '@joined-hands/core/words';
import { Sender, type Sent } from './travelling';

/** What a song can be taken away as. */
export type FileKind = 'project' | 'musicxml' | 'mxl' | 'midi' | 'walkthrough' | 'cards';

/** A question about a song, answered apart from the arranging so that neither waits for the other. */
export type Question =
  | { readonly kind: 'alternatives'; readonly changeId: string }
  | { readonly kind: 'layouts'; readonly cutId: string | null }
  | { readonly kind: 'efforts' }
  | { readonly kind: 'pattern-tried'; readonly pattern: OwnPattern }
  | { readonly kind: 'fingers'; readonly place: KeyPlace }
  | { readonly kind: 'easier'; readonly part: number }
  | { readonly kind: 'fill-efforts'; readonly changeId: string }
  | { readonly kind: 'proof' }
  | {
      readonly kind: 'suggestions';
      readonly changeId: string;
      readonly taste: Taste;
      readonly triads: boolean;
    }
  | { readonly kind: 'chords'; readonly taste: Taste; readonly scope: Scope; readonly triads: boolean }
  | { readonly kind: 'easier-keys' }
  | { readonly kind: 'keys' }
  | { readonly kind: 'metres' }
  | { readonly kind: 'progressions' }
  | { readonly kind: 'facts' }
  | { readonly kind: 'to-rank' }
  | { readonly kind: 'trial'; readonly edit: SongEdit | null }
  | { readonly kind: 'preview' }
  | { readonly kind: 'file'; readonly format: FileKind; readonly practice?: unknown };

/** The answer to each kind of question. */
export interface Answers {
  readonly alternatives: Alternative[];
  readonly layouts: LayoutCost[];
  readonly efforts: EffortOver;
  readonly 'pattern-tried': Exception[];
  readonly fingers: OtherFinger[];
  readonly easier: EasierBy[];
  readonly 'fill-efforts': ReturnType<typeof fillEfforts>;
  readonly proof: MovementProof | null;
  readonly suggestions: Suggestion[];
  readonly chords: SongEdit | null;
  readonly 'easier-keys': KeyChoice[];
  readonly keys: FoundKey[];
  readonly metres: FoundMetre[];
  readonly progressions: Progression[];
  readonly facts: SongFacts;
  readonly 'to-rank': SongToRank;
  readonly trial: Sent;
  readonly preview: Sent;
  readonly file: string | Uint8Array;
}

/** Answers a question about a song. @throws what the core throws for a song it cannot arrange */
export function answerTo(song: Song, profile: Profile, question: Question): Answers[keyof Answers] {
  switch (question.kind) {
    case 'alternatives': {
      const { played, parts } = quickly(song, profile);
      return alternativesFor(song, profile, played, parts, question.changeId);
    }
    case 'layouts':
      return compareLayouts(song, profile, question.cutId);
    case 'efforts':
      return effortOver(song, profile);
    case 'pattern-tried':
      return patternTried(song, profile, question.pattern);
    case 'fingers':
      return otherFingers(song, profile, question.place);
    case 'easier':
      return easierBy(song, profile, question.part);
    case 'fill-efforts':
      return fillEfforts(song, profile, question.changeId);
    case 'proof': {
      const played = unfold(song);
      return movementProof(song, profile, played, partsOf(song, played));
    }
    case 'suggestions':
      return suggestionsAt(song, question.changeId, question.taste, question.triads);
    case 'chords':
      return chordsFor(song, question.taste, question.scope, question.triads);
    case 'easier-keys':
      return easierKeys(song, profile);
    case 'keys':
      return findKeys(song);
    case 'metres':
      return findMetres(song.melody, song.changes);
    case 'progressions': {
      const played = unfold(song);
      return progressionsOf(played, partsOf(song, played));
    }
    case 'facts': {
      const played = unfold(song);
      return factsOf(song, played, partsOf(song, played));
    }
    case 'to-rank':
      return songToRank(arrange(song, profile));
    case 'trial':
      return sentAlone(quickly(question.edit ? applyEdit(song, question.edit) : song, profile));
    case 'preview':
      return sentAlone(
        quickly({ ...song, choices: { ...song.choices, level: MELODY_ALONE }, partSettings: {} }, profile),
      );
    case 'file':
      return written(song, profile, question.format, question.practice);
  }
}

/** Without fingers: for what is looked up or heard. */
function quickly(song: Song, profile: Profile): Arrangement {
  return arrange(song, profile, { withoutFingers: true });
}

function sentAlone(arrangement: Arrangement): Sent {
  return new Sender().pack(arrangement);
}

function written(song: Song, profile: Profile, format: FileKind, practice: unknown): string | Uint8Array {
  if (format === 'project') return writeProject({ song, profile, practice });
  const arrangement = arrange(song, profile);
  switch (format) {
    case 'musicxml':
      return writeMusicXml(arrangement);
    case 'mxl':
      return writeMxl(arrangement);
    case 'midi':
      return writeMidi(arrangement);
    case 'walkthrough':
      return writeWalkthrough(arrangement);
    case 'cards':
      return writePartCards(arrangement);
  }
}
