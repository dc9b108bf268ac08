import { type Metre, metreName } from '../music';
import { because, type Phrase } from '../sentences';
import type { Arrangement } from '../arrangement';
import type { Part } from '../parts';
import { patternProposals, sungProposals } from '../patterns';
import { barAt, type Song } from '../song';

/** A pattern or figure that could be played in a part, with why. */
export interface PatternOffer {
  readonly id: string;
  readonly name: string;
  readonly reasons: readonly Phrase[];
}

/**
 * What could be played in a part, the most fitting first: patterns of the left hand under a tune, made for the metre in
 * which the part ends; laid out for singing the figures of the right hand.
 */
export function patternsForPart({ played, profile, song }: Arrangement, part: Part): PatternOffer[] {
  const { metre } = barAt(played.bars, part.toTick - 1);
  const { energy } = part;
  if (part.choices.layout === 'singing')
    return [...ownUnderSinger(song, metre), ...sungProposals(metre, energy).map(offered)];
  const notes = played.melody.filter(({ tick }) => tick >= part.fromTick && tick < part.toTick);
  const bars = Math.max(1, part.toBar - part.fromBar + 1);
  const notesPerBar = notes.length / bars;
  return patternProposals({
    metre,
    energy,
    experience: profile.experience,
    notesPerBar,
    own: song.patterns,
  }).map(offered);
}

/** Patterns of the pianist's own are played under a singer too, by the hand that has what they are made of. */
function ownUnderSinger({ patterns }: Song, metre: Metre): PatternOffer[] {
  return patterns
    .filter((own) => own.metre === undefined || own.metre === metreName(metre))
    .map(({ id, name, base }) => ({
      id,
      name,
      reasons: [base === 'voicing' ? because.ownOverBass() : because.ownUnderSinger()],
    }));
}

function offered({
  pattern: { id, name },
  reasons,
}: {
  readonly pattern: { readonly id: string; readonly name: string };
  readonly reasons: readonly Phrase[];
}): PatternOffer {
  return { id, name, reasons };
}
