import { chroma } from '../music';
import { barAt } from '../song';
import type { FillDecisions, FillsSoFar } from './deciding';
import type { Proposal } from './proposal';
import type { FillTask } from './task';

/** Bars from one ornament to the next. */
const APART = 4;
const FOURTH = 5;

/**
 * Whether an ornament belongs where it is proposed: it is that of the style, more than few fills are wanted, the last one is a
 * phrase away; a trill stands on a dominant that leads home, a turn not on the first note of a phrase. Source: common
 * practice of ornaments.
 */
export function belongs(
  { kind, place: { tick, from, into } }: Proposal,
  { style, bars, phraseStarts, tune, beside }: FillTask,
  { measure }: FillDecisions,
  { lastOrnament }: FillsSoFar,
): boolean {
  if (kind !== style?.ornament || measure === 'few' || barAt(bars, tick).number - lastOrnament < APART)
    return false;
  // The hand that holds more than the tune has no finger for it.
  if (beside.some((note) => note.tick === tick)) return false;
  if (kind === 'trill')
    return into !== null && (chroma(into.chord.root) - chroma(from.chord.root) + 12) % 12 === FOURTH;
  if (kind !== 'turn') return true;
  const opens = phraseStarts.map((start) => tune.find((note) => note.tick >= start)?.tick);
  const note = tune.findLast((one) => one.tick <= tick);
  return note !== undefined && !opens.includes(note.tick);
}
