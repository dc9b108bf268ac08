import type { PlayedChange } from '../song';
import { type Part, partIndexAt } from './parts';

/**
 * For each change of a part that follows another the change it stands for there (played ids): what was decided at that
 * one holds at this one. Only changes with the same symbol, taken in order, are twins.
 */
export function twinsOf(
  parts: readonly Part[],
  changes: readonly PlayedChange[],
): ReadonlyMap<string, string> {
  const twins = new Map<string, string>();
  if (parts.every((part) => part.sharesWith === null)) return twins;
  const inPart: PlayedChange[][] = parts.map(() => []);
  for (const change of changes) inPart[partIndexAt(parts, change.tick)].push(change);
  parts.forEach((part, index) => {
    if (part.sharesWith === null) return;
    const models = inPart[part.sharesWith - 1];
    inPart[index].forEach((change, i) => {
      if (models[i]?.symbol === change.symbol) twins.set(change.id, models[i].id);
    });
  });
  return twins;
}
