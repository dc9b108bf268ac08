// How takes are judged, by a player the judge knows nothing of: part of npm run bench, alone by npm run bench -- listening.
import { arrange } from '../core/arrange';
import { normalFrom, seeded } from '../core/chance';
import { barTicks, tempoTicks } from '../core/music';
import { Clock } from '../core/performance';
import type { Hand } from '../core/hands';
import { Companion, judgeTake, LiveTake, type WantedKey, wantedKeys } from '../core/practice';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../core/song';
import type { KeyEvent } from '../core/takes';
import { TUNES_APART } from '../demo/kept-apart';
import { DEMO_SONGS } from '../demo/songs';

/** Seconds a strike comes late where it does, and which strikes. */
const LATE = 0.15;
const LATE_SHARE = 0.05;
/**
 * How two people play, in seconds: standard deviations of a strike and of each key of a chord, how late the left hand is
 * throughout, and how long a whole chord takes from its lowest key to its highest.
 */
export const NEAT = { strike: 0.01, key: 0.006, leftAfter: 0.012, spread: 0 };
export const ROUGH = { strike: 0.014, key: 0.012, leftAfter: 0.035, spread: 0.06 };

type Manner = 'breathing' | 'leaning' | 'stopping';

export interface Piece {
  readonly wanted: readonly WantedKey[];
  readonly beatSeconds: number;
  readonly barSeconds: number;
}

export function pieceOf(song: Song, level: number, hands: Hand | 'both' = 'both'): Piece {
  const a = arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE);
  const clock = new Clock(a.played.tempoMap, song.feel);
  const wanted = wantedKeys([...a.right, ...a.left], clock, { fromTick: 0, toTick: a.played.endTick }, hands);
  const [{ metre }] = a.played.bars;
  const perTick = (clock.secondsAt(3840) - clock.secondsAt(0)) / 3840;
  return { wanted, beatSeconds: tempoTicks(metre) * perTick, barSeconds: barTicks(metre) * perTick };
}

/**
 * When each moment of the music comes in a take: `breathing` waves of tempo of 4 to 12 beats, `leaning` towards the middle
 * of four bars and back from their end, with small steps between; `stopping` breathes and stops twice.
 */
export function timesOf(
  { wanted, beatSeconds, barSeconds }: Piece,
  manner: Manner,
  rubato: number,
  seed: number,
): Map<number, number> {
  const chance = seeded(seed);
  const normal = normalFrom(chance);
  const waves = [0, 1].map(() => ({
    period: beatSeconds * (4 + 8 * chance()),
    phase: 2 * Math.PI * chance(),
  }));
  let drift = 0;
  const slower = (x: number): number => {
    if (manner === 'leaning') {
      drift = 0.9 * drift + 0.15 * normal();
      const within = (x / (4 * barSeconds)) % 1;
      return 1 + rubato * (Math.cos(2 * Math.PI * within) * 0.8 + 0.2 * Math.max(-1.5, Math.min(1.5, drift)));
    }
    const sum = waves.reduce(
      (all, { period, phase }) => all + Math.sin((2 * Math.PI * x) / period + phase),
      0,
    );
    return 1 + (rubato * sum) / waves.length;
  };
  const pace = 0.75 + 0.4 * chance();
  const moments = [...new Set(wanted.map(({ seconds }) => seconds))].sort((a, b) => a - b);
  const stops = new Set(
    manner === 'stopping' ? [0.3, 0.7].map((share) => Math.floor(share * moments.length)) : [],
  );
  const times = new Map<number, number>();
  let y = 1;
  let x = 0;
  moments.forEach((moment, i) => {
    // The tempo of each stretch between two moments in twenty small steps.
    const step = (moment - x) / 20;
    for (let k = 0; k < 20; k++) y += step * pace * slower(x + (k + 0.5) * step);
    if (stops.has(i)) y += 0.8 + 0.8 * chance();
    x = moment;
    times.set(moment, y);
  });
  return times;
}

interface Take {
  readonly struck: readonly KeyEvent[];
  /** Moments of the music that were struck late. */
  readonly late: ReadonlySet<number>;
}

export function takeOf(
  piece: Piece,
  manner: Manner,
  rubato: number,
  seed: number,
  hasFaults: boolean,
  hands = NEAT,
): Take {
  const normal = normalFrom(seeded(seed + 1000));
  const chance = seeded(seed + 2000);
  const times = timesOf(piece, manner, rubato, seed);
  const late = new Set<number>();
  const stray = new Map<number, number>();
  let before = false;
  for (const moment of times.keys()) {
    const isLate: boolean = hasFaults && !before && chance() < LATE_SHARE;
    if (isLate) late.add(moment);
    before = isLate;
    stray.set(moment, hands.strike * normal() + (isLate ? LATE : 0));
  }
  const chords = new Map<string, number[]>();
  for (const { seconds, hand, midi } of piece.wanted) {
    const name = `${seconds} ${hand}`;
    chords.set(name, [...(chords.get(name) ?? []), midi]);
  }
  const struck = piece.wanted.map(({ seconds, midi, hand }): KeyEvent => {
    const chord = chords.get(`${seconds} ${hand}`) ?? [midi];
    const above = chord.length < 3 ? 0 : (hands.spread * chord.indexOf(midi)) / (chord.length - 1);
    const strays = hands.key * normal() + (hand === 'left' ? hands.leftAfter : 0) + above;
    const at = (times.get(seconds) ?? 0) + (stray.get(seconds) ?? 0) + strays;
    return { seconds: at, midi, velocity: 70 };
  });
  return { struck: struck.sort((a, b) => a.seconds - b.seconds), late };
}

/** Keys told late or early in takes without fault, and strikes that were late found, in percent. */
function judged(pieces: readonly Piece[], manner: Manner, rubato: number): { told: number; found: number } {
  let [keys, told, late, found] = [0, 0, 0, 0];
  pieces.forEach((piece, i) => {
    const clean = takeOf(piece, manner, rubato, 17 * i + 3, false);
    const verdict = judgeTake(piece.wanted, clean.struck, piece.beatSeconds);
    keys += verdict.keys.length;
    told += verdict.keys.filter(({ how }) => how === 'late' || how === 'early').length;
    const faulty = takeOf(piece, manner, rubato, 17 * i + 5, true);
    const second = judgeTake(piece.wanted, faulty.struck, piece.beatSeconds);
    const said = new Set(second.keys.filter(({ how }) => how === 'late').map(({ wanted }) => wanted.seconds));
    late += faulty.late.size;
    found += [...faulty.late].filter((moment) => said.has(moment)).length;
  });
  const percent = (part: number, all: number): number => Math.round((1000 * part) / Math.max(1, all)) / 10;
  return { told: percent(told, keys), found: percent(found, late) };
}

/** Takes without a fault: marks made while they were played, and keys that were told missed, wrong or too many after. */
function flawless(songs: readonly Song[], played: typeof NEAT): void {
  let [takes, marked, most, keys, missed, wrong, extra] = [0, 0, 0, 0, 0, 0, 0];
  for (const song of songs)
    for (let level = 1; level <= 7; level++)
      for (const hands of ['right', 'left', 'both'] as const) {
        const piece = pieceOf(song, level, hands);
        if (piece.wanted.length === 0) continue;
        const { struck } = takeOf(piece, 'leaning', 0.15, 31 * level + hands.length, false, played);
        const live = new LiveTake(piece.wanted);
        const marks = new Set<WantedKey>();
        for (const event of struck) for (const key of live.hear(event).wrong) marks.add(key);
        const verdict = judgeTake(piece.wanted, struck, piece.beatSeconds);
        takes++;
        if (marks.size > 0) marked++;
        most = Math.max(most, marks.size);
        keys += verdict.keys.length;
        missed += verdict.keys.filter(({ how }) => how === 'missed' || how === 'not-reached').length;
        wrong += verdict.keys.filter(({ how }) => how === 'wrong').length;
        extra += verdict.extra.length;
      }
  console.log(
    `flawless takes: ${takes}; with a live mark ${marked} (0), at most ${most}; of ${keys} keys missed ${missed}, wrong ${wrong}, too many ${extra} (0)`,
  );
}

/** Of so many keys one is another in a beginner's take: mostly a neighbour, sometimes an octave off; and one is left out. */
const [WRONG_SHARE, LEFT_OUT_SHARE] = [0.06, 0.04];
const BESIDE = [-2, -1, 1, 2, -1, 1, -12, 12];

/** A beginner's takes: wrong keys told as wrong, and how many of those told so were. */
function beginners(songs: readonly Song[]): void {
  let [wrong, found, told, right] = [0, 0, 0, 0];
  songs.forEach((song, s) => {
    for (const level of [2, 4, 5]) {
      const piece = pieceOf(song, level);
      const chance = seeded(97 * s + level);
      const faults = piece.wanted.map((): number | null | undefined => {
        if (chance() < WRONG_SHARE) return BESIDE[Math.floor(chance() * BESIDE.length)];
        return chance() < LEFT_OUT_SHARE ? null : undefined;
      });
      const times = timesOf(piece, 'stopping', 0.12, 7 * s + level);
      const struck = piece.wanted
        .flatMap(({ seconds, midi }, i): KeyEvent[] => {
          const fault = faults[i];
          if (fault === null) return [];
          const at = (times.get(seconds) ?? 0) + ROUGH.key * (chance() - 0.5);
          return [{ seconds: at, midi: midi + (fault ?? 0), velocity: 70 }];
        })
        .sort((a, b) => a.seconds - b.seconds);
      const { keys } = judgeTake(piece.wanted, struck, piece.beatSeconds);
      keys.forEach(({ how }, i) => {
        const isWrong = typeof faults[i] === 'number';
        if (isWrong) wrong++;
        if (isWrong && how === 'wrong') found++;
        if (how === 'wrong') told++;
        if (isWrong && how === 'wrong') right++;
      });
    }
  });
  const percent = (part: number, all: number): number => Math.round((1000 * part) / Math.max(1, all)) / 10;
  console.log(
    `beginner's takes: ${wrong} wrong keys, told as wrong ${percent(found, wrong)} % (80), of those told so were ${percent(right, told)} % (95)`,
  );
}

/** How far from the player's next strike it was expected, by who plays the other hand. */
function following(name: string, songs: readonly Song[]): void {
  for (const manner of ['breathing', 'leaning'] as const)
    for (const rubato of [0.1, 0.2, 0.3]) {
      const off: number[] = [];
      songs.forEach((song, i) => {
        const piece = pieceOf(song, 4, 'right');
        const normal = normalFrom(seeded(i));
        const companion = new Companion(piece.wanted, [], 1, 'follows', piece.beatSeconds);
        for (const [moment, at] of timesOf(piece, manner, rubato, i + 7)) {
          const seconds = at + NEAT.strike * normal();
          const expected = companion.expected();
          if (expected !== null) off.push(Math.abs(seconds - expected));
          const key = piece.wanted.find((one) => one.seconds === moment);
          if (key) companion.hear({ seconds, midi: key.midi, velocity: 70 });
        }
      });
      const mean = (1000 * off.reduce((sum, x) => sum + x, 0)) / off.length;
      console.log(
        `following, ${name}, ${manner} ${100 * rubato} %: the next strike ${mean.toFixed(0)} ms off in the mean (${[30, 40, 50][Math.round(rubato * 10) - 1]})`,
      );
    }
}

/** A table: rubato of 8, 15 and 25 percent, the songs of the demo and songs kept apart. */
export function listeningFigures(): void {
  for (const songs of [DEMO_SONGS, TUNES_APART]) for (const played of [NEAT, ROUGH]) flawless(songs, played);
  for (const songs of [DEMO_SONGS, TUNES_APART]) beginners(songs);
  following('demo', DEMO_SONGS);
  following('kept apart', TUNES_APART);
  const sets = [
    ['demo', DEMO_SONGS],
    ['kept apart', TUNES_APART],
  ] as const;
  for (const [name, songs] of sets) {
    const pieces = songs.flatMap((song) => [4, 5, 7].map((level) => pieceOf(song, level)));
    for (const manner of ['breathing', 'leaning', 'stopping'] as const)
      for (const rubato of [0.08, 0.15, 0.25]) {
        const { told, found } = judged(pieces, manner, rubato);
        const wanted = rubato < 0.1 ? 1 : rubato < 0.2 ? 3 : 5;
        console.log(
          `${name}, ${manner} ${100 * rubato} %: told late or early without fault ${told} % (${wanted}), late found ${found} % (90)`,
        );
      }
  }
}
