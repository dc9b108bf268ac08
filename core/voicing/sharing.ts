import type { Part } from '../parts/parts';
import { twinsOf } from '../parts/twins';
import { isUnderMelody } from './members';
import { solveRun } from './sharedRun';
import type { Spot } from './solver';
import { type FixedKeys, type Ready, type VoicedSong, type VoicingTask, prepare, voice } from './voice';
import type { Voicing } from './voicing';

/** Chords voiced at most (songs solved × their chords) to find what parts that are the same should share. */
const MOST_WORK = 6_000;
/** Rounds over all runs. */
const ROUNDS = 3;

/** Chords that follow one another in every part that shares them: of each chord its id in each pass, the leader's first. */
type Run = readonly (readonly string[])[];
type Shared = ReadonlyMap<string, FixedKeys>;

/**
 * Parts that are the same share one set of voicings, wherever one has room in all of them. Each run of such chords gets
 * the keys that are best for the whole song, exactly, what is chosen for the other runs being held; round after round,
 * until nothing gets cheaper. In songs too long for that the keys stay that the first pass was given.
 */
export function shareVoicings(task: VoicingTask, parts: readonly Part[], free: VoicedSong): VoicedSong {
  if (parts.every((part) => part.sharesWith === null)) return free;
  const runs = runsOf(task, parts);
  if (runs.length === 0) return free;
  const given = new Map(free.voiced.map((v) => [v.change.id, v.voicing]));
  const open = prepare(task);
  const shared = runs.map((run) =>
    fixedTo(
      run,
      run.map((ids) => {
        const common = inAll(ids.map((id) => spotOf(open, id).candidates));
        const model = ids.map((id) => given.get(id)?.keys.join()).find((keys) => isAmong(common, keys));
        return common.find(({ keys }) => keys.join() === model) ?? common[0];
      }),
    ),
  );
  const solveWith = (fixed: readonly Shared[]): VoicedSong =>
    voice({ ...task, fixed: new Map([...fixed.flatMap((map) => [...map]), ...task.fixed]) });
  let best = solveWith(shared);
  let trials = Math.floor(MOST_WORK / Math.max(1, task.changes.length));
  // The first round holds only what was found before, so that each run meets the others as free as they can be.
  const found: Shared[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const before = best.cost;
    for (let at = 0; at < runs.length; at++) {
      if ((trials -= 2) <= 0) return best;
      const others = (round === 0 ? found : shared).filter((_, i) => i !== at);
      const held = new Map([...others.flatMap((map) => [...map]), ...task.fixed]);
      const own = bestRun({ ...task, fixed: held }, runs[at]) ?? shared[at];
      if (round === 0) found.push(own);
      if (round === 0 && found.length < runs.length) continue;
      const tried = round === 0 ? found : shared.map((was, i) => (i === at ? own : was));
      const voiced = solveWith(tried);
      if (voiced.cost >= best.cost) continue;
      best = voiced;
      tried.forEach((map, i) => (shared[i] = map));
    }
    if (round > 0 && best.cost === before) break;
  }
  return best;
}

/** All runs of chords that are voiced in the same way in parts that share, and have a voicing in common there. */
function runsOf(task: VoicingTask, parts: readonly Part[]): Run[] {
  const open = prepare(task);
  const twins = twinsOf(parts, task.changes);
  const layouts = new Map(open.prepared.map((p) => [p.change.id, p.layout]));
  const passes = new Map<string, string[]>();
  for (const { change } of open.prepared) {
    const leader = twins.get(change.id);
    if (leader !== undefined) passes.set(leader, [...(passes.get(leader) ?? [leader]), change.id]);
  }
  const runs: (readonly string[])[][] = [];
  // In the order of the song: a run is broken where one of its passes is.
  for (const { change } of open.prepared) {
    const ids = passes.get(change.id) ?? [];
    const [layout] = ids.map((id) => layouts.get(id));
    // Under a melody the chord follows its note.
    if (layout === undefined || isUnderMelody(layout)) continue;
    if (ids.some((id) => task.fixed.has(id) || layouts.get(id) !== layout)) continue;
    if (inAll(ids.map((id) => spotOf(open, id).candidates)).length === 0) continue;
    const last = runs.at(-1)?.at(-1);
    const goesOn = last?.length === ids.length && last.every((id, i) => open.at(ids[i]) === open.at(id) + 1);
    if (goesOn) runs[runs.length - 1].push(ids);
    else runs.push([ids]);
  }
  return runs;
}

function spotOf(open: Ready, id: string): Spot {
  return open.spots[open.at(id)];
}

/** The best keys for a run in all its passes, the rest free or fixed as the task says; null where none are found. */
function bestRun(task: VoicingTask, run: Run): Shared | null {
  const open = prepare(task);
  const tied = [...open.spots];
  for (const ids of run) {
    const candidates = inAll(ids.map((id) => spotOf(open, id).candidates));
    if (candidates.length === 0) return null;
    for (const id of ids) tied[open.at(id)] = { ...spotOf(open, id), candidates };
  }
  const best = solveRun(tied, run[0].map(open.at), run.length, task.weights);
  return best && fixedTo(run, best);
}

function fixedTo(run: Run, voicings: readonly Voicing[]): Shared {
  return new Map(
    run.flatMap((ids, chord) =>
      ids.map(
        (id, pass) => [id, { keys: voicings[chord].keys, by: pass === 0 ? 'shared' : 'same' }] as const,
      ),
    ),
  );
}

/** The voicings that stand in every list. */
function inAll(lists: readonly (readonly Voicing[])[]): readonly Voicing[] {
  const [first, ...others] = lists;
  if (others.every((list) => list === first)) return first;
  return first.filter(({ keys }) => others.every((list) => isAmong(list, keys.join())));
}

function isAmong(list: readonly Voicing[], keys: string | undefined): boolean {
  return list.some((voicing) => voicing.keys.join() === keys);
}
