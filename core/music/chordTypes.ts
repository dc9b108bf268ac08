import { halfSteps } from './chordNames';
import type { ChordType } from './chordType';
import { inOrder, membersRead, typeMade } from './writtenChords';

type Row = [suffix: string, members: string, spellings: string, xml: string, words: string];

/** Source: common practice of lead sheets; kinds and degrees as MusicXML 4.0 defines them. */
const ROWS: Row[] = [
  ['', '1P 3M 5P', 'maj M major', 'major', 'major'],
  ['m', '1P 3m 5P', 'min - minor mi', 'minor', 'minor'],
  ['dim', '1P 3m 5d', '° o mb5 m(b5)', 'diminished', 'diminished'],
  ['aug', '1P 3M 5A', '+ (#5)', 'augmented', 'augmented'],
  ['sus2', '1P 2M 5P', '', 'suspended-second', 'suspended second'],
  ['sus4', '1P 4P 5P', 'sus', 'suspended-fourth', 'suspended fourth'],
  ['5', '1P 5P', 'no3 (no3)', 'power', 'open fifth'],
  ['6', '1P 3M 5P 6M', 'maj6 M6 add6', 'major-sixth', 'sixth'],
  ['m6', '1P 3m 5P 6M', 'min6 -6', 'minor-sixth', 'minor sixth'],
  ['6/9', '1P 3M 5P 6M 9M', '69 6add9 6(9)', 'major-sixth|add 9 0', 'sixth with the ninth'],
  ['maj7', '1P 3M 5P 7M', 'M7 Δ Δ7 ma7 Maj7 j7', 'major-seventh', 'major seventh'],
  ['7', '1P 3M 5P 7m', 'dom7', 'dominant', 'seventh'],
  ['m7', '1P 3m 5P 7m', 'min7 -7 mi7', 'minor-seventh', 'minor seventh'],
  ['m7b5', '1P 3m 5d 7m', 'ø ø7 -7b5 min7b5 m7(b5) mi7b5', 'half-diminished', 'half-diminished seventh'],
  ['dim7', '1P 3m 5d 7d', '°7 o7', 'diminished-seventh', 'diminished seventh'],
  [
    'm(maj7)',
    '1P 3m 5P 7M',
    'mM7 mMaj7 -Δ7 mΔ -Δ minmaj7 mmaj7 m(M7)',
    'major-minor',
    'minor with the major seventh',
  ],
  ['7sus4', '1P 4P 5P 7m', '7sus sus7', 'suspended-fourth|add 7 0', 'seventh, suspended fourth'],
  ['aug7', '1P 3M 5A 7m', '+7 7#5 7+ 7(#5)', 'augmented-seventh', 'augmented seventh'],
  ['7b5', '1P 3M 5d 7m', '7(b5)', 'dominant|alter 5 -1', 'seventh, flat fifth'],
  [
    'maj7#5',
    '1P 3M 5A 7M',
    'M7#5 Δ#5 +maj7 maj7(#5)',
    'major-seventh|alter 5 1',
    'major seventh, sharp fifth',
  ],
  ['add9', '1P 3M 5P 9M', 'add2 (add9) 2', 'major|add 9 0', 'major with the ninth'],
  ['m(add9)', '1P 3m 5P 9M', 'madd9 -add9 minadd9', 'minor|add 9 0', 'minor with the ninth'],
  ['9', '1P 3M 5P 7m 9M', '7(9) dom9', 'dominant-ninth', 'ninth'],
  ['maj9', '1P 3M 5P 7M 9M', 'M9 Δ9', 'major-ninth', 'major ninth'],
  ['m9', '1P 3m 5P 7m 9M', 'min9 -9', 'minor-ninth', 'minor ninth'],
  ['9sus4', '1P 4P 5P 7m 9M', '9sus', 'suspended-fourth|add 7 0|add 9 0', 'ninth, suspended fourth'],
  ['7b9', '1P 3M 5P 7m 9m', '7(b9) 7-9', 'dominant|add 9 -1', 'seventh, flat ninth'],
  ['7#9', '1P 3M 5P 7m 9A', '7(#9) 7+9', 'dominant|add 9 1', 'seventh, sharp ninth'],
  ['7#11', '1P 3M 5P 7m 11A', '7(#11) 7+11', 'dominant|add 11 1', 'seventh, sharp eleventh'],
  [
    'maj7#11',
    '1P 3M 5P 7M 11A',
    'M7#11 Δ#11 maj7(#11)',
    'major-seventh|add 11 1',
    'major seventh, sharp eleventh',
  ],
  ['7b13', '1P 3M 5P 7m 13m', '7(b13)', 'dominant|add 13 -1', 'seventh, flat thirteenth'],
  ['11', '1P 3M 5P 7m 9M 11P', '', 'dominant-11th', 'eleventh'],
  ['m11', '1P 3m 5P 7m 9M 11P', 'min11 -11', 'minor-11th', 'minor eleventh'],
  ['13', '1P 3M 5P 7m 9M 13M', '7(13)', 'dominant-13th', 'thirteenth'],
  [
    '13sus4',
    '1P 4P 5P 7m 9M 13M',
    '13sus',
    'suspended-fourth|add 7 0|add 9 0|add 13 0',
    'thirteenth, suspended fourth',
  ],
  ['pedal', '1P', '1 (root)', 'pedal', 'root alone'],
];

export const CHORD_TYPES: readonly ChordType[] = ROWS.map(([suffix, members, spellings, xml, words]) => ({
  suffix,
  members: members.split(' '),
  semitones: members.split(' ').map(halfSteps),
  spellings: spellings.split(' ').filter(Boolean),
  xml: xml.split('|'),
  words,
}));

const bySpelling = new Map<string, ChordType>();
for (const type of CHORD_TYPES) {
  bySpelling.set(type.suffix, type);
  for (const spelling of type.spellings) bySpelling.set(spelling, type);
}

/**
 * The type a written suffix stands for: one of the rows by its spellings, else what its pieces say; undefined where it
 * cannot be read. `typeOfSuffix('-7') // => m7` · `typeOfSuffix('7(b9,#5)') // => 7(#5,b9)`
 */
export function typeOfSuffix(suffix: string): ChordType | undefined {
  const known = bySpelling.get(suffix) ?? read.get(suffix);
  if (known) return known;
  const members = membersRead(suffix);
  const type = members && typeOfMembers(members);
  // Symbols come from files: what is remembered stays small.
  if (type && read.size < MOST_READ) read.set(suffix, type);
  return type;
}

const MOST_READ = 2000;
const read = new Map<string, ChordType>();
const byMembers = new Map(CHORD_TYPES.map((type) => [type.members.join(' '), type]));

/** The type with these members (intervals from the root, any order): one of the rows, else one of their own. */
export function typeOfMembers(members: readonly string[]): ChordType {
  return byMembers.get(inOrder(members).join(' ')) ?? typeMade(members);
}
