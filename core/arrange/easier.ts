import type { Arrangement } from '../arrangement';
import { easierKeys } from '../effort';
import { levelOf } from '../levels';
import { classNameOf, keyName, type Metre, typeset } from '../music';
import { cutIdForChoice, type Part } from '../parts';
import { fitsMetre, patternsOf } from '../patterns';
import { offers, type Phrase, saysTheSame } from '../sentences';
import {
  applyEdit,
  barAt,
  type Choices,
  changeLeftOut,
  type Profile,
  type Song,
  type SongEdit,
} from '../song';
import { alternativesFor } from '../voicing';
import { arrange } from './song';

/** A way to make a part easier, worked out: what it comes to, not what one would guess. */
export interface EasierBy {
  /** "Play Pulse here". */
  readonly offer: Phrase;
  readonly edit: SongEdit;
  /** Total of the part now and after it, 0–100. */
  readonly from: number;
  readonly to: number;
}

/** Most of them that are offered. */
const MOST_OFFERED = 6;
/** Positions of a chord that are tried. */
const POSITIONS_TRIED = 2;
/** Keys that are tried, the easiest by their own measure. */
const KEYS_TRIED = 2;

type Tried = Pick<EasierBy, 'offer' | 'edit'>;

/**
 * What would make a part easier, the most first: the level below, another pattern or layout, a straighter rhythm, other
 * positions of the chords of its hardest bar, a quick chord left out, another key. Each is arranged and measured; what
 * does not lower the total is not offered.
 */
export function easierBy(song: Song, profile: Profile, index: number): EasierBy[] {
  const now = arrange(song, profile);
  const part = now.parts[index];
  const from = now.efforts[index]?.total ?? 0;
  if (!part || part.settled || from === 0) return [];
  const tried = [...byChoice(now, part), ...inHardestBar(now, index), ...byKey(song, profile)];
  return (
    tried
      .map(({ offer, edit }) => ({ offer, edit, from, to: totalAfter(song, profile, edit, part, index) }))
      .filter(({ to }) => to < from)
      .sort((a, b) => a.to - b.to)
      // The same letters in two octaves are told once, the better of them.
      .filter(({ offer }, i, all) => all.findIndex((other) => saysTheSame(other.offer, offer)) === i)
      .slice(0, MOST_OFFERED)
  );
}

/** The total of the same stretch after an edit; what moves the cuts has no such stretch and counts as no easier. */
function totalAfter(song: Song, profile: Profile, edit: SongEdit, part: Part, index: number): number {
  const after = arrange(applyEdit(song, edit), profile);
  const same = after.parts[index];
  const isThere = same?.fromTick === part.fromTick && same.toTick === part.toTick;
  return isThere ? (after.efforts[index]?.total ?? Infinity) : Infinity;
}

/** Choices for the part, or for the one it follows. */
function byChoice({ song, played, parts }: Arrangement, part: Part): Tried[] {
  const cutId = cutIdForChoice(parts, part, false);
  const choose = (offer: Phrase, choices: Partial<Choices>): Tried => ({
    offer,
    edit: { kind: 'choose-for-part', cutId, choices },
  });
  const { level, pattern, layout, rhythm } = part.choices;
  const row = levelOf(part.choices);
  const { metre } = barAt(played.bars, part.toTick - 1);
  const below = level > 1 ? [choose(offers.levelHere(level - 1), { level: level - 1 })] : [];
  const figures = row.isMoving ? patternsFor(song, metre, pattern) : [];
  return [
    ...below,
    ...figures.map(({ id, name }) => choose(offers.playHere(name), { pattern: id })),
    ...(layout === 'block' && row.chords === 'chosen'
      ? [
          choose(offers.threeNotesInPart(), { layout: 'three' }),
          choose(offers.twoNotesInPart(), { layout: 'shell' }),
        ]
      : []),
    ...(rhythm === 'real' ? [choose(offers.straightRhythm(), { rhythm: 'straight' })] : []),
    ...(row.rightHand === 'fuller' && !['under', 'none'].includes(part.choices.fuller ?? '')
      ? [choose(offers.oneNoteUnder(), { fuller: 'under' })]
      : []),
  ];
}

function patternsFor({ patterns }: Song, metre: Metre, chosen: string): { id: string; name: string }[] {
  return patternsOf(patterns).filter((row) => row.id !== chosen && fitsMetre(row, metre));
}

/** Other positions of the chords of the hardest bar, and quick chords of it left out. */
function inHardestBar(
  { song, profile, played, parts, changes, efforts }: Arrangement,
  index: number,
): Tried[] {
  const number = efforts[index]?.hardestBar;
  const part = parts[index];
  const bar = played.bars.find(
    (b) => b.number === number && b.tick + b.length > part.fromTick && b.tick < part.toTick,
  );
  if (!bar) return [];
  const inBar = changes.filter(
    ({ change }) => change.tick >= bar.tick && change.tick < bar.tick + bar.length,
  );
  const positions = inBar.flatMap(({ change, voicing }): Tried[] =>
    alternativesFor(song, profile, played, parts, change.id)
      .filter((other) => other.voicing.keys.join() !== voicing.keys.join())
      .slice(0, POSITIONS_TRIED)
      .map((other) => ({
        offer: offers.otherPosition(
          typeset(change.symbol),
          other.pitches.map((p) => typeset(classNameOf(p))).join(' '),
        ),
        edit: { kind: 'pin', pin: { changeId: change.id, keys: [...other.voicing.keys], fingers: null } },
      })),
  );
  const quick = inBar
    .filter(({ change }) => change.length < bar.length)
    .flatMap(({ change }): Tried[] => {
      const edit = changeLeftOut(song, change.writtenId);
      return edit ? [{ offer: offers.leaveOut(typeset(change.symbol), bar.number), edit }] : [];
    });
  return [...positions, ...quick];
}

/** The keys in which the song lies best. */
function byKey(song: Song, profile: Profile): Tried[] {
  const own = keyName(song.keyMap[0]);
  return easierKeys(song, profile)
    .filter(({ key }) => keyName(key) !== own)
    .slice(0, KEYS_TRIED)
    .map(({ key, semitones }) => ({
      offer: offers.songInKey(typeset(keyName(key))),
      edit: { kind: 'transposed', key, semitones },
    }));
}
