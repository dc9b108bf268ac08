import { fullerRight } from '../fuller';
import { type HandNote, inTime } from '../hands';
import { levelOf } from '../levels';
import { type Metre, metreName } from '../music';
import { melodyUp, type Part, partIndexAt, type PartToPlay } from '../parts';
import {
  BLOCK,
  choosePattern,
  dress,
  fitsMetre,
  type Pattern,
  patternsOf,
  strikeNotes,
  SUNG_FIGURES,
} from '../patterns';
import { barsIn, BY_PHRASE, type Choices, type Finding, type PlayedNote } from '../song';
import { isUnderMelody } from '../voicing';
import { lineOf } from './lineOf';
import { withRolls } from './rolls';
import { withSharedKeys } from './sharedKeys';
import { isHeld, struckAgain } from './restrike';
import type { PartHands, PartTask } from './task';
import { handsUnderMelody } from './underMelody';
import { offers, says } from '../sentences';

/** A melody note as the right hand strikes it, so many octaves away from where it is written. */
export function struckNote(note: PlayedNote, octaves: number): HandNote {
  return {
    hand: 'right',
    tick: note.tick,
    length: note.length,
    midi: note.midi + 12 * octaves,
    pitch: octaves === 0 ? note.pitch : { ...note.pitch, octave: note.pitch.octave + octaves },
    source: 'melody',
    from: note.id,
    lyric: note.lyric?.text ?? null,
    syllabic: note.lyric?.syllabic,
    grace: note.grace,
    finger: null,
  };
}

/** The left hand of one part at its level: nothing, bass notes, blocks, or a pattern. */
export function leftHand(task: PartTask): PartHands {
  const { part, bars } = task;
  const { chords, isMoving, rightHand } = levelOf(part.choices);
  const notes: HandNote[] = [];
  const right: HandNote[] = [];
  const findings: Finding[] = [];
  if (chords === 'none') return { notes, findings, right };
  const inFull = new Set(task.playedInFull);
  const patternIn = (metre: Metre): Pattern =>
    isMoving
      ? choosePattern(part.choices.pattern, metre, part.energy, task.ownPatterns, part.turn).pattern
      : BLOCK;
  const line = lineIn(task, patternIn);
  for (const [i, voiced] of task.voiced.entries()) {
    const { tick } = voiced.change;
    if (isUnderMelody(voiced.layout)) {
      const both = handsUnderMelody(task, voiced, isMoving);
      notes.push(...both.left);
      right.push(...both.right);
      findings.push(...both.findings);
      continue;
    }
    const styled = task.styled.get(voiced.change.id);
    if (styled) {
      notes.push(...styled.flatMap((strike) => strikeNotes(voiced, strike, 'pattern')));
      continue;
    }
    const dressed = dress({
      voiced,
      patternIn,
      bars: isHeld(bars, voiced, patternIn)
        ? struckAgain(bars, voiced, part.choices.restrike ?? (isMoving ? 'bar' : 'once'))
        : barsIn(bars, tick, tick + voiced.length),
      melody: task.melody,
      longestNote: task.longestNote,
      profile: task.profile,
      root: task.roots.get(voiced.change.id) ?? voiced.voicing.keys[0],
      lineAt: (at) => line.get(at) ?? voiced.voicing.keys[0],
      nextRoot:
        i + 1 < task.voiced.length ? (task.roots.get(task.voiced[i + 1].change.id) ?? null) : task.nextRoot,
      restsAt: task.restsAt,
      songEnd: task.songEnd,
      refused: inFull.has(voiced.change.id),
    });
    notes.push(...dressed.notes);
    findings.push(...dressed.findings.map((finding) => withMelodyUp(finding, part)));
  }
  if (isMoving && notes.length > 0) findings.push(...patternRefused(task));
  const shares = new Set(task.voiced.flatMap((v) => (v.closeHands === 'share' ? [v.change.id] : [])));
  const struck = shares.size === 0 ? notes : withSharedKeys(notes, task.melody, (id) => shares.has(id));
  const left = inTime(withRolls(struck, task.profile.leftReach));
  return { notes: left, findings, right: rightHand === 'fuller' ? withFuller(task, left, right) : right };
}

/** The notes of a descending line by tick, where the pattern of the part is one. */
function lineIn(task: PartTask, patternIn: (metre: Metre) => Pattern): ReadonlyMap<number, number> {
  if (!task.bars.some(({ metre }) => patternIn(metre).base === 'line')) return new Map();
  return lineOf(task);
}

/** The keys beside the tune at a level with a fuller right hand; a note that has a chord under it already is full. */
function withFuller(task: PartTask, left: readonly HandNote[], right: readonly HandNote[]): HandNote[] {
  const { part, melody, voiced, bars, profile } = task;
  const full = new Set(right.map(({ tick }) => tick));
  const tune = melody.filter(({ tick }) => tick >= part.fromTick && tick < part.toTick && !full.has(tick));
  const manner = part.choices.fuller;
  // Where nothing is chosen the right hand goes by phrases, whatever the parts are.
  if (manner === undefined || manner === BY_PHRASE || manner === 'none') return [...right];
  return inTime([...right, ...fullerRight({ manner, tune, left, voiced, bars, profile })]);
}

/** Where a pattern gave way the melody could make room. */
function withMelodyUp(finding: Finding, part: PartToPlay): Finding {
  const up = melodyUp(part, offers.partMelodyUp());
  if (!up) return finding;
  return { ...finding, remedies: [...finding.remedies, up] };
}

/** A pattern that is unknown, or not made for the metre, said with those that are. */
function patternRefused({ part, bars, ownPatterns }: PartTask): Finding[] {
  const { metre } = bars[bars.length - 1];
  const { pattern } = part.choices;
  const { refused } = choosePattern(pattern, metre, part.energy, ownPatterns);
  if (!refused) return [];
  const all = patternsOf(ownPatterns);
  const fitting = all.filter((row) => row !== BLOCK && fitsMetre(row, metre));
  const name = all.find((row) => row.id === pattern)?.name ?? pattern;
  const why = {
    unknown: says.patternUnknown(name),
    metre: says.patternUnfit(name, metreName(metre)),
    singing: says.patternForSinging(SUNG_FIGURES.find(({ id }) => id === pattern)?.name ?? pattern),
  }[refused];
  const names = fitting.map((row) => row.name);
  return [
    {
      kind: 'pattern',
      tick: part.fromTick,
      says: [why, ...(names.length > 0 ? [says.patternsMadeFor(metreName(metre), names)] : [])],
      remedies: fitting.map((row) => ({
        offer: offers.playHere(row.name),
        edit: { kind: 'choose-for-part', cutId: part.cutId, choices: { pattern: row.id } },
      })),
    },
  ];
}

/** What is chosen for the part a tick lies in. */
export function choicesAt(parts: readonly Part[], tick: number): Choices {
  return parts[partIndexAt(parts, tick)].choices;
}
