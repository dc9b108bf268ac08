import type { ArrangedChange } from '../../arrangement';
import type { PartFills } from '../../fills';
import { fingersNotKept } from '../../fingering';
import type { HandNote } from '../../hands';
import { bumpsBetween, type PartHands } from '../../joining';
import { type Finding, isDismissed } from '../../song';
import { keysInPlace, type VoicedChange } from '../../voicing';
import type { SongContext } from '../context';
import { gathered } from '../gathering';
import { waitingFinding } from '../partFills';
import { lasting } from '../windows';
import type { ByPart } from './byPart';
import type { StruckStage } from './struck';

/** Last stage: what a pianist wants to know of each part, found on the way, in time, without what was dismissed. */
export function findingsStage(
  context: SongContext,
  handsOf: ByPart<PartHands>,
  fillsOf: ByPart<PartFills>,
  fingered: readonly ByPart<readonly HandNote[]>[],
  struck: StruckStage,
): ByPart<readonly Finding[]> {
  const { song, played, parts, material, memory } = context;
  const made = memory.of<readonly Finding[]>('findings');
  const bumpsIn = bumpsStage(context, struck);
  return (index) => {
    const notKept =
      song.fingerPins.length === 0 || context.withoutFingers
        ? []
        : fingered.flatMap((notesOf) => fingersNotKept(notesOf(index), context.fixed, played));
    const all = [
      ...material[index].findings,
      ...handsOf(index).findings,
      ...bumpsIn(index),
      ...notKept,
      ...fillsOf(index).waiting.map(waitingFinding),
    ];
    const shown = gathered(all, played.bars).filter((finding) => !isDismissed(finding, song.dismissed));
    return made(parts[index].cutId, [JSON.stringify(shown)], () => shown);
  };
}

/** Where the hands are in each other's way while a part lasts, the part before ringing on into it. */
function bumpsStage(
  { profile, material, memory }: SongContext,
  { soundedOf, soundingIn }: StruckStage,
): ByPart<readonly Finding[]> {
  const made = memory.of<readonly Finding[]>('bumps');
  return (index) => {
    const { toPlay: part } = material[index];
    const { cutId, fromTick, toTick } = part;
    const around = soundingIn(index);
    const [right, left] = (['right', 'left'] as const).map((hand) => {
      const all = around.flatMap((at) => soundedOf(at)[hand]);
      return lasting(all, fromTick, toTick);
    });
    const voiced = around.flatMap((at): readonly ArrangedChange[] => material[at].voiced);
    const lowerKeys = ({ chord, voicing }: VoicedChange, ceiling: number): number[] | null => {
      const keys = keysInPlace(chord, voicing.keys, ceiling, profile);
      return keys.length > 0 ? keys : null;
    };
    const changeOf = (id: string): ArrangedChange | undefined => voiced.find((v) => v.change.id === id);
    return made(cutId, [part, right, left, voiced, profile], () =>
      bumpsBetween(right, left, { parts: [part], changeOf, lowerKeys }).filter(
        ({ tick }) => tick >= fromTick && tick < toTick,
      ),
    );
  };
}
