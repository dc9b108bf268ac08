import type { Layout } from '../song';

/** What a layout is called and what it is, in the order of the levels. */
interface LayoutRow {
  readonly layout: Layout;
  readonly name: string;
  readonly says: string;
}

/** One row a layout; each is a voicing style. */
export const LAYOUT_ROWS: readonly LayoutRow[] = [
  {
    layout: 'partial',
    name: 'Two notes, hand still',
    says: 'two notes that tell the chord, the hand over one octave',
  },
  { layout: 'shell', name: 'Shell', says: 'root with seventh, third or sixth' },
  { layout: 'fifth', name: 'Open fifth', says: 'root and fifth' },
  { layout: 'fifth-octave', name: 'Fifth and octave', says: 'root, fifth, octave' },
  { layout: 'three', name: 'Three notes', says: 'triads whole, sevenths without the fifth' },
  { layout: 'block', name: 'Nearest inversion', says: 'every note, the inversion that moves least' },
  { layout: 'root', name: 'Root position', says: 'every note from the root up' },
  { layout: 'rootless', name: 'Rootless', says: 'third, fifth, seventh, ninth' },
  { layout: 'tenth', name: 'Open tenth', says: 'root, fifth, tenth; rolled where the hand asks' },
  {
    layout: 'under-melody',
    name: 'Chord under the melody',
    says: 'the chord in the right hand, its top note the tune',
  },
  {
    layout: 'under-melody-long',
    name: 'Under long notes',
    says: 'the same, at long and phrase-end notes only',
  },
  { layout: 'singing', name: 'For singing', says: 'bass left, chord right, no melody' },
];
