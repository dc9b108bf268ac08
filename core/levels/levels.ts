import type { Choices } from '../song';

/** One level: a complete arrangement, said as what each hand does there. */
export interface Level {
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

/** The seven steps from the easiest to the fullest; nothing else in the program knows a level by its number. */
export const LEVELS: readonly Level[] = [
  level('Melody alone', { chords: 'none', singing: BASS_ALONE }),
  level('Melody and bass notes', { chords: 'bass', singing: BASS_ALONE }),
  level('Two-note chords', { chords: 'two-notes' }),
  level('Block chords', {}),
  level('Moving left hand', { isMoving: true, singing: REPEATED }),
  level('Fuller right hand', { isMoving: true, rightHand: 'fuller', singing: REPEATED }),
  level('Fills and endings', { isMoving: true, rightHand: 'fuller', hasFills: true, singing: REPEATED }),
].map((row, i) => ({ ...row, number: i + 1 }));

function level(name: string, differs: Partial<Level>): Omit<Level, 'number'> {
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

/** The level a part stands on. */
export function levelOf({ level: number }: Pick<Choices, 'level'>): Level {
  return LEVELS[number - 1];
}

/** The level on which the melody is heard alone. */
export const MELODY_ALONE = LEVELS.findIndex((row) => row.chords === 'none') + 1;
/** The level of two-note chords. */
export const TWO_NOTES = LEVELS.findIndex((row) => row.chords === 'two-notes') + 1;
/** The level on which each chord is struck whole: where layouts are compared. */
export const BLOCKS = LEVELS.findIndex((row) => row.chords === 'chosen') + 1;
/** The lowest level on which the left hand moves. */
export const MOVING = LEVELS.findIndex(({ isMoving }) => isMoving) + 1;
/** The lowest level on which the right hand may be fuller. */
export const FULLER = LEVELS.findIndex(({ rightHand }) => rightHand === 'fuller') + 1;
/** The level with fills. */
export const FILLS = LEVELS.findIndex(({ hasFills }) => hasFills) + 1;
