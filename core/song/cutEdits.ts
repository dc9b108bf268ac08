import { type Division, type PartSettings, type Song } from './schema';

/** What can be done to the division of a song into parts and sections. */
export type CutEdit =
  /** From now on exactly these cuts. */
  | { readonly kind: 'cuts-placed'; readonly what: string; readonly cuts: Song['cuts'] }
  | { readonly kind: 'cut-locked'; readonly id: string; readonly tick: number; readonly locked: boolean }
  /** Cuts are proposed anew round the locked ones. */
  | { readonly kind: 'division-chosen'; readonly division: Partial<Division> }
  | { readonly kind: 'part-named'; readonly cutId: string; readonly name: string | null }
  | { readonly kind: 'sections-set'; readonly what: string; readonly sections: Song['sections'] };

export const NO_SETTINGS: PartSettings = { name: null, sameAs: null, choices: {} };

/** The song after an edit of its division. */
export function applyCutEdit(song: Song, edit: CutEdit): Song {
  switch (edit.kind) {
    case 'cuts-placed':
      return { ...song, cuts: edit.cuts, division: { ...song.division, method: 'own' } };
    case 'cut-locked':
      return { ...song, cuts: withLock(song, edit.id, edit.tick, edit.locked) };
    case 'division-chosen': {
      const division = { ...song.division, ...edit.division };
      return { ...song, division, cuts: song.cuts.filter((cut) => cut.locked) };
    }
    case 'part-named': {
      const settings = { ...(song.partSettings[edit.cutId] ?? NO_SETTINGS), name: edit.name };
      return { ...song, partSettings: { ...song.partSettings, [edit.cutId]: settings } };
    }
    case 'sections-set':
      return { ...song, sections: edit.sections };
  }
}

/** The song with cuts that stay, whatever is proposed; the song's beginning needs none. */
export function withLockedCuts(song: Song, cuts: readonly Pick<Song['cuts'][number], 'id' | 'tick'>[]): Song {
  const locked = cuts.filter(({ tick }) => tick > 0);
  const all = locked.reduce(
    (kept, { id, tick }) => withLock({ ...song, cuts: kept }, id, tick, true),
    song.cuts,
  );
  return { ...song, cuts: all };
}

/** Among proposed cuts only locked ones are stored; among the pianist's own all are. */
function withLock(song: Song, id: string, tick: number, locked: boolean): Song['cuts'] {
  const others = song.cuts.filter((cut) => cut.id !== id);
  if (!locked && song.division.method !== 'own') return others;
  return [...others, { id, tick, locked }].sort((a, b) => a.tick - b.tick);
}
