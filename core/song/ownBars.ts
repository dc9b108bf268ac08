import type { OwnBars, Song } from './schema';

/** What can be done to what the pianist wrote by hand. */
export type OwnBarsEdit =
  /** Written, or written anew under its id; the keystrokes of one session are undone together. */
  | { readonly kind: 'own-bars-written'; readonly own: OwnBars; readonly session: string | null }
  /** In a stretch the program's own notes are played again. */
  | ({ readonly kind: 'own-bars-cleared' } & Pick<OwnBars, 'hand' | 'how' | 'pass' | 'tick' | 'length'>);

/** The song after an edit of its own bars; what stood in the place of the same notes gives way to what is written. */
export function applyOwnBarsEdit(song: Song, edit: OwnBarsEdit): Song {
  if (edit.kind === 'own-bars-cleared') {
    const isMeant = ({ hand, how, pass }: OwnBars): boolean =>
      hand === edit.hand && how === edit.how && pass === edit.pass;
    const { tick, length } = edit;
    return {
      ...song,
      ownBars: told(
        song.ownBars.flatMap((own) => (isMeant(own) ? outside(own, tick, tick + length) : [own])),
      ),
    };
  }
  const { own } = edit;
  const others = song.ownBars
    .filter(({ id }) => id !== own.id)
    .flatMap((other) => (replaces(own, other) ? outside(other, own.tick, own.tick + own.length) : [other]));
  return { ...song, ownBars: told([...others, own]) };
}

function replaces(own: OwnBars, other: OwnBars): boolean {
  return (
    own.how === 'instead' && other.how === 'instead' && own.hand === other.hand && own.pass === other.pass
  );
}

/**
 * What of own bars lies in a stretch, told from its beginning on; null where that is nothing. A note that is held
 * beyond the stretch ends with it, unless the music goes on there (`ringsOn`).
 */
export function ownBarsIn(own: OwnBars, from: number, to: number, ringsOn = false): OwnBars | null {
  const [start, end] = [Math.max(own.tick, from), Math.min(own.tick + own.length, to)];
  if (end <= start) return null;
  if (start === own.tick && end === own.tick + own.length) return own;
  const notes = own.notes.flatMap((note) => {
    const at = own.tick + note.after;
    if (at < start || at >= end) return [];
    return [{ ...note, after: at - start, length: ringsOn ? note.length : Math.min(note.length, end - at) }];
  });
  const { pedals } = own;
  return {
    ...own,
    tick: start,
    length: end - start,
    notes,
    ...(pedals ? { pedals: pedalsIn(own.tick, pedals, start, end) } : {}),
  };
}

/** The presses of a stretch, told from its beginning on; what is held into it or out of it is held as far as it goes. */
function pedalsIn(
  tick: number,
  pedals: NonNullable<OwnBars['pedals']>,
  start: number,
  end: number,
): OwnBars['pedals'] {
  return pedals.flatMap(({ after, length }) => {
    const [from, to] = [Math.max(start, tick + after), Math.min(end, tick + after + length)];
    return to > from ? [{ after: from - start, length: to - from }] : [];
  });
}

/** Own bars from a tick on, so many ticks later; those that last over it go on after what comes between. */
export function ownBarsLater(list: Song['ownBars'], from: number, by: number): Song['ownBars'] {
  return told(
    list.flatMap((own) => {
      if (own.tick >= from) return [{ ...own, tick: own.tick + by }];
      const after = ownBarsIn(own, from, Infinity);
      return after ? [...pieces(own, 0, from), { ...after, tick: from + by }] : [own];
    }),
  );
}

/** Own bars without a stretch that is taken out; what comes after it moves up. */
export function ownBarsWithout(list: Song['ownBars'], from: number, to: number): Song['ownBars'] {
  return told(
    list.flatMap((own) => [
      ...pieces(own, 0, from),
      ...pieces(own, to, Infinity).map((after) => ({ ...after, tick: after.tick - (to - from) })),
    ]),
  );
}

function pieces(own: OwnBars, from: number, to: number): OwnBars[] {
  const piece = ownBarsIn(own, from, to);
  return piece ? [piece] : [];
}

function outside(own: OwnBars, from: number, to: number): OwnBars[] {
  return [...pieces(own, 0, from), ...pieces(own, to, Infinity)];
}

/** Each by an id of its own, in time: of what was parted the second piece has a new one. */
function told(list: readonly OwnBars[]): OwnBars[] {
  const known = new Set<string>();
  let number = 1;
  const fresh = (): string => {
    while (list.some(({ id }) => id === `o${number}`) || known.has(`o${number}`)) number++;
    return `o${number}`;
  };
  return list
    .map((own) => {
      const id = known.has(own.id) ? fresh() : own.id;
      known.add(id);
      return id === own.id ? own : { ...own, id };
    })
    .sort((a, b) => a.tick - b.tick);
}
