// How well practising works, by a pianist who forgets, and how fast takes and logs are read: part of npm run bench.
import type { Browser } from '@playwright/test';
import { arrange } from '../core/arrange';
import { Clock } from '../core/performance';
import {
  afterTask,
  cardStates,
  GOAL,
  isSaid,
  type Task,
  judgeTake,
  type Known,
  LiveTake,
  partsToPractise,
  type PartToPractise,
  planFor,
  playAsPupil,
  standingAt,
  STEADY,
  type WantedKey,
  wantedKeys,
} from '../core/practice';
import { seeded } from '../core/chance';
import { DEFAULT_PROFILE, type Song } from '../core/song';
import { DEMO_SONGS } from '../demo/songs';

const DAY_MS = 86_400_000;
const DAYS = 60;
const MINUTES_A_DAY = 20;

/** Somebody who practises. */
interface Learner {
  /** Plays a turn at a tempo, in percent, and learns from it. Whether it was clean. */
  turn(task: Task, tempoPercent: number, day: number): boolean;
}

/**
 * A pianist who learns by turns alone: skill from 0 to 1 goes a part of the way to 1 with each, more after a clean one; a
 * tenth of what was learned is lost overnight. Skill carries over: half of what the parts of a task are known counts for it.
 * Its weakness: every part is as hard as any other, and sleep never helps.
 */
class ByTurns implements Learner {
  private readonly known = new Map<string, { skill: number; day: number }>();
  private readonly random: () => number;

  constructor(
    seed: number,
    private readonly parts: readonly PartToPractise[],
  ) {
    this.random = seeded(seed + 500);
  }

  private skill(card: string, day: number): number {
    const known = this.known.get(card);
    return known ? known.skill * 0.9 ** (day - known.day) : 0;
  }

  turn(task: Task, tempoPercent: number, day: number): boolean {
    const own = this.skill(task.card, day);
    const hands =
      task.kind === 'together'
        ? ['right', 'left']
        : task.kind === 'chain' || task.kind === 'whole'
          ? ['both']
          : [];
    const among = this.parts.filter(
      ({ number, sameAs }) => sameAs === null && number >= task.fromPart && number <= task.toPart,
    );
    const below = among.flatMap(({ cutId }) =>
      hands.map((hand) => this.skill(`${cutId}|${hand}|${task.level}`, day)),
    );
    const can = Math.max(own, 0.5 * own + 0.5 * Math.min(1, ...below, below.length === 0 ? 0 : 1));
    const isClean = this.random() < 1 / (1 + Math.exp((0.85 * (tempoPercent / 100) - can) / 0.06));
    this.known.set(task.card, { skill: own + (isClean ? 0.12 : 0.07) * (1 - own), day });
    return isClean;
  }
}

/**
 * A pianist who learns and forgets. Ability is the tempo, in percent, at which half of the turns are clean: a turn adds to
 * it, the less the nearer the goal; from day to day it falls towards a part of what it was, the slower the more days it
 * was practised on. Both hands are no better than the hands, the whole no better than its worst part. Its weakness: it
 * never tires, its days are all alike, and the same rates hold for every hand and part.
 */
class Forgetful implements Learner {
  private readonly known = new Map<string, { best: number; day: number; stays: number }>();
  private readonly random: () => number;

  constructor(
    seed: number,
    private readonly parts: readonly PartToPractise[],
  ) {
    this.random = seeded(seed);
  }

  ability(card: string, day: number): number {
    const known = this.known.get(card);
    if (!known) return 30;
    const kept = 0.6 + 0.4 * Math.exp(-(day - known.day) / known.stays);
    return Math.max(30, known.best * kept);
  }

  /** What it can do at a task, the hands and parts it is made of being what they are. */
  private can(task: Task, day: number): number {
    const own = this.ability(task.card, day);
    if (task.kind === 'right' || task.kind === 'left' || task.kind === 'hardest') return own;
    const among = this.parts.filter(
      ({ number, sameAs }) => sameAs === null && number >= task.fromPart && number <= task.toPart,
    );
    const of = (hands: string): number =>
      Math.min(...among.map(({ cutId }) => this.ability(`${cutId}|${hands}|${task.level}`, day)));
    return task.kind === 'together'
      ? Math.min(own, Math.min(of('right'), of('left')) + 15)
      : Math.min(own, of('both') + 8);
  }

  turn(task: Task, tempoPercent: number, day: number): boolean {
    const can = this.can(task, day);
    const isClean = this.random() < 1 / (1 + Math.exp((tempoPercent - can) / 5));
    const known = this.known.get(task.card) ?? { best: 30, day, stays: 1.5 };
    const now = this.ability(task.card, day);
    const hardness = 1 + (this.parts.find(({ number }) => number === task.fromPart)?.effort ?? 0) / 60;
    const best = Math.min(125, now + (8 * (1.25 - now / 125)) / hardness);
    this.known.set(task.card, { best, day, stays: known.day < day ? known.stays * 1.5 : known.stays });
    return isClean;
  }
}

interface Reached {
  readonly minutes: number;
  readonly days: number;
  /** The fewest minutes of any sitting before the last. */
  readonly shortest: number;
}

/** Minutes and days until the whole song was passed at its tempo; all there were if it was not. */
function toWhole(parts: readonly PartToPractise[], pianist: Learner, isScheduled: boolean): Reached {
  const known = new Map<string, Known>();
  const round = roundOf(parts);
  let [spent, at, shortest] = [0, 0, Infinity];
  for (let day = 0; day < DAYS; day++) {
    let today = 0;
    let tasks: readonly Task[] = [];
    for (let i = 0; today < MINUTES_A_DAY; i++) {
      // A plan at its end is made anew for the minutes that are left.
      if (isScheduled && i >= tasks.length) {
        tasks = scheduled(parts, known, day * DAY_MS, MINUTES_A_DAY - today);
        i = 0;
      }
      if (isScheduled && tasks.length === 0) break;
      const task = isScheduled ? tasks[i] : round[at++ % round.length];
      const { passed, minutes } = practised(task, pianist, known, day);
      today += minutes;
      if (passed && task.kind === 'whole') return { minutes: spent + today, days: day + 1, shortest };
    }
    shortest = Math.min(shortest, today);
    spent += today;
  }
  return { minutes: spent, days: DAYS, shortest };
}

/** A sitting's turns at one task: the minutes they took, and whether its goal is passed. */
function practised(
  task: Task,
  pianist: Learner,
  known: Map<string, Known>,
  day: number,
): { readonly passed: boolean; readonly minutes: number } {
  let turns = 0;
  while (turns < task.turns) {
    turns++;
    const { tempoPercent } = standingAt(task, known.get(task.card), GOAL);
    const isClean = isSaid(task) || pianist.turn(task, tempoPercent, day);
    const after = afterTask(task, known.get(task.card), isClean, GOAL, day * DAY_MS);
    known.set(task.card, after);
    if (after.standing.isPassed && task.why !== 'due') break;
  }
  const passed = known.get(task.card)?.standing.isPassed === true;
  return { passed, minutes: (task.minutes * turns) / task.turns };
}

const OPTIONS = { level: 4, first: 'right', chain: 'growing', goal: GOAL, isWarm: true } as const;

function scheduled(
  parts: readonly PartToPractise[],
  known: ReadonlyMap<string, Known>,
  now: number,
  minutes: number,
): readonly Task[] {
  return planFor(parts, { ...OPTIONS, minutes, now, cards: cardStates(known) }).tasks;
}

/** The same tasks, every one as often as the others, over and over. */
function roundOf(parts: readonly PartToPractise[]): readonly Task[] {
  const all = planFor(parts, { ...OPTIONS, minutes: Infinity, now: 0, cards: new Map() }).tasks;
  return all.map((task) =>
    isSaid(task) ? task : { ...task, minutes: (task.minutes / task.turns) * 4, turns: 4 },
  );
}

export function practiceFigures(): void {
  console.log(
    `\nuntil the whole song is passed at its tempo, ${MINUTES_A_DAY} minutes a day, at most ${DAYS} days, means of 20 pianists of each of two models: planned against a fixed round`,
  );
  for (const [name, Model] of [
    ['forgets by the day', Forgetful],
    ['learns by turns', ByTurns],
  ] as const)
    for (const song of DEMO_SONGS) {
      const parts = partsToPractise(arrange(song, DEFAULT_PROFILE));
      const run = (isScheduled: boolean): Reached[] =>
        Array.from({ length: 20 }, (_, seed) => toWhole(parts, new Model(seed + 1, parts), isScheduled));
      const [plan, round] = [run(true), run(false)];
      const mean = (all: readonly Reached[], of: 'minutes' | 'days'): number =>
        all.reduce((sum, reached) => sum + reached[of], 0) / all.length;
      const fewer = 1 - mean(plan, 'minutes') / mean(round, 'minutes');
      console.log(
        `${song.title.padEnd(24)} ${name.padEnd(19)} minutes ${mean(plan, 'minutes').toFixed(0)} against ${mean(round, 'minutes').toFixed(0)}, ${(100 * fewer).toFixed(0)} % fewer (15); days ${mean(plan, 'days').toFixed(1)} against ${mean(round, 'days').toFixed(1)}, ${(mean(plan, 'days') / mean(round, 'days')).toFixed(2)} × (1.2); shortest sitting ${Math.min(...plan.map(({ shortest }) => shortest)).toFixed(0)} minutes (18)`,
      );
    }
  takeFigures();
}

function keysOf(song: Song, level: number): WantedKey[] {
  const a = arrange({ ...song, choices: { ...song.choices, level } }, DEFAULT_PROFILE, {
    withoutFingers: true,
  });
  const clock = new Clock(a.played.tempoMap, song.feel);
  return wantedKeys([...a.right, ...a.left], clock, { fromTick: 0, toTick: a.played.endTick });
}

/** Ten minutes judged, and followed key by key. */
function takeFigures(): void {
  const base = keysOf(DEMO_SONGS[2], 5);
  const span = base[base.length - 1].seconds + 1;
  const long = Array.from({ length: Math.ceil(6000 / base.length) }, (_, k) =>
    base.map((key) => ({ ...key, tick: key.tick + k * 1e6, seconds: key.seconds + k * span })),
  )
    .flat()
    .slice(0, 6000);
  const { events } = playAsPupil(long, {
    ...STEADY,
    wrong: 0.05,
    missed: 0.05,
    extra: 0.05,
    restarts: 2,
    tempoTo: 1.2,
  });
  const times = Array.from({ length: 5 }, () => {
    const start = performance.now();
    judgeTake(long, events, 0.6);
    return performance.now() - start;
  }).sort((a, b) => a - b);
  console.log(`a take of 6,000 keys judged: ${times[2].toFixed(0)} ms (≤ 500)`);
  const take = new LiveTake(long);
  const each = events.map((event) => {
    const start = performance.now();
    take.hear(event);
    return performance.now() - start;
  });
  each.sort((a, b) => a - b);
  console.log(
    `the same followed key by key: ${each[each.length >> 1].toFixed(1)} ms behind in the middle, ${each[Math.floor(each.length * 0.99)].toFixed(1)} at 99 %, ${each[each.length - 1].toFixed(0)} at most (≤ 50)`,
  );
}

/** Five years of turns, opened. */
export async function logFigures(browser: Browser, origin: string): Promise<void> {
  const page = await (await browser.newContext()).newPage();
  await page.goto(`${origin}/song/demo-sluicegate/practise`);
  await page.getByRole('heading', { name: 'Part 1: hear it' }).waitFor();
  await page.evaluate(async () => {
    const open = indexedDB.open('joined-hands');
    await new Promise((resolve) => (open.onsuccess = resolve));
    const transaction = open.result.transaction(['turns'], 'readwrite');
    const store = transaction.objectStore('turns');
    const now = Date.now();
    for (let i = 0; i < 20_000; i++)
      store.add({
        songId: 'demo-sluicegate',
        at: now - (20_000 - i) * 7_800_000,
        card: `cut0|right|${1 + (i % 7)}`,
        kind: 'right',
        fromPart: 1,
        toPart: 1,
        hands: 'right',
        level: 1 + (i % 7),
        tempoPercent: 60 + (i % 40),
        isClean: i % 3 > 0,
        cleanShare: 0.9,
        apart: 0.02,
        seconds: 20,
        slips: i % 3 === 0 ? [{ from: 'n1', midi: 62, hand: 'right', kind: 'late' }] : [],
      });
    await new Promise((resolve) => (transaction.oncomplete = resolve));
    open.result.close();
  });
  await page.reload();
  await page.locator('main[aria-busy=false] jh-seam .symbol').first().waitFor();
  await page.locator('jh-now-panel h2').first().waitFor();
  const start = performance.now();
  await page.keyboard.press('g');
  await page.locator('jh-log-panel canvas').waitFor();
  console.log(
    `a log of 20,000 turns opened with its chart: ${(performance.now() - start).toFixed(0)} ms (≤ 1,000)`,
  );
  const times: number[] = [];
  for (const name of ['Clean', 'Together', 'Minutes']) {
    const from = performance.now();
    await page.locator('jh-log-panel label', { hasText: name }).click();
    await page.evaluate(
      () => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve))),
    );
    times.push(performance.now() - from);
  }
  console.log(`another chart: ${times.map((ms) => ms.toFixed(0)).join(', ')} ms (≤ 300)`);
  await page.context().close();
}
