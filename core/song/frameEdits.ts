import { barTicks } from '../music';
import { inForceAt, writtenBars } from './bars';
import type { FramePiece } from './framePiece';
import {
  barPlayedFrom,
  lastPlayed,
  orderWith,
  orderWithout,
  orderWithoutIntro,
  playedLength,
  playedTicks,
} from './frameOrder';
import type { Song } from './schema';

export type FrameEdit =
  | { readonly kind: 'frame-added'; readonly piece: FramePiece }
  | { readonly kind: 'frame-removed'; readonly sectionId: string };

/** The song after an edit of its frame; what cannot be done leaves it as it is. */
export function applyFrameEdit(song: Song, edit: FrameEdit): Song {
  return edit.kind === 'frame-added' ? added(song, edit.piece) : removed(song, edit.sectionId);
}

/** The song as it was given: without what was put round it. */
export function withoutFrame(song: Song): Song {
  return song.sections
    .filter(({ frame }) => frame !== undefined)
    .reduce((rest, { id }) => removed(rest, id), song);
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
  const bar = barTicks(inForceAt(song.metreMap, like));
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
    school: song.division.school,
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
    division: { ...opened.division, school: 'own' },
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
  if (before === null) {
    return { written: end, played: playedLength(song), like: lastPlayed(song)?.tick ?? 0 };
  }
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
    const own = { ...inForceAt(map, like), tick: at };
    const isSame = JSON.stringify({ ...inForceAt(map, at), tick: at }) === JSON.stringify(own);
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
  const inForce = sections.length > 0 && sections[0].tick <= at ? inForceAt(sections, at) : null;
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

type Moved = Pick<
  Song,
  | 'melody'
  | 'changes'
  | 'words'
  | 'sections'
  | 'imported'
  | 'keyMap'
  | 'metreMap'
  | 'tempoMap'
  | 'cuts'
  | 'partSettings'
  | 'settled'
>;

/**
 * Everything from a tick on, so many ticks later (earlier when negative): what is written from a written tick, where
 * parts begin from a played one. Maps keep what holds at the beginning.
 */
function shifted(
  song: Song,
  from: { readonly written: number; readonly played: number },
  by: number,
  stable: ReadonlySet<string>,
  firstCut: string | null,
): Moved {
  const later = <T extends { readonly tick: number }>(list: readonly T[]): T[] =>
    list.map((item) => (item.tick >= from.written ? { ...item, tick: item.tick + by } : item));
  const laterMap = <T extends { readonly tick: number }>(map: readonly T[]): T[] =>
    map.map((entry) =>
      entry.tick > 0 && entry.tick >= from.written ? { ...entry, tick: entry.tick + by } : entry,
    );
  // A part nobody has cut is known by the tick of the cut proposed there; the first by its own.
  const idAfter = (id: string): string => {
    if (id === 'cut0') return firstCut ?? id;
    const tick = /^cut(\d+)$/.exec(id)?.[1];
    if (tick === undefined || stable.has(id)) return id;
    return Number(tick) >= from.played ? `cut${Number(tick) + by}` : id;
  };
  return {
    melody: later(song.melody),
    changes: later(song.changes),
    words: later(song.words),
    sections: later(song.sections),
    imported: later(song.imported),
    keyMap: laterMap(song.keyMap),
    metreMap: laterMap(song.metreMap),
    tempoMap: laterMap(song.tempoMap),
    cuts: song.cuts.map((cut) => (cut.tick >= from.played ? { ...cut, tick: cut.tick + by } : cut)),
    partSettings: Object.fromEntries(
      Object.entries(song.partSettings).map(([id, settings]) => [
        idAfter(id),
        { ...settings, sameAs: settings.sameAs === null ? null : idAfter(settings.sameAs) },
      ]),
    ),
    settled: song.settled.map((part) => ({ ...part, cutId: idAfter(part.cutId) })),
  };
}

function removed(song: Song, sectionId: string): Song {
  const section = song.sections.find(({ id }) => id === sectionId);
  const frame = section?.frame;
  if (!section || !frame) return song;
  const { tick: at } = section;
  const end = at + frame.ticks;
  const metre = inForceAt(song.metreMap, at);
  const bars = Math.round((frame.ticks + frame.pickup) / barTicks(metre));
  const isOwn = (id: string): boolean => id.startsWith(`${sectionId}n`) || id.startsWith(`${sectionId}c`);
  const gone = (item: { readonly tick: number; readonly id: string }): boolean =>
    isOwn(item.id) || (item.tick >= at && item.tick < end);
  const changes = song.changes.filter((change) => !gone(change));
  const ids = new Set(changes.map(({ id }) => id));
  const ownCut = at === 0 ? 'cut0' : `${sectionId}cut`;
  const { [ownCut]: _own, ...partSettings } = song.partSettings;
  const heir = song.sections.find((other) => other.frame && other.id !== sectionId)?.id ?? null;
  const dropped = new Set(heir === null ? frame.kept : []);
  const first = writtenBars(song).find(({ tick }) => tick === at)?.number ?? 1;
  const order =
    at === 0
      ? { spans: orderWithoutIntro(song, bars, frame.pickup), apart: [] }
      : orderWithout(song, first, bars, frame.resumes);
  const places = playedTicks(song, at);
  const inPiece = (tick: number): boolean => places.some((from) => tick > from && tick < from + frame.ticks);
  const isTail = at > 0 && song.playingOrder.length > 0;
  const mapLess = <T extends { readonly tick: number }>(map: readonly T[]): T[] =>
    isTail ? map.filter(({ tick }) => tick < at || tick >= end) : [...map];
  const rest: Song = {
    ...song,
    melody: song.melody.filter((note) => !gone(note)),
    changes,
    words: song.words.filter(({ tick }) => tick < at || tick >= end),
    sections: inherited(song.sections, heir, frame, ownCut).filter(
      ({ id, tick, frame: other }) =>
        id !== sectionId &&
        !(frame.resumes && id === `${sectionId}r`) &&
        (other !== undefined || tick < at || tick >= end),
    ),
    cuts: song.cuts.filter(({ id, tick }) => id !== ownCut && !inPiece(tick)),
    keyMap: mapLess(song.keyMap),
    metreMap: mapLess(song.metreMap),
    tempoMap: mapLess(song.tempoMap),
    partSettings,
    pins: song.pins.filter((pin) => ids.has(pin.changeId.replace(/@\d+$/, ''))),
    closeHands: song.closeHands.filter(({ changeId }) => ids.has(changeId)),
    barCount: Math.max(1, song.barCount - bars),
    playingOrder: order.spans,
  };
  const stable = new Set([...rest.cuts.map((cut) => cut.id), ...frame.kept]);
  // From the last place to the first, so that those before it are where they were.
  const moved = places.reduceRight<Song>((less, from) => {
    const played = from + frame.ticks;
    return { ...less, ...shifted(less, { written: Infinity, played }, -frame.ticks, stable, null) };
  }, rest);
  const back = {
    ...moved,
    ...shifted(moved, { written: end, played: Infinity }, -frame.ticks, stable, null),
    pickup: frame.pickup > 0 ? frame.pickup : rest.pickup,
    division: { ...rest.division, school: heir === null ? frame.school : rest.division.school },
  };
  const cuts = back.cuts.filter(({ id, tick }) => tick > 0 && !dropped.has(id));
  const whole = { ...back, cuts, sections: keptApart(back, order.apart) };
  return at === 0 ? withFirstPart(whole, `${sectionId}first`) : whole;
}

/** What still stands between the halves of a span joins them when it is taken out. */
function keptApart(song: Song, firstBars: readonly number[]): Song['sections'] {
  const ticks = writtenBars(song).flatMap(({ number, tick }) => (firstBars.includes(number) ? [tick] : []));
  const piece = song.sections.find(({ frame, tick }) => frame && ticks.includes(tick));
  return song.sections.map((section) =>
    section === piece && section.frame ? { ...section, frame: { ...section.frame, resumes: true } } : section,
  );
}

/** The part that was first is first again, and known by its tick. */
function withFirstPart(song: Song, id: string): Song {
  const named = (other: string | null): string | null => (other === id ? 'cut0' : other);
  return {
    ...song,
    cuts: song.cuts.filter((cut) => cut.tick > 0 && cut.id !== id),
    partSettings: Object.fromEntries(
      Object.entries(song.partSettings).map(([cutId, settings]) => [
        named(cutId) as string,
        { ...settings, sameAs: named(settings.sameAs) },
      ]),
    ),
    settled: song.settled.map((part) => ({ ...part, cutId: named(part.cutId) as string })),
  };
}

/** What one piece kept in place is kept by another that stays, and so is how the song was cut before. */
function inherited(
  sections: Song['sections'],
  heir: string | null,
  { kept, school }: NonNullable<Song['sections'][number]['frame']>,
  but: string,
): Song['sections'] {
  if (heir === null) return sections;
  return sections.map((section) => {
    if (section.id !== heir || !section.frame) return section;
    const frame = {
      ...section.frame,
      kept: [...section.frame.kept, ...kept.filter((id) => id !== but)],
      school: school === 'own' ? section.frame.school : school,
    };
    return { ...section, frame };
  });
}

function inOrder<T extends { readonly tick: number }>(list: readonly T[]): T[] {
  return [...list].sort((a, b) => a.tick - b.tick);
}

/** The written tick at which a song ends. */
function endOf(song: Song): number {
  const { tick, length } = writtenBars(song).at(-1) ?? { tick: 0, length: 0 };
  return tick + length;
}

/** "f1", or the next that is free. */
function freeId(song: Song): string {
  const taken = new Set(song.sections.map(({ id }) => id));
  let n = 1;
  while (taken.has(`f${n}`)) n++;
  return `f${n}`;
}
