import { LAST_KEY, FIRST_KEY } from './keyShapes';
import type { WantedKey } from '../practice';

/** Keys that are wanted at one moment. */
export interface Meeting {
  readonly tick: number;
  /** From the first key wanted, at the full tempo. */
  readonly seconds: number;
  readonly keys: readonly number[];
  /** Keys the program itself strikes about then: neither wanted nor wrong. */
  readonly sounding: readonly number[];
}

/** Keys by the moments they are wanted at; `others` are those the program strikes meanwhile. */
export function meetingsOf(wanted: readonly WantedKey[], others: readonly WantedKey[] = []): Meeting[] {
  const meetings: { tick: number; seconds: number; keys: number[] }[] = [];
  for (const { tick, seconds, midi } of wanted) {
    const last = meetings.at(-1);
    if (last?.tick !== tick) meetings.push({ tick, seconds, keys: [midi] });
    else if (!last.keys.includes(midi)) last.keys.push(midi);
  }
  return meetings.map((meeting, m) => {
    const [from, to] = [meetings[m - 1]?.tick ?? -Infinity, meetings[m + 1]?.tick ?? Infinity];
    const near = others.filter(({ tick }) => tick >= from && tick <= to).map(({ midi }) => midi);
    return { ...meeting, sounding: [...new Set(near)].filter((key) => !meeting.keys.includes(key)) };
  });
}

/** How far off, in half steps, keys are that are struck for others: beside them, or an octave off. */
export const SLIPS = [-12, -4, -3, -2, -1, 1, 2, 3, 4, 12] as const;

/** Keys that may be struck for those of a meeting: they and these are listened for. */
export function rivalsOf({ keys, sounding }: Pick<Meeting, 'keys' | 'sounding'>): number[] {
  const rivals = new Set(keys.flatMap((key) => SLIPS.map((by) => key + by)));
  return [...rivals].filter(
    (key) => key >= FIRST_KEY && key <= LAST_KEY && !keys.includes(key) && !sounding.includes(key),
  );
}
