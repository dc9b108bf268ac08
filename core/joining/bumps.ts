import type { Finding } from '../song/finding';
import { nameOf, typeset } from '../music/pitch';
import { type HandNote, inTime } from './handNote';

/** Places where both hands want the same key or the left lies above the right, once a place. */
export function bumpsBetween(right: readonly HandNote[], left: readonly HandNote[]): Finding[] {
  const findings: Finding[] = [];
  const rights = inTime(right.filter((note) => !note.grace));
  let start = 0;
  const longest = rights.reduce((most, note) => Math.max(most, note.length), 0);
  let lastTick = -1;
  for (const low of inTime(left)) {
    while (start < rights.length && rights[start].tick < low.tick - longest) start++;
    for (let i = start; i < rights.length && rights[i].tick < low.tick + low.length; i++) {
      const high = rights[i];
      if (high.tick + high.length <= low.tick || low.midi < high.midi) continue;
      const tick = Math.max(high.tick, low.tick);
      if (tick === lastTick) continue;
      lastTick = tick;
      const key = typeset(nameOf(low.pitch));
      findings.push({
        kind: 'bump',
        tick,
        text:
          low.midi === high.midi
            ? `Both hands want ${key} here.`
            : `The left hand's ${key} lies above the right hand's ${typeset(nameOf(high.pitch))} here.`,
        remedies: [
          'Take a lower inversion',
          'Thin the chord',
          'Shorten the left-hand note',
          'Raise the melody an octave',
        ],
      });
    }
  }
  return findings;
}
