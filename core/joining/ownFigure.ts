import { barsIn } from '../song';
import type { Metre } from '../music';
import { BLOCK, choosePattern, dress, type Dressed, type Pattern } from '../patterns';
import { type Sounding, type VoicedChange, voicingOf } from '../voicing';
import type { PartTask } from './task';

/** The pianist's own pattern chosen for a part, as it goes in a metre; null where another is chosen or it is of another metre. */
export function ownFigureIn({ part, ownPatterns }: PartTask, metre: Metre): Pattern | null {
  const { pattern } = part.choices;
  if (!ownPatterns.some(({ id }) => id === pattern)) return null;
  const chosen = choosePattern(pattern, metre, part.energy, ownPatterns);
  return chosen.refused ? null : chosen.pattern;
}

/**
 * The pianist's own pattern on a chord laid out for singing or under the tune: from the key `held` begins with, which is
 * what is held where the figure comes to rest. It gives way to what the right hand plays (`right`) as under a tune.
 */
export function ownFigure(
  task: PartTask,
  voiced: VoicedChange,
  held: readonly number[],
  right: readonly Sounding[],
): Dressed {
  const { tick } = voiced.change;
  return dress({
    voiced: { ...voiced, voicing: voicingOf(held, voiced.chord) },
    // A bar of another metre holds the chord.
    patternIn: (metre) => ownFigureIn(task, metre) ?? BLOCK,
    bars: barsIn(task.bars, tick, tick + voiced.length),
    melody: [...right].sort((a, b) => a.tick - b.tick),
    longestNote: Math.max(0, ...right.map(({ length }) => length)),
    profile: task.profile,
    root: held[0],
    lineAt: () => held[0],
    nextRoot: null,
    restsAt: task.restsAt,
    songEnd: task.songEnd,
    refused: task.playedInFull.includes(voiced.change.id),
  });
}
