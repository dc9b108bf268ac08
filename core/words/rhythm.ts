import type { JudgedRhythm, Stroke } from '../takes';
import { barInWords } from '../sentences';
import { capital } from './titles';

/** A strike of a part with where it is counted. */
export interface CountedStroke extends Stroke {
  readonly bar: number;
  readonly count: string;
}

/** Nearer than this is on the beat, in seconds. */
const ON_TIME = 0.035;
/** So many places are told, the worst first. */
const PLACES = 3;

/** How a rhythm was tapped: each hand, the two together, and the three places that were worst. */
export function rhythmInWords(judged: JudgedRhythm<CountedStroke>): string[] {
  const { strokes, extra, meanLate, apart } = judged;
  if (strokes.every(({ late }) => late === null))
    return ['Nothing that was wanted was tapped: begin with the bar after the clicks.'];
  const missed = strokes.filter(({ late }) => late === null).length;
  const left = [
    ...(missed > 0 ? [`${missed} missed`] : []),
    ...(extra.length > 0 ? [`${extra.length} too many`] : []),
  ];
  return [
    ...(['right', 'left'] as const).flatMap((hand) => handInWords(hand, meanLate[hand])),
    ...(apart === null ? [] : [`Where they meet the hands are ${ms(apart)} ms apart on average.`]),
    ...(left.length > 0 ? [`${capital(left.join(', '))}.`] : []),
    ...worst(judged),
  ];
}

function handInWords(hand: Stroke['hand'], late: number | null): string[] {
  if (late === null) return [];
  const name = hand === 'right' ? 'Right hand' : 'Left hand';
  if (Math.abs(late) < ON_TIME) return [`${name}: on time.`];
  return [`${name}: ${ms(Math.abs(late))} ms ${late > 0 ? 'late' : 'early'} on average.`];
}

function worst({ strokes }: JudgedRhythm<CountedStroke>): string[] {
  const weighed = strokes.flatMap(({ wanted, late }) => {
    const off = late === null ? Infinity : Math.abs(late);
    return off < ON_TIME ? [] : [{ wanted, late, off }];
  });
  return weighed
    .sort((a, b) => (b.off === a.off ? 0 : b.off - a.off))
    .slice(0, PLACES)
    .map(({ wanted, late }) => {
      const where = `${barInWords(wanted.bar)}, on ${wanted.count}: ${wanted.hand} hand`;
      return late === null
        ? `${where} missed.`
        : `${where} ${ms(Math.abs(late))} ms ${late > 0 ? 'late' : 'early'}.`;
    });
}

function ms(seconds: number): number {
  return Math.round(1000 * seconds);
}
