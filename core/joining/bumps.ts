import type { Finding, Fix } from '../song/finding';
import { nameOf, typeset } from '../music/pitch';
import { type Part, partIndexAt } from '../parts/parts';
import type { Choices } from '../song/schema';
import { type HandNote, inTime } from './handNote';

/** Keys this near (half steps) at the same time leave no room for two hands. */
const CROWDED = 1;
/** So near for less than this (ticks) is over before the hands are in each other's way. */
const LONG_ENOUGH = 480;

/**
 * Places where both hands want the same key, the left lies above the right, or they crowd each other, once a place,
 * with remedies by what they cost: for the chord (drop the root and add the ninth, thin it) or for its whole part (the
 * same, or the melody an octave up). `parts` gives the part of a place.
 */
export function bumpsBetween(
  right: readonly HandNote[],
  left: readonly HandNote[],
  parts: readonly Part[] = [],
  lowerKeys: LowerKeys = () => null,
): Finding[] {
  const findings: Finding[] = [];
  const rights = inTime(right.filter((note) => !note.grace));
  let start = 0;
  const longest = rights.reduce((most, note) => Math.max(most, note.length), 0);
  let lastTick = -1;
  for (const low of inTime(left)) {
    while (start < rights.length && rights[start].tick < low.tick - longest) start++;
    for (let i = start; i < rights.length && rights[i].tick < low.tick + low.length; i++) {
      const high = rights[i];
      const tick = Math.max(high.tick, low.tick);
      const together = Math.min(high.tick + high.length, low.tick + low.length) - tick;
      if (together <= 0 || tick === lastTick) continue;
      const isBump = low.midi >= high.midi;
      const isCrowded = high.midi - low.midi <= CROWDED && together >= LONG_ENOUGH && low.source === 'chord';
      if (!isBump && !isCrowded) continue;
      lastTick = tick;
      const fixes = [...lowerFix(low, high, lowerKeys), ...fixesFor(low, tick, parts)];
      findings.push({
        kind: isBump ? 'bump' : 'crowded',
        tick,
        text: isBump ? bumpInWords(low, high) : crowdInWords(low, high),
        remedies:
          fixes.length > 0 ? fixes.map((fix) => fix.label) : ['Take a lower inversion', 'Thin the chord'],
        fixes,
      });
    }
  }
  return findings;
}

/** The nearest position of a change (by played id) that lies below a key; null when there is none. */
export type LowerKeys = (changeId: string, ceiling: number) => readonly number[] | null;

function lowerFix(low: HandNote, high: HandNote, lowerKeys: LowerKeys): Fix[] {
  const keys = low.source === 'chord' ? lowerKeys(low.from, high.midi - CROWDED) : null;
  if (!keys) return [];
  return [
    {
      label: 'Take a lower position',
      edit: { kind: 'pin', pin: { changeId: low.from, keys: [...keys], fingers: null } },
    },
  ];
}

function bumpInWords(low: HandNote, high: HandNote): string {
  const key = typeset(nameOf(low.pitch));
  return low.midi === high.midi
    ? `Both hands want ${key} here: share it, or move one hand.`
    : `The left hand's ${key} lies above the right hand's ${typeset(nameOf(high.pitch))} here.`;
}

function crowdInWords(low: HandNote, high: HandNote): string {
  return `The hands crowd each other: ${typeset(nameOf(low.pitch))} below ${typeset(nameOf(high.pitch))}.`;
}

/** For the chord first, then for the whole part. A chord in a repeat is changed wherever it comes. */
function fixesFor({ from, source }: HandNote, tick: number, parts: readonly Part[]): Fix[] {
  const part = parts[partIndexAt(parts, tick)];
  if (!part || source === 'fill') return [];
  const changeId = from.replace(/@\d+$/, '');
  const forChord = (label: string, layout: Choices['layout']): Fix => ({
    label,
    edit: { kind: 'layout', changeId, layout },
  });
  const forPart = (label: string, choices: Partial<Choices>): Fix => ({
    label,
    edit: { kind: 'choose-for-part', cutId: part.cutId, choices },
  });
  const up = part.choices.octaveShift < 1 ? ((part.choices.octaveShift + 1) as 0 | 1) : null;
  return [
    forChord('Thin this chord to three notes', 'three'),
    forChord('Thin this chord to two notes', 'shell'),
    forChord('Drop its root and add the ninth', 'rootless'),
    forPart('Two notes in the whole part', { layout: 'shell' }),
    ...(up === null ? [] : [forPart('Melody of the part an octave higher', { octaveShift: up })]),
  ];
}
