import type { SongEdit } from '../song';
import { typeset } from '../music';
import type { ArrangedChange, Arrangement } from './arrangement';
import { changesIn } from './changesIn';

/** For one chord, or for every chord written like it in its part, or in the song. */
export type KeysFor = 'chord' | 'part' | 'song';

/** The edit that gives chords these very keys (MIDI numbers), also where they come again. */
export function givenKeys(
  { changes, parts }: Pick<Arrangement, 'changes' | 'parts'>,
  given: ArrangedChange,
  keys: readonly number[],
  scope: KeysFor,
): SongEdit {
  const { tick, symbol } = given.change;
  const part = parts.find(({ fromTick, toTick }) => tick >= fromTick && tick < toTick);
  const among = { chord: [given], part: part ? changesIn(changes, part) : [given], song: changes }[scope];
  const own = [...keys].sort((a, b) => a - b);
  return {
    kind: 'together',
    what: `keys of ${typeset(symbol)}`,
    edits: among
      .filter(({ change }) => change.symbol === symbol)
      .map(({ change: { id } }) => ({ kind: 'pin', pin: { changeId: id, keys: own, fingers: null } })),
  };
}
