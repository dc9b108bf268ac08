import type { BenchDefinition } from './definition';

/** One bench in the header: a new bench is a folder with a face of its own, and a row here. */
export interface BenchRow {
  readonly name: string;
  /** Last part of the address; null: the song's own. */
  readonly address: string | null;
  /** What its panel is called to those who do not see it. */
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
    panelLabel: 'Work on the tune',
    help: 'The melody, the words and the bars as you want them. Press a note to change it, or enter a new melody by letters and counts, by tapping or by playing it.',
    load: async () => (await import('../benches/tune')).bench,
  },
  {
    name: 'Parts',
    address: 'parts',
    panelLabel: 'Work on the parts',
    help: 'The song in short numbered parts. Drag a cut where a part should begin elsewhere; a part that comes back is learned once.',
    load: async () => (await import('../benches/parts')).bench,
  },
  {
    name: 'Chords',
    address: 'chords',
    panelLabel: 'Work on the chords',
    help: "The left hand's chords, each as near as possible to the one before. Press → to go from chord to chord, ↑ and ↓ for other voicings, and read why.",
    load: async () => (await import('../benches/chords')).bench,
  },
  {
    name: 'Join',
    address: null,
    panelLabel: 'Reasons',
    help: 'Where the hands meet, and what they play together. Choose a level, a pattern and fingers; for every problem there is a way out that you can hear before you take it.',
    load: async () => (await import('../benches/join')).bench,
  },
  {
    name: 'Fills',
    address: 'fills',
    panelLabel: 'Fills, intro and ending',
    help: 'What may be added where the melody leaves room, an intro and an ending. Hear a proposal, then take it or not.',
    load: async () => (await import('../benches/fills')).bench,
  },
  {
    name: 'Practise',
    address: 'practise',
    panelLabel: 'Practise',
    help: 'One small task at a time, at the tempo you can play now. Play it and be listened to, or say how it went; the log keeps account.',
    load: async () => (await import('../benches/practise')).bench,
  },
  {
    name: 'Handout',
    address: 'handout',
    panelLabel: 'Sheets to print and download',
    help: 'The arrangement on paper. Add and remove sheets, choose the paper, print them as they are shown, or download the whole song.',
    load: async () => (await import('../benches/handout')).bench,
  },
];

/** The bench an address opens; what is unknown opens the song's own. */
export function benchAt(address: string | undefined): BenchRow {
  const own = BENCHES.find((row) => row.address === null) as BenchRow;
  return BENCHES.find((row) => row.address === (address ?? null)) ?? own;
}
