import { spanMm, WHITE_MM } from '../music';
import { partsOf } from '../parts';
import { type Layout, type Profile, type Song, unfold } from '../song';
import { LAYOUT_ROWS, movementOf, throughout, type VoicedChange, voiceFresh } from '../voicing';

/** What one layout asks of the hand over a song or a part. */
export interface LayoutCost {
  readonly layout: Layout;
  readonly semitones: number;
  /** Travel of the midpoint of the hand. */
  readonly millimetres: number;
  /** Times the hand leaves its place: no key stays and it moves by two white keys or more. */
  readonly shifts: number;
  /** Widest span held, in millimetres. */
  readonly widestMm: number;
  readonly findings: number;
  /** What it costs, in words. */
  readonly words: string;
}

/** A hand that moves less than this without a key in common is still in its place. */
const SHIFT_MM = 2 * WHITE_MM;

/** Layouts compared side by side: all that put chords in the left hand, and those under the melody. */
export const COMPARED: readonly Layout[] = LAYOUT_ROWS.map((row) => row.layout);

/**
 * What each layout costs on a song, or on one part of it (by the id of its cut), the other choices left as they are.
 * Layouts of single chords are set aside, so that each row is that layout throughout.
 */
export function compareLayouts(
  song: Song,
  profile: Profile,
  cutId: string | null = null,
  layouts: readonly Layout[] = COMPARED,
): LayoutCost[] {
  const played = unfold(throughout(song, song.choices.layout, cutId));
  const rows = layouts.map((layout): Omit<LayoutCost, 'words'> => {
    const tried = throughout(song, layout, cutId);
    const parts = partsOf(tried, played);
    const part = parts.find((p) => p.cutId === cutId);
    const inScope = (tick: number): boolean => !part || (tick >= part.fromTick && tick < part.toTick);
    const { voiced, findings } = voiceFresh(tried, profile, played, parts);
    const line = voiced.filter((v) => inScope(v.change.tick));
    return {
      layout,
      ...movementOf(line.map((v) => v.voicing)),
      shifts: shiftsIn(line),
      widestMm: Math.round(
        Math.max(0, ...line.map(({ voicing: { keys } }) => spanMm(keys[0], keys[keys.length - 1]))),
      ),
      findings: findings.filter((f) => inScope(f.tick)).length,
    };
  });
  return rows.map((row) => ({ ...row, words: inWords(row, rows) }));
}

function shiftsIn(line: readonly VoicedChange[]): number {
  return line.filter((v, i) => {
    const before = line[i - 1];
    if (!before) return false;
    const keeps = v.voicing.keys.some((key) => before.voicing.keys.includes(key));
    return !keeps && Math.abs(v.voicing.middleMm - before.voicing.middleMm) >= SHIFT_MM;
  }).length;
}

/** "Least hand movement, no jump." · "Half as much hand movement again, 2 jumps; 3 places to check." */
function inWords(row: Omit<LayoutCost, 'words'>, rows: readonly Omit<LayoutCost, 'words'>[]): string {
  const least = Math.min(...rows.map((r) => r.millimetres));
  const times = row.millimetres / Math.max(1, least);
  const travel =
    row.millimetres === least
      ? 'Least hand movement'
      : times < 1.3
        ? 'Hardly more hand movement'
        : times < 1.8
          ? 'Half as much hand movement again'
          : `${Math.round(times)} times the hand movement`;
  const shifts = row.shifts === 0 ? 'no jump' : `${row.shifts} ${row.shifts === 1 ? 'jump' : 'jumps'}`;
  const look =
    row.findings === 0 ? '' : `; ${row.findings} ${row.findings === 1 ? 'place' : 'places'} to check`;
  return `${travel}, ${shifts}${look}.`;
}
