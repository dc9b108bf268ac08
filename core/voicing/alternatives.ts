import type { Part } from '../parts';
import { prepare } from './prepare';
import { costsWhereShared } from './sharing';
import { solve } from './solver';
import { type FixedKeys, isShared, type VoicingTask } from './task';
import { type Alternative, spell, stepFrom, type VoicedSong } from './voiced';
import type { Voicing } from './voicing';

/**
 * Every voicing one change could have, cheapest for the whole song first; its own pin is set aside. What parts that are
 * the same share stays so: a chord they share is tried in all of them at once, with what it follows and leads to there
 * solved anew, and the other chords that are shared are held as they are played. So what is played costs least here, too;
 * what another of them has no room for is tried in this part alone, and comes after it also where it costs less there.
 */
export function alternativesAt(
  task: VoicingTask,
  parts: readonly Part[],
  played: VoicedSong,
  changeId: string,
): Alternative[] {
  const shared = played.voiced.flatMap(({ change, fixedBy, voicing }): [string, FixedKeys][] =>
    fixedBy && isShared(fixedBy) ? [[change.id, { keys: voicing.keys, by: fixedBy }]] : [],
  );
  const fixed = new Map([...shared, ...task.fixed]);
  fixed.delete(changeId);
  const { spots, prepared, at: placeOf } = prepare({ ...task, fixed });
  const at = placeOf(changeId);
  if (at < 0) return [];
  const { chosen } = solve(spots, task.weights);
  const { chord, key, options, layout } = prepared[at];
  // At the ends what the rules leave out may be taken, too.
  const kept = new Set(spots[at].candidates);
  const candidates = layout === 'partial' ? spots[at].candidates : options.candidates;
  const alone = solve(spots.with(at, { ...spots[at], candidates }), task.weights).through(at);
  const together = shared.some(([id]) => id === changeId)
    ? costsWhereShared(task, parts, played, changeId)
    : null;
  const isApart = ({ keys }: Voicing): boolean => together !== null && !together.has(keys.join());
  const costs = candidates.map(({ keys }, c) => together?.get(keys.join()) ?? alone[c]);
  const least = Math.min(
    ...candidates.map((voicing, c) => (kept.has(voicing) && !isApart(voicing) ? costs[c] : Infinity)),
  );
  const before = at > 0 ? spots[at - 1].candidates[chosen[at - 1]] : null;
  return candidates
    .map((voicing, c) => ({
      voicing,
      pitches: spell(voicing.keys, chord, key),
      extra: costs[c] - least,
      step: before ? stepFrom(before, voicing) : null,
      isAgainstEnds: !kept.has(voicing),
      isApart: isApart(voicing),
    }))
    .sort(
      (a, b) =>
        Number(a.isAgainstEnds) - Number(b.isAgainstEnds) ||
        Math.max(0, a.extra) - Math.max(0, b.extra) ||
        Number(a.isApart) - Number(b.isApart) ||
        a.voicing.keys[0] - b.voicing.keys[0],
    );
}
