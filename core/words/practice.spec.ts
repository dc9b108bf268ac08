import { describe, expect, it } from 'vitest';
import { keyFromFifths } from '../music';
import type { Task, TaskKind, Judgement, Plan, Trouble } from '../practice';
import {
  careInWords,
  hotBarInWords,
  taskInWords,
  taskTitle,
  judgementInWords,
  logInWords,
  lostInWords,
  planInWords,
  rankedInWords,
  restInWords,
  standingInWords,
  toGoInWords,
  troubleInWords,
  verdictInWords,
} from './practice';

const C_MAJOR = keyFromFifths(0, 'major');

const task = (differs: Partial<Task>): Task =>
  ({
    kind: 'together',
    fromPart: 2,
    toPart: 2,
    hands: 'both',
    why: 'next',
    turns: 4,
    minutes: 3.2,
    more: null,
    ...differs,
  }) as Task;

describe('practising in words', () => {
  it('a task is told by its part and hands', () => {
    expect(taskTitle(task({}))).toBe('Part 2, both hands');
    expect(taskTitle(task({ kind: 'left', hands: 'left' }))).toBe('Part 2, left hand');
    expect(taskTitle(task({ kind: 'hear' }))).toBe('Part 2: hear it');
    expect(taskTitle(task({ kind: 'meetings' }))).toBe('Part 2: say where the hands meet');
    expect(taskTitle(task({ kind: 'chain', fromPart: 1, toPart: 3 }))).toBe('Parts 1–3 in one go');
    expect(taskTitle(task({ kind: 'whole', fromPart: 1, toPart: 6 }))).toBe('The whole song');
    expect(taskInWords(task({}))).toBe('Already begun; 4 turns, about 3 minutes');
    expect(taskInWords(task({ why: 'due', turns: 1, minutes: 0.4 }))).toBe(
      'Due again; 1 turn, less than a minute',
    );
    expect(taskTitle(task({ kind: 'hardest' }))).toBe('Part 2: its hardest bar, from the bar before');
    expect(taskInWords(task({ kind: 'hardest', turns: 6, more: 'went-wrong' }))).toBe(
      'Already begun; 6 turns (more than others: it went wrong), about 3 minutes',
    );
    expect(taskTitle(task({ kind: 'warm-up' }))).toBe('Warm up the hands');
    expect(taskInWords(task({ kind: 'warm-up', minutes: 3 }))).toBe('Before the first keys; about 3 minutes');
    expect(taskTitle(task({ kind: 'level' }))).toBe('Up to the next level');
    expect(taskInWords(task({ kind: 'level' }))).toBe('All of this level is passed');
    expect(taskTitle(task({ kind: 'spot' }))).toBe('Part 2: the place that goes wrong');
    expect(taskInWords(task({ why: 'new', minutes: 1.2 }))).toBe('New; 4 turns, about 1 minute');
  });

  it('where one stands, and what a plan comes to', () => {
    expect(standingInWords({ tempoPercent: 70, clean: 2, missed: 0, isPassed: false }, 3)).toBe(
      '70 % of the tempo; 2 of 3 clean in a row.',
    );
    expect(standingInWords({ tempoPercent: 70, clean: 0, missed: 1, isPassed: false }, 3)).toContain(
      'one more slip and it gets slower',
    );
    expect(standingInWords({ tempoPercent: 100, clean: 3, missed: 0, isPassed: true }, 3)).toBe(
      'At the full tempo, and passed.',
    );
    expect(standingInWords({ tempoPercent: 90, clean: 3, missed: 0, isPassed: true }, 3)).toBe(
      'Passed at 90 % of the tempo.',
    );
    const plan = (differs: Partial<Plan>): Plan => ({
      tasks: [],
      leftOut: [],
      minutes: 0,
      toGo: { minutes: 0, perDay: null },
      ...differs,
    });
    const far = (minutes: number, perDay: number | null) => toGoInWords({ toGo: { minutes, perDay } }, 20);
    expect(far(0, 5)).toBe('');
    expect(far(89, null)).toBe('About 89 minutes until all of it is passed at this level.');
    expect(far(180, 24.2)).toBe(
      'About 3 hours until all of it is passed at this level: 25 minutes a day; 20 are too few.',
    );
    expect(far(180, 20)).toContain(': 20 minutes a day, and 20 are enough.');
    expect(planInWords(plan({}))).toBe('There is nothing to practise yet.');
    expect(planInWords(plan({ leftOut: [{ task: task({}), why: 'not-due' }] }))).toBe(
      'Nothing is due today.',
    );
    expect(
      planInWords(plan({ tasks: [task({})], minutes: 3.2, leftOut: [{ task: task({}), why: 'no-time' }] })),
    ).toBe('1 task, about 3 minutes. 1 more wait for another day.');
  });

  it('what a log comes to, and how the last turn went', () => {
    const turn = (isClean: boolean, seconds: number, kind: TaskKind = 'right') => ({
      isClean,
      seconds,
      kind,
    });
    expect(logInWords([turn(true, 60), turn(true, 60, 'hear')], 1)).toBe(
      '1 turn, 1 of them clean, 2 minutes on 1 day.',
    );
    expect(logInWords([turn(true, 60)], 1)).toBe('1 turn, 1 of them clean, 1 minute on 1 day.');
    expect(logInWords([turn(true, 50), turn(false, 100)], 2)).toBe(
      '2 turns, 1 of them clean, 3 minutes on 2 days.',
    );
    const standing = { tempoPercent: 100, clean: 3, missed: 0, isPassed: true };
    expect(verdictInWords(true, standing)).toBe('Clean, and passed');
    expect(verdictInWords(true, { ...standing, isPassed: false })).toBe('A clean turn');
    expect(verdictInWords(false, { ...standing, isPassed: false })).toBe('Not yet');
  });

  it('what keeps going wrong, and why; what cannot be compared; rests and care', () => {
    const hot = { bar: 6, hand: 'left', slips: 4, cause: 'leap' } as const;
    expect(hotBarInWords(hot)).toBe('bar 6, left hand, 4 slips: the hand leaps');
    expect(hotBarInWords({ ...hot, bar: 0, slips: 1, cause: null })).toBe('the pick-up, left hand, 1 slip');
    const causes = (['crossing', 'quick', 'off-the-beat', 'black-key'] as const).map(
      (cause) => hotBarInWords({ ...hot, cause }).split(': ')[1],
    );
    expect(causes).toEqual([
      'the thumb goes under, or a finger over it',
      'it comes quickly',
      'it begins off the beat',
      'a black key',
    ]);
    expect([lostInWords(0), lostInWords(1)]).toEqual([
      '',
      '1 slip of earlier turns belongs to notes that are no longer there: it is left out here.',
    ]);
    expect(lostInWords(3)).toContain('3 slips of earlier turns belong to notes');
    expect(restInWords(34)).toMatch(/^You have played for 34 minutes: put the hands down for five/);
    expect(careInWords({ hand: 'right', kind: 'octaves', strikes: 8 })).toMatch(
      /^8 octaves in the right hand: /,
    );
  });

  it('how much of what one wants to work on is in a song', () => {
    expect(rankedInWords({ much: 60, part: 2, effort: 31 }, 'leaps')).toBe(
      '60 of 100, most in part 2; effort of the whole 31',
    );
    expect(rankedInWords({ much: 60, part: null, effort: 31 }, 'leaps')).toBe(
      '60 of 100; effort of the whole 31',
    );
    expect(rankedInWords({ much: 0, part: null, effort: 31 }, 'leaps')).toBe('Nothing of it in this song');
  });

  it('what went wrong where', () => {
    const trouble = (differs: Partial<Trouble>): Trouble => ({
      bar: 6,
      tick: 0,
      hand: 'left',
      kind: 'late',
      times: 2,
      beats: 0.27,
      ...differs,
    });
    expect(troubleInWords(trouble({}), C_MAJOR)).toBe('bar 6: left hand late by a quarter of a beat, twice');
    expect(troubleInWords(trouble({ kind: 'early', times: 1, beats: 0.05 }), C_MAJOR)).toBe(
      'bar 6: left hand early by a little',
    );
    expect(troubleInWords(trouble({ kind: 'wrong', times: 3, bar: 0 }), C_MAJOR)).toBe(
      'the pick-up: a wrong key in the left hand, 3 times',
    );
    const slip = (wanted: number, struck: number): Trouble =>
      trouble({ kind: 'wrong', times: 1, instead: { wanted, struck } });
    expect(troubleInWords(slip(69, 70), C_MAJOR)).toBe('bar 6: B♭ instead of A in the left hand');
    expect(troubleInWords(slip(69, 81), C_MAJOR)).toBe('bar 6: A an octave too high in the left hand');
    expect(troubleInWords(slip(69, 57), C_MAJOR)).toBe('bar 6: A an octave too low in the left hand');
    expect(troubleInWords(trouble({ kind: 'missed', times: 1, hand: 'right' }), C_MAJOR)).toBe(
      'bar 6: a key of the right hand left out',
    );
    expect(troubleInWords(trouble({ kind: 'extra', times: 1 }), C_MAJOR)).toBe('bar 6: an extra key');
    expect(troubleInWords(trouble({ kind: 'extra', times: 17 }), C_MAJOR)).toBe('bar 6: 17 extra keys');
    expect(troubleInWords(trouble({ kind: 'restart', times: 1 }), C_MAJOR)).toBe(
      'bar 6: stopped and begun again',
    );
  });

  it('how a take was', () => {
    const key = { wanted: {}, how: 'right', late: 0 } as Judgement['keys'][number];
    const take = (differs: Partial<Judgement>): Judgement =>
      ({
        keys: Array.from({ length: 15 }, (_, i) => (i === 3 ? { ...key, how: 'late' } : key)),
        apart: null,
        tempo: null,
        unevenness: null,
        force: { right: null, left: null },
        ...differs,
      }) as Judgement;
    const last = (differs: Partial<Judgement>): string | undefined => judgementInWords(take(differs))[1];
    expect(last({ unevenness: 0.029 })).toBe('It is even.');
    expect(last({ unevenness: 0.03 })).toBe('The beat wavers by 30 ms: count aloud.');
    expect(last({ force: { right: 70, left: 77 } })).toBe(
      'The left hand is louder: let the melody come out.',
    );
    expect(last({ force: { right: 77, left: 70 } })).toBe('The melody comes out over the left hand.');
    expect(last({ force: { right: 76, left: 70 } })).toBe('Both hands are equally loud.');
    expect(last({ force: { right: 76, left: null } })).toBeUndefined();
    expect(judgementInWords(take({}))).toEqual(['14 of 15 keys right and in time.']);
    expect(judgementInWords(take({ apart: 0.046, tempo: { from: 0.6, to: 0.7 } }))).toEqual([
      '14 of 15 keys right and in time.',
      'The left hand comes 46 ms after the right.',
      'It got faster.',
    ]);
    expect(judgementInWords(take({ apart: -0.05, tempo: { from: 0.6, to: 0.5 } })).slice(1)).toEqual([
      'The left hand comes 50 ms before the right.',
      'It got slower.',
    ]);
    expect(judgementInWords(take({ apart: 0.01, tempo: { from: 0.6, to: 0.61 } })).slice(1)).toEqual([
      'The hands come together.',
      'The tempo was kept.',
    ]);
    const rest = Array.from({ length: 2 }, () => ({ ...key, how: 'not-reached' as const }));
    expect(judgementInWords(take({ keys: [...take({}).keys, ...rest] }))[1]).toBe(
      'It stopped before the end: 2 keys to go.',
    );
    expect(judgementInWords(take({ keys: [{ ...key, how: 'not-reached' }] }))).toEqual([
      'Nothing of it was heard.',
    ]);
  });
});
