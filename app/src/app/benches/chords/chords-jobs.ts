/** What the Chords bench helps with, one at a time. */
export const CHORD_JOBS = [
  { value: 'chord', label: 'Chord' },
  { value: 'schools', label: 'Schools' },
  { value: 'suggest', label: 'Suggest' },
  { value: 'holds', label: 'Holds' },
  { value: 'name', label: 'Name' },
] as const;
export type ChordJob = (typeof CHORD_JOBS)[number]['value'];
