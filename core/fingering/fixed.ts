import type { HandNote } from '../hands';
import { nameOf as nameOfPitch, typeset } from '../music';
import { offers, says } from '../sentences';
import { type Finding, type FingerPin, onsetsOf, type PlayedSong, type Song, writtenId } from '../song';
import { type FixedFingers, together } from './hands';

/**
 * Fingers the pianist pinned on a chord or a key, and those of settled parts, which are kept as learned. A chord whose
 * `twins` entry has pinned fingers takes them over; what comes back in a repeat has the pins of what is written.
 */
export function fixedFingers(
  song: Pick<Song, 'pins' | 'fingerPins' | 'settled'>,
  played: PlayedSong,
  twins: ReadonlyMap<string, string>,
): FixedFingers {
  const pins = [...song.pins, ...song.settled.flatMap((s) => s.voicings)];
  const pinned = new Map(pins.flatMap((pin) => (pin.fingers ? [[pin.changeId, pin.fingers] as const] : [])));
  const learned = new Map(
    song.settled.flatMap((s) => s.fingers.map((f) => [nameOf(f.from, f.after, f.midi), f.finger] as const)),
  );
  if (pinned.size + learned.size + song.fingerPins.length === 0) return () => null;
  const onset = onsetsOf(played);
  const single = pinnedKeys(song, twins);
  const learnedOf = (group: readonly HandNote[]): readonly number[] | null => {
    const fingers: number[] = [];
    for (const { from, tick, midi } of group) {
      const finger =
        learned.size > 0 ? learned.get(nameOf(from, tick - (onset.get(from) ?? 0), midi)) : undefined;
      if (finger === undefined) return null;
      fingers.push(finger);
    }
    return fingers;
  };
  return (group) => {
    const known = learnedOf(group);
    if (known) return known;
    const [{ from, source }] = group;
    const fingers = pinned.get(from) ?? pinned.get(twins.get(from) ?? '');
    const chord = source === 'chord' && fingers?.length === group.length ? fingers : null;
    const keys = group.map((note) => single(note, onset.get(note.from) ?? 0));
    if (keys.every((finger) => finger === null)) return chord;
    return keys.map((finger, i) => finger ?? chord?.[i] ?? null);
  };
}

/** The finger pinned on a key: as written, or by what its part follows. */
function pinnedKeys(
  { fingerPins }: Pick<Song, 'fingerPins'>,
  twins: ReadonlyMap<string, string>,
): (note: HandNote, onset: number) => number | null {
  const by = new Map(
    fingerPins.map((pin) => [`${pin.hand}|${nameOf(pin.from, pin.after, pin.midi)}`, pin.finger] as const),
  );
  // Asked for every key of the song: most come from a note or chord that has no pin.
  const froms = new Set(fingerPins.map(({ from }) => from));
  return ({ hand, from, tick, midi }, onset) => {
    const named = (id: string): number | undefined =>
      froms.has(id) ? by.get(`${hand}|${nameOf(id, tick - onset, midi)}`) : undefined;
    const twin = twins.get(from);
    return named(writtenId(from)) ?? (twin ? named(writtenId(twin)) : undefined) ?? null;
  };
}

/** What a pin of a finger is told by: the key as it is written. */
export function keyOfPin(note: HandNote, played: PlayedSong): Omit<FingerPin, 'finger'> {
  const { hand, from, tick, midi } = note;
  return { hand, from: writtenId(from), after: tick - (onsetsOf(played).get(from) ?? 0), midi };
}

/** Pinned fingers that are not played: the chord leaves no way to. Said with the reason; the pin stays. */
export function fingersNotKept(
  notes: readonly HandNote[],
  fixed: FixedFingers,
  played: PlayedSong,
): Finding[] {
  return together(notes).flatMap((group) => {
    const wanted = fixed(group);
    return group.flatMap((note, i): Finding[] => {
      const finger = wanted?.[i] ?? null;
      if (finger === null || note.finger === finger) return [];
      const isTaken = wanted?.some((other, at) => at !== i && other === finger) ?? false;
      const key = typeset(nameOfPitch(note.pitch));
      return [
        {
          kind: 'finger',
          tick: note.tick,
          about: `${note.hand}${note.midi}`,
          says: [says.fingerNotKept(finger, key, isTaken ? 'taken' : 'crossed')],
          remedies: [
            {
              offer: offers.releaseFinger(finger, key),
              edit: { kind: 'finger-released', key: keyOfPin(note, played) },
            },
          ],
        },
      ];
    });
  });
}

/** The fingers of some notes as a settled part stores them. */
export function learnedFingers(
  notes: readonly HandNote[],
  played: PlayedSong,
): Song['settled'][number]['fingers'] {
  const onset = onsetsOf(played);
  return notes.flatMap(({ from, tick, midi, finger }) => {
    const start = onset.get(from);
    return finger === null || start === undefined ? [] : [{ from, after: tick - start, midi, finger }];
  });
}

function nameOf(from: string, after: number, midi: number): string {
  return `${from}|${after}|${midi}`;
}
