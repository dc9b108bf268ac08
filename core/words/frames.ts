import type { FrameProposal } from '../framing';
import { capital } from './titles';

/** How a stretch that could frame the song is called: what it is between parts, else which of several. */
export function frameTitle({ piece, variant }: FrameProposal): string {
  return piece.kind === 'intro' || piece.kind === 'ending' ? capital(variant) : `${piece.name}: ${variant}`;
}
