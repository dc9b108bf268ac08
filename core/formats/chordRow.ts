import { ChordSymbolError, inEnglish, parseChord, symbolOf } from '../music';
import { type Bar, type Change, freshId, type Song, writtenBars } from '../song';
import { tokensOf } from './chartBars';
import { HOLDS } from './chartLines';
import { FileError } from './fileError';

/** A row of chords laid over a song: all changes it has then, and how many bars must be added at its end first. */
interface LaidRow {
  readonly changes: Song['changes'];
  readonly missingBars: number;
}

/**
 * Lays a row of chords over the written bars of a song from bar `from` on (0 is the pick-up): bars between "|", the chords of
 * a bar in equal shares, "." and "/" hold, "%" or nothing repeats what sounds. Chords before and after it stay as they
 * were: one that goes on under the end of the row does so. Throws {@link FileError} with the bar of what cannot be read.
 * `chordRow('| Am | Dm E7 |', song, 3)`
 */
export function chordRow(text: string, song: Song, from: number): LaidRow {
  const rows = barsIn(text);
  if (!rows.some((tokens) => tokens.some((token) => !isHold(token))))
    throw new FileError('There is no chord in this row', '', 'Write bars like | Am | Dm E7 |.');
  const all = writtenBars(song);
  const first = all.findIndex(({ number }) => number === from);
  if (first < 0) throw new FileError(`The song has no bar ${from}`, '', `It has ${song.barCount}.`);
  const bars = all.slice(first, first + rows.length);
  const missingBars = rows.length - bars.length;
  for (let i = 0; i < missingBars; i++) bars.push(after(bars[bars.length - 1]));
  const end = bars[bars.length - 1].tick + bars[bars.length - 1].length;
  const row = changesIn(rows, bars, song);
  // What stands before its first chord, where the row begins by holding, goes on.
  const start = row[0].tick;
  const sounding = song.changes.findLast(({ tick }) => tick < end);
  // One that begins before the row is then two chords.
  const aside =
    sounding && sounding.tick < start ? { id: freshId({ changes: [...song.changes, ...row] }) } : {};
  const goesOn =
    sounding && sounding.tick + sounding.length > end
      ? [{ ...sounding, ...aside, tick: end, length: sounding.tick + sounding.length - end }]
      : [];
  const kept = song.changes.filter(({ tick }) => tick < start || tick >= end).map(endingBefore(start));
  return { changes: [...kept, ...row, ...goesOn].sort((a, b) => a.tick - b.tick), missingBars };
}

function endingBefore(start: number): (change: Change) => Change {
  return (change) =>
    change.tick < start && change.tick + change.length > start
      ? { ...change, length: start - change.tick }
      : change;
}

function barsIn(text: string): string[][] {
  const pieces = text
    .replace(/[\r\n]+/g, '|')
    .replace(/\|(?:\s*\|)+/g, '|')
    .trim()
    .split('|');
  const bars = pieces.slice(pieces[0].trim() === '' ? 1 : 0);
  if (bars.length > 0 && bars[bars.length - 1].trim() === '') bars.pop();
  return bars.map(tokensOf);
}

function isHold(token: string): boolean {
  return HOLDS.includes(token);
}

function after({ number, tick, length, metre }: Bar): Bar {
  return { number: number + 1, tick: tick + length, length, metre };
}

function changesIn(rows: readonly string[][], bars: readonly Bar[], song: Song): Change[] {
  const changes: Change[] = [];
  rows.forEach((tokens, i) => {
    const { tick, length, number } = bars[i];
    const shares = tokens.length === 0 ? ['%'] : tokens;
    shares.forEach((token, share) => {
      const at = tick + Math.round((share * length) / shares.length);
      const to = tick + Math.round(((share + 1) * length) / shares.length);
      const last = changes.at(-1);
      if (isHold(token)) {
        if (last) changes[changes.length - 1] = { ...last, length: to - last.tick };
        return;
      }
      changes.push({
        id: freshId({ changes: [...song.changes, ...changes] }),
        tick: at,
        length: to - at,
        symbol: readable(token, number),
        given: true,
        layout: null,
      });
    });
  });
  return changes;
}

/** A chord as it is stored; as the pianist names notes. */
function readable(token: string, bar: number): string {
  try {
    return symbolOf(parseChord(inEnglish(token)));
  } catch (error) {
    if (!(error instanceof ChordSymbolError)) throw error;
    throw new FileError(
      error.message.replace(/\.$/, ''),
      bar === 0 ? 'pick-up' : `bar ${bar}`,
      'Write it otherwise.',
    );
  }
}
