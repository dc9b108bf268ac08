import { divides } from '../sentences';
import { keyAt, type PlayedNote, type PlayedSong } from '../song';
import { type Boundary, cadencePoints, STRENGTH } from './boundary';
import { cadenceBefore } from './cadences';

/** Bar lines at which no melody sounds and none has for a whole bar: in a song of chords all of them. */
export function silentBarLines(
  played: PlayedSong,
  notes: readonly PlayedNote[],
  sections: ReadonlySet<number>,
): Boundary[] {
  let at = 0;
  let soundsUntil = -Infinity;
  return played.bars.flatMap((bar): Boundary[] => {
    while (at < notes.length && notes[at].tick < bar.tick) {
      soundsUntil = Math.max(soundsUntil, notes[at].tick + notes[at].length);
      at++;
    }
    const next = notes[at]?.tick ?? Infinity;
    const isSilent =
      soundsUntil <= bar.tick - (notes.length > 0 ? 0 : bar.length) && next >= bar.tick + bar.length;
    if (bar.number < 1 || bar.tick === 0 || (!isSilent && notes.length > 0)) return [];
    const isSection = sections.has(bar.tick);
    const cadence = cadenceBefore(played, bar.tick, (tick) => keyAt(played, tick));
    const reasons = [
      divides.onBarLine(),
      ...(notes.length > 0 ? [divides.melodyRests()] : []),
      ...(cadence ? [divides.cadence(cadence)] : []),
      ...(isSection ? [divides.sectionBegins()] : []),
    ];
    const forBar = (cadence ? cadencePoints(cadence) : 0) + (isSection ? STRENGTH.section : 0);
    const forOnset = notes.length > 0 ? STRENGTH.restPerBeat : 0;
    const strength = STRENGTH.barLine + forBar + forOnset;
    return [{ tick: bar.tick, strength, forBar, forOnset, rest: bar.length, isOfFigure: false, reasons }];
  });
}
