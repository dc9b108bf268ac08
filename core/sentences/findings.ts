import { theBar, theBars } from './bars';
import { beatsInWords } from './beats';
import { listed } from './listed';
import type { Words } from './words';
import { fillName } from './fillNames';

const GIVES_WAY = {
  thins: 'thins',
  'drops-octave': 'drops an octave',
  'holds-block': 'holds the block',
} as const;

/**
 * What a finding says, from plain facts: symbols, letters and numbers as they are shown. One place to read, reword or
 * translate; nothing here decides anything.
 */
export const FINDINGS = {
  unclear: (problem: string) =>
    `${problem} The left hand rests here. Write the chord in another way, or leave it out.`,
  offKeyboard: (key: string, more: number, keys: number) =>
    `${key}${more > 0 ? ` and ${more} more` : ''} of the melody lies off a keyboard of ${keys} keys.`,

  overlap: (note: string, next: string) =>
    `${note} still sounds when ${next} is struck: a melody has one note at a time.`,
  unsung: (count: number, first: string) =>
    `${count} notes have no syllable, from ${first} on: type their words on the Tune bench, or leave them unsung.`,
  spareWords: (words: string) =>
    `There are more syllables than notes: “${words}” has none. Add or split notes, or leave the words out.`,
  accidental: (note: string) =>
    `${note} lies outside the key and its chord, and no half step leads to or from it: a slip?`,
  quick: (symbol: string, seconds: number) =>
    `${symbol} passes too quickly (${seconds.toFixed(1)} seconds): leave it out?`,
  rub: (role: Words, beats: number, count: string, bar: number) =>
    `${role}, for ${beatsInWords(beats)} on ${count} of ${theBar(bar)}.`,

  raised: (symbol: string) =>
    `The left hand has no room for ${symbol} below the melody: the melody of this part is played an octave higher.`,
  crossing: (symbol: string) =>
    `No room for ${symbol} below the melody, even an octave higher: the hands cross here.`,
  shortened: (symbol: string) => `${symbol} is let go early: the melody comes down onto its keys.`,
  thinChord: (symbol: string, keys: readonly string[]) =>
    `${symbol} is thinned to ${keys.join(' ')}: the whole chord has no room here.`,
  reach: (symbol: string) =>
    `${symbol} is wider than your left hand: roll it from below, one key after the other.`,
  fingerNotKept: (finger: number, key: string, why: 'crossed' | 'taken') =>
    `Finger ${finger} cannot be kept on ${key}: ${
      why === 'taken'
        ? 'another key struck with it has the same finger'
        : 'the fingers of the chord would cross'
    }.`,
  memberMissing: (symbol: string, members: readonly number[]) =>
    `${symbol} has no ${listed(members.map(String))}: what stands in for ${members.length === 1 ? 'it' : 'them'} is played.`,
  muddy: (symbol: string) => `${symbol} sounds muddy: its notes are too close together this low.`,
  noRoomHigher: () => 'There is no room higher under the melody, or nothing higher leads on as well.',
  /** Bars by number; 0 is the pick-up. */
  alsoIn: (bars: readonly number[]) => `The same in ${theBars(bars)}.`,
  kept: (kept: 'pinned' | 'settled', symbol: string, problem: Words) =>
    `The ${kept} voicing of ${symbol} ${problem}; it is kept as it is.`,
  keptTooWide: () => 'is wider than your left hand',
  keptOffKeyboard: (keys: number) => `runs off a keyboard of ${keys} keys`,
  keptMeetsMelody: () => 'meets the melody',

  sameKey: (key: string) => `Both hands want ${key} here: share it, or move one hand.`,
  handsCross: (left: string, right: string) =>
    `The left hand's ${left} lies above the right hand's ${right} here.`,
  crowded: (left: string, right: string) => `The hands crowd each other: ${left} below ${right}.`,
  thinned: (pattern: string, what: 'thins' | 'drops-octave' | 'holds-block', symbol: string, bar: number) =>
    `${pattern} ${GIVES_WAY[what]} under ${symbol} in ${theBar(bar)}: the right hand comes within two half steps.`,
  fillWaits: (kind: string, why: 'no-place' | 'too-long') =>
    why === 'too-long'
      ? `The ${fillName(kind)} of your own is longer than its place: shorten it, or it waits.`
      : `The ${fillName(kind)} taken here has no place any more since the song was changed: it waits.`,
  ownOffKeyboard: (key: string, keys: number) =>
    `${key}, written by hand, is not on a keyboard of ${keys} keys: it is not played.`,
  harmonyTooWide: (key: string, note: string) =>
    `${key}, struck with ${note}, is wider than your right hand reaches.`,
  ownWithoutLength: (key: string) => `${key}, written by hand, has no length: it is not played.`,
  ownTooWide: (low: string, high: string, hand: 'right' | 'left') =>
    `${low} and ${high}, written by hand, are wider than your ${hand} hand: they are rolled from below.`,
  ownWaits: (hand: 'right' | 'left', notes: number) =>
    `${notes === 1 ? 'A note' : `${notes} notes`} written by hand for the ${hand} hand ${notes === 1 ? 'waits' : 'wait'}: the bars are not played.`,
  fillAlone: (kind: string) =>
    `The ${fillName(kind)} you took lost its chord when the song was changed: it waits until that comes back.`,
  patternUnknown: (pattern: string) => `The pattern “${pattern}” is not known here: blocks are played.`,
  patternUnfit: (pattern: string, metre: string) => `${pattern} is not made for ${metre}: blocks are played.`,
  patternForSinging: (pattern: string) =>
    `${pattern} takes both hands: it is for parts laid out for singing. Blocks are played.`,
  patternUnderTune: (pattern: string) =>
    `${pattern} goes under a tune; laid out for singing the right hand strikes its chords on the beat.`,
  keysNotInChord: (symbol: string, keys: readonly string[]) =>
    `${listed(keys)} ${keys.length === 1 ? 'is' : 'are'} not in ${symbol}: the fixed line is played all the same.`,
  patternsMadeFor: (metre: string, names: readonly string[]) => `Made for ${metre}: ${names.join(', ')}.`,
};
