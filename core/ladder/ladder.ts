import type { Choices } from '../song';

/** One step of the ladder: a complete arrangement, said as what each hand does there. */
export interface Rung {
  readonly number: number;
  readonly name: string;
  /** What the left hand has of each chord: nothing, its bass, two notes, or the layout chosen. */
  readonly chords: 'none' | 'bass' | 'two-notes' | 'chosen';
  /** The left hand moves in a pattern; otherwise each chord is struck once and held. */
  readonly isMoving: boolean;
  /** What the right hand plays: its tune alone, or with more keys under strong notes. */
  readonly rightHand: 'tune' | 'fuller';
  /** Fills that are proposed are played unless declined. */
  readonly hasFills: boolean;
  /** In an accompaniment for singing: the bass alone or with its octave, and what the right hand does with the chord. */
  readonly singing: { readonly bass: 'single' | 'octave'; readonly chord: 'none' | 'held' | 'repeated' };
}

const HELD = { bass: 'single', chord: 'held' } as const;
const BASS_ALONE = { bass: 'single', chord: 'none' } as const;
const REPEATED = { bass: 'octave', chord: 'repeated' } as const;

/** The seven steps from the easiest to the fullest; nothing else in the program knows a rung by its number. */
export const RUNGS: readonly Rung[] = [
  rung('Melody alone', { chords: 'none', singing: BASS_ALONE }),
  rung('Melody and bass notes', { chords: 'bass', singing: BASS_ALONE }),
  rung('Two-note chords', { chords: 'two-notes' }),
  rung('Block chords', {}),
  rung('Moving left hand', { isMoving: true, singing: REPEATED }),
  rung('Fuller right hand', { isMoving: true, rightHand: 'fuller', singing: REPEATED }),
  rung('Fills and endings', { isMoving: true, rightHand: 'fuller', hasFills: true, singing: REPEATED }),
].map((row, i) => ({ ...row, number: i + 1 }));

function rung(name: string, differs: Partial<Rung>): Omit<Rung, 'number'> {
  return {
    name,
    chords: 'chosen',
    isMoving: false,
    rightHand: 'tune',
    hasFills: false,
    singing: HELD,
    ...differs,
  };
}

/** The rung a part stands on. */
export function rungOf({ rung: number }: Pick<Choices, 'rung'>): Rung {
  return RUNGS[number - 1];
}

/** The rung on which the melody is heard alone. */
export const MELODY_ALONE = RUNGS.findIndex((row) => row.chords === 'none') + 1;
/** The rung of two-note chords. */
export const TWO_NOTES = RUNGS.findIndex((row) => row.chords === 'two-notes') + 1;
/** The rung on which each chord is struck whole: where layouts are compared. */
export const BLOCKS = RUNGS.findIndex((row) => row.chords === 'chosen') + 1;
/** The lowest rung on which the left hand moves. */
export const MOVING = RUNGS.findIndex(({ isMoving }) => isMoving) + 1;
/** The lowest rung on which the right hand may be fuller. */
export const FULLER = RUNGS.findIndex(({ rightHand }) => rightHand === 'fuller') + 1;
/** The rung with fills. */
export const FILLS = RUNGS.findIndex(({ hasFills }) => hasFills) + 1;
