import { barTicks } from '../music';
import { lastAtOrBefore, writtenBars } from './bars';
import { orderWithout, orderWithoutIntro, playedTicks } from './frameOrder';
import { shifted } from './frameShift';
import { ownBarsIn } from './ownBars';
import type { Song } from './schema';
import { writtenId } from './unfold';

/** The song without a stretch that frames it: as it would be had it never been put in. */
export function withoutPiece(song: Song, sectionId: string): Song {
  const section = song.sections.find(({ id }) => id === sectionId);
  const frame = section?.frame;
  if (!section || !frame) return song;
  const { tick: at } = section;
  const end = at + frame.ticks;
  const metre = lastAtOrBefore(song.metreMap, at);
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
    ownBars: song.ownBars
      .flatMap((own) => [ownBarsIn(own, 0, at), ownBarsIn(own, end, Infinity)])
      .filter((own) => own !== null),
    pins: song.pins.filter((pin) => ids.has(writtenId(pin.changeId))),
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
    division: { ...rest.division, method: heir === null ? frame.method : rest.division.method },
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
  { kept, method }: NonNullable<Song['sections'][number]['frame']>,
  but: string,
): Song['sections'] {
  if (heir === null) return sections;
  return sections.map((section) => {
    if (section.id !== heir || !section.frame) return section;
    const frame = {
      ...section.frame,
      kept: [...section.frame.kept, ...kept.filter((id) => id !== but)],
      method: method === 'own' ? section.frame.method : method,
    };
    return { ...section, frame };
  });
}
