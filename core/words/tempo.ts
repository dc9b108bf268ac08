import { asBeatsPerMinute, beatsOf, type Metre, tempoTicks, TICKS_PER_WHOLE, unitTicks } from '../music';
import { beatsInWords } from '../sentences';

/** Notes a tempo is told in, by their ticks. */
const NOTES: readonly (readonly [ticks: number, name: string])[] = [
  [TICKS_PER_WHOLE, 'whole'],
  [(TICKS_PER_WHOLE * 3) / 4, 'dotted half'],
  [TICKS_PER_WHOLE / 2, 'half'],
  [(TICKS_PER_WHOLE * 3) / 8, 'dotted quarter'],
  [TICKS_PER_WHOLE / 4, 'quarter'],
  [(TICKS_PER_WHOLE * 3) / 16, 'dotted eighth'],
  [TICKS_PER_WHOLE / 8, 'eighth'],
];

/** What the tempo of a metre is counted in: `tempoNote(6/8) // "dotted quarter"` */
export function tempoNote(metre: Metre): string {
  return noteOf(tempoTicks(metre));
}

/** `tempoInWords(4/4, 96) // "96 BPM"`, `tempoInWords(6/8, 90) // "60 BPM (dotted quarter notes)"` */
export function tempoInWords(metre: Metre, quartersPerMinute: number): string {
  const note = tempoNote(metre);
  const counted = note === 'quarter' ? '' : ` (${note} notes)`;
  return `${asBeatsPerMinute(metre, quartersPerMinute)} BPM${counted}`;
}

/** "one beat"; where a beat has more than one unit, in these: "3 eighth notes". */
export function pickupInWords(metre: Metre, ticks: number): string {
  const units = ticks / unitTicks(metre);
  if (beatsOf(metre).every(({ length }) => length === unitTicks(metre))) return beatsInWords(units);
  return `${Math.round(10 * units) / 10} ${noteOf(unitTicks(metre))} ${units === 1 ? 'note' : 'notes'}`;
}

function noteOf(ticks: number): string {
  return NOTES.find(([length]) => length === ticks)?.[1] ?? 'sixteenth';
}
