import { fingerPart, FROM_NOWHERE, type HandState, isFreeBetween, landingOf } from '../../fingering';
import type { Hand, HandNote } from '../../hands';
import type { SongContext } from '../context';
import { fixedIn } from '../windows';
import type { ByPart } from './byPart';
import type { StruckPart } from './struck';

interface FingeredHand {
  readonly notes: readonly HandNote[];
  readonly leaves: HandState;
}

/** Fourth stage: a hand's fingers, solved forwards from the last part at whose beginning the hand is free. */
export function fingersStage(
  context: SongContext,
  hand: Hand,
  struckOf: ByPart<StruckPart>,
): ByPart<readonly HandNote[]> {
  if (context.withoutFingers) return (index) => struckOf(index)[hand];
  const known: FingeredHand[] = [];
  const isFreeAt = (index: number): boolean => {
    const [before, here] = [struckOf(index - 1)[hand], struckOf(index)[hand]];
    return before.length > 0 && here.length > 0 && isFreeBetween(before, here[0]);
  };
  return (index) => {
    let at = index;
    while (at > 0 && !known[at] && !isFreeAt(at)) at--;
    for (; at <= index; at++) {
      const from = at === 0 || isFreeAt(at) ? FROM_NOWHERE : known[at - 1].leaves;
      const isLast = at === context.parts.length - 1;
      const landing = isLast || isFreeAt(at + 1) ? [] : landingOf(struckOf(at + 1)[hand]);
      known[at] ??= fingered(context, hand, at, struckOf(at)[hand], from, landing);
    }
    return known[index].notes;
  };
}

function fingered(
  { profile, material, fixed, memory }: SongContext,
  hand: Hand,
  index: number,
  notes: readonly HandNote[],
  from: HandState,
  landing: ReturnType<typeof landingOf>,
): FingeredHand {
  const { part } = material[index];
  const { thumb = 'usual' } = part.choices;
  const reach = hand === 'right' ? profile.rightReach : profile.leftReach;
  const given = fixedIn(notes, fixed);
  return memory.of<FingeredHand>(`fingers, ${hand}`)(
    part.cutId,
    [notes, reach, JSON.stringify(from), landing, given.name, thumb],
    () => fingerPart(notes, hand, reach, from, landing, given.fixed, thumb),
  );
}
