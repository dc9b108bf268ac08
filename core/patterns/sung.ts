import { type Metre, metreName } from '../music';
import { because, type Phrase } from '../sentences';

/** What a figure of the right hand strikes: keys of its chord by their place in it, or single notes of the key. */
export type SungMember = 'all' | 'lowest' | 'middle' | 'top' | 'others' | 'key-note';

/** A small repeated figure of the right hand, in an accompaniment for singing. */
export interface SungFigure {
  readonly id: string;
  readonly name: string;
  /** Metres it is made for; empty: any. */
  readonly metres: readonly string[];
  /** 1 calm … 5 driving. */
  readonly energy: number;
  /** Its length in beats a foot taps in the metre. */
  readonly beats: number;
  readonly events: readonly {
    readonly onset: number;
    readonly length: number;
    readonly members: readonly SungMember[];
  }[];
  /** What the left hand plays below it; absent: its bass, alone or with its octave. */
  readonly left?: 'open-tenth' | 'line';
}

/** Keys one after another, so many to the beat. */
function running(perBeat: number, ...members: SungMember[]): SungFigure['events'] {
  return members.map((member, i) => ({ onset: i / perBeat, length: 1 / perBeat, members: [member] }));
}

/** Struck again on each beat: what is played where nothing else is chosen. */
export const ON_THE_BEAT: SungFigure = {
  id: 'chords-on-the-beat',
  name: 'Chords on the beat',
  metres: [],
  energy: 3,
  beats: 1,
  events: [{ onset: 0, length: 1, members: ['all'] }],
};

const SIMPLE = ['2/4', '3/4', '4/4', '2/2', '5/4', '7/4'];
const COMPOUND = ['3/8', '6/8', '9/8', '12/8', '6/4'];

/** One row a figure. Source: common practice of accompanying a singer at the piano. */
export const SUNG_FIGURES: readonly SungFigure[] = [
  ON_THE_BEAT,
  {
    id: 'chords-between-beats',
    name: 'Chords between the beats',
    metres: SIMPLE,
    energy: 4,
    beats: 1,
    events: [{ onset: 0.5, length: 0.5, members: ['all'] }],
  },
  {
    id: 'broken-chord',
    name: 'Broken chord',
    metres: SIMPLE,
    energy: 2,
    beats: 2,
    events: running(2, 'lowest', 'top', 'middle', 'top'),
  },
  {
    id: 'broken-chord-in-threes',
    name: 'Broken chord in threes',
    metres: COMPOUND,
    energy: 2,
    beats: 1,
    events: running(3, 'lowest', 'middle', 'top'),
  },
  {
    id: 'low-and-others',
    name: 'Lowest, then the others',
    metres: SIMPLE,
    energy: 3,
    beats: 1,
    events: running(2, 'lowest', 'others'),
  },
  {
    id: 'single-note-companion',
    name: 'Single-note companion',
    metres: [],
    energy: 1,
    beats: 2,
    left: 'open-tenth',
    events: [
      { onset: 0, length: 1, members: ['key-note'] },
      { onset: 1, length: 0.5, members: ['key-note'] },
      { onset: 1.5, length: 0.5, members: ['key-note'] },
    ],
  },
  {
    id: 'descending-line',
    name: 'Descending line',
    metres: [],
    energy: 2,
    beats: 2,
    left: 'line',
    events: [
      { onset: 0, length: 1, members: ['all'] },
      { onset: 1, length: 1, members: ['others'] },
    ],
  },
];

/** Whether a figure is made for a metre. */
export function suitsMetre({ metres }: SungFigure, metre: Metre): boolean {
  return metres.length === 0 || metres.includes(metreName(metre));
}

/**
 * The figure chosen by its id, where it is made for the metre. Null: the choice names none that can be played here, so
 * that it can be said.
 */
export function sungFigure(choice: string, metre: Metre): SungFigure | null {
  const found = SUNG_FIGURES.find(({ id }) => id === choice);
  return found && suitsMetre(found, metre) ? found : null;
}

/** The figures made for a metre, those nearest a section's energy first, each with why. */
export function sungProposals(
  metre: Metre,
  energy: number,
): { readonly pattern: SungFigure; readonly reasons: readonly Phrase[] }[] {
  return SUNG_FIGURES.filter((row) => suitsMetre(row, metre))
    .map((pattern) => ({ pattern, off: Math.abs(pattern.energy - energy) }))
    .sort((a, b) => a.off - b.off)
    .map(({ pattern }) => ({
      pattern,
      reasons: [
        because.livelyAs(Math.sign(pattern.energy - energy) as -1 | 0 | 1),
        pattern.left ? because.leftGoesWith(pattern.left) : because.leftHasTheBass(),
      ],
    }));
}
