import { Memory } from '../memory';
import {
  chordsHolding,
  heardRubs,
  letterIn,
  neighboursOf,
  notesUnder,
  type NoteUnder,
  otherQualities,
  qualityOf,
  roleSays,
  roleOf,
} from '../harmony';
import { type Chord, classNameOf, type Key, keyName, symbolOf, typeset } from '../music';
import { barAt, type Finding, type Remedy, placeInBar, type PlayedSong, SHORTEST } from '../song';
import type { VoicedChange } from '../voicing';
import { countAt } from './counts';
import { nameOfPhrase, offers, type Phrase, says } from '../sentences';

/** Remedies of one kind offered at most. */
const MOST_OF_A_KIND = 2;

/**
 * Where the chord fights the tune: melody notes that rub, long or stressed enough to be heard, once a note and chord,
 * with remedies by how little they change: leave the member out, a chord of the same role, another quality, the change
 * moved, another chord that holds the note. What is left in a repeat is said at its first pass.
 */
export function rubFindings(
  played: PlayedSong,
  voiced: readonly VoicedChange[],
  memory = new Memory(),
): readonly Finding[] {
  return memory.of<readonly Finding[]>('rubs')('song', [played, voiced], () =>
    rubsIn(played, voiced, memory),
  );
}

function rubsIn(played: PlayedSong, voiced: readonly VoicedChange[], memory: Memory): Finding[] {
  const heard = memory.of<NoteUnder[]>('rubs heard')('song', [played], () => heardRubs(notesUnder(played)));
  const byChange = new Map(voiced.map((v, i) => [v.change.id, { v, next: voiced[i + 1] ?? null }]));
  return heard.flatMap((under): Finding[] => {
    const place = byChange.get(under.change.id);
    if (!place || under.change.id !== under.change.writtenId || under.note.id !== under.note.writtenId)
      return [];
    // A note that is not played by hand, in an accompaniment for singing, still is sung.
    const bar = barAt(played.bars, under.tick);
    const letter = typeset(classNameOf(under.note.pitch));
    const beats = under.ticks / placeInBar(bar, under.tick).beatTicks;
    const role = roleSays(under.role, letter, typeset(under.change.symbol));
    return [
      {
        kind: 'rub',
        tick: under.tick,
        about: under.note.writtenId,
        says: [says.rub(role, beats, countAt(bar, under.tick), bar.number)],
        sameAs: nameOfPhrase(role),
        remedies: remediesOf(played, under, place.v, place.next, memory),
      },
    ];
  });
}

function remediesOf(
  played: PlayedSong,
  under: NoteUnder,
  voiced: VoicedChange,
  next: VoicedChange | null,
  memory: Memory,
): Remedy[] {
  const written = ({ symbol, why }: StandIn): Remedy => ({
    offer: offers.anotherChord(typeset(symbol), why),
    edit: { kind: 'change-written', id: under.change.writtenId, symbol },
  });
  const { chord, key } = voiced;
  const { midi } = under.note;
  const following = next?.chord ?? null;
  const name = [midi, symbolOf(chord), following ? symbolOf(following) : '', keyName(key)].join('|');
  const { near, far } = memory.of<StandIns>('chords to stand in')(name, [], () =>
    standInsOf(midi, chord, following, key),
  );
  const all = [
    ...leftOut(under, voiced),
    ...near.map(written),
    ...movedAway(played, under),
    ...far.map(written),
  ];
  return [...new Map(all.map((fix) => [JSON.stringify(fix.edit), fix])).values()];
}

interface StandIn {
  readonly symbol: string;
  readonly why: Phrase;
}

interface StandIns {
  readonly near: StandIn[];
  readonly far: StandIn[];
}

/** Chords a note could have in the place of one it rubs with: near ones of the same role or root, and others of the key. */
function standInsOf(midi: number, chord: Chord, next: Chord | null, key: Key): StandIns {
  const role = roleOf(midi, chord);
  const isRootOnSeventh = role.kind === 'rub' && role.rub === 'root-on-major-seventh';
  // The remedy for the root against a major seventh is the sixth.
  const isSixthFor = (c: Chord): boolean => isRootOnSeventh && ['6', 'm6'].includes(c.type.suffix);
  const isGood = (c: Chord): boolean => ['member', 'tension'].includes(roleOf(midi, c).kind);
  const sameRole = neighboursOf(chord, next, key)
    .filter((n) => n.isSameRole && isGood(n.chord))
    .map((n) => ({ symbol: symbolOf(n.chord), why: n.why }));
  const qualities = otherQualities(chord, isGood)
    .filter((c) => keepsThird(chord, c))
    .sort((a, b) => Number(isSixthFor(b)) - Number(isSixthFor(a)))
    .map((c) => ({ symbol: symbolOf(c), why: offers.anotherQuality() }));
  const others = chordsHolding(midi, key)
    .filter((h) => h.outside === 0 && symbolOf(h.chord) !== symbolOf(chord))
    .map((h) => ({ symbol: symbolOf(h.chord), why: h.why }));
  return {
    near: [...sameRole.slice(0, MOST_OF_A_KIND), ...qualities.slice(0, MOST_OF_A_KIND)],
    far: others.slice(0, MOST_OF_A_KIND),
  };
}

/** A change of quality that turns major into minor is another chord, not a remedy of this one. */
function keepsThird(from: Chord, to: Chord): boolean {
  const [a, b] = [qualityOf(from), qualityOf(to)];
  return a.third === b.third || b.isSuspended;
}

function leftOut({ role, change }: NoteUnder, { voicing, chord }: VoicedChange): Remedy[] {
  const keys = voicing.keys.filter((key) => key % 12 !== role.against);
  if (role.against === null || keys.length < 2 || keys.length === voicing.keys.length) return [];
  return [
    {
      offer: offers.withoutMember(letterIn(chord, role.against)),
      edit: { kind: 'pin', pin: { changeId: change.id, keys, fingers: null } },
    },
  ];
}

/** The change struck after the note that rubs, when that still leaves it room; or before the note, a beat later. */
function movedAway(played: PlayedSong, { note, change, tick }: NoteUnder): Remedy[] {
  const end = note.tick + note.length;
  if (tick !== change.tick || end >= change.tick + change.length) return [];
  if (change.tick + change.length - end < SHORTEST) return [];
  const edit = { kind: 'change-moved', id: change.writtenId, ticks: end - change.tick } as const;
  return [{ offer: offers.strikeAfter(countAt(barAt(played.bars, end), end)), edit }];
}
