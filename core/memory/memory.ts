import { gotOrMade, memoizeByKey } from './memoize';

/** Makes a value under a name, or gives the one made before from the same things. */
type Remember<T> = ReturnType<typeof memoizeByKey<T>>;

/** What the stages made of one song, remembered from one arrangement of it to the next. */
export class Memory {
  private readonly stages = new Map<string, Remember<unknown>>();

  /** What one stage remembers; a value's name and what it is made from must say all it depends on. */
  of<T>(stage: string): Remember<T> {
    return gotOrMade(this.stages, stage, () => memoizeByKey<unknown>()) as Remember<T>;
  }
}

/** So many songs are remembered at a time: the open one, and one that is looked at beside it. */
const SONGS = 2;
let open: readonly { readonly id: string; readonly memory: Memory }[] = [];

/** What is remembered of a song; of one that was not asked for lately, nothing. */
export function memoryOf(id: string): Memory {
  const known = open.find((song) => song.id === id) ?? { id, memory: new Memory() };
  if (open[0] !== known) open = [known, ...open.filter((song) => song !== known)].slice(0, SONGS);
  return known.memory;
}
