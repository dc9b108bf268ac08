import { cutTo, type MelodyNote, type Touch } from '../song';
import { type Metre, TICKS_PER_WHOLE } from '../music';
import { child, childrenOf, childText, type Element } from './xmlTree';

/** One syllable under a note; null where it has no letters. */
function readLyric(lyric: Element | undefined): MelodyNote['lyric'] {
  const text = lyric
    ? childrenOf(lyric, 'text')
        .map((t) => t.text)
        .join(' ')
        .trim()
    : '';
  if (!text) return null;
  const syllabic = childText(lyric, 'syllabic');
  const known = syllabic === 'begin' || syllabic === 'middle' || syllabic === 'end' ? syllabic : 'single';
  return { text: cutTo(text, 200), syllabic: known };
}

/** Verses a note of a file may have, as of a song. */
const MOST_VERSES = 20;

/** What is sung to a note, verse by verse; null where it is silent. A verse is known by its number, else by its place. */
export function readVerses(note: Element): readonly MelodyNote['lyric'][] {
  const verses: MelodyNote['lyric'][] = [];
  childrenOf(note, 'lyric').forEach((lyric, i) => {
    const number = Number(/\d+/.exec(lyric.attributes['number'] ?? '')?.[0] ?? i + 1);
    if (number < 1 || number > MOST_VERSES) return;
    while (verses.length < number) verses.push(null);
    verses[number - 1] ??= readLyric(lyric);
  });
  return verses;
}

/** Quarter notes a minute of a metronome mark, as text; undefined when there is none. */
export function metronomeOf(direction: Element): string | undefined {
  for (const type of childrenOf(direction, 'direction-type')) {
    const metronome = child(type, 'metronome');
    const perMinute = Number(childText(metronome, 'per-minute'));
    if (!metronome || !(perMinute > 0)) continue;
    const units: Record<string, number> = { whole: 4, half: 2, quarter: 1, eighth: 0.5, '16th': 0.25 };
    const dots = childrenOf(metronome, 'beat-unit-dot').length;
    return String(
      perMinute * (units[childText(metronome, 'beat-unit') ?? 'quarter'] ?? 1) * (2 - 0.5 ** dots),
    );
  }
  return undefined;
}

/** The simplest metre a bar of this many ticks fits; lengths off the grid of thirty-seconds are rounded up. */
export function metreOfLength(ticks: number): Metre {
  const denominator = [4, 8, 16, 32].find((d) => ticks % (TICKS_PER_WHOLE / d) === 0) ?? 32;
  return {
    numerator: Math.min(64, Math.max(1, Math.ceil((ticks * denominator) / TICKS_PER_WHOLE))),
    denominator,
  };
}

/**
 * A map that begins at tick 0, the default in force until its first own entry; repeated entries left out, and of those
 * at one tick the last one counts.
 */
export function anchored<T extends { tick: number }>(map: readonly T[], fallback: readonly T[]): T[] {
  const sorted = [...map].sort((a, b) => a.tick - b.tick);
  if (sorted.length === 0) return [...fallback];
  sorted[0] = { ...sorted[0], tick: 0 };
  const same = (a: T, b: T): boolean =>
    JSON.stringify({ ...a, tick: 0 }) === JSON.stringify({ ...b, tick: 0 });
  const counting = sorted.filter((entry, i) => entry.tick !== sorted[i + 1]?.tick);
  return counting.filter((entry, i) => i === 0 || !same(entry, counting[i - 1]));
}

/** The finger written at a note; a change of fingers begins with the first. */
export function fingerOf(note: Element): { finger?: number } {
  const technical = childrenOf(note, 'notations').map((notations) => child(notations, 'technical'));
  const written = technical.map((element) => childText(element, 'fingering')?.trim()).find(Boolean);
  const finger = Number(/^[1-5]/.exec(written ?? '')?.[0]);
  return finger > 0 ? { finger } : {};
}

const ARTICULATIONS: Readonly<Record<string, Touch>> = {
  staccato: 'staccato',
  staccatissimo: 'staccato',
  spiccato: 'staccato',
  tenuto: 'tenuto',
  'detached-legato': 'tenuto',
  accent: 'accent',
  'strong-accent': 'accent',
};

/** How the key of a note is touched; of several signs the first that is known. */
export function touchOf(note: Element): { touch?: Touch } {
  const signs = childrenOf(note, 'notations').flatMap((notations) => childrenOf(notations, 'articulations'));
  const names = signs.flatMap(({ children }) => children.map(({ name }) => name));
  const known = names.find((name) => name in ARTICULATIONS);
  return known ? { touch: ARTICULATIONS[known] } : {};
}
