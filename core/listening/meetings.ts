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
  /** Keys that may be struck for those wanted: they and these are listened for. */
  readonly rivals: ReadonlySet<number>;
  /** Keys of the meetings before and after. */
  readonly beside: readonly number[];
}

/** How far off, in half steps, keys are that are struck for others: beside them, or an octave off. */
export const SLIPS = [-12, -4, -3, -2, -1, 1, 2, 3, 4, 12] as const;

/** Keys by the moments they are wanted at; `others` are those the program strikes meanwhile. */
export function meetingsOf(wanted: readonly WantedKey[], others: readonly WantedKey[] = []): Meeting[] {
  const moments: { tick: number; seconds: number; keys: number[] }[] = [];
  for (const { tick, seconds, midi } of wanted) {
    const last = moments.at(-1);
    if (last?.tick !== tick) moments.push({ tick, seconds, keys: [midi] });
    else if (!last.keys.includes(midi)) last.keys.push(midi);
  }
  return moments.map((moment, m) => {
    const [before, after] = [moments[m - 1], moments[m + 1]];
    const [from, to] = [before?.tick ?? -Infinity, after?.tick ?? Infinity];
    const near = others.filter(({ tick }) => tick >= from && tick <= to).map(({ midi }) => midi);
    const sounding = [...new Set(near)].filter((key) => !moment.keys.includes(key));
    const slips = moment.keys.flatMap((key) => SLIPS.map((by) => key + by));
    const rivals = slips.filter(
      (key) => key >= FIRST_KEY && key <= LAST_KEY && !moment.keys.includes(key) && !sounding.includes(key),
    );
    return {
      ...moment,
      sounding,
      rivals: new Set(rivals),
      beside: [...(before?.keys ?? []), ...(after?.keys ?? [])],
    };
  });
}
