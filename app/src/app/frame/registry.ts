import type { BenchDefinition } from './definition';

/** One bench in the header: a new bench is a folder with a face of its own, and a row here. */
export interface BenchRow {
  readonly name: string;
  /** Last part of the address; null: the song's own. */
  readonly address: string | null;
  /** What its panel is called on a narrow screen, and to those who do not see it. */
  readonly side: string;
  readonly panelLabel: string;
  readonly load: () => Promise<BenchDefinition>;
}

/** The benches in the order of the work; header, addresses, keys and help follow from these rows. */
export const BENCHES: readonly BenchRow[] = [
  {
    name: 'Tune',
    address: 'tune',
    side: 'Work',
    panelLabel: 'Work on the tune',
    load: async () => (await import('../benches/tune')).bench,
  },
  {
    name: 'Parts',
    address: 'parts',
    side: 'Work',
    panelLabel: 'Work on the parts',
    load: async () => (await import('../benches/parts')).bench,
  },
  {
    name: 'Chords',
    address: 'chords',
    side: 'Work',
    panelLabel: 'Work on the chords',
    load: async () => (await import('../benches/chords')).bench,
  },
  {
    name: 'Join',
    address: null,
    side: 'Reasons',
    panelLabel: 'Reasons',
    load: async () => (await import('../benches/join')).bench,
  },
  {
    name: 'Fills',
    address: 'fills',
    side: 'Work',
    panelLabel: 'Fills and frame',
    load: async () => (await import('../benches/fills')).bench,
  },
  {
    name: 'Practise',
    address: 'practise',
    side: 'Work',
    panelLabel: 'Practise',
    load: async () => (await import('../benches/practise')).bench,
  },
];

/** The bench an address opens; what is unknown opens the song's own. */
export function benchAt(address: string | undefined): BenchRow {
  const own = BENCHES.find((row) => row.address === null) as BenchRow;
  return BENCHES.find((row) => row.address === (address ?? null)) ?? own;
}
