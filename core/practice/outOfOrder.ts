import type { KeyEvent } from '../takes';
import type { Alignment, Struck } from './alignment';
import type { WantedKey } from './wanted';

/** A key so near in half steps, or an octave off, is the one wanted, missed by a little. */
const NEAR = 3;
/** Keys that come this much after they were wanted in another order still are the ones wanted, in keys. */
const OUT_OF_ORDER = 6;
/** A key missed and one too many are one slip where no more keys than this lie between them. */
const BESIDE_KEYS = 2;

/** Whether a key so many half steps off is a slip for the one wanted. */
export function isNear(off: number): boolean {
  return (off <= NEAR && off >= -NEAR) || off === 12 || off === -12;
}

/** Keys that were wanted at about the same time and came in another order: missed here and extra there is neither. */
export function inOrder(
  { struck, missed, restarts }: Alignment,
  wanted: readonly WantedKey[],
  played: readonly KeyEvent[],
): Alignment {
  let found = [...struck];
  // Of the last chord the tune may have come first: what was wanted with the last key that was found is looked for too.
  const last = Math.max(-1, ...struck.map((s) => s.wanted ?? -1));
  const tail = wanted.flatMap(({ tick }, i) =>
    i > last && last >= 0 && tick === wanted[last].tick ? [i] : [],
  );
  let left = [...missed, ...tail];
  const placeOf = new Map(found.flatMap((s, at) => (s.wanted === null ? [] : [[s.wanted, at] as const])));
  // A key that is given back may be what another was missed for: again, until nothing changes.
  for (let isChanged = true; isChanged;) {
    isChanged = false;
    const byKey = new Map<number, number[]>();
    for (const w of left) byKey.set(wanted[w].midi, [...(byKey.get(wanted[w].midi) ?? []), w]);
    found = found.map((s, at): Struck => {
      if (s.kind === 'right') return s;
      const alike = byKey.get(played[s.played].midi) ?? [];
      const w = alike.find(
        (missing) => Math.abs((nearestPlace(placeOf, missing) ?? -99) - at) <= OUT_OF_ORDER,
      );
      if (w === undefined) return s;
      isChanged = true;
      alike.splice(alike.indexOf(w), 1);
      left = left.filter((missing) => missing !== w);
      // The one it was taken for was not played then.
      if (s.wanted !== null) {
        left.push(s.wanted);
        placeOf.delete(s.wanted);
      }
      placeOf.set(w, at);
      return { played: s.played, wanted: w, kind: 'right' };
    });
  }
  const notFound = left.filter((w) => !tail.includes(w));
  // One key missed and one too many beside it, a neighbour or an octave off, are one slip.
  found = found.map((s, at): Struck => {
    if (s.kind !== 'extra') return s;
    const slipped = notFound.findIndex(
      (w) =>
        isNear(played[s.played].midi - wanted[w].midi) &&
        Math.abs((nearestPlace(placeOf, w) ?? -99) - at) <= BESIDE_KEYS,
    );
    return slipped < 0 ? s : { ...s, wanted: notFound.splice(slipped, 1)[0], kind: 'wrong' };
  });
  return { struck: found, missed: notFound.sort((a, b) => a - b), restarts };
}

/** Where in the row of keys struck a key that was passed over would have come. */
function nearestPlace(placeOf: ReadonlyMap<number, number>, wanted: number): number | null {
  for (let by = 1; by <= OUT_OF_ORDER; by++) {
    const near = placeOf.get(wanted - by) ?? placeOf.get(wanted + by);
    if (near !== undefined) return near;
  }
  return null;
}
