import * as z from 'zod';
import { renamed } from '../schemas';
import { DEFAULT_CHOICES } from './emptySong';
import type { Song } from './schema';
import { layoutSchema } from './schemaPieces';

/** Profiles of before have codes with spaces. */
function withoutSpaces(code: unknown): unknown {
  return typeof code === 'string' ? code.replaceAll(' ', '-') : code;
}

const shape = z.object({
  id: z.string().min(1).max(64).default('me'),
  /** Whose hands they are. */
  name: z.string().min(1).max(60).default('Me'),
  rightReach: z.union([z.literal(6), z.literal(7), z.literal(8), z.literal(9), z.literal(10)]),
  leftReach: z.union([z.literal(6), z.literal(7), z.literal(8), z.literal(9), z.literal(10)]),
  keyboard: z.union([z.literal(49), z.literal(61), z.literal(73), z.literal(76), z.literal(88)]),
  /** Lowest and highest key (MIDI) of the voice that sings along, or null. */
  singer: z
    .object({ low: z.number().int().min(21).max(108), high: z.number().int().min(21).max(108) })
    .nullable()
    .default(null),
  /** How the first key of a phrase is told: from the nearest C, or by the groups of black keys. */
  landmarks: z.preprocess(withoutSpaces, z.enum(['c', 'black-keys'])).default('c'),
  /** How long one has played: how quickly chords may pass. */
  experience: z
    .preprocess(withoutSpaces, z.enum(['first-year', 'some-years', 'fluent']))
    .default('some-years'),
  /** Chord positions a new song begins with. */
  layout: layoutSchema.default('block'),
});

/** Profiles of before said "level" for how long one has played. */
export const profileSchema = z.preprocess((stored) => renamed(stored, { level: 'experience' }), shape);

export type Profile = Readonly<z.infer<typeof shape>>;

/** What a pianist can do: 1 plays in place, 2 moves the hand, 3 plays wide or quick. */
export const SKILL: Record<Profile['experience'], 1 | 2 | 3> = {
  'first-year': 1,
  'some-years': 2,
  fluent: 3,
};

/** An octave in each hand and a full keyboard. */
export const DEFAULT_PROFILE: Profile = {
  id: 'me',
  name: 'Me',
  rightReach: 8,
  leftReach: 8,
  keyboard: 88,
  singer: null,
  landmarks: 'c',
  experience: 'some-years',
  layout: 'block',
};

/** The profile a song is arranged for: its own where there is such a one, else the first. */
export function profileOf(song: Pick<Song, 'profile'>, profiles: readonly Profile[]): Profile {
  return profiles.find(({ id }) => id === song.profile) ?? profiles[0] ?? DEFAULT_PROFILE;
}

/** A new song, with the chord positions the pianist prefers unless it came with others. */
export function asPreferred(song: Song, profile: Profile): Song {
  if (song.choices.layout !== DEFAULT_CHOICES.layout) return song;
  return { ...song, choices: { ...song.choices, layout: profile.layout } };
}
