import { theBar } from './bars';
import type { Words } from './words';

/** "In both places", "In all 3 places"; two or more. */
export function inAllPlaces(places: number): string {
  return `In ${places === 2 ? 'both' : `all ${places}`} places`;
}

/** What a remedy offers to do, on its button. */
export const REMEDIES = {
  leaveItOut: () => 'Leave it out',
  inAll: (places: number, remedy: Words) =>
    `${inAllPlaces(places)}: ${remedy.charAt(0).toLowerCase()}${remedy.slice(1)}`,
  partOctave: (direction: 1 | -1) => `Play this part an octave ${direction > 0 ? 'higher' : 'lower'}`,

  endFirst: () => 'End the first where the second begins',
  leaveLowerOut: () => 'Leave the lower one out',
  leaveWordsOut: () => 'Leave these words out',
  makeIt: (note: string) => `Make it ${note}`,

  cross: () => 'Let the hands cross here',
  letGo: () => 'Play it whole and let it go early',
  leaveChordOut: () => 'Leave the chord out',
  raiseMelody: () => 'Raise the melody an octave',
  raiseMelodyAndChord: () => 'Raise the melody an octave and the chord with it',
  rootAlone: () => 'Play the root alone',
  openFifth: () => 'Play it as an open fifth',
  block: () => 'Play it as a block',
  twoNotes: () => 'Two notes for this chord',
  release: () => 'Release it, and the nearest voicing that fits is chosen',

  ownLeftOut: () => 'Remove what was written by hand here',
  lowerPosition: () => 'Use a lower voicing',
  releaseFinger: (finger: number, key: string) =>
    `Let the program choose again on ${key} (${finger} is let go)`,
  releasePinned: () => 'Release the pinned voicing',
  shareKey: (key: string) => `Let the right hand play ${key} for both`,
  letGoBefore: (key: string) => `Let the chord go before ${key}`,
  thinTo: (notes: 'two' | 'three') => `Thin this chord to ${notes} notes`,
  rootless: () => 'Drop its root and add the ninth',
  twoNotesInPart: () => 'Two notes in the whole part',
  partMelodyUp: () => 'Melody of the part an octave higher',

  anotherChord: (symbol: string, why: Words) => `${symbol}: ${why}`,
  anotherQuality: () => 'another quality',
  withoutMember: (letter: string) => `Leave out the ${letter}`,
  strikeAfter: (count: string) => `Strike the chord after it, on ${count}`,

  levelHere: (level: number) => `Level ${level} for this part`,
  threeNotesInPart: () => 'Three notes in the whole part',
  straightRhythm: () => 'The straight rhythm first',
  oneNoteUnder: () => 'One note under the tune',
  otherPosition: (symbol: string, letters: string) => `${symbol} as ${letters}`,
  leaveOut: (symbol: string, bar: number) => `Leave out the ${symbol} in ${theBar(bar)}`,
  songInKey: (key: string) => `The song in ${key}`,

  leaveFillOut: () => 'Leave the fill out',
  inFull: () => 'Play the pattern in full all the same',
  playHere: (pattern: string) => `Play ${pattern} here`,
};
