import { type HandNote, inTime } from '../hands';
import { nameOf, typeset } from '../music';
import { melodyUp, partIndexAt, type PartToPlay } from '../parts';
import { type Choices, type CloseHands, type Finding, type Remedy } from '../song';
import { CROWDED, SHORTEST_HOLD, type VoicedChange } from '../voicing';
import { offers, type Phrase, says } from '../sentences';

/** So near for less than this (ticks) is over before the hands are in each other's way. */
const LONG_ENOUGH = 480;

/**
 * Places where both hands want the same key, the left lies above the right, or they crowd each other, once a place,
 * with remedies by what they cost: for the chord (another position, the key shared, let go early, thinner, crossed) or
 * for its whole part (thinner, the melody an octave up). Hands that cross because the pianist let them are no finding.
 */
export function bumpsBetween(
  right: readonly HandNote[],
  left: readonly HandNote[],
  about: BumpContext = NOTHING_KNOWN,
): Finding[] {
  // One for each place: that both want one key says more than that they crowd each other.
  const findings = new Map<number, Finding>();
  const rights = inTime(right.filter((note) => !note.grace));
  let start = 0;
  const longest = rights.reduce((most, note) => Math.max(most, note.length), 0);
  for (const low of inTime(left)) {
    while (start < rights.length && rights[start].tick < low.tick - longest) start++;
    for (let i = start; i < rights.length && rights[i].tick < low.tick + low.length; i++) {
      const high = rights[i];
      const tick = Math.max(high.tick, low.tick);
      const together = Math.min(high.tick + high.length, low.tick + low.length) - tick;
      if (together <= 0 || findings.get(tick)?.kind === 'bump') continue;
      const isBump = low.midi >= high.midi;
      const isCrowded = high.midi - low.midi <= CROWDED && together >= LONG_ENOUGH && low.source === 'chord';
      if (!isBump && (!isCrowded || findings.has(tick))) continue;
      const change = about.changeOf(low.from);
      if (change?.closeHands === 'cross') continue;
      findings.set(tick, {
        kind: isBump ? 'bump' : 'crowded',
        tick,
        says: [isBump ? bumpSays(low, high) : crowdSays(low, high)],
        remedies: remediesFor(low, high, change, about),
      });
    }
  }
  return [...findings.values()].sort((a, b) => a.tick - b.tick);
}

/** What remedies need to know of a place. */
interface BumpContext {
  readonly parts: readonly PartToPlay[];
  /** The change with a played id. */
  readonly changeOf: (id: string) => VoicedChange | undefined;
  /** Its nearest position that lies below a key; null when there is none. */
  readonly lowerKeys: (change: VoicedChange, ceiling: number) => readonly number[] | null;
}

const NOTHING_KNOWN: BumpContext = { parts: [], changeOf: () => undefined, lowerKeys: () => null };

function bumpSays(low: HandNote, high: HandNote): Phrase {
  const key = typeset(nameOf(low.pitch));
  return low.midi === high.midi ? says.sameKey(key) : says.handsCross(key, typeset(nameOf(high.pitch)));
}

function crowdSays(low: HandNote, high: HandNote): Phrase {
  return says.crowded(typeset(nameOf(low.pitch)), typeset(nameOf(high.pitch)));
}

/** What costs least first. A chord in a repeat is changed wherever it comes. */
function remediesFor(
  low: HandNote,
  high: HandNote,
  change: VoicedChange | undefined,
  { parts, lowerKeys }: BumpContext,
): Remedy[] {
  const part = parts[partIndexAt(parts, Math.max(low.tick, high.tick))];
  if (!part || !change || low.source === 'fill' || low.source === 'own') return [];
  const { writtenId, tick } = change.change;
  const thinner = (offer: Phrase, layout: Choices['layout']): Remedy => ({
    offer,
    edit: { kind: 'layout', changeId: writtenId, layout },
  });
  const close = (offer: Phrase, how: CloseHands): Remedy => ({
    offer,
    edit: { kind: 'close-hands', changeId: writtenId, how },
  });
  const forPart = (offer: Phrase, choices: Partial<Choices>): Remedy => ({
    offer,
    edit: { kind: 'choose-for-part', cutId: part.cutId, choices },
  });
  const key = typeset(nameOf(high.pitch));
  const keys = low.source === 'chord' ? lowerKeys(change, high.midi - CROWDED) : null;
  const lower: Remedy[] = keys
    ? [
        {
          offer: offers.lowerPosition(),
          edit: { kind: 'pin', pin: { changeId: low.from, keys: [...keys], fingers: null } },
        },
      ]
    : [];
  const up = melodyUp(part, offers.partMelodyUp());
  const released: Remedy[] =
    change.fixedBy === 'pin'
      ? [{ offer: offers.releasePinned(), edit: { kind: 'unpin', changeId: change.change.id } }]
      : [];
  return [
    ...released,
    ...lower,
    ...(low.midi === high.midi ? [close(offers.shareKey(key), 'share')] : []),
    ...(high.tick - tick >= SHORTEST_HOLD ? [close(offers.letGoBefore(key), 'let-go')] : []),
    thinner(offers.thinTo('three'), 'three'),
    thinner(offers.thinTo('two'), 'shell'),
    thinner(offers.rootless(), 'rootless'),
    forPart(offers.twoNotesInPart(), { layout: 'shell' }),
    ...(up ? [up] : []),
    ...(low.midi > high.midi ? [close(offers.cross(), 'cross')] : []),
  ];
}
