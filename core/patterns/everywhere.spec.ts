import { describe, expect, it } from 'vitest';
import type { ArrangedChange, Arrangement } from '../arrangement';
import { arrange } from '../arrange';
import { type HandNote, strikesOf } from '../hands';
import { bassOf, chroma, KEYBOARDS, membersOf, reachMm, spanMm, CHORD_TYPES } from '../music';
import { DEFAULT_PROFILE, type PlayedBar, type Profile, type Song, within } from '../song';
import { some, textOf, wholeBars } from '../testing';
import { fitsMetre } from './choosing';
import { PATTERNS } from './rows';

const ROOTS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];
const METRES = [
  [2, 4],
  [3, 4],
  [4, 4],
  [2, 2],
  [5, 4],
  [3, 8],
  [6, 8],
  [9, 8],
  [12, 8],
] as const;
const TYPES = CHORD_TYPES.filter(({ members }) => members.length > 1);

/** Every chord type one after the other, each for so many bars, on a root that goes round from `at`. */
function everyType(
  pattern: string,
  [numerator, denominator]: (typeof METRES)[number],
  bars: number,
  at: number,
  tune: string,
): Song {
  const bar = (3840 * numerator) / denominator;
  const symbols = TYPES.map(({ suffix }, i) => ROOTS[(at + 5 * i) % 12] + suffix);
  const count = Math.ceil(symbols.length * bars);
  const base = wholeBars(
    Array.from({ length: count }, () => tune),
    symbols,
  );
  return {
    ...base,
    barCount: count,
    metreMap: [{ tick: 0, numerator, denominator }],
    melody: base.melody.map((n, i) => ({ ...n, tick: i * bar, length: bar })),
    changes: base.changes.map((c, i) => ({ ...c, tick: i * bars * bar, length: bars * bar })),
    choices: { ...base.choices, level: 5, pattern },
  };
}

/** What is struck for each chord in each bar. */
function stretches(a: Arrangement) {
  return a.changes.flatMap((change) =>
    a.played.bars.flatMap((bar) => {
      const from = Math.max(bar.tick, change.change.tick);
      const to = Math.min(bar.tick + bar.length, change.change.tick + change.change.length);
      if (from >= to) return [];
      const notes = within(a.left, from, to).filter((n) => n.from === change.change.id);
      return [{ bar, change, from, to, notes }];
    }),
  );
}

const lowestAt = (notes: readonly HandNote[], tick: number): number =>
  Math.min(...notes.filter((n) => n.tick === tick).map((n) => n.midi));

/** On each downbeat the root or the written bass; after the chord's first the fifth, or a step of a walk. */
function basses(
  { change, bar, from, notes }: { change: ArrangedChange; bar: PlayedBar; from: number; notes: HandNote[] },
  walks: boolean,
): string[] {
  const root = chroma(bassOf(change.chord));
  const fifth = membersOf(change.chord).find(({ number }) => number === 5)?.chroma;
  return strikesOf(notes).flatMap(([{ tick }]) => {
    if (tick !== from) return [];
    const bass = lowestAt(notes, tick) % 12;
    const isFirst = tick === from && from === change.change.tick;
    const fits = bass === root || (!isFirst && (bass === fifth || walks));
    return fits ? [] : [`${change.change.symbol} bar ${bar.number}: ${bass} at ${tick - bar.tick}`];
  });
}

/** What the tune sounds in every bar. */
const C = 0;
const REACHES = [6, 8, 10] as const;
const BOARDS = [49, 88] as const;
const LENGTHS = [0.5, 1, 2] as const;

describe.each(PATTERNS.filter(({ id }) => id !== 'block'))('$name under every chord type', (pattern) => {
  const metres = METRES.filter(([numerator, denominator]) => fitsMetre(pattern, { numerator, denominator }));

  it.each(metres.map((metre) => ({ metre, name: metre.join('/') })))(
    'in $name: in reach, on the keyboard, in its chord and bar, time filled, on its roots, with its third',
    ({ metre }) => {
      LENGTHS.forEach((bars, l) =>
        some(REACHES.map((reach, r) => [reach, r] as const)).forEach(([leftReach, r]) =>
          BOARDS.forEach((keyboard, b) => {
            // Each length meets each hand, and each hand each keyboard: two hands of the three by chance in one run.
            if ((l + r + b) % 2 === 1) return;
            const song = everyType(pattern.id, metre, bars, 5 * l + 3 * r + b, 'C7');
            const profile: Profile = { ...DEFAULT_PROFILE, leftReach, keyboard };
            const a = arrange(song, profile, { withoutFingers: true });
            const { low, high } = KEYBOARDS[keyboard];
            const wrong: string[] = [];
            for (const stretch of stretches(a)) {
              const { change, bar, from, to, notes } = stretch;
              const told = `${change.change.symbol} bar ${bar.number}`;
              const strikes = strikesOf(notes);
              for (const keys of strikes) {
                const [first, last] = [keys[0], keys[keys.length - 1]];
                if (first.midi < low || last.midi > high) wrong.push(`${told}: off the keyboard`);
                if (spanMm(first.midi, last.midi) > reachMm(leftReach) + 1 && first.rolled === undefined)
                  wrong.push(`${told}: ${keys.map(({ midi }) => midi).join(' ')} out of reach`);
              }
              // From bar line or chord to bar line or chord, one after the other; an after-beat rests between.
              const ends = strikes.map(([n]) => n.tick + n.length);
              const begins = [...strikes.slice(1).map(([n]) => n.tick), to];
              if (pattern.id !== 'after-beat') {
                if (strikes.length === 0 || strikes[0][0].tick !== from) wrong.push(`${told}: begins late`);
                if (ends.join() !== begins.join()) wrong.push(`${told}: ${ends.join()} not ${begins.join()}`);
              } else if (ends.some((end, i) => end > begins[i])) wrong.push(`${told}: rings on`);
              if (pattern.base === 'root' && notes.some(({ source }) => source === 'pattern'))
                wrong.push(...basses(stretch, pattern.id.includes('walking')));
              const third = membersOf(change.chord).find(({ number }) => [2, 3, 4].includes(number))?.chroma;
              const isWhole = from === bar.tick && to === bar.tick + bar.length;
              // An eleventh on a major third is voiced without it.
              const isVoiced = change.voicing.keys.some((key) => key % 12 === third);
              const sounds =
                third === undefined || !isVoiced || third === C || notes.some((n) => n.midi % 12 === third);
              if (isWhole && !pattern.isBare && !sounds) wrong.push(`${told}: no third`);
            }
            expect([bars, leftReach, keyboard, wrong.slice(0, 6)]).toEqual([bars, leftReach, keyboard, []]);
          }),
        ),
      );
    },
  );

  it('gives way under a low tune, and says where', () => {
    for (const [numerator, denominator] of metres.slice(0, 2)) {
      const a = arrange(
        everyType(pattern.id, [numerator, denominator] as never, 1, 0, 'E4'),
        DEFAULT_PROFILE,
        {
          withoutFingers: true,
        },
      );
      const said = new Set(
        a.findings
          .filter(({ kind }) => ['thinned', 'bump', 'crowded', 'reach', 'unclear'].includes(kind))
          .map(({ tick }) => tick),
      );
      const held = stretches(a).filter(
        ({ notes, bar }) =>
          bar.tick + bar.length < a.played.endTick &&
          notes.length > 0 &&
          notes.every(({ source }) => source === 'chord'),
      );
      const text = a.findings.map((finding) => textOf(finding)).join(' ');
      for (const { bar } of held)
        expect([bar.number, said.has(bar.tick) || text.includes(String(bar.number))]).toEqual([
          bar.number,
          true,
        ]);
    }
  });
});
