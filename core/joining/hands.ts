import { type HandNote, inTime } from '../hands';
import { reachMm, spanMm } from '../music';
import { type Part, partIndexAt } from '../parts';
import { dress } from '../patterns';
import { barAt, type Choices, type Finding, indexAt, type PlayedSong, type Profile } from '../song';
import { isUnderMelody } from '../voicing';
import { withSharedKeys } from './sharedKeys';
import { indexFrom, type LeftHandTask, type PartHands } from './task';
import { handsUnderMelody } from './underMelody';

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

/** The left hand of one part on its rung: nothing, bass notes, blocks, or a pattern. */
export function leftHand(task: LeftHandTask, partIndex: number): PartHands {
  const part = task.parts[partIndex];
  const { rung } = part.choices;
  const notes: HandNote[] = [];
  const right: HandNote[] = [];
  const findings: Finding[] = [];
  if (rung === 1) return { notes, findings };
  const refused = new Set(task.song.thinningRefused);
  const all = task.voiced.voiced;
  for (let i = indexFrom(all, part.fromTick); i < all.length && all[i].change.tick < part.toTick; i++) {
    const voiced = all[i];
    const { tick } = voiced.change;
    if (isUnderMelody(voiced.layout)) {
      const both = handsUnderMelody(task, voiced, rung >= 5);
      notes.push(...both.left);
      right.push(...both.right);
      continue;
    }
    const dressed = dress({
      voiced,
      pattern: rung >= 5 ? part.choices.pattern : 'Block',
      bars:
        rung >= 5
          ? barsOf(task.played, tick, tick + voiced.length)
          : [wholeSpan(task.played, tick, voiced.length)],
      melody: task.melody,
      longestNote: task.longestNote,
      profile: task.profile,
      partEnd: part.toTick,
      songEnd: task.played.endTick,
      refused: refused.has(voiced.change.id) || refused.has(task.twins.get(voiced.change.id) ?? ''),
    });
    notes.push(...dressed.notes);
    findings.push(...dressed.findings);
  }
  const shares = new Set(all.flatMap((v) => (v.closeHands === 'share' ? [v.change.id] : [])));
  const ownKeys = shares.size === 0 ? notes : withSharedKeys(notes, task.melody, (id) => shares.has(id));
  return { notes: inTime(withRolls(ownKeys, task.profile)), findings, right };
}

/** Keys struck together that the hand does not span are rolled from below. */
function withRolls(notes: readonly HandNote[], profile: Profile): HandNote[] {
  const reach = reachMm(profile.leftReach);
  const byTick = new Map<number, number[]>();
  for (const { tick, midi } of notes) byTick.set(tick, [...(byTick.get(tick) ?? []), midi]);
  return notes.map((note) => {
    const keys = (byTick.get(note.tick) ?? []).sort((a, b) => a - b);
    if (spanMm(keys[0], keys[keys.length - 1]) <= reach) return note;
    return { ...note, rolled: keys.indexOf(note.midi) };
  });
}

/** The bars a stretch touches, in time. */
function barsOf(played: PlayedSong, from: number, to: number): PlayedSong['bars'] {
  const { bars } = played;
  const first = indexAt(bars, from);
  let last = first;
  while (last + 1 < bars.length && bars[last + 1].tick < to) last++;
  return bars.slice(first, last + 1);
}

/** A block is struck once and held over bar lines: to the pattern code one long bar. */
function wholeSpan(played: PlayedSong, tick: number, length: number): PlayedSong['bars'][number] {
  const bar = barAt(played.bars, tick) as PlayedSong['bars'][number];
  return { ...bar, tick, length, number: Math.max(1, bar.number) };
}

/** What is chosen for the part a tick lies in. */
export function choicesAt(parts: readonly Part[], tick: number): Choices {
  return parts[partIndexAt(parts, tick)].choices;
}
