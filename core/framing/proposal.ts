import { type Phrase } from '../sentences';
import type { Arrangement } from '../arrangement';
import type { Choices, FrameKind, FramePiece } from '../song';

/** Where the parts of a song begin now. */
export function cutsOf({ parts }: Arrangement): FramePiece['cuts'] {
  return parts.map(({ cutId, fromTick }) => ({ id: cutId, tick: fromTick }));
}

/** Ways to begin. */
export const INTROS = ['last-phrase', 'last-chords', 'first-bar'] as const;
/** Ways to end. */
export const ENDINGS = ['close', 'suspended', 'again'] as const;
/** Ways back between two parts. */
type Between =
  'dominant' | 'half-step-above' | 'diminished' | 'first-chords' | 'octave-higher' | 'other-order';
/** Which of several ways to frame a song this is. */
export type FrameVariant = (typeof INTROS)[number] | (typeof ENDINGS)[number] | Between;

/** A stretch that could frame the song, with why. */
export interface FrameProposal {
  readonly piece: FramePiece;
  readonly variant: FrameVariant;
  readonly reason: Phrase;
}

/** How a quiet stretch is played. */
export const QUIET: Partial<Choices> = { pattern: 'open-tenth' };
/** Its energy. */
export const CALM = 1;

/** Each kind by name, as its part is called. Source: common practice of arranging songs. */
export const FRAME_NAMES: Record<FrameKind, string> = {
  intro: 'Intro',
  turnaround: 'Turnaround',
  interlude: 'Interlude',
  chorus: 'Instrumental',
  ending: 'Ending',
};
