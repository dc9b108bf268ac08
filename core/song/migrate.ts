import * as z from 'zod';
import { SCHEMA_VERSION, type Song, songSchema } from './schema';

/** A stored or exported song that cannot be opened; the message names the place in the file. */
export class SongShapeError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'SongShapeError';
  }
}

type Migration = (old: Record<string, unknown>) => Record<string, unknown>;

/**
 * `MIGRATIONS[n]` turns version n into n + 1. Version 0 is the shape before songs carried import findings,
 * version 1 before words without notes, findings left as they are, and octaves for learning.
 */
const MIGRATIONS: Record<number, Migration> = {
  0: (old) => ({
    ...old,
    schemaVersion: 1,
    imported: old['imported'] ?? [],
    thinningRefused: old['thinningRefused'] ?? [],
  }),
  1: (old) => ({
    ...old,
    schemaVersion: 2,
    words: [],
    spareWords: '',
    dismissed: [],
    choices: { shownOctave: 0, ...(old['choices'] as object) },
  }),
};

/**
 * A song of this version from stored JSON of this or an older version; the input is left as it is.
 * Throws {@link SongShapeError} naming the first place that does not fit.
 */
export function migrateSong(stored: unknown): Song {
  if (typeof stored !== 'object' || stored === null)
    throw new SongShapeError('There is no song in this file.');
  let current = stored as Record<string, unknown>;
  const version = current['schemaVersion'];
  if (typeof version !== 'number') throw new SongShapeError('The song does not say its schemaVersion.');
  if (version > SCHEMA_VERSION) {
    throw new SongShapeError(
      `The song was saved by a newer version (${version}; this one reads ${SCHEMA_VERSION}).`,
    );
  }
  for (let at = version; at < SCHEMA_VERSION; at++) {
    const step = MIGRATIONS[at];
    if (!step) throw new SongShapeError(`Songs of version ${at} can no longer be read.`);
    current = step(current);
  }
  const result = songSchema.safeParse(current);
  if (!result.success) throw new SongShapeError(firstIssue(result.error, 'song'));
  return result.data;
}

/** "song.melody.3.tick: expected number" as a sentence. */
export function firstIssue(error: z.ZodError, root: string): string {
  const issue = error.issues[0];
  return `${[root, ...issue.path.map(String)].join('.')}: ${issue.message}.`;
}
