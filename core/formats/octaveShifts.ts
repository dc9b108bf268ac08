import type { VoiceEvent } from './voices';
import { el, type Element } from './xmlTree';

/** A stretch whose keys are written an octave nearer to their staff: the onsets it begins and ends with. */
export interface OctaveShift {
  readonly first: number;
  readonly last: number;
}

/** G6 and F1: what lies beyond is read from ledger lines no more. Source: common practice of engraving. */
const [HIGHEST, LOWEST] = [91, 29];
/** F5 and A2: what is nearer to the staff is not written an octave away to keep a stretch whole. */
const [HIGH_ENOUGH, LOW_ENOUGH] = [77, 45];

/** Where a voice of a hand is written an octave lower (8va) or, of the left, higher (8vb): as few stretches as there can be. */
export function octaveShiftsOf(voice: readonly VoiceEvent[]): OctaveShift[] {
  const found: { first: number; last: number }[] = [];
  let open: { first: number; last: number } | null = null;
  for (const { tick, length, notes } of voice) {
    if (length === 0 || notes.length === 0) continue;
    const keys = notes.map(({ midi }) => midi);
    const [low, high] = [Math.min(...keys), Math.max(...keys)];
    const isRight = notes[0].hand === 'right';
    const isFar = isRight ? high > HIGHEST : low < LOWEST;
    const staysOut = isRight ? low >= HIGH_ENOUGH : high <= LOW_ENOUGH;
    if (isFar) {
      if (open) open.last = tick;
      else found.push((open = { first: tick, last: tick }));
    } else if (!staysOut) open = null;
  }
  return found;
}

/** The sign where such a stretch begins or ends, on a staff. */
export function octaveSign(type: 'down' | 'up' | 'stop', staff: number): Element {
  return el(
    'direction',
    [
      el('direction-type', [el('octave-shift', [], { type, size: '8', number: String(staff) })]),
      el('staff', staff),
    ],
    { placement: staff === 1 ? 'above' : 'below' },
  );
}
