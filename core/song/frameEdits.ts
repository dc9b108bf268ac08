import { barTicks } from '../music';
import { lastAtOrBefore, writtenBars } from './bars';
import type { FramePiece } from './framePiece';
import { barPlayedFrom, lastPlayed, orderWith, playedLength } from './frameOrder';
import { withoutPiece } from './frameRemoval';
import { endOf, inOrder, shifted } from './frameShift';
import type { Song } from './schema';

export type FrameEdit =
  | { readonly kind: 'frame-added'; readonly piece: FramePiece }
  | { readonly kind: 'frame-removed'; readonly sectionId: string };

/** The song after an edit of its frame; what cannot be done leaves it as it is. */
export function applyFrameEdit(song: Song, edit: FrameEdit): Song {
  return edit.kind === 'frame-added' ? added(song, edit.piece) : withoutPiece(song, edit.sectionId);
}

/** The song as it was given: without what was put round it. */
export function withoutFrame(song: Song): Song {
  return song.sections
    .filter(({ frame }) => frame !== undefined)
    .reduce((rest, { id }) => withoutPiece(rest, id), song);
}

/** Whether something frames the song. */
export function hasFrame({ sections }: Pick<Song, 'sections'>): boolean {
  return sections.some(({ frame }) => frame !== undefined);
}

function added(song: Song, piece: FramePiece): Song {
  // A song begins once and ends once.
  const isThere = song.sections.some(({ frame }) => frame?.kind === piece.kind);
  if (isThere && (piece.kind === 'intro' || piece.kind === 'ending')) return song;
  const place = placeOf(song, piece);
  if (!place) return song;
  const { written: at, played, like } = place;
  const isFirst = at === 0;
  const id = freeId(song);
  const bar = barTicks(lastAtOrBefore(song.metreMap, like));
  // The pick-up goes into the last bar of an intro.
  const by = piece.bars * bar - (isFirst ? song.pickup : 0);
  const firstCut = isFirst ? `${id}first` : null;
  const ownCut = isFirst ? 'cut0' : `${id}cut`;
  const stable = new Set([...song.cuts, ...piece.cuts].map((cut) => cut.id));
  const from = { written: at, played: piece.before === null ? Infinity : played };
  const opened = { ...song, ...shifted(song, from, by, stable, firstCut), ...(isFirst ? { pickup: 0 } : {}) };
  const own = materialOf(song, piece, id, at);
  const resumed = resumedAfter(song, id, at, by);
  const order = orderWith(song, piece);
  const cuts = [
    ...keptCuts(song, piece, played, by),
    firstCut ? { id: firstCut, tick: by } : { id: ownCut, tick: played },
  ];
  const frame = {
    kind: piece.kind,
    ticks: by,
    pickup: isFirst ? song.pickup : 0,
    resumes: resumed.length > 0 || order.isSplit,
    kept: cuts.map((cut) => cut.id),
    method: song.division.method,
  };
  const section = { id, tick: at, name: piece.name, energy: piece.energy, dynamics: 'even' as const, frame };
  const settings = { name: piece.name, sameAs: ownCut, choices: piece.choices };
  return {
    ...opened,
    ...mapsAt(opened, song, at, like),
    barCount: song.barCount + piece.bars,
    melody: inOrder([...opened.melody, ...own.melody]),
    changes: inOrder([...opened.changes, ...own.changes]),
    sections: inOrder([...opened.sections, section, ...resumed]),
    playingOrder: order.spans,
    // From now on exactly these parts: bars of a frame would make another division of the song likelier.
    division: { ...opened.division, method: 'own' },
    cuts: inOrder([...opened.cuts, ...cuts.map((cut) => ({ ...cut, locked: false }))]),
    partSettings: { ...opened.partSettings, [ownCut]: settings },
  };
}

/** Where a piece is put in, and the written tick whose key, metre and tempo it has. */
interface FramePlace {
  readonly written: number;
  readonly played: number;
  readonly like: number;
}

/** Null where it has no place. */
function placeOf(song: Song, { before }: FramePiece): FramePlace | null {
  const end = endOf(song);
  const isRepeated = song.playingOrder.length > 0;
  if (before === 0) return { written: 0, played: 0, like: 0 };
  if (before !== null && !isRepeated) return { written: before, played: before, like: before - 1 };
  if (before === null) return { written: end, played: playedLength(song), like: lastPlayed(song)?.tick ?? 0 };
  // Where bars are repeated, a piece between is written behind everything and played in its place.
  const bar = barPlayedFrom(song, before);
  return bar && { written: end, played: before, like: bar.tick };
}

/** Key, metre and tempo of a piece that is written behind everything: those of its place, where others hold there. */
function mapsAt(
  opened: Song,
  song: Song,
  at: number,
  like: number,
): Pick<Song, 'keyMap' | 'metreMap' | 'tempoMap'> {
  const { keyMap, metreMap, tempoMap } = opened;
  if (song.playingOrder.length === 0 || at === 0) return { keyMap, metreMap, tempoMap };
  // A piece that changes them may be taken out again: what is written behind it does not lean on it.
  const pieces = new Set(song.sections.filter(({ frame }) => frame).map(({ tick }) => tick));
  const withOwn = <T extends { readonly tick: number }>(map: readonly T[]): T[] => {
    const own = { ...lastAtOrBefore(map, like), tick: at };
    const isSame = JSON.stringify({ ...lastAtOrBefore(map, at), tick: at }) === JSON.stringify(own);
    const leans = map.some(({ tick }) => tick > 0 && pieces.has(tick));
    return isSame && !leans ? [...map] : inOrder([...map.filter(({ tick }) => tick !== at), own]);
  };
  return { keyMap: withOwn(keyMap), metreMap: withOwn(metreMap), tempoMap: withOwn(tempoMap) };
}

/** Notes and chords of a piece, from the first bar line at or after where it is put in. */
function materialOf(
  song: Song,
  { melody, changes }: FramePiece,
  id: string,
  at: number,
): Pick<Song, 'melody' | 'changes'> {
  const start = at === 0 ? 0 : (writtenBars(song).find(({ tick }) => tick >= at)?.tick ?? endOf(song));
  return {
    melody: melody.map((note, i) => ({
      ...note,
      id: `${id}n${i + 1}`,
      tick: start + note.tick,
      tiedToNext: false,
      lyric: null,
      grace: false,
    })),
    changes: changes.map((change, i) => ({
      ...change,
      id: `${id}c${i + 1}`,
      tick: start + change.tick,
      given: false,
      layout: null,
    })),
  };
}

/** The section a piece is put into the middle of goes on after it. */
function resumedAfter(song: Song, id: string, at: number, by: number): Song['sections'] {
  const { sections } = song;
  if (at >= endOf(song) || sections.some(({ tick }) => tick === at)) return [];
  const inForce = sections.length > 0 && sections[0].tick <= at ? lastAtOrBefore(sections, at) : null;
  const { name, energy } = inForce ?? { name: '', energy: 3 };
  return [{ id: `${id}r`, tick: at + by, name, energy, dynamics: 'even' }];
}

/** Where the other parts begin, once a piece is put in at a played tick: those that were only proposed are kept. */
function keptCuts(
  { cuts }: Song,
  piece: FramePiece,
  played: number,
  by: number,
): { readonly id: string; readonly tick: number }[] {
  const stored = new Set(cuts.map((cut) => cut.id));
  return piece.cuts
    .filter(({ id, tick }) => tick > 0 && !stored.has(id))
    .map(({ id, tick }) => ({ id, tick: tick >= played && piece.before !== null ? tick + by : tick }));
}

/** "f1", or the next that is free. */
function freeId(song: Song): string {
  const taken = new Set(song.sections.map(({ id }) => id));
  let n = 1;
  while (taken.has(`f${n}`)) n++;
  return `f${n}`;
}
