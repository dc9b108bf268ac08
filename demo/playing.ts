import { inWords } from '../core/sentences';
import { arrange, easierBy, growthProposed, watchFor } from '../core/arrange';
import type { Arrangement } from '../core/arrangement';
import { easierKeys, type Effort } from '../core/effort';
import { type Fill } from '../core/fills';
import { betweenFor, endingsFor, type FrameProposal, introsFor } from '../core/framing';
import { FULLER_MANNERS } from '../core/fuller';
import { type HandNote, strikesOf } from '../core/hands';
import { LEVELS } from '../core/levels';
import { keyName, nameOf } from '../core/music';
import { PATTERNS } from '../core/patterns';
import { GOAL, partsToPractise, planFor, widePassages } from '../core/practice';
import { type Choices, DEFAULT_PROFILE, type Finding, type Profile, type Song } from '../core/song';
import {
  careInWords,
  fillInWords,
  fillPlaceInWords,
  frameTitle,
  handsInWords,
  taskInWords,
  taskTitle,
  learningInWords,
  partSummary,
  planInWords,
  toGoInWords,
  versionInWords,
  warmUpInWords,
  warmUpsOf,
  writePartCards,
  writeWalkthrough,
} from '../core/words';
import { arrangedWith, placeOf } from './reading';

/** Strikes of a hand that are read aloud: enough for the way a pattern goes, few enough to be read. */
const READ = 10;

/**
 * A demo song as it is played, line by line: at every level its effort, what a pianist should know and what would help;
 * fingers, loudness and pedal; how it is practised; what frames it; and what is handed out. As with the first reading, a
 * line that changes is a change of music or of words that somebody has to approve.
 */
export function playingOf(song: Song): string[] {
  const own = fingeredWith(song, {});
  const { fromTick, toTick } = own.parts[0];
  const efforts = own.efforts.map((effort) => effort?.total ?? 0);
  const hardest = efforts.indexOf(Math.max(...efforts));
  return [
    `# ${song.title}, played`,
    ...LEVELS.flatMap(({ number }) => levelLines(fingeredWith(song, { level: number }), number)),
    '',
    ...smallHands(song),
    '',
    ...keyLines(song),
    '',
    ...soundLines(fingeredWith(song, { level: 5 })),
    '',
    ...PATTERNS.map(
      ({ id, name }) => `${name}: ${begun(arrangedWith(song, { level: 5, pattern: id }), 'left')}`,
    ),
    ...FULLER_MANNERS.map(
      ({ id, name }) => `${name}: ${begun(arrangedWith(song, { level: 6, fuller: id }), 'right')}`,
    ),
    '',
    ...introsFor(own, 4).flatMap(frameLines),
    ...endingsFor(own).flatMap(frameLines),
    ...own.parts.flatMap((part, i) =>
      i > 0 && i < 3
        ? betweenFor(own, i).flatMap((piece) => [`before part ${part.number}`, ...frameLines(piece)])
        : [],
    ),
    '',
    ...easierBy(song, DEFAULT_PROFILE, hardest).map(
      (way) => `part ${hardest + 1}, ${way.from} → ${way.to}: ${inWords(way.offer)}`,
    ),
    ...growthProposed(own).map(
      ({ part, label, time, at, step, isTaken }) =>
        `grows: part ${part} ${label}, time ${time}, step ${at} ${step}${isTaken ? ', played so' : ''}`,
    ),
    learningInWords(own),
    ...own.parts.flatMap((part, i) => [
      `part ${part.number}: ${handsInWords(own.relations, i)}`,
      ...partSummary(own, i),
    ]),
    '',
    ...watchFor(own, { fromTick, toTick }, 'both').map(inWords),
    ...widePassages(own, { fromTick: 0, toTick: own.played.endTick }, DEFAULT_PROFILE).map(careInWords),
    ...warmUpsOf(own.played.keyMap[0]).map((warmUp) => `${warmUp.name}: ${warmUpInWords(warmUp)}`),
    ...planLines(own),
    '',
    ...writeWalkthrough(own).trimEnd().split('\n'),
    '',
    ...writePartCards(own).trimEnd().split('\n'),
  ].map((line) => line.trimEnd());
}

function fingeredWith(song: Song, choices: Partial<Choices>): Arrangement {
  return arrange({ ...song, choices: { ...song.choices, ...choices } }, DEFAULT_PROFILE);
}

/** How a hand begins. */
function begun(a: Arrangement, hand: 'right' | 'left'): string {
  return strikesOf(a[hand])
    .slice(0, READ)
    .map((keys) => keys.map(({ pitch, length }) => `${nameOf(pitch)}:${length}`).join('+'))
    .join(' ');
}

function levelLines(a: Arrangement, level: number): string[] {
  return [
    '',
    `level ${level}`,
    ...a.efforts.map((effort, i) => `part ${i + 1}: ${effort ? effortLine(effort) : 'still to come'}`),
    ...a.findings.map((finding) => findingLine(a, finding)),
    `right: ${read(a, a.right)}`,
    `left: ${read(a, a.left)}`,
    ...fillLines(a),
  ];
}

/** What hands that span a seventh, on a short keyboard, have to know. */
function smallHands(song: Song): string[] {
  const small: Profile = {
    ...DEFAULT_PROFILE,
    rightReach: 7,
    leftReach: 7,
    keyboard: 49,
    experience: 'first-year',
  };
  const ways: readonly Partial<Choices>[] = [
    { level: 4, layout: 'tenth' },
    { level: 4, layout: 'under-melody' },
    { level: 5, pattern: 'open-tenth' },
    { level: 7, fuller: 'octave', octaveShift: -1 },
  ];
  return ways.flatMap((choices) => {
    const a = arrange({ ...song, choices: { ...song.choices, ...choices } }, small);
    return [
      `small hands, ${Object.values(choices).join(', ')}`,
      ...a.findings.slice(0, READ).map((finding) => findingLine(a, finding)),
      `right: ${begun(a, 'right')}`,
      `left: ${begun(a, 'left')}`,
    ];
  });
}

/** All keys, the easiest first: for a hand that spans a sixth, chords without their root, and somebody who sings along. */
function keyLines(song: Song): string[] {
  const profile: Profile = { ...DEFAULT_PROFILE, leftReach: 6, singer: { low: 57, high: 72 } };
  const rootless: Song = { ...song, choices: { ...song.choices, layout: 'rootless' } };
  return easierKeys(rootless, profile).map(
    ({ key, semitones, effort, travelMm, strained, onePosition, parts, reasons }) =>
      `${keyName(key)} ${semitones}: ${effort.toFixed(1)}, ${Math.round(travelMm)} mm, ${strained} smaller, ` +
      `${onePosition} of ${parts} in one position; ${reasons.map(inWords).join(', ')}`,
  );
}

function effortLine({ total, measures, reasons, hardestBar, bars }: Effort): string {
  const points = Object.entries(measures).map(([name, value]) => `${name} ${Math.round(value)}`);
  const each = bars.map((bar) => `${bar.number}:${bar.total}`).join(' ');
  return `${total} (${points.join(', ')}) ${reasons.map(inWords).join(', ')}; hardest ${hardestBar}; ${each}`;
}

function findingLine(a: Arrangement, { kind, tick, about, says, remedies }: Finding): string {
  const ways = remedies.map(({ offer, edit }) => `${inWords(offer)} (${edit.kind})`);
  const text = says.map(inWords).join(' ');
  const name = about === undefined ? '' : ` #${about}`;
  return `${placeOf(a, tick)} ${kind}${name}: ${text} → ${remedies.map(({ offer }) => inWords(offer)).join(' · ')} | ${ways.join(' · ')}`;
}

function fillLines(a: Arrangement): string[] {
  const line = (fill: Fill): string => {
    const keys = fill.notes.map(
      ({ tick, length, pitch }) => `${placeOf(a, tick)} ${nameOf(pitch)}:${length}`,
    );
    return `${fill.taken ? 'fills' : 'could fill'} ${fillPlaceInWords(a.played.bars, fill)}, ${fill.id}: ${fillInWords(fill)} ${keys.join(' ')}`;
  };
  if (a.fills.length === 0) return [];
  const { summary, kinds } = versionInWords(a);
  return [
    summary,
    ...kinds,
    ...a.fills
      .filter(({ taken }) => taken)
      .slice(0, 6)
      .map(line),
    ...a.fills
      .filter(({ taken }) => !taken)
      .slice(0, 6)
      .map(line),
  ];
}

/** "1.1 A2/5 E3/2+A3/1": where, what and with which finger a hand strikes, at the beginning and at the end. */
function read(a: Arrangement, notes: readonly HandNote[]): string {
  const strikes = strikesOf(notes).map((keys) => {
    const names = keys.map(
      ({ pitch, finger, length, grace }) => `${grace ? '~' : ''}${nameOf(pitch)}/${finger ?? '-'}:${length}`,
    );
    return `${placeOf(a, keys[0].tick)} ${names.join('+')}`;
  });
  const few = strikes.length <= 2 * READ;
  return (few ? strikes : [...strikes.slice(0, READ), '…', ...strikes.slice(-READ)]).join(' ');
}

/** When keys sound, how loud and how long, and where the pedal goes. */
function soundLines({ timeline: { notes, pedals, seconds } }: Arrangement): string[] {
  const at = (value: number): string => value.toFixed(2);
  return [
    `sounds ${at(seconds)} s`,
    notes
      .slice(0, 3 * READ)
      .map((n) => `${at(n.seconds)} ${n.midi} v${n.velocity} ${at(n.duration)}`)
      .join(', '),
    pedals
      .slice(0, READ)
      .map((pedal) =>
        JSON.stringify(pedal, (_, value: unknown) => (typeof value === 'number' ? Number(at(value)) : value)),
      )
      .join(' '),
  ];
}

function frameLines(proposal: FrameProposal): string[] {
  const { melody, changes, bars } = proposal.piece;
  return [
    `${frameTitle(proposal)}, ${bars} bars: ${inWords(proposal.reason)}`,
    `  ${changes.map(({ tick, length, symbol }) => `${tick}+${length} ${symbol}`).join(', ')}`,
    ...(melody.length > 0
      ? [`  ${melody.map(({ tick, length, pitch }) => `${tick}+${length} ${nameOf(pitch)}`).join(', ')}`]
      : []),
  ];
}

/** Minutes of a sitting. */
const MINUTES = 40;

function planLines(a: Arrangement): string[] {
  return (['right', 'left'] as const).flatMap((first) => {
    const plan = planFor(partsToPractise(a), {
      minutes: MINUTES,
      now: 0,
      level: a.song.choices.level,
      first,
      chain: first === 'left' ? 'pairs' : 'growing',
      goal: GOAL,
      cards: new Map(),
      days: 5,
    });
    return [
      `${first} first: ${planInWords(plan)} ${toGoInWords(plan, MINUTES)}`,
      ...plan.tasks.map(
        (task) => `  ${taskTitle(task)}, ${task.card}, from ${task.fromPercent} %: ${taskInWords(task)}`,
      ),
    ];
  });
}
