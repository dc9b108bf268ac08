import type { FrameProposal, FrameVariant } from '../framing';
import { capital } from './titles';

const VARIANTS: Readonly<Record<FrameVariant, string>> = {
  'last-phrase': 'the last phrase, its tune and chords',
  'last-chords': 'the last phrase’s chords alone, low and quiet',
  'first-bar': 'the tune’s first bar over its chords, then they go on alone',
  close: 'plagal (“Amen”) ending',
  suspended: 'suspended ending: fourth, second, then the chord',
  again: 'the last two bars once more, then home',
  dominant: 'by the dominant',
  'half-step-above': 'from a half step above',
  diminished: 'by a diminished chord that leads back',
  'first-chords': 'the first phrase’s chords, low and quiet',
  'octave-higher': 'the first phrase an octave higher',
  'other-order': 'the notes of the part before in another order, over its chords',
};

/** How a stretch that could frame the song is called: what it is between parts, else which of several. */
export function frameTitle({ piece, variant }: Pick<FrameProposal, 'piece' | 'variant'>): string {
  const way = VARIANTS[variant];
  return piece.kind === 'intro' || piece.kind === 'ending' ? capital(way) : `${piece.name}: ${way}`;
}
