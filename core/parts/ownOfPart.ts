import { type ChoiceName, ownChoicesAt, type Song, type SongEdit } from '../song';
import { cutIdForChoice } from './cutting';
import type { Part } from './parts';
import { OWN_CHOICES } from './sharing';

/** What a part has of its own over the song's choices, and the cuts it is stored at; null for nothing. */
export interface OwnOfPart {
  readonly cutIds: readonly string[];
  readonly names: readonly ChoiceName[];
}

/**
 * What was chosen for a part alone, as far as it is played: one that follows another has that part's choices and, of what is
 * stored for itself, only what a follower keeps. A part kept as learned has none that could be given back.
 */
export function ownOfPart(song: Song, parts: readonly Part[], part: Part): OwnOfPart | null {
  if (part.settled) return null;
  const leader = part.sharesWith === null ? null : parts[part.sharesWith - 1];
  const grown = Object.keys(song.partSettings[part.cutId]?.grown ?? {}) as ChoiceName[];
  const isOfFollower = (name: ChoiceName): boolean => OWN_CHOICES.some((own) => own === name);
  const kept = ownChoicesAt(song, part.cutId).filter(
    (name) => !leader || grown.includes(name) || isOfFollower(name),
  );
  const led = leader ? ownChoicesAt(song, leader.cutId).filter((name) => !isOfFollower(name)) : [];
  const names = [...new Set([...kept, ...led])];
  return names.length === 0 ? null : { cutIds: leader ? [part.cutId, leader.cutId] : [part.cutId], names };
}

/** The edit that chooses a level where it is the level of a part: its own where it has one, else the song's. */
export function levelEdit(song: Song, parts: readonly Part[], part: Part, level: number): SongEdit {
  const grown = song.partSettings[part.cutId]?.grown;
  if (grown?.level !== undefined) return { kind: 'grown', cutId: part.cutId, choices: { ...grown, level } };
  const cutId = cutIdForChoice(parts, part, false);
  const isOwn = song.partSettings[cutId]?.choices.level !== undefined;
  return isOwn
    ? { kind: 'choose-for-part', cutId, choices: { level } }
    : { kind: 'choose', choices: { level } };
}
