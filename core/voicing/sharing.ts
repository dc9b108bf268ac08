import { type Part, twinsOf } from '../parts';
import { isUnderMelody } from './members';
import { alone, prepare, type Ready } from './prepare';
import { solveRun } from './sharedRun';
import { leastCost, type Spot } from './solver';
import { type FixedKeys, type VoicingTask } from './task';
import { voice, type VoicingMemory } from './voice';
import type { VoicedSong } from './voiced';
import type { Voicing } from './voicing';

/** Runs looked at × the song's chords at most to find what parts that are the same should share. */
const MOST_WORK = 6_000;

/** A chord of a run. */
interface SharedChord {
  /** Its played id in each pass, the leader's first. */
  readonly ids: readonly string[];
  /** Where it stands among the spots in each pass. */
  readonly places: readonly number[];
  /** The voicings it may have in all of them. */
  readonly common: readonly Voicing[];
}

/** Chords that follow one another in every part that shares them. */
type Run = readonly SharedChord[];
/** What each run is played with; null where that is open. */
type Choice = readonly (readonly Voicing[] | null)[];

/**
 * Parts that are the same share one set of voicings, wherever one has room in all of them. Each run of such chords gets
 * the keys that are best for the whole song, exactly, what is chosen for the other runs being held; one run after the
 * other, until none gets cheaper. In songs too long for that the keys stay that the first pass was given.
 */
export function shareVoicings(
  task: VoicingTask,
  parts: readonly Part[],
  free: VoicedSong,
  memory: { readonly shared: VoicingMemory } = { shared: { solved: null } },
): VoicedSong {
  if (parts.every((part) => part.sharesWith === null)) return free;
  const open = prepare(task);
  const runs = runsOf(task, open, parts);
  if (runs.length === 0) return free;
  const chosen = cheapest(open.spots, runs, asGiven(runs, free), task);
  const shared = runs.flatMap((run, at) =>
    run.flatMap(({ ids }, i) =>
      ids.map((id, pass): [string, FixedKeys] => [
        id,
        { keys: chosen[at][i].keys, by: pass === 0 ? 'shared' : 'same' },
      ]),
    ),
  );
  return voice({ ...task, fixed: new Map([...shared, ...task.fixed]) }, memory.shared);
}

/**
 * What the song costs with each voicing of a chord that parts share, by its keys: played so in all of them, the run it
 * stands in solved anew round it, what other runs share held as it is played. Null where the chord is in no run.
 */
export function costsWhereShared(
  task: VoicingTask,
  parts: readonly Part[],
  whole: VoicedSong,
  changeId: string,
): ReadonlyMap<string, number> | null {
  const open = prepare(task);
  const { spots } = open;
  const runs = runsOf(task, open, parts);
  const at = runs.findIndex((run) => run.some(({ ids }) => ids.includes(changeId)));
  if (at < 0) return null;
  const choice = asGiven(runs, whole);
  const place = runs[at].findIndex(({ ids }) => ids.includes(changeId));
  return new Map(
    runs[at][place].common.map((voicing): [string, number] => {
      const run = runs[at].with(place, { ...runs[at][place], common: alone(voicing) });
      const tried = runs.with(at, run);
      const around = solveRun(played(spots, tried, choice, at), run[0].places, run.length, task.weights);
      const own = around ?? choice[at].with(place, voicing);
      return [voicing.keys.join(), leastCost(played(spots, tried, choice.with(at, own)), task.weights)];
    }),
  );
}

/** All runs of chords that are voiced in the same way in parts that share, and have a voicing in common there. */
function runsOf(task: VoicingTask, open: Ready, parts: readonly Part[]): Run[] {
  const twins = twinsOf(parts, task.changes);
  const passes = new Map<string, string[]>();
  // The last chord lies on its root whatever the one it returns to does: it is its own.
  for (const { change } of open.prepared.slice(0, -1)) {
    const leader = twins.get(change.id);
    if (leader !== undefined) passes.set(leader, [...(passes.get(leader) ?? [leader]), change.id]);
  }
  const runs: SharedChord[][] = [];
  for (const { change } of open.prepared) {
    const ids = passes.get(change.id) ?? [];
    const places = ids.map(open.at);
    const [layout, ...others] = places.map((place) => open.prepared[place]?.layout);
    // Under a melody the chord follows its note.
    if (layout === undefined || isUnderMelody(layout)) continue;
    if (ids.some((id) => task.fixed.has(id)) || others.some((other) => other !== layout)) continue;
    const common = inAll(places.map((place) => open.spots[place].candidates));
    if (common.length === 0) continue;
    const last = runs.at(-1)?.at(-1)?.places;
    const goesOn = last?.length === places.length && last.every((place, i) => places[i] === place + 1);
    if (goesOn) runs[runs.length - 1].push({ ids, places, common });
    else runs.push([{ ids, places, common }]);
  }
  return runs;
}

/** Each chord of a run as its first pass was given it, or the next whose keys have room in all of them. */
function asGiven(runs: readonly Run[], free: VoicedSong): Voicing[][] {
  const given = new Map(free.voiced.map((v) => [v.change.id, v.voicing.keys.join()]));
  return runs.map((run) =>
    run.map(({ ids, common }) => {
      const keys = ids.map((id) => given.get(id)).find((own) => isAmong(common, own));
      return common.find((voicing) => voicing.keys.join() === keys) ?? common[0];
    }),
  );
}

/** The cheapest choice found, beginning with one, and with that in which every run meets those to come free. */
function cheapest(
  spots: readonly Spot[],
  runs: readonly Run[],
  first: readonly (readonly Voicing[])[],
  { weights }: VoicingTask,
): readonly (readonly Voicing[])[] {
  let left = Math.floor(MOST_WORK / spots.length);
  const costOf = (choice: Choice): number => leastCost(played(spots, runs, choice), weights);
  const bestAt = (choice: Choice, at: number): readonly Voicing[] | null => {
    left--;
    const [{ places }] = runs[at];
    return solveRun(played(spots, runs, choice, at), places, runs[at].length, weights);
  };
  let best = { choice: first, cost: costOf(first) };
  const consider = (choice: readonly (readonly Voicing[])[]): boolean => {
    const cost = costOf(choice);
    const isCheaper = cost < best.cost;
    if (isCheaper) best = { choice, cost };
    return isCheaper;
  };
  if (left >= 2 * runs.length) {
    const open: Choice = runs.map(() => null);
    const oneByOne = runs.reduce<Choice>((choice, _, at) => choice.with(at, bestAt(choice, at)), open);
    consider(oneByOne.map((own, at) => own ?? first[at]));
  }
  for (let at = 0, since = 0; since < runs.length && left > 0; at = (at + 1) % runs.length) {
    const own = bestAt(best.choice, at);
    since = own && consider(best.choice.with(at, own)) ? 0 : since + 1;
  }
  return best.choice;
}

/** The spots with what is chosen for the runs; one run may be left open, with what its passes have in common. */
function played(spots: readonly Spot[], runs: readonly Run[], choice: Choice, open = -1): Spot[] {
  const held = [...spots];
  runs.forEach((run, at) =>
    run.forEach(({ places, common }, i) => {
      const own = at === open ? null : choice[at];
      if (!own && at !== open) return;
      const candidates = own ? alone(own[i]) : common;
      for (const place of places) held[place] = { ...spots[place], candidates };
    }),
  );
  return held;
}

/** The voicings that stand in every list. */
function inAll(candidates: readonly (readonly Voicing[])[]): readonly Voicing[] {
  const [first, ...others] = candidates;
  if (others.every((list) => list === first)) return first;
  return first.filter(({ keys }) => others.every((list) => isAmong(list, keys.join())));
}

function isAmong(list: readonly Voicing[], keys: string | undefined): boolean {
  return list.some((voicing) => voicing.keys.join() === keys);
}
