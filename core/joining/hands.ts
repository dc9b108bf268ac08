import type { Choices, Profile, Song } from '../song/schema';
import type { PlayedSong } from '../song/unfold';
import type { Finding } from '../song/finding';
import { type Part, partIndexAt } from '../parts/parts';
import type { Sounding } from '../voicing/bounds';
import type { VoicedSong } from '../voicing/voice';
import { dress } from './dress';
import { type HandNote, inTime } from './handNote';

/** The seven steps of the ladder, each a complete arrangement; `ready` says which can be played now. */
export const RUNGS = [
  { number: 1, name: 'Melody alone', ready: true },
  { number: 2, name: 'Melody and bass notes', ready: true },
  { number: 3, name: 'Two-note chords', ready: false },
  { number: 4, name: 'Block chords', ready: true },
  { number: 5, name: 'Moving left hand', ready: true },
  { number: 6, name: 'Fuller right hand', ready: false },
  { number: 7, name: 'Fills and endings', ready: true },
] as const;

/** Melody notes as the right hand strikes them: octave shifts and raised parts applied. */
export function rightHand(
  played: PlayedSong,
  parts: readonly Part[],
  raised: ReadonlySet<number>,
): HandNote[] {
  return played.melody.map((note): HandNote => {
    const index = partIndexAt(parts, note.tick);
    const octaves = parts[index].choices.octaveShift + (raised.has(index) ? 1 : 0);
    return {
      hand: 'right',
      tick: note.tick,
      length: note.length,
      midi: note.midi + 12 * octaves,
      pitch: { ...note.pitch, octave: note.pitch.octave + octaves },
      source: 'melody',
      from: note.id,
      lyric: note.lyric?.text ?? null,
      syllabic: note.lyric?.syllabic,
      grace: note.grace,
      finger: null,
    };
  });
}

export interface LeftHandTask {
  readonly song: Song;
  readonly played: PlayedSong;
  readonly parts: readonly Part[];
  readonly profile: Profile;
  readonly voiced: VoicedSong;
  /** The melody as struck, sorted by onset. */
  readonly melody: readonly Sounding[];
}

/** The left hand of one part on its rung: nothing, bass notes, blocks, or a pattern. */
export function leftHand(task: LeftHandTask, partIndex: number): { notes: HandNote[]; findings: Finding[] } {
  const part = task.parts[partIndex];
  const { rung } = part.choices;
  const notes: HandNote[] = [];
  const findings: Finding[] = [];
  if (rung === 1) return { notes, findings };
  const longestNote = task.melody.reduce((most, note) => Math.max(most, note.length), 0);
  const refused = new Set(task.song.thinningRefused);
  for (const voiced of task.voiced.voiced) {
    const { tick } = voiced.change;
    if (tick < part.fromTick || tick >= part.toTick) continue;
    const dressed = dress({
      voiced,
      pattern: rung >= 5 ? part.choices.pattern : 'Block',
      bars:
        rung >= 5
          ? barsOf(task.played, tick, tick + voiced.length)
          : [wholeSpan(task.played, tick, voiced.length)],
      melody: task.melody,
      longestNote,
      profile: task.profile,
      partEnd: part.toTick,
      songEnd: task.played.endTick,
      refused: refused.has(voiced.change.id),
    });
    notes.push(...dressed.notes);
    findings.push(...dressed.findings);
  }
  return { notes: inTime(notes), findings };
}

function barsOf(played: PlayedSong, from: number, to: number): PlayedSong['bars'] {
  return played.bars.filter((bar) => bar.tick < to && bar.tick + bar.length > from);
}

/** A block is struck once and held over bar lines: to the pattern code one long bar. */
function wholeSpan(played: PlayedSong, tick: number, length: number): PlayedSong['bars'][number] {
  const bar = played.bars.find((b) => b.tick <= tick && tick < b.tick + b.length) ?? played.bars[0];
  return { ...bar, tick, length, number: Math.max(1, bar.number) };
}

/** What is chosen for the part a tick lies in. */
export function choicesAt(parts: readonly Part[], tick: number): Choices {
  return parts[partIndexAt(parts, tick)].choices;
}
