// What becomes of a file: refused in a sentence, or a song that every level arranges and every writer writes.
import { strToU8 } from 'fflate';
import { arrange } from '../core/arrange';
import type { Arrangement } from '../core/arrangement';
import { FileError, openFile, writeMidi, writeMusicXml, writeProject } from '../core/formats';
import { LEVELS } from '../core/levels';
import { KEYBOARDS } from '../core/music';
import { seeded } from '../core/chance';
import { DEFAULT_PROFILE, type Profile, type Song, migrateSong } from '../core/song';
import { LAYOUT_ROWS } from '../core/voicing';
import { writeWalkthrough } from '../core/words';
import type { NamedBytes } from './damage';

const EVERY_LEVEL = LEVELS.map(({ number }) => number);
/** A message longer than this is not read. */
const LONGEST_MESSAGE = 300;

/** Null when all is well: the file was refused in a sentence, or its song works; else what is wrong. */
export function faultOf(
  file: NamedBytes,
  seed: number,
  levels: readonly number[] = EVERY_LEVEL,
): { readonly fault: string | null; readonly opened: boolean } {
  let song: Song;
  try {
    const opened = openFile(file.name, file.bytes, 'id');
    song = opened.kind === 'project' ? opened.song : opened.tunes[0].song;
  } catch (error) {
    if (!(error instanceof FileError)) return { fault: `untyped: ${told(error)}`, opened: false };
    return { fault: badSentence(error.message), opened: false };
  }
  try {
    return { fault: faultIn(song, seed, levels), opened: true };
  } catch (error) {
    return { fault: `opened, then ${told(error)}`, opened: true };
  }
}

/** A refusal that is too long to be read, or speaks of the program and not of the song. What the file says is quoted. */
function badSentence(message: string): string | null {
  if (message.length > LONGEST_MESSAGE)
    return `message of ${message.length} characters: ${message.slice(0, 80)}`;
  const own = message.replaceAll(/“[^”]*”|"[^"]*"|<[^>]*>/g, '');
  return /[a-z]\.[a-z]+\.\d|\bundefined\b|\bNaN\b|Invalid|[a-z][A-Z][a-z]+[A-Z]/.test(own)
    ? `it is told in words of the program: ${message}`
    : null;
}

function told(error: unknown): string {
  const { stack = String(error) } = error instanceof Error ? error : {};
  return stack
    .split('\n')
    .filter((line) => !line.includes('node_modules'))
    .slice(0, 4)
    .map((line) => line.trim().slice(0, 140))
    .join(' ← ');
}

/** Arranged at a level, in a voicing style, on a keyboard and for a hand by seed; everything written comes back. */
function faultIn(song: Song, seed: number, levels: readonly number[]): string | null {
  // What is accepted is accepted again: it can be stored and opened.
  migrateSong(JSON.parse(JSON.stringify(song)));
  const random = seeded(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  const profile: Profile = {
    ...DEFAULT_PROFILE,
    keyboard: pick([49, 61, 73, 76, 88] as const),
    leftReach: pick([6, 7, 8, 9, 10] as const),
    rightReach: pick([6, 7, 8, 9, 10] as const),
  };
  for (const number of levels) {
    const { layout } = pick(LAYOUT_ROWS);
    const chosen = { ...song, choices: { ...song.choices, level: number, layout } };
    const arrangement = arrange(chosen, profile);
    const fault = wrongKeys(arrangement, profile);
    if (fault)
      return `level ${number}, ${layout}, ${profile.keyboard} keys, reach ${profile.leftReach}: ${fault}`;
    const written = [
      ...scoresOf(arrangement),
      { name: 'y.joined.json', bytes: strToU8(writeProject({ song: chosen, profile })) },
    ];
    const hasNotes = arrangement.right.length + arrangement.left.length > 0;
    for (const { name, bytes } of written) {
      if (!hasNotes && !name.endsWith('.json')) continue;
      openFile(name, bytes, 'again');
    }
    // What the file itself says is quoted.
    const said = writeWalkthrough(arrangement).replaceAll(/“[^”]*”|"[^"]*"/g, '');
    if (/NaN|undefined|Infinity|\[object/.test(said))
      return `level ${number}: the walkthrough says NaN or undefined`;
  }
  return null;
}

/** The song as scores; none where it is played for longer than a score may be, which is said. */
function scoresOf(arrangement: Arrangement): NamedBytes[] {
  try {
    return [
      { name: 'y.musicxml', bytes: strToU8(writeMusicXml(arrangement)) },
      { name: 'y.mid', bytes: writeMidi(arrangement) },
    ];
  } catch (error) {
    if (error instanceof FileError) return [];
    throw error;
  }
}

/** Keys that are no keys, notes of no length, and keys off the keyboard that are not the melody's own. */
function wrongKeys({ right, left, efforts, changes }: Arrangement, { keyboard }: Profile): string | null {
  const { low, high } = KEYBOARDS[keyboard];
  // What was pinned is kept wherever it lies, and said.
  const pinned = new Set(changes.filter((c) => c.fixedBy === 'pin').map((c) => c.change.id));
  for (const note of [...right, ...left]) {
    const numbers = [note.tick, note.length, note.midi];
    if (!numbers.every(Number.isFinite) || note.midi < 0 || note.midi > 127)
      return `a ${note.source} note of the ${note.hand} hand is ${numbers.join(', ')}`;
    if (note.source !== 'melody' && !pinned.has(note.from) && (note.midi < low || note.midi > high))
      return `the ${note.hand} hand's ${note.source} key ${note.midi} is off the keyboard`;
  }
  return efforts.every((effort) => effort === null || Number.isFinite(effort.total))
    ? null
    : 'an effort is no number';
}
