import { letterOf } from './form';
import { type PlayedSong, type Section } from '../song';
import type { Part } from './parts';

/** What a run of parts sounds like beside the whole song: how high and how busy. */
interface Stretch {
  readonly parts: readonly Part[];
  readonly family: string;
  readonly mean: number;
  readonly notesPerBar: number;
}

const CALM = 2;
const USUAL = 3;
const LIVELY = 4;
/** Half steps above (or below) the mean of the song, or a third more (or fewer) notes, that a listener notices. */
const NOTICEABLY_HIGHER = 1.5;
const NOTICEABLY_BUSIER = 1.3;

/**
 * Names sections by what comes back, how high it lies and how busy it is: what comes most often is the verse, what
 * comes again and lies higher or is busier the chorus, what comes once between them the bridge, a last one that is
 * new the close. Energy 2 to 4 from height and notes a bar; one more when a section returns. Each begins a part.
 * Sections are placed in written ticks; a written bar that comes again keeps the name of its first time.
 */
export function proposeSections(played: PlayedSong, parts: readonly Part[]): Section[] {
  const stretches = stretchesOf(played, parts);
  if (stretches.length === 0) return [];
  const names = namesOf(stretches);
  const seen = new Map<string, number>();
  const placed = new Map<number, Section>();
  stretches.forEach((stretch) => {
    const times = seen.get(stretch.family) ?? 0;
    seen.set(stretch.family, times + 1);
    const tick = writtenTick(played, stretch.parts[0].fromTick);
    if (tick === null || placed.has(tick)) return;
    placed.set(tick, {
      id: `s${tick}`,
      tick,
      name: names.get(stretch.family) ?? '',
      energy: Math.min(5, energyOf(stretch, stretches) + (times > 0 ? 1 : 0)),
      dynamics: 'even',
    });
  });
  return [...placed.values()].sort((a, b) => a.tick - b.tick);
}

/** Parts in a row of one family belong together, A with A′; a family is named by its letter. */
function stretchesOf(played: PlayedSong, parts: readonly Part[]): Stretch[] {
  const families = parts.map((part) => letterOf(part.label));
  const groups: Part[][] = [];
  parts.forEach((part, i) => {
    const last = groups.at(-1);
    const goesOn = last && families[i] === families[i - 1];
    if (goesOn) last.push(part);
    else groups.push([part]);
  });
  return groups.map((group) => {
    const from = group[0].fromTick;
    const to = group[group.length - 1].toTick;
    const notes = played.melody.filter((n) => n.tick >= from && n.tick < to);
    const bars = group.reduce((sum, part) => sum + part.toBar - part.fromBar + 1, 0);
    return {
      parts: group,
      family: letterOf(group[0].label),
      mean: mean(notes.map((n) => n.midi)),
      notesPerBar: notes.length / Math.max(1, bars),
    };
  });
}

function namesOf(stretches: readonly Stretch[]): Map<string, string> {
  const families = [...new Set(stretches.map((s) => s.family))];
  const count = (family: string): number => stretches.filter((s) => s.family === family).length;
  const verse = families.reduce((best, family) => (count(family) > count(best) ? family : best));
  const names = new Map([[verse, 'Verse']]);
  const model = stretches.find((s) => s.family === verse) as Stretch;
  let chorus = '';
  families.forEach((family) => {
    if (family === verse) return;
    const own = stretches.filter((s) => s.family === family);
    const isLast = stretches[stretches.length - 1] === own[0];
    const lifts = own[0].mean > model.mean || own[0].notesPerBar > model.notesPerBar;
    if (count(family) > 1 && lifts && chorus === '') names.set((chorus = family), 'Chorus');
    else if (own.length === 1 && isLast) names.set(family, 'Close');
    else names.set(family, own.length === 1 ? 'Bridge' : `Section ${family}`);
  });
  return names;
}

function energyOf(stretch: Stretch, all: readonly Stretch[]): number {
  const height = stretch.mean - mean(all.map((s) => s.mean));
  const busy = stretch.notesPerBar / Math.max(0.01, mean(all.map((s) => s.notesPerBar)));
  if (height > NOTICEABLY_HIGHER || busy > NOTICEABLY_BUSIER) return LIVELY;
  return height < -NOTICEABLY_HIGHER || busy < 1 / NOTICEABLY_BUSIER ? CALM : USUAL;
}

function mean(values: readonly number[]): number {
  return values.length === 0 ? 0 : values.reduce((sum, value) => sum + value, 0) / values.length;
}

/** The written tick of a played one; null in a later pass, where the section has been named already. */
export function writtenTick({ bars }: PlayedSong, tick: number): number | null {
  const at = bars.findLastIndex((bar) => bar.tick <= tick);
  const bar = bars[at];
  if (!bar || bar.pass > 1) return null;
  // Written bars before this one, of any pass: a first pass stands where the written bars before it end.
  const before = new Map(bars.slice(0, at).map((b) => [b.written, b.length]));
  const start = [...before].reduce(
    (sum, [written, length]) => (written < bar.written ? sum + length : sum),
    0,
  );
  return start + tick - bar.tick;
}
