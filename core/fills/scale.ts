import { chroma, classAbove, type Key, scaleOf } from '../music';

/**
 * `count` keys of the scale next to a target, in the order they are walked: from below (−1) or above (1). Minor rises to
 * its tonic, and falls to its dominant, by its raised sixth and seventh, which are its neighbours where they stand themselves. `over`: the scale they are taken from, the key's unless said. Source: common practice of the minor scale.
 */
export function scaleSteps(
  target: number,
  count: number,
  direction: 1 | -1,
  key: Key,
  over: ReadonlySet<number> = new Set(scaleOf(key).map(chroma)),
): number[] {
  const scale = new Set(over);
  const raised = chroma(direction < 0 ? key.tonic : classAbove(key.tonic, '5P'));
  // Round its raised sixth and seventh a minor key has both.
  const isRaised = (['6M', '7M'] as const).some((by) => chroma(classAbove(key.tonic, by)) === target % 12);
  if (key.mode === 'minor' && (target % 12 === raised || isRaised)) {
    scale.delete(chroma(classAbove(key.tonic, '6m')));
    scale.delete(chroma(classAbove(key.tonic, '7m')));
    scale.add(chroma(classAbove(key.tonic, '6M'))).add(chroma(classAbove(key.tonic, '7M')));
  }
  const keys: number[] = [];
  for (let key_ = target + direction; keys.length < count; key_ += direction) {
    if (scale.has(((key_ % 12) + 12) % 12)) keys.unshift(key_);
  }
  return keys;
}
