import { barTicks, type Mode, parseChord, parsePitch, parsePitchClass, symbolOf } from '../core/music';
import { emptySong, type Song } from '../core/song';

const QUARTER = 960;

/** A song as its composer writes it down, bar by bar. */
export interface Score {
  readonly id: string;
  readonly title: string;
  readonly subtitle: string;
  readonly tonic: string;
  readonly mode: Mode;
  readonly numerator: number;
  readonly denominator: 2 | 4 | 8;
  /** How its units are grouped, where that is not as usual. */
  readonly groups?: number[];
  readonly tempo: number;
  /** Notes as "A4:2" (quarters), rests as "r:1", bars between "|". A first short bar is the pick-up. */
  readonly tune: string;
  /** Chords between "|", each bar shared equally by its chords; "%" repeats the last; no chord in the pick-up. */
  readonly chords: string;
  /** Syllables in the order of the notes: "tur- ning". */
  readonly words?: string;
  /** Section names by bar. */
  readonly sections: readonly (readonly [bar: number, name: string, energy: number])[];
  readonly feel?: Song['feel'];
  /** Written bars in the order they are played; straight through when left out. */
  readonly order?: readonly (readonly [fromBar: number, toBar: number])[];
  /** Bars whose part is played an octave up. */
  readonly octaveUp?: readonly number[];
}

/** Turns a score into a song; throws when a bar does not add up, so that a slip of the pen shows at once. */
export function compose(score: Score): Song {
  const { numerator, denominator, groups } = score;
  const metre = { numerator, denominator, ...(groups && { groups }) };
  const whole = barTicks(metre);
  const bars = score.tune.split('|').map((bar) => bar.trim().split(/\s+/));
  const words = (score.words ?? '').split(/\s+/).filter(Boolean);
  const melody: Song['melody'][number][] = [];
  let tick = 0;
  let pickup = 0;
  bars.forEach((tokens, index) => {
    const start = tick;
    for (const token of tokens) {
      const [name, quarters] = token.split(':');
      const length = Math.round(Number(quarters) * QUARTER);
      if (name !== 'r') {
        const lyric = wordAt(words, melody.length);
        melody.push({
          id: `n${melody.length + 1}`,
          tick,
          length,
          pitch: parsePitch(name),
          tiedToNext: false,
          lyric,
          grace: false,
        });
      }
      tick += length;
    }
    if (index === 0 && tick < whole) pickup = tick;
    else if (tick - start !== whole)
      throw new Error(
        `${score.title}: bar ${index + (pickup ? 0 : 1)} holds ${(tick - start) / QUARTER} quarters.`,
      );
  });
  if (words.length > 0 && words.length !== melody.length) {
    throw new Error(`${score.title}: ${words.length} syllables for ${melody.length} notes.`);
  }
  const barCount = bars.length - (pickup > 0 ? 1 : 0);
  const empty = emptySong(score.id, score.title);
  return {
    ...empty,
    subtitle: score.subtitle,
    keyMap: [{ tick: 0, tonic: parsePitchClass(score.tonic), mode: score.mode }],
    metreMap: [{ tick: 0, ...metre }],
    tempoMap: [{ tick: 0, quartersPerMinute: score.tempo }],
    feel: score.feel ?? empty.feel,
    playingOrder: (score.order ?? []).map(([fromBar, toBar]) => ({ fromBar, toBar })),
    // A part nobody has cut is known by the tick of the cut proposed there.
    partSettings: Object.fromEntries(
      (score.octaveUp ?? []).map((bar) => [
        `cut${pickup + (bar - 1) * whole}`,
        { name: null, sameAs: null, choices: { octaveShift: 1 as const } },
      ]),
    ),
    pickup,
    barCount,
    melody,
    changes: changesOf(score, pickup, whole, barCount),
    sections: score.sections.map(([bar, name, energy], i) => ({
      id: `s${i + 1}`,
      tick: bar === 1 ? 0 : pickup + (bar - 1) * whole,
      name,
      energy,
      dynamics: 'even' as const,
    })),
  };
}

function wordAt(words: readonly string[], index: number): Song['melody'][number]['lyric'] {
  const word = words[index];
  if (word === undefined) return null;
  const goesOn = word.endsWith('-');
  const wentOn = words[index - 1]?.endsWith('-') ?? false;
  const syllabic = goesOn ? (wentOn ? 'middle' : 'begin') : wentOn ? 'end' : 'single';
  return { text: word.replace(/-$/, ''), syllabic };
}

function changesOf(score: Score, pickup: number, whole: number, barCount: number): Song['changes'] {
  const bars = score.chords.split('|').map((bar) => bar.trim().split(/\s+/));
  if (bars.length !== barCount)
    throw new Error(`${score.title}: ${bars.length} bars of chords for ${barCount} bars.`);
  const changes: Song['changes'][number][] = [];
  bars.forEach((symbols, bar) => {
    symbols.forEach((symbol, i) => {
      const tick = pickup + bar * whole + (i * whole) / symbols.length;
      const last = changes[changes.length - 1];
      const length = whole / symbols.length;
      if (symbol === '%') changes[changes.length - 1] = { ...last, length: last.length + length };
      else
        changes.push({
          id: `c${changes.length + 1}`,
          tick,
          length,
          symbol: symbolOf(parseChord(symbol)),
          given: true,
          layout: null,
        });
    });
  });
  return changes;
}
