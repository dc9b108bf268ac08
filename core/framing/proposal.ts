import type { Arrangement } from '../arrangement';
import type { Choices, FrameKind, FramePiece } from '../song';

/** Where the parts of a song begin now. */
export function cutsOf({ parts }: Arrangement): FramePiece['cuts'] {
  return parts.map(({ cutId, fromTick }) => ({ id: cutId, tick: fromTick }));
}

/** A stretch that could frame the song, with why. */
export interface FrameProposal {
  readonly piece: FramePiece;
  /** Which of several ways this is: "the last phrase's chords, quietly". */
  readonly variant: string;
  readonly reason: string;
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
