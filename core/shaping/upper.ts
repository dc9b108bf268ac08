import { type Chord, membersOf, type Reach, reachMm, spanMm } from '../music';
import { Memory } from '../memory';
import { leastPath } from '../paths';
import { lowIntervalBreaches } from '../voicing';
import { highestUnder, lowestOver } from './room';
import type { Style } from './styles';

/** A chord whose upper notes are to be found. */
export interface UpperPlace {
  /** Of its change, in the song as it is played. */
  readonly id: string;
  readonly chord: Chord;
  /** As it is voiced with blocks. */
  readonly voicing: readonly number[];
  /** The basses struck under it. */
  readonly basses: readonly number[];
  readonly count: 2 | 3;
  readonly style: Style;
  /** They are struck with their bass, by one hand. */
  readonly isTogether: boolean;
  /** The lowest note of the tune while it lasts, over its first two beats, over the first; 128 for none. */
  readonly ceilings: readonly number[];
  /** What the tune sounds for most of it. */
  readonly tune: ReadonlySet<number>;
  readonly reach: Reach;
}

/** Half steps above the bass beyond which an upper note is far from it. */
const FAR = 12;
/** A root or fifth that is not where it was with blocks is not dearer than this. */
const CAPPED = 6;
const COST = {
  away: 2,
  movement: 1,
  far: 2,
  farOfClose: 10,
  left: 12,
  lost: 90,
  fewer: 20,
  ceiling: 15,
  close: 8,
} as const;

/** The upper notes of each chord, lowest first: the guide tones first, near where the blocks have them, moving little; exact. */
export function upperNotes(places: readonly UpperPlace[], memory = new Memory()): (readonly number[])[] {
  const made = memory.of<readonly Upper[]>('upper notes');
  const candidates = places.map((place) => {
    const { id, tune, ...from } = place;
    return made(id, [...Object.values(from), [...tune]], () => candidatesAt(place));
  });
  const { chosen } = leastPath(
    candidates.map((list) => list.map(({ own }) => own)),
    (i, a, b) => COST.movement * movement(candidates[i - 1][a].keys, candidates[i][b].keys),
  );
  return candidates.map((list, i) => list[chosen[i]].keys);
}

interface Upper {
  readonly keys: readonly number[];
  readonly own: number;
}

function candidatesAt(place: UpperPlace): Upper[] {
  const found = place.ceilings.flatMap((ceiling, i) =>
    under(place, ceiling).map(({ keys, own }) => ({ keys, own: own + COST.ceiling * i })),
  );
  return found.length > 0 ? found : [{ keys: [], own: 0 }];
}

/** What may be played under a ceiling: as many as are wanted, else fewer; what tells the chord is dear to leave out. */
function under(place: UpperPlace, ceiling: number): Upper[] {
  const members = wantedIn(place);
  const low = Math.min(...place.basses);
  const from = Math.max(lowestOver(low, place.style), Math.max(...place.basses) + 2);
  const to = highestUnder(ceiling);
  const telling = members.filter(({ tells }) => tells);
  const found: Upper[] = [];
  for (let count = Math.min(place.count, members.length); count > 0; count--) {
    for (const set of setsOf(members, count)) {
      const left = telling.filter((member) => !set.includes(member));
      const own =
        COST.fewer * (place.count - count) +
        left.reduce((sum, { isHeard }) => sum + (isHeard ? COST.left : COST.lost), 0);
      for (const keys of combinations(set.map(({ chroma: wanted }) => keysOf(wanted, from, to)))) {
        keys.sort((a, b) => a - b);
        if (isPlayable(keys, place)) found.push({ keys, own: own + costOf(keys, place, set) });
      }
    }
    if (found.length > 0 && found.some(({ own }) => own < COST.lost)) break;
  }
  return found;
}

/** The first so many, and the same with each of the telling ones left out for the next. */
function setsOf(members: readonly Wanted[], count: number): (readonly Wanted[])[] {
  const first = members.slice(0, count);
  if (members.length <= count) return [first];
  return [first, ...first.map((left) => [...first.filter((member) => member !== left), members[count]])];
}

interface Wanted {
  readonly chroma: number;
  readonly tells: boolean;
  /** The tune sounds it for most of the chord. */
  readonly isHeard: boolean;
}

/** The members a chord is told by, the telling ones first; what the tune sounds anyway last, and never the bass again but as its octave. */
function wantedIn({ chord, basses, tune }: UpperPlace): Wanted[] {
  const members = membersOf(chord);
  const low = basses[0] % 12;
  const order = (number: number): number => [3, 4, 2, 7, 6, 9, 11, 13, 5, 1].indexOf(number);
  const others = members
    .filter((member) => member.chroma !== low)
    .map(({ chroma: own, number, interval }) => ({
      chroma: own,
      tells:
        [3, 4, 2, 7, 6].includes(number) ||
        (number === 5 && interval !== '5P') ||
        (number > 8 && !/M|P/.test(interval)),
      isHeard: tune.has(own),
      rank: order(number),
    }));
  const ranked = [...others].sort(
    (a, b) => Number(b.tells) - Number(a.tells) || Number(a.isHeard) - Number(b.isHeard) || a.rank - b.rank,
  );
  return [...ranked, { chroma: low, tells: false, isHeard: true }];
}

function keysOf(wanted: number, from: number, to: number): number[] {
  const keys: number[] = [];
  for (let key = from + ((wanted - (from % 12) + 12) % 12); key <= to; key += 12) keys.push(key);
  return keys;
}

function combinations(lists: readonly (readonly number[])[]): number[][] {
  return lists.reduce<number[][]>(
    (all, list) => all.flatMap((keys) => list.map((key) => [...keys, key])),
    [[]],
  );
}

/** In reach of one hand, clear of one another, no two a half step apart. */
function isPlayable(upper: readonly number[], { reach, isTogether, basses }: UpperPlace): boolean {
  const keys = isTogether ? [Math.max(...basses), ...upper] : upper;
  return (
    spanMm(keys[0], keys[keys.length - 1]) <= reachMm(reach) &&
    keys.every((key, i) => i === 0 || key - keys[i - 1] >= 2) &&
    lowIntervalBreaches(keys).length === 0
  );
}

function costOf(keys: readonly number[], place: UpperPlace, set: readonly Wanted[]): number {
  const low = Math.min(...place.basses);
  const telling = new Set(set.filter(({ tells }) => tells).map(({ chroma: own }) => own));
  return keys.reduce((sum, key, i) => {
    const own = place.voicing
      .filter((other) => other % 12 === key % 12)
      .map((other) => Math.abs(other - key));
    const away = own.length > 0 ? Math.min(...own) : CAPPED;
    const near = telling.has(key % 12) ? away : Math.min(CAPPED, away);
    const isClose = i > 0 && key - keys[i - 1] < 3;
    return (
      sum +
      COST.away * near +
      (place.style.isClose ? COST.farOfClose : COST.far) * Math.max(0, key - low - FAR) +
      (isClose ? COST.close : 0)
    );
  }, 0);
}

/** Half steps from one set of notes to the next, each to its nearest. */
function movement(from: readonly number[], to: readonly number[]): number {
  if (from.length === 0) return 0;
  // Written as loops: a long song asks for it some hundred thousand times.
  let sum = 0;
  for (const key of to) {
    let nearest = Infinity;
    for (const other of from) nearest = Math.min(nearest, Math.abs(other - key));
    sum += nearest;
  }
  return sum;
}
