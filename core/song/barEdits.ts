import { barTicks, type Key, type Metre, midiOf, spellInKey } from '../music';
import { type Bar, lastAtOrBefore, writtenBars } from './bars';
import { keepPlaces } from './keepPlaces';
import { ownBarsLater, ownBarsWithout } from './ownBars';
import type { Song } from './schema';
import { writtenId } from './unfold';

/** What can be done to bars; bar 0 is the pick-up. */
export type BarEdit =
  | { readonly kind: 'bars-inserted'; readonly before: number; readonly count: number }
  | { readonly kind: 'bar-removed'; readonly bar: number }
  | { readonly kind: 'pickup-set'; readonly ticks: number }
  | { readonly kind: 'metre-set'; readonly bar: number; readonly metre: Metre }
  | { readonly kind: 'key-set'; readonly bar: number; readonly key: Key }
  | { readonly kind: 'tempo-set'; readonly bar: number; readonly quartersPerMinute: number }
  | { readonly kind: 'feel-set'; readonly feel: Song['feel'] }
  /** Bars played twice; from `endingFrom` on they are left out the second time, and what follows is the second ending. */
  | {
      readonly kind: 'repeat-set';
      readonly fromBar: number;
      readonly toBar: number;
      readonly endingFrom: number | null;
    }
  | { readonly kind: 'repeats-cleared' };

/** Most bars a song may have, as everywhere. */
const MOST_BARS = 4000;

/** The song after an edit of its bars; what the edit cannot do leaves the song as it is. */
export function applyBarEdit(song: Song, edit: BarEdit): Song {
  switch (edit.kind) {
    case 'bars-inserted':
      return inserted(song, edit.before, edit.count);
    case 'bar-removed':
      return removed(song, edit.bar);
    case 'pickup-set':
      return withPickup(song, edit.ticks);
    case 'metre-set':
      return withMetre(song, edit.bar, edit.metre);
    case 'key-set':
      return withKey(song, edit.bar, edit.key);
    case 'tempo-set': {
      const entry = { tick: tickOfBar(song, edit.bar), quartersPerMinute: edit.quartersPerMinute };
      return { ...song, tempoMap: placed(song.tempoMap, entry) };
    }
    case 'feel-set':
      return { ...song, feel: edit.feel };
    case 'repeat-set':
      return withRepeat(song, edit.fromBar, edit.toBar, edit.endingFrom);
    case 'repeats-cleared':
      return keepPlaces(song, { ...song, playingOrder: [] }, (bar) => bar);
  }
}

function barNumbered(song: Song, number: number): Bar | undefined {
  return writtenBars(song).find((bar) => bar.number === number);
}

function tickOfBar(song: Song, number: number): number {
  const bars = writtenBars(song);
  return number <= bars[0].number ? 0 : (bars.find((b) => b.number === number)?.tick ?? 0);
}

/** Tick at which the last note or change ends. */
function contentEnd(song: Pick<Song, 'melody' | 'changes' | 'words' | 'ownBars'>): number {
  const ends = [...song.melody, ...song.changes, ...song.ownBars].map((item) => item.tick + item.length);
  return [...ends, ...song.words.map((word) => word.tick + 1)].reduce((end, at) => Math.max(end, at), 0);
}

function inserted(song: Song, before: number, count: number): Song {
  const bars = writtenBars(song);
  const last = bars[bars.length - 1];
  const at = before > song.barCount ? last.tick + last.length : tickOfBar(song, Math.max(1, before));
  const start = before <= 1 ? song.pickup : at;
  if (count < 1 || song.barCount + count > MOST_BARS) return song;
  const length = count * barTicks(lastAtOrBefore(song.metreMap, start));
  const later = <T extends { readonly tick: number }>(list: readonly T[]): T[] =>
    list.map((item) => (item.tick >= start ? { ...item, tick: item.tick + length } : item));
  const laterMap = <T extends { readonly tick: number }>(map: readonly T[]): T[] =>
    map.map((entry) => (entry.tick > start ? { ...entry, tick: entry.tick + length } : entry));
  const number = Math.max(1, before);
  const after: Song = {
    ...song,
    melody: later(song.melody),
    changes: later(song.changes),
    words: later(song.words),
    sections: later(song.sections),
    imported: later(song.imported),
    ownBars: ownBarsLater(song.ownBars, start, length),
    keyMap: laterMap(song.keyMap),
    metreMap: laterMap(song.metreMap),
    tempoMap: laterMap(song.tempoMap),
    barCount: song.barCount + count,
    playingOrder: song.playingOrder.map((span) => ({
      fromBar: span.fromBar >= number ? span.fromBar + count : span.fromBar,
      toBar: span.toBar >= number ? span.toBar + count : span.toBar,
    })),
  };
  return keepPlaces(song, after, (bar) => (bar >= number ? bar + count : bar));
}

function removed(song: Song, number: number): Song {
  const bar = barNumbered(song, number);
  if (!bar || song.barCount === 1 || number === 0) return song;
  const end = bar.tick + bar.length;
  const gone = <T extends { readonly tick: number }>(list: readonly T[]): T[] =>
    list
      .filter((item) => item.tick < bar.tick || item.tick >= end)
      .map((item) => (item.tick >= end ? { ...item, tick: item.tick - bar.length } : item));
  const cutShort = <T extends { readonly tick: number; readonly length: number }>(list: readonly T[]): T[] =>
    gone(list).map((item) =>
      item.tick < bar.tick && item.tick + item.length > bar.tick
        ? { ...item, length: Math.max(bar.tick - item.tick, item.length - bar.length) }
        : item,
    );
  const mapped = <T extends { readonly tick: number }>(map: readonly T[]): T[] => {
    const kept = map.filter((entry) => entry.tick < bar.tick || entry.tick > end);
    const moved = kept.map((e) => (e.tick > end ? { ...e, tick: e.tick - bar.length } : e));
    return placed(moved, { ...lastAtOrBefore(map, end), tick: bar.tick });
  };
  const changes = cutShort(song.changes);
  const ids = new Set(changes.map((c) => c.id));
  const order = song.playingOrder
    .filter((span) => span.fromBar !== number || span.toBar !== number)
    .map((span) => ({
      fromBar: span.fromBar > number ? span.fromBar - 1 : span.fromBar,
      toBar: span.toBar >= number ? span.toBar - 1 : span.toBar,
    }));
  const after: Song = {
    ...song,
    melody: cutShort(song.melody),
    changes,
    words: gone(song.words),
    sections: gone(song.sections),
    imported: gone(song.imported),
    ownBars: ownBarsWithout(song.ownBars, bar.tick, end),
    pins: song.pins.filter((pin) => ids.has(writtenId(pin.changeId))),
    closeHands: song.closeHands.filter((chosen) => ids.has(chosen.changeId)),
    keyMap: mapped(song.keyMap),
    metreMap: mapped(song.metreMap),
    tempoMap: mapped(song.tempoMap),
    barCount: song.barCount - 1,
    playingOrder: order,
  };
  return keepPlaces(song, after, (b) => (b === number ? null : b > number ? b - 1 : b));
}

/** The first ticks become the pick-up: notes stay where they are, the bar lines move. */
function withPickup(song: Song, ticks: number): Song {
  if (ticks < 0 || ticks >= barTicks(song.metreMap[0])) return song;
  const by = ticks - song.pickup;
  const metreMap = song.metreMap.map((m) => (m.tick > 0 ? { ...m, tick: Math.max(1, m.tick + by) } : m));
  return keepPlaces(song, covering({ ...song, pickup: ticks, metreMap, playingOrder: [] }), (bar) => bar);
}

function withMetre(song: Song, number: number, metre: Metre): Song {
  const tick = tickOfBar(song, number);
  const isFirst = number <= 1;
  const later = isFirst ? [] : song.metreMap.filter((m) => m.tick < tick);
  const entry = { ...metre, tick: isFirst ? 0 : tick } as Song['metreMap'][number];
  const pickup = isFirst ? Math.min(song.pickup, barTicks(metre) - 1) : song.pickup;
  const after = covering({ ...song, metreMap: [...later, entry], pickup, playingOrder: [] });
  return keepPlaces(song, after, (bar) => bar);
}

/** As many bars as hold everything. */
function covering(song: Song): Song {
  const end = contentEnd(song);
  let barCount = 0;
  let tick = song.pickup;
  do {
    tick += barTicks(lastAtOrBefore(song.metreMap, tick));
    barCount++;
  } while (tick < end && barCount < MOST_BARS);
  return { ...song, barCount };
}

/** A new key from a bar on, until the next change of key; notes keep their keys and are spelled in it. */
/** The key from a bar on; the first bar's is the pick-up's too. */
function withKey(song: Song, number: number, { tonic, mode }: Key): Song {
  const [tick, first] = [number <= 1 ? 0 : tickOfBar(song, number), tickOfBar(song, 1)];
  const others = tick === 0 ? song.keyMap.filter((entry) => entry.tick !== first) : song.keyMap;
  const keyMap = placed(others, { tick, tonic, mode });
  const end = keyMap.find((entry) => entry.tick > tick)?.tick ?? Infinity;
  const melody = song.melody.map((note) =>
    note.tick >= tick && note.tick < end
      ? { ...note, pitch: spellInKey(midiOf(note.pitch), { tonic, mode }) }
      : note,
  );
  return { ...song, keyMap, melody };
}

/** A map with an entry put in, in the place of one at the same tick; entries that change nothing are left out. */
function placed<T extends { readonly tick: number }>(map: readonly T[], entry: T): T[] {
  const sorted = [...map.filter((e) => e.tick !== entry.tick), entry].sort((a, b) => a.tick - b.tick);
  const says = (e: T): string => JSON.stringify({ ...e, tick: 0 });
  return sorted.filter((e, i) => i === 0 || says(e) !== says(sorted[i - 1]));
}

function withRepeat(song: Song, fromBar: number, toBar: number, endingFrom: number | null): Song {
  const first = song.pickup > 0 ? 0 : 1;
  const order = song.playingOrder.length > 0 ? song.playingOrder : [{ fromBar: first, toBar: song.barCount }];
  const at = order.findIndex((span) => span.fromBar <= fromBar && span.toBar >= toBar);
  const lastAgain = (endingFrom ?? toBar + 1) - 1;
  if (at < 0 || fromBar > toBar || lastAgain < fromBar) return song;
  const span = order[at];
  const rest = toBar < span.toBar ? [{ fromBar: toBar + 1, toBar: span.toBar }] : [];
  const playingOrder = [
    ...order.slice(0, at),
    { fromBar: span.fromBar, toBar },
    { fromBar, toBar: lastAgain },
    ...rest,
    ...order.slice(at + 1),
  ];
  return keepPlaces(song, { ...song, playingOrder }, (bar) => bar);
}

/** The playing order in words: "bars 1–8, then 1–6 and 9–10"; empty when played straight through. */
export function orderInWords(song: Pick<Song, 'playingOrder'>): string {
  const spans = song.playingOrder.map(({ fromBar, toBar }) =>
    fromBar === toBar ? `${fromBar}` : `${fromBar}–${toBar}`,
  );
  return spans.length === 0 ? '' : `Bars ${spans.join(', then ')}`;
}
