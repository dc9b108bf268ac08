import { roleOf, soundingKeys } from '../harmony';
import { classNameOf, typeset } from '../music';
import { divide } from '../parts';
import {
  barAt,
  type Change,
  type ChangesEdit,
  freshId,
  placeInBar,
  type PlayedSong,
  type Song,
  unfold,
} from '../song';
import { type Candidate, type Taste } from './tastes';
import { type Ranked, type Slot, suggest, type Suggested } from './suggest';
import { because, type Phrase } from '../sentences';

/** What of a song is to be given chords. */
export type Scope =
  /** Only where there is none yet. */
  | 'gaps'
  /** All that the pianist did not give: gaps, and what was proposed before. */
  | 'proposed'
  /** The whole song anew. */
  | 'all';

/** The written song as it stands, repeats not unfolded: chords are suggested once for each written bar. */
function writtenOnce(song: Song): PlayedSong {
  return unfold({ ...song, playingOrder: [] });
}

/** The suggestion for a song in a taste, keeping what the scope keeps. */
export function suggestFor(
  song: Song,
  taste: Taste,
  scope: Scope,
  triads = false,
  foreignShare = taste === 'colourful' ? FOREIGN_SHARES[0] : 1,
): Suggested {
  const written = writtenOnce(song);
  const kept = written.changes.filter((c) => isKept(c, scope));
  const starts = divide({ ...written, changes: [] }).map((cut) => cut.tick);
  const phraseEnds = starts.filter((tick) => tick > 0);
  return suggest({
    // A tune that goes to another key is followed there.
    played: { ...written, keyMap: soundingKeys(written, starts) },
    phraseEnds,
    taste,
    triads,
    foreignShare,
    fixedAt: (tick) => kept.find((c) => c.tick <= tick && c.tick + c.length > tick)?.chord ?? null,
  });
}

/** Who asks for colour: what part of their points against them chords from outside the key keep, less until one comes. */
const FOREIGN_SHARES = [0.3, 0.1, -0.5];

/** The suggestion for a whole song; one with colour has some, however plain the tune. */
function wholeSet(song: Song, taste: Taste, scope: Scope, triads: boolean): Suggested {
  let found = suggestFor(song, taste, scope, triads);
  if (taste !== 'colourful') return found;
  for (const share of FOREIGN_SHARES.slice(1)) {
    if (found.chosen.some(({ isForeign }) => isForeign)) break;
    found = suggestFor(song, taste, scope, triads, share);
  }
  return found;
}

function isKept(change: Pick<Change, 'given' | 'symbol'>, scope: Scope): boolean {
  if (scope === 'all') return false;
  return scope === 'gaps' || change.given;
}

/**
 * Chords for a melody as an edit: as few changes as it allows, what the scope keeps untouched. Null where the song has
 * no melody to go by, or there is no room.
 */
export function chordsFor(song: Song, taste: Taste, scope: Scope, triads = false): ChangesEdit | null {
  if (song.melody.length === 0) return null;
  const { slots, chosen } = wholeSet(song, taste, scope, triads);
  const kept = song.changes.filter((c) => isKept(c, scope));
  const made: Change[] = [];
  let number = song.changes.length + 1;
  slots.forEach((slot, i) => {
    if (kept.some((c) => c.tick <= slot.tick && c.tick + c.length > slot.tick)) return;
    const end = Math.min(
      slot.tick + slot.length,
      ...kept.flatMap((c) => (c.tick > slot.tick ? [c.tick] : [])),
    );
    const last = made[made.length - 1];
    if (last && last.symbol === chosen[i].symbol && last.tick + last.length === slot.tick) {
      made[made.length - 1] = { ...last, length: end - last.tick };
      return;
    }
    const id = freshId(song, number);
    number = Number(id.slice(1)) + 1;
    made.push({
      id,
      tick: slot.tick,
      length: end - slot.tick,
      symbol: chosen[i].symbol,
      given: false,
      layout: null,
    });
  });
  if (made.length === 0) return null;
  return { kind: 'changes-set', what: 'suggested chords', changes: [...kept, ...made] };
}

/** A suggestion for one place, with what speaks for it. */
export interface Suggestion {
  readonly symbol: string;
  readonly behind: number;
  readonly why: readonly Phrase[];
}

const MOST = 8;

/** Ranked chords for a change, by its written id, everything else solved round each; its own first if it is best. */
export function suggestionsAt(song: Song, changeId: string, taste: Taste, triads = false): Suggestion[] {
  const change = song.changes.find((c) => c.id === changeId);
  if (!change || song.melody.length === 0) return [];
  const others = { ...song, changes: song.changes.filter((c) => c.id !== changeId) };
  const result = suggestFor(others, taste, 'gaps', triads);
  const at = result.slots.findIndex(
    (slot) => slot.tick <= change.tick && slot.tick + slot.length > change.tick,
  );
  if (at < 0) return [];
  const next = result.chosen.slice(at + 1).find((c) => c.symbol !== result.chosen[at].symbol) ?? null;
  const played = writtenOnce(song);
  return result.ranked[at].slice(0, MOST).map(({ candidate, behind }: Ranked) => ({
    symbol: candidate.symbol,
    behind,
    why: whyFor(played, result.slots[at], candidate, next),
  }));
}

/** "holds the long E, leads by a fifth to Dm". */
function whyFor(played: PlayedSong, slot: Slot, candidate: Candidate, next: Candidate | null): Phrase[] {
  const bar = barAt(played.bars, slot.tick);
  const notes = played.melody
    .filter((n) => !n.grace && n.tick < slot.tick + slot.length && n.tick + n.length > slot.tick)
    .sort((a, b) => weightOf(b, bar) - weightOf(a, bar));
  const held = notes.find((n) => roleOf(n.midi, candidate.chord).kind === 'member');
  const rubs = notes.find((n) => roleOf(n.midi, candidate.chord).kind === 'rub');
  const letter = (note: (typeof notes)[number]): string => typeset(classNameOf(note.pitch));
  const fall = next ? (candidate.degree - next.degree + 12) % 12 : -1;
  return [
    candidate.why,
    ...(held ? [because.holds(letter(held), held.length >= bar.length / 2)] : []),
    ...(rubs ? [because.rubsWith(letter(rubs))] : []),
    ...(next && fall === 7 ? [because.leadsByFifth(typeset(next.symbol))] : []),
    ...(next && [1, 2, 10, 11].includes(fall) ? [because.movesByStep(typeset(next.symbol))] : []),
    ...(slot.endsPhrase && candidate.degree === 0 ? [because.closesPhrase()] : []),
    ...(slot.endsPhrase && candidate.degree === 7 ? [because.leavesOpen()] : []),
  ];
}

function weightOf(note: PlayedSong['melody'][number], bar: ReturnType<typeof barAt>): number {
  return note.length * (1 + placeInBar(bar, Math.max(bar.tick, note.tick)).strength);
}
