import type { BenchDefinition } from './definition';

/** One bench in the header: a new bench is a folder with a face of its own, and a row here. */
export interface BenchRow {
  readonly name: string;
  /** Last part of the address; null: the song's own. */
  readonly address: string | null;
  /** What its panel is called on a narrow screen, and to those who do not see it. */
  readonly side: string;
  readonly panelLabel: string;
  /** What it is for, and what to do first: the help of the bench. */
  readonly help: string;
  readonly load: () => Promise<BenchDefinition>;
}

/** The benches in the order of the work; header, addresses, keys and help follow from these rows. */
export const BENCHES: readonly BenchRow[] = [
  {
    name: 'Tune',
    address: 'tune',
    side: 'Work',
    panelLabel: 'Work on the tune',
    help: 'The melody, the words and the bars as you want them. Press a note to put it right, or tell a new tune by letters and counts, by tapping or by playing it.',
    load: async () => (await import('../benches/tune')).bench,
  },
  {
    name: 'Parts',
    address: 'parts',
    side: 'Work',
    panelLabel: 'Work on the parts',
    help: 'The song in short numbered parts. Drag a cut where a part should begin elsewhere; a part that comes back is learned once.',
    load: async () => (await import('../benches/parts')).bench,
  },
  {
    name: 'Chords',
    address: 'chords',
    side: 'Work',
    panelLabel: 'Work on the chords',
    help: "The left hand's chords, each as near as it can lie to the one before. Press → to go from chord to chord, ↑ and ↓ for other positions, and read why.",
    load: async () => (await import('../benches/chords')).bench,
  },
  {
    name: 'Join',
    address: null,
    side: 'Reasons',
    panelLabel: 'Reasons',
    help: 'Where the hands meet, and what they play together. Choose a rung, a pattern and fingers; every finding has a remedy to be heard before it is taken.',
    load: async () => (await import('../benches/join')).bench,
  },
  {
    name: 'Fills',
    address: 'fills',
    side: 'Work',
    panelLabel: 'Fills and frame',
    help: 'What may be added where the tune leaves room, a beginning and an end. Hear a proposal, take it or leave it.',
    load: async () => (await import('../benches/fills')).bench,
  },
  {
    name: 'Practise',
    address: 'practise',
    side: 'Work',
    panelLabel: 'Practise',
    help: 'One small job at a time, at the tempo you can play now. Play it and be listened to, or say how it went; the log keeps account.',
    load: async () => (await import('../benches/practise')).bench,
  },
  {
    name: 'Handout',
    address: 'handout',
    side: 'Sheets',
    panelLabel: 'Sheets to print and take away',
    help: 'The arrangement on paper. Put sheets in and out, choose the paper, print them as they are shown, or take the whole song away.',
    load: async () => (await import('../benches/handout')).bench,
  },
];

/** The bench an address opens; what is unknown opens the song's own. */
export function benchAt(address: string | undefined): BenchRow {
  const own = BENCHES.find((row) => row.address === null) as BenchRow;
  return BENCHES.find((row) => row.address === (address ?? null)) ?? own;
}
