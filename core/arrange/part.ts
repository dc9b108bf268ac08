import type { PartArrangement } from '../arrangement';
import { type Meeting, meetingsOf } from '../joining';
import { within } from '../song';
import type { SongContext } from './context';
import type { ByPart } from './stages/byPart';
import { companyStage } from './stages/company';
import { effortStage } from './stages/effort';
import { fillsStage } from './stages/fills';
import { findingsStage } from './stages/findings';
import { fingersStage } from './stages/fingers';
import { handsStage } from './stages/hands';
import { struckStage } from './stages/struck';

/**
 * Works out one part of a song, as it is in the finished song. Each stage is a pure function of what it needs, which comes
 * in by name: the part's own material, the chord after its last, the fills that lead into it, and where each hand comes
 * from. What a part needs of its neighbours is solved forwards and remembered, so that the part asked for first is the part
 * of the finished song; and a part that needs nothing new after an edit is the very same object.
 */
export function partsOfSong(context: SongContext): ByPart<PartArrangement> {
  const handsOf = companyStage(context, handsStage(context));
  const fillsOf = fillsStage(context, handsOf);
  const struck = struckStage(context, handsOf, fillsOf);
  const rightOf = fingersStage(context, 'right', struck.struckOf);
  const leftOf = fingersStage(context, 'left', struck.struckOf);
  const meetingsIn = meetingsStage(context, rightOf, leftOf);
  const effortIn = effortStage(context, rightOf, leftOf);
  const findingsIn = findingsStage(context, handsOf, fillsOf, [rightOf, leftOf], struck);
  const made = context.memory.of<PartArrangement>('part');
  return (index) => {
    const part: PartArrangement = {
      right: rightOf(index),
      left: leftOf(index),
      meetings: meetingsIn(index),
      fills: fillsOf(index).fills(),
      effort: effortIn(index),
      findings: findingsIn(index),
    };
    return made(context.parts[index].cutId, Object.values(part), () => part);
  };
}

/** Where both hands strike together, and what the left hand strikes alone. */
function meetingsStage(
  { played, parts, memory }: SongContext,
  rightOf: ByPart<PartArrangement['right']>,
  leftOf: ByPart<PartArrangement['left']>,
): ByPart<readonly Meeting[]> {
  const made = memory.of<readonly Meeting[]>('meetings');
  const changeTicks = new Set(played.changes.map((change) => change.tick));
  return (index) => {
    const { cutId, fromTick, toTick } = parts[index];
    const [right, left] = [rightOf(index), leftOf(index)];
    const ticks = within(played.changes, fromTick, toTick).map(({ tick }) => tick);
    return made(cutId, [right, left, ticks, played.bars], () =>
      meetingsOf(played.bars, changeTicks, right, left),
    );
  };
}
