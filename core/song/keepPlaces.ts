import type { Song } from './schema';
import { type PlayedBar, unfold } from './unfold';

/**
 * Cuts, settings and settled parts stand at played ticks. After an edit that moves bars they are carried to
 * where their bar has gone; `barAfter` tells a written bar's new number, null when it is gone.
 */
export function keepPlaces(before: Song, after: Song, barAfter: (bar: number) => number | null): Song {
  if (
    before.cuts.length === 0 &&
    before.settled.length === 0 &&
    Object.keys(before.partSettings).length === 0
  )
    return after;
  const old = unfold(before).bars;
  const places = new Map(unfold(after).bars.map((bar) => [placeName(bar.written, bar.pass), bar]));
  const tickAfter = (tick: number): number | null => {
    const bar = old.filter((b) => b.tick <= tick).at(-1);
    const written = bar && barAfter(bar.written);
    if (!bar || written === null || written === undefined) return null;
    const now = places.get(placeName(written, bar.pass));
    return now ? now.tick + Math.min(tick - bar.tick, now.length - 1) : null;
  };
  const idAfter = (id: string): string | null => {
    // A part nobody has cut is known by the tick of the cut proposed there.
    const tick = /^cut(\d+)$/.exec(id)?.[1];
    if (tick === undefined || before.cuts.some((cut) => cut.id === id)) return id;
    const moved = Number(tick) === 0 ? 0 : tickAfter(Number(tick));
    return moved === null ? null : `cut${moved}`;
  };
  const settings = Object.entries(before.partSettings).flatMap(([id, setting]) => {
    const now = idAfter(id);
    const sameAs = setting.sameAs === null ? null : idAfter(setting.sameAs);
    return now === null ? [] : [[now, { ...setting, sameAs }] as const];
  });
  return {
    ...after,
    cuts: before.cuts.flatMap((cut) => {
      const tick = cut.tick === 0 ? 0 : tickAfter(cut.tick);
      return tick === null ? [] : [{ ...cut, tick }];
    }),
    partSettings: Object.fromEntries(settings),
    settled: after.settled.flatMap((part) => {
      const cutId = idAfter(part.cutId);
      return cutId === null ? [] : [{ ...part, cutId }];
    }),
  };
}

function placeName(written: PlayedBar['written'], pass: number): string {
  return `${written}@${pass}`;
}
