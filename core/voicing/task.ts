import { type Phrase } from '../sentences';
import type { Memory } from '../memory';
import type { Key } from '../music';
import { type CloseHands, type Remedy, type PlayedChange, type Profile } from '../song';
import type { Sounding } from './bounds';
import type { SolvedLayout } from './members';
import type { VoicingWeights } from './weights';

/** Why a voicing was not for the solver to choose. */
export type FixedBy = 'pin' | 'settled' | 'same' | 'shared' | 'ending';

/** Whether keys are held because parts that are the same share them. */
export const isShared = (by: FixedBy | null): boolean => by === 'shared' || by === 'same';

export interface FixedKeys {
  readonly keys: readonly number[];
  readonly by: FixedBy;
}

/** All the voicing stage looks at. */
export interface VoicingTask {
  readonly changes: readonly PlayedChange[];
  /** The melody as it will be struck, sorted by onset. */
  readonly melody: readonly Sounding[];
  readonly profile: Profile;
  readonly weights: VoicingWeights;
  readonly partOf: (tick: number) => number;
  readonly layoutOf: (change: PlayedChange) => SolvedLayout;
  readonly registerOf: (change: PlayedChange) => number;
  /** What the pianist chose where the hands come too close. */
  readonly closeHandsOf?: (change: PlayedChange) => CloseHands | null;
  readonly keyAt: (tick: number) => Key;
  readonly fixed: ReadonlyMap<string, FixedKeys>;
  /** What was worked out before for the same song; without it all is worked out anew. */
  readonly memory?: Memory;
  /** The remedy that plays the melody of the part at a tick an octave higher; null where that cannot be. */
  readonly raiseMelodyAt?: (tick: number, offer: Phrase) => Remedy | null;
  /** Two notes of a change are played, any of its voicings': for telling the least they could move. */
  readonly playsTwo?: (change: PlayedChange) => boolean;
  /** The first and the last chord may lie in any way: for telling what their rules cost. */
  readonly endsAreFree?: boolean;
}
