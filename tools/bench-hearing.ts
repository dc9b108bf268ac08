// How well both hands are heard through a microphone, by a player and pianos the listener knows nothing of: part of
// npm run bench -- listening, where fluidsynth is installed.
import { seeded } from '../core/chance';
import { pianoShapes, ScoreListener } from '../core/listening';
import { isCleanTurn, GOAL, isHeardEnough, judgeTake, LiveTake, type WantedKey } from '../core/practice';
import type { Song } from '../core/song';
import type { KeyEvent } from '../core/takes';
import { DEMO_SONGS } from '../demo/songs';
import { UNSEEN_TUNES } from '../demo/unseen';
import { NEAT, pieceOf, ROUGH, takeOf } from './bench-listening';
import { fontOf, inRoom, RATE, rendered } from './sound-room';

/** The first so many seconds of each song. */
const SECONDS = 40;
const [WRONG_SHARE, LEFT_OUT_SHARE] = [0.07, 0.05];
const BESIDE = [-2, -1, 1, 2, -1, 1, -12, 12, -3, 3, -4, 4];
const BLOCK = 512;
/** Silence before the first key. */
const BEFORE = 0.5;

interface Heard {
  readonly wanted: readonly WantedKey[];
  /** What was struck for each key wanted, and when; null for one left out. */
  readonly struck: readonly (KeyEvent | null)[];
  /** What was heard once it was over, and the first words while it was played: what was told at once. */
  readonly events: readonly KeyEvent[];
  readonly first: readonly (readonly KeyEvent[])[];
  readonly beatSeconds: number;
  readonly processor: number;
  readonly seconds: number;
}

/** A song played with or without faults through a piano, pedalled or not, dry, in a room or a hall, and heard. */
function heard(
  song: Song,
  i: number,
  font: string,
  hasFaults: boolean,
  { touch, rate }: { readonly touch: typeof NEAT; readonly rate: number },
): Heard {
  const piece = pieceOf(song, 4 + (i % 2));
  const wanted = piece.wanted.filter(({ seconds }) => seconds < SECONDS);
  const chance = seeded(7 * i + 3);
  const faults = wanted.map((): number | null => {
    const x = hasFaults ? chance() : 1;
    if (x < WRONG_SHARE) return BESIDE[Math.floor(chance() * BESIDE.length)];
    return x < WRONG_SHARE + LEFT_OUT_SHARE ? null : 0;
  });
  const take = takeOf({ ...piece, wanted }, 'breathing', 0.08, i, false, touch);
  const left = [...take.struck];
  const struck = wanted.map(({ midi }, w): KeyEvent | null => {
    const [event] = left.splice(
      left.findIndex((one) => one.midi === midi),
      1,
    );
    const by = faults[w];
    if (by === null) return null;
    return { seconds: event.seconds + BEFORE, midi: midi + by, velocity: Math.round(50 + 35 * chance()) };
  });
  const sounding = struck.flatMap((event, w) => (event ? [{ ...event, hand: wanted[w].hand }] : []));
  const keys = sounding.map(({ seconds, midi, velocity, hand }) => {
    const next = sounding
      .filter((other) => other.hand === hand && other.seconds > seconds + 0.08)
      .reduce((soonest, other) => Math.min(soonest, other.seconds), seconds + 1);
    return { at: seconds, midi, velocity, lasts: Math.max(0.08, 0.95 * (next - seconds)) };
  });
  const bass = sounding.filter(({ hand }) => hand === 'left').map(({ seconds }) => seconds);
  const dry = rendered(keys, i % 2 === 0 ? bass : [], font);
  const sound = atRate([inRoom(dry, 1.2, 0.3, 0.002), inRoom(dry, 0.3, 0.15, 0.002), dry][i % 3], rate);
  const before = process.cpuUsage().user;
  const listener = new ScoreListener(wanted, SHAPES, rate);
  const first = fed(listener, sound, rate);
  const events = listener.inFull();
  const processor = (process.cpuUsage().user - before) / 1000;
  const { beatSeconds } = piece;
  return { wanted, struck, events, first, beatSeconds, processor, seconds: sound.length / rate };
}

/** Sound fed to a listener in blocks, from so many seconds on: what it told at once with each. */
function fed(listener: ScoreListener, sound: Float32Array, rate = RATE, from = 0): KeyEvent[][] {
  return Array.from({ length: Math.floor(sound.length / BLOCK) }, (_, i) => {
    const ended = (i + 1) * BLOCK;
    return listener.hear(sound.slice(ended - BLOCK, ended), from + ended / rate);
  });
}

/** The same sound with so many samples a second. */
function atRate(sound: Float32Array, rate: number): Float32Array {
  if (rate === RATE) return sound;
  return Float32Array.from({ length: Math.floor((sound.length * rate) / RATE) - 1 }, (_, i) => {
    const at = (i * RATE) / rate;
    const before = Math.floor(at);
    return sound[before] + (at - before) * (sound[before + 1] - sound[before]);
  });
}

const SHAPES = pianoShapes();
/** Keys told so near are those struck; others so near are of the same meeting. */
const [NEAR, ABOUT] = [0.15, 0.25];

/** Keys of takes with and without faults, by what was told of them. */
class Tally {
  private readonly sum = { right: 0, told: 0, wrong: 0, named: 0, accused: 0, clean: 0, accusedClean: 0 };
  private readonly meetings = { all: 0, right: 0 };

  add({ wanted, struck }: Heard, events: readonly KeyEvent[], hasFaults: boolean): void {
    const { sum } = this;
    const open = new Set(events);
    const isTold = (event: KeyEvent): boolean => {
      const same = [...open].find(
        ({ midi, seconds: at }) => midi === event.midi && Math.abs(at - event.seconds) < NEAR,
      );
      if (same) open.delete(same);
      return same !== undefined;
    };
    // By the moment in the music: all that was struck, and nothing else, is told.
    const isRight = new Map(wanted.map(({ tick }) => [tick, true]));
    struck.forEach((event, w) => {
      if (!event) return;
      const told = isTold(event);
      if (!told) isRight.set(wanted[w].tick, false);
      if (!hasFaults) sum.clean++;
      else if (event.midi === wanted[w].midi) {
        sum.right++;
        if (told) sum.told++;
      } else {
        sum.wrong++;
        if (told) sum.named++;
      }
    });
    for (const { midi, seconds } of open) {
      const about = struck.flatMap((event, w) =>
        event && Math.abs(event.seconds - seconds) < ABOUT ? [{ event, wanted: wanted[w] }] : [],
      );
      if (about.length > 0) isRight.set(about[0].wanted.tick, false);
      // Told, but neither struck nor wanted about then: a key that was accused for nothing.
      const isThere = about.some(
        ({ event, wanted: { tick } }) =>
          event.midi === midi || wanted.some((key) => key.tick === tick && key.midi === midi),
      );
      if (!isThere) sum[hasFaults ? 'accused' : 'accusedClean']++;
    }
    this.meetings.all += isRight.size;
    this.meetings.right += [...isRight.values()].filter(Boolean).length;
  }

  toString(): string {
    const { right, told, wrong, named, accused, clean, accusedClean } = this.sum;
    return `wrong keys found and named ${percent(named, wrong)} % of ${wrong} (88), accusations right ${percent(named, named + accused)} % (93), right keys heard ${percent(told, right)} % (98.5), clean takes accused of ${percent(accusedClean, clean)} % of keys (0.5), all keys of a meeting told as struck ${percent(this.meetings.right, this.meetings.all)} % (95)`;
  }
}

function percent(part: number, all: number): string {
  return ((100 * part) / Math.max(1, all)).toFixed(1);
}

/** How many moments in the music the place told is off, each time something is told. */
function placesOff({ wanted, struck, first }: Heard): number[] {
  const moments = [...new Set(wanted.map(({ tick }) => tick))];
  const live = new LiveTake(wanted, true);
  return first.flatMap((events) => {
    const reached = events.map((event) => live.hear(event).reached).at(-1);
    const seconds = events.at(-1)?.seconds ?? 0;
    let [nearest, off] = [-1, ABOUT];
    struck.forEach((one, w) => {
      if (!one || Math.abs(one.seconds - seconds) >= off) return;
      [nearest, off] = [w, Math.abs(one.seconds - seconds)];
    });
    if (!reached || nearest < 0) return [];
    return [Math.abs(moments.indexOf(reached.tick) - moments.indexOf(wanted[nearest].tick))];
  });
}

function figures(name: string, songs: readonly Song[], font: string, touch: typeof NEAT, rate = RATE): void {
  const [inFull, first] = [new Tally(), new Tally()];
  const off: number[] = [];
  let [takes, passed, judged, processor, seconds] = [0, 0, 0, 0, 0];
  songs.forEach((song, i) => {
    for (const hasFaults of [true, false]) {
      const take = heard(song, i, font, hasFaults, { touch, rate });
      inFull.add(take, take.events, hasFaults);
      first.add(take, take.first.flat(), hasFaults);
      off.push(...placesOff(take));
      processor += take.processor;
      seconds += take.seconds;
      if (hasFaults) continue;
      takes++;
      const judgement = judgeTake(take.wanted, take.events, take.beatSeconds, true);
      if (isHeardEnough(judgement, take.events.length)) judged++;
      if (isCleanTurn(judgement, GOAL)) passed++;
    }
  });
  const within = (far: number): string => percent(off.filter((by) => by <= far).length, off.length);
  console.log(
    `${name}: ${String(inFull)}; of ${takes} clean takes judged ${judged}, passed ${passed}; ${(processor / seconds).toFixed(0)} ms a second of sound (30)`,
  );
  console.log(
    `${name}, first words: ${String(first)}; place exact ${within(0)} %, within one meeting ${within(1)} % (95, 99)`,
  );
}

/** What is hard to hear of one hand: keys a second, the keys in turn, how long each is held, the pedal, how loud. */
const HARD: Readonly<Record<string, readonly [number, readonly number[], number, boolean, number]>> = {
  'repeated at 4 a second': [4, [60], 0.2, false, 80],
  'repeated at 8 a second': [8, [67], 0.1, false, 80],
  'the same with the pedal': [8, [67], 0.1, true, 80],
  legato: [5, [60, 62, 64, 65, 67, 69, 71, 72, 71, 69, 67, 65, 64, 62], 0.3, false, 80],
  'a scale with the pedal': [5, [60, 62, 64, 65, 67, 69, 71, 72, 71, 69, 67, 65, 64, 62], 0.3, true, 80],
  'from A1': [3, [33, 35, 36, 38], 0.3, false, 80],
  'from C7': [4, [96, 95, 93, 91], 0.2, false, 80],
  'very soft, with the pedal': [4, [60, 64, 67, 72], 0.2, true, 20],
  '10 a second, with the pedal': [10, [72, 74, 76, 77, 79, 77, 76, 74], 0.09, true, 70],
};

/** Keys of one hand that are heard where that is hard, and others that are heard in their place. */
function oneHand(name: string, font: string): void {
  for (const [how, [aSecond, midis, lasts, isPedalled, velocity]] of Object.entries(HARD)) {
    const wanted = Array.from({ length: 40 }, (_, i): WantedKey => {
      const [seconds, midi] = [i / aSecond, midis[i % midis.length]];
      return { tick: 100 * i, seconds, midi, hand: 'right', from: `n${i}` };
    });
    const keys = wanted.map(({ seconds, midi }) => ({ at: BEFORE + seconds, midi, lasts, velocity }));
    const sound = inRoom(rendered(keys, isPedalled ? [0.4] : [], font), 0.4, 0.15, 0.002);
    const listener = new ScoreListener(wanted, SHAPES, RATE);
    fed(listener, sound);
    const events = listener.inFull();
    const open = new Set(events);
    for (const { at, midi } of keys) {
      const its = [...open].find((event) => event.midi === midi && Math.abs(event.seconds - at) < NEAR / 2);
      if (its) open.delete(its);
    }
    const [heard, others] = [events.length - open.size, open.size];
    console.log(`one hand, ${name}, ${how}: ${heard} of 40 heard (97 %), ${others} others (0)`);
  }
}

/** An hour of sound, fed as fast as it goes: a song played over and over. */
function anHour(font: string): void {
  const { wanted } = pieceOf(DEMO_SONGS[0], 5);
  const lasts = Math.ceil(Math.max(...wanted.map(({ seconds }) => seconds)) + 2);
  const keys = wanted.map(({ seconds, midi }) => ({ at: BEFORE + seconds, midi, lasts: 0.4, velocity: 70 }));
  const sound = new Float32Array(lasts * RATE);
  sound.set(inRoom(rendered(keys, [], font), 0.4, 0.15, 0.002).slice(0, sound.length));
  const listener = new ScoreListener(wanted, SHAPES, RATE);
  const [before, times] = [process.cpuUsage().user, Math.ceil(3600 / lasts)];
  const heard = Array.from(
    { length: times },
    (_, time) => fed(listener, sound, RATE, time * lasts).flat().length,
  );
  const live = process.cpuUsage().user;
  const all = listener.inFull().length;
  const over = process.cpuUsage().user;
  const { arrayBuffers, heapUsed } = process.memoryUsage();
  console.log(
    `an hour of sound: told the first time ${heard[0]}, the last ${heard[times - 1]} of ${wanted.length} keys, in full ${percent(all, times * wanted.length)} %; ${((live - before) / 1000 / times / lasts).toFixed(0)} ms a second of sound (30), then ${((over - live) / 1e6).toFixed(0)} s for the verdict; ${((arrayBuffers + heapUsed) / 1e6).toFixed(0)} MB in use`,
  );
}

/** Pianos the listener was set on, one it was not but whose figures were in sight, and one that is only measured. */
const PIANOS: readonly (readonly [name: string, file: string])[] = [
  ['a piano it was set on', 'TimGM6mb.sf2'],
  ['another it was set on', 'FluidR3_GM.sf2'],
  ['a piano whose figures were in sight', 'MuseScore_General_Lite.sf3'],
  ['unseen piano', 'freepats.cfg'],
];

/** How well it hears, on the demo songs, on which its weights were set, and on tunes it was never measured with before. */
export function hearingFigures(): void {
  for (const [name, file] of PIANOS) {
    const font = fontOf(file);
    if (!font) {
      console.log(`${name}: ${file} is not installed (see tools/sound-room.ts): not measured`);
      continue;
    }
    oneHand(name, font);
    if (file === PIANOS[0][1]) anHour(font);
    figures(`microphone, ${name}, demo songs`, DEMO_SONGS, font, NEAT);
    figures(`microphone, ${name}, unseen tunes`, UNSEEN_TUNES, font, NEAT);
    figures(`microphone, ${name}, rough player`, DEMO_SONGS, font, ROUGH);
    figures(`microphone, ${name}, a telephone at 16 kHz`, DEMO_SONGS, font, NEAT, 16_000);
  }
}
