import type { Hand, HandNote } from '../hands';
import { nameOf, typeset } from '../music';
import { offers, says } from '../sentences';
import type { Finding, PlayedSong, Profile, Song } from '../song';
import type { Written } from './written';

/** What was written by hand and cannot be played as it is: kept, and said with its place. */
export function writtenFindings(
  { ownBars }: Song,
  { endTick, ownBars: played }: PlayedSong,
  { keyboard }: Profile,
  written: Written,
): Finding[] {
  const known = new Set(played.map(({ id }) => id));
  const waiting = ownBars.filter(({ id }) => !known.has(id));
  const notPlayed = (['right', 'left'] as const).flatMap((hand: Hand) =>
    written[hand].leftOut.map(({ tick, pitch, why }): Finding => {
      const key = typeset(nameOf(pitch));
      const told = why === 'keyboard' ? says.ownOffKeyboard(key, keyboard) : says.ownWithoutLength(key);
      return {
        kind: 'own',
        tick,
        about: `${hand} ${nameOf(pitch)}`,
        sameAs: `${why} ${key}`,
        says: [told],
        remedies: [],
      };
    }),
  );
  return [
    ...notPlayed,
    ...waiting.map(({ id, notes, ...place }): Finding => ({
      kind: 'own',
      tick: Math.max(0, endTick - 1),
      about: id,
      says: [says.ownWaits(place.hand, notes.length)],
      remedies: [{ offer: offers.ownLeftOut(), edit: { kind: 'own-bars-cleared', ...place } }],
    })),
  ];
}

/** Chords written by hand that are wider than the hand. */
export function rolledFindings(notes: readonly HandNote[]): Finding[] {
  const rolled = notes.filter((note) => note.rolled !== undefined);
  const ticks = new Set(rolled.filter(({ source }) => source === 'own').map(({ tick }) => tick));
  return [...ticks].map((tick): Finding => {
    const keys = rolled.filter((note) => note.tick === tick);
    const [low, high] = [keys[0], keys[keys.length - 1]].map(({ pitch }) => typeset(nameOf(pitch)));
    const { hand } = keys[0];
    const told = says.ownTooWide(low, high, hand);
    return { kind: 'own', tick, about: hand, sameAs: `${hand} ${low} ${high}`, says: [told], remedies: [] };
  });
}
