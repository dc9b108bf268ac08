import type { Phrase } from '../sentences';
import type { Choices, Remedy } from '../song';
import type { Part } from './parts';

/** The remedy that plays the melody of a part an octave higher; null where it is that high by choice already. */
export function melodyUp({ cutId, choices }: Pick<Part, 'cutId' | 'choices'>, offer: Phrase): Remedy | null {
  if (choices.octaveShift >= 1) return null;
  const octaveShift = (choices.octaveShift + 1) as Choices['octaveShift'];
  return { offer, edit: { kind: 'choose-for-part', cutId, choices: { octaveShift } } };
}
