import { imports, type Phrase } from '../sentences';
import type { Song } from '../song';

/** What the signs at one written bar ask of a player. */
export interface BarSigns {
  /** Written bar, 0 the pick-up. */
  readonly number: number;
  readonly repeatStarts?: boolean;
  /** Times the stretch is played in all, at its end; 2 unless the sign says otherwise. */
  readonly repeatEnds?: number;
  /** Which passes an ending that covers this bar is for. */
  readonly endings?: readonly number[];
  /** The ending goes on in the next bar. */
  readonly endingStaysOpen?: boolean;
  readonly segno?: boolean;
  readonly coda?: boolean;
  readonly toCoda?: boolean;
  readonly fine?: boolean;
  readonly daCapo?: boolean;
  readonly dalSegno?: boolean;
}

interface ReadOrder {
  readonly playingOrder: Song['playingOrder'];
  /** What could not be followed. */
  readonly problems: readonly Phrase[];
}

/** No song is unfolded further than this many bars. */
const MOST_PLAYED_BARS = 8000;

/**
 * The order bars are played in, from their signs: repeats with endings, da capo, dal segno, fine and coda. After a
 * jump back repeats are not taken again and the last ending is played (common practice). Straight through: empty.
 */
export function playingOrderOf(signs: readonly BarSigns[]): ReadOrder {
  if (!signs.some((s) => s.repeatEnds || s.endings || s.daCapo || s.dalSegno))
    return { playingOrder: [], problems: [] };
  const problems: Phrase[] = [];
  const played: number[] = [];
  const segno = signs.findIndex((s) => s.segno);
  const coda = signs.findIndex((s, i) => s.coda && signs.slice(0, i).some((b) => b.toCoda));
  let [start, pass, jumped] = [0, 1, false];
  for (let at = 0; at < signs.length;) {
    const bar = signs[at];
    if (played.length >= MOST_PLAYED_BARS) {
      problems.push(imports.repeatsTooLong(MOST_PLAYED_BARS));
      break;
    }
    if (bar.repeatStarts && start !== at) [start, pass] = [at, 1];
    const isFor = !bar.endings || (jumped ? isLastEnding(signs, at) : bar.endings.includes(pass));
    if (isFor) played.push(at);
    if (isFor && bar.repeatEnds && !jumped && pass < timesOf(signs, start, at, bar.repeatEnds)) {
      pass++;
      at = start;
      continue;
    }
    // Behind a repeat, and behind its last ending, what comes is played for the first time.
    const isBehind = !signs[at + 1]?.endings && (bar.repeatEnds || bar.endings);
    if (isBehind) [start, pass] = [at + 1, 1];
    if (jumped && bar.fine) break;
    if (jumped && bar.toCoda && coda > at) {
      at = coda;
      continue;
    }
    if (isFor && !jumped && (bar.daCapo || bar.dalSegno)) {
      jumped = true;
      if (bar.dalSegno && segno < 0) problems.push(imports.noSign(bar.number));
      at = bar.dalSegno && segno >= 0 ? segno : 0;
      continue;
    }
    at++;
  }
  return { playingOrder: spansOf(played.map((i) => signs[i].number)), problems };
}

/** A repeat with endings is played as often as its highest ending says. */
function timesOf(signs: readonly BarSigns[], start: number, at: number, times: number): number {
  let most = times;
  for (let i = start; i < signs.length; i++) {
    const { endings } = signs[i];
    if (i > at && !endings) break;
    if (endings) most = Math.max(most, ...endings);
  }
  return most;
}

function isLastEnding(signs: readonly BarSigns[], at: number): boolean {
  const mine = Math.max(...(signs[at].endings ?? [1]));
  for (let i = at + 1; i < signs.length && signs[i].endings; i++) {
    if (Math.max(...(signs[i].endings as readonly number[])) > mine) return false;
  }
  return true;
}

/** Bars in a row as spans. */
function spansOf(bars: readonly number[]): Song['playingOrder'] {
  const spans: { fromBar: number; toBar: number }[] = [];
  for (const bar of bars) {
    const last = spans[spans.length - 1];
    if (last && bar === last.toBar + 1) last.toBar = bar;
    else spans.push({ fromBar: bar, toBar: bar });
  }
  return spans.length === 1 ? [] : spans;
}
