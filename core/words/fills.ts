import { barInWords, theBar, beatsInWords, fillName, fillVariant, inWords } from '../sentences';
import { countAt } from '../joining';
import { barAt, type PlayedBar } from '../song';
import type { Arrangement, FillSpot } from '../arrangement';
import type { Fill } from '../fills';
import { nameOf, typeset } from '../music';
import { capital, counted } from './titles';

const SKILLS = { 1: 'simple', 2: 'the hand moves', 3: 'wide or quick' } as const;

/** "Bar 4, from 2, over A7". */
export function spotTitle({ bar, count, symbol }: Pick<FillSpot, 'bar' | 'count' | 'symbol'>): string {
  return `${barInWords(bar)}, from ${count}, over ${typeset(symbol)}`;
}

/** "Bass walk, by step from below". */
export function fillTitle({ kind, variant }: Pick<Fill, 'kind' | 'variant'>): string {
  return `${capital(fillName(kind))}, ${fillVariant(kind, variant)}`;
}

/** "bar 4, from 2: E F♯ G♯ to A, by step from below". */
export function fillPlaceInWords(
  bars: readonly PlayedBar[],
  { tick, notes, goal, kind, variant, isOwn }: Fill,
): string {
  const first = notes.reduce((least, note) => Math.min(least, note.tick), notes[0]?.tick ?? tick);
  const names = notes.map(({ pitch }) => typeset(nameOf(pitch))).join(' ');
  const to = goal ? ` to ${typeset(nameOf(goal))}` : '';
  const how = isOwn ? 'changed' : fillVariant(kind, variant);
  return `${theBar(barAt(bars, tick).number)}, from ${countAt(barAt(bars, first), first)}: ${names}${to}, ${how}`;
}

const ROOM: Readonly<Record<FillSpot['what'], string>> = {
  'held-note': 'a held note',
  rest: 'a rest',
  'part-end': 'the end of the part',
  'last-bars': 'the last bars',
  'long-chord': 'a long chord',
  'strong-notes': 'strong notes',
};

/** "Held: 2 beats of room in a held note, for the right hand and the left." */
export function spotInWords({ what, beats, hands, lies }: FillSpot): string {
  const whom = hands.length === 2 ? 'either hand' : `the ${hands[0]} hand`;
  const places = lies.flatMap(({ hand, keys }) => {
    const names = keys.map(
      ({ pitch, finger }) => typeset(nameOf(pitch)) + (finger === null ? '' : ` (${finger})`),
    );
    return names.length === 0 ? [] : [`the ${hand} hand lies on ${names.join(', ')}`];
  });
  const there = places.length === 0 ? '' : ` ${capital(places.join('; '))}.`;
  return `${capital(ROOM[what])}: ${beatsInWords(beats)} of room, for ${whom}.${there}`;
}

/** Why a fill suits, and what it asks of the hand. */
export function fillInWords({ reason, skill, hand }: Pick<Fill, 'reason' | 'skill' | 'hand'>): string {
  return `${inWords(reason)} ${hand === 'right' ? 'Right hand' : 'Left hand'}, ${SKILLS[skill]}.`;
}

/** How much is filled in, all together and by kind, the most frequent first. */
export function versionInWords({ fills, parts }: Pick<Arrangement, 'fills' | 'parts'>): {
  readonly summary: string;
  readonly kinds: readonly string[];
} {
  const taken = fills.filter((fill) => fill.taken);
  if (taken.length === 0) return { summary: 'Nothing is filled in.', kinds: [] };
  const counts = new Map<string, number>();
  for (const { kind } of taken) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  const withSome = parts.filter((part) =>
    taken.some(({ tick }) => tick >= part.fromTick && tick < part.toTick),
  );
  return {
    summary: `${counted(taken.length, 'fill')} in ${withSome.length} of ${parts.length} parts.`,
    kinds: [...counts]
      .map(([kind, count]) => ({ name: fillName(kind), count }))
      .sort((a, b) => b.count - a.count || a.name.localeCompare(b.name))
      .map(({ name, count }) => `${count} × ${name}`),
  };
}
