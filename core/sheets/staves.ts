import type { Arrangement } from '../arrangement';
import { type ScoreLook, writeScore } from '../formats';
import { partIndexAt } from '../parts';
import type { PlayedBar } from '../song';
import { shownNote } from '../words';
import { fewerFingers } from './fewerFingers';
import { DEFAULT_PAPER, type Paper, type Room } from './paper';
import type { Staves, System } from './sheet';

/** Height of a staff on a sheet, in units. Source: the usual size of piano music, and of music to read at a desk. */
const STAFF = 6.5;

/** A score to be engraved for a sheet, and the bars it has. */
export interface SheetScore {
  readonly score: string;
  /** How wide a system is, in heights of a staff. */
  readonly width: number;
  readonly bars: readonly PlayedBar[];
  /** Number of the part it is of; absent: it is of the whole song. */
  readonly part?: number;
}

/** What an engraver makes of one system: SVG without its root. */
export interface Drawn {
  readonly svg: string;
  readonly viewBox: string;
  /** Its width by its height. */
  readonly aspect: number;
  /** How many bars it has. */
  readonly bars: number;
}

/** The scores of a kind of staves, to be engraved one after the other: one, or one a part. */
export function scoresOf(
  whole: Arrangement,
  which: keyof Staves,
  { width }: Room,
  { fingers, repeats, hasSlurs }: Pick<Paper, 'fingers' | 'repeats' | 'hasSlurs'> = DEFAULT_PAPER,
): SheetScore[] {
  const arrangement = withFingers(shownElsewhere(whole), fingers);
  const scoreOf = (look: ScoreLook): SheetScore => {
    const { text, bars } = writeScore(arrangement, { ...look, hasSlurs, isSheet: true });
    return { score: text, width: width / STAFF, bars };
  };
  const isFolded = repeats === 'signs';
  if (which !== 'parts') return [scoreOf({ hands: which === 'lead' ? 'tune' : 'both', isFolded })];
  return arrangement.parts.map(({ fromTick: from, toTick: to, number }) => ({
    ...scoreOf({ stretch: { from, to } }),
    part: number,
  }));
}

/** The fingers that are printed. */
function withFingers(arrangement: Arrangement, fingers: Paper['fingers']): Arrangement {
  if (fingers === 'all') return arrangement;
  const starts = [
    ...arrangement.parts.map(({ fromTick }) => fromTick),
    ...arrangement.shape.phrases.map(({ fromTick }) => fromTick),
  ].sort((a, b) => a - b);
  const printed = (notes: Arrangement['right']): Arrangement['right'] =>
    fingers === 'none' ? notes.map((note) => ({ ...note, finger: null })) : fewerFingers(notes, starts);
  return { ...arrangement, right: printed(arrangement.right), left: printed(arrangement.left) };
}

/** The right hand where it is learned: an octave away in parts for which that was chosen. */
export function shownElsewhere(arrangement: Arrangement): Arrangement {
  const { parts, right } = arrangement;
  if (parts.every((part) => part.choices.shownOctave === 0)) return arrangement;
  return {
    ...arrangement,
    right: right.map((note) => shownNote(note, parts[partIndexAt(parts, note.tick)])),
  };
}

/** What was engraved as systems of a sheet, each with its bars. */
export function systemsFrom({ bars, part }: SheetScore, drawn: readonly Drawn[], { width }: Room): System[] {
  let at = 0;
  return drawn.map(({ svg, viewBox, aspect, bars: count }) => {
    const own = bars.slice(at, at + count);
    at += count;
    return { bars: own, ...(part === undefined ? {} : { part }), height: width / aspect, svg, viewBox };
  });
}
