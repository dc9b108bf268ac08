import { fillVariant, inWords } from '../core/sentences';
import { fillPlaceInWords } from '../core/words';
import { compareLayouts, otherFingers, patternsForPart } from '../core/arrange';
import type { Fill } from '../core/fills';
import type { Hand } from '../core/hands';
import { nameOf } from '../core/music';
import { DEFAULT_PROFILE, type Song } from '../core/song';
import { alternativesFor } from '../core/voicing';
import { arrangedWith, placeOf } from './reading';

/** Other voicings of a chord that are read aloud. */
const OTHERS = 4;
/** A key of every so many has its other fingers read aloud. */
const KEYS_APART = 12;

/**
 * What could be played in a demo song and is not, line by line: every fill wherever there is room, with what it is
 * ranked by; the next voicings of each chord and what they cost; what the schools cost over the song; the other fingers
 * of some keys; the patterns for each part. As with the other readings, a line that changes is looked at by somebody.
 */
export function offersOf(song: Song): string[] {
  return [
    `# ${song.title}, what could be played`,
    ...fillLines(song),
    '',
    ...voicingLines(song),
    '',
    ...compareLayouts(song, DEFAULT_PROFILE).map(
      ({ layout, semitones, millimetres, shifts, widestMm, findings, words }) =>
        `${layout}: ${semitones} half steps, ${millimetres.toFixed(0)} mm, ${shifts} shifts, ` +
        `${widestMm.toFixed(0)} mm wide, ${findings} findings; ${words}`,
    ),
    '',
    ...(['right', 'left'] as const).flatMap((hand) => fingerLines(song, hand)),
    '',
    ...patternLines(song),
  ].map((line) => line.trimEnd());
}

function fillLines(song: Song): string[] {
  const a = arrangedWith(song, { level: 7 });
  const line = (fill: Fill): string => {
    const { id, kind, variant, notes, rank, skill, taken, hand } = fill;
    const where = fillPlaceInWords(a.played.bars, fill).split(':')[0];
    const keys = notes.map(
      ({ tick, length, pitch, grace }) => `${placeOf(a, tick)} ${nameOf(pitch)}:${grace ? 'grace' : length}`,
    );
    return `${taken ? 'taken' : 'offered'} ${id}, ${hand}, ${where}, ${fillVariant(kind, variant)}: ${keys.join(' ')}; rank ${rank.toFixed(2)}, skill ${skill}`;
  };
  return a.fills.map(line);
}

function voicingLines(song: Song): string[] {
  const a = arrangedWith(song, { level: 4 });
  return a.changes.map(({ change, voicing }) => {
    const others = alternativesFor(a.song, DEFAULT_PROFILE, a.played, a.parts, change.id).slice(0, OTHERS);
    const told = others.map(
      ({ voicing: { keys }, extra, isAgainstEnds, isApart }) =>
        `${keys.join(' ')} +${extra.toFixed(2)}${isAgainstEnds ? ' against the ends' : ''}${isApart ? ' apart' : ''}`,
    );
    return `${placeOf(a, change.tick)} ${change.symbol}: ${voicing.keys.join(' ')} | ${told.join(' | ')}`;
  });
}

function fingerLines(song: Song, hand: Hand): string[] {
  const a = arrangedWith(song, { level: 5 });
  const { fromTick, toTick } = a.parts[1] ?? a.parts[0];
  const own = a[hand].filter(({ tick, grace }) => !grace && tick >= fromTick && tick < toTick);
  return own
    .filter((_, i) => i % KEYS_APART === 0)
    .map(({ tick, midi, pitch }) => {
      const place = { part: a.parts.length > 1 ? 1 : 0, hand, tick, midi };
      const others = otherFingers(a.song, DEFAULT_PROFILE, place).map(
        ({ finger, extra, others: more, fingers }) =>
          `${finger} +${extra.toFixed(2)}, ${more} more (${fingers.join('')})`,
      );
      return `${hand} ${placeOf(a, tick)} ${nameOf(pitch)}: ${others.join(' | ')}`;
    });
}

function patternLines(song: Song): string[] {
  const a = arrangedWith(song, { level: 5 });
  return a.parts.flatMap((part) => {
    const offered = patternsForPart(a, part).slice(0, OTHERS);
    return offered.map(
      ({ id, name, reasons }) => `part ${part.number}: ${name} (${id}), ${reasons.map(inWords).join('; ')}`,
    );
  });
}
