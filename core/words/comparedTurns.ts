import { theBar } from '../sentences';
import type { ComparedPlace, ComparedTurns, Turn } from '../practice';
import { timesInWords } from './strikes';
import { capital, counted } from './titles';

const SLIPS = {
  wrong: 'wrong key',
  missed: 'key left out',
  late: 'late',
  early: 'early',
  extra: 'extra key',
  restart: 'begun again',
} as const;

type Heard = Pick<Turn, 'tempoPercent' | 'cleanShare' | 'apart'>;

/** Two turns at the same thing, the earlier first: tempo, clean share, togetherness, then what is gone, still there and new. */
export function comparedInWords(earlier: Heard, later: Heard, compared: ComparedTurns): string[] {
  const places = (name: string, list: readonly ComparedPlace[]): string[] =>
    list.length === 0 ? [] : [`${name}: ${list.map(placeInWords).join('; ')}.`];
  const told = [
    ...places('Gone', compared.gone),
    ...places('Still there', compared.still),
    ...places('New', compared.new),
  ];
  const lost = `${capital(counted(compared.lost, 'slip'))} at notes that were edited since: not compared.`;
  return [
    `Tempo ${earlier.tempoPercent} % → ${later.tempoPercent} %, clean ${share(earlier)} → ${share(later)}.`,
    ...together(earlier, later),
    ...(told.length + compared.lost > 0 ? told : ['Nothing went wrong in either.']),
    ...(compared.lost > 0 ? [lost] : []),
  ];
}

function together({ apart: before }: Heard, { apart: after }: Heard): string[] {
  const ms = (seconds: number): string => `${Math.round(Math.abs(seconds) * 1000)} ms`;
  return before === null || after === null ? [] : [`The hands were ${ms(before)} apart, now ${ms(after)}.`];
}

function share({ cleanShare }: Heard): string {
  return cleanShare === null ? '–' : `${Math.round(cleanShare * 100)} %`;
}

function placeInWords({ bar, hand, kind, before, after }: ComparedPlace): string {
  const changed = before > 0 && after > 0 && before !== after;
  const often = changed ? ` (${timesInWords(before)}, now ${timesInWords(after)})` : '';
  return `${theBar(bar)}, ${hand} hand, ${SLIPS[kind]}${often}`;
}
