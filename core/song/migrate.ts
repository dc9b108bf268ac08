import { canBeGrouped, keyName, metreName, withSignature, withSigns } from '../music';
import { renamed } from '../schemas';
import { fillIds, imports, type Phrase, storedPhrase } from '../sentences';
import { inOrder, meaningProblem } from './meaning';
import { DEFAULT_DIVISION } from './emptySong';
import { firstIssue } from './issues';
import { SCHEMA_VERSION, type Song, songSchema } from './schema';

/** A stored or exported song that cannot be opened; the message is a sentence with the place in the song. */
export class SongShapeError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'SongShapeError';
  }
}

type Migration = (old: Record<string, unknown>) => Record<string, unknown>;

/**
 * `MIGRATIONS[n]` turns version n into n + 1. Version 0 is the shape before songs carried import findings,
 * version 1 before words without notes, findings left as they are, and octaves for learning, version 2 before the
 * methods of cutting, version 3 before hands that are close had a choice of their own, version 4 before patterns had
 * ids, fills were taken by id, and settled parts kept everything, version 5 before single fingers could be pinned,
 * version 6 before fills had measures and notes of their own and songs a frame, version 7 before kinds of fills, what
 * reading found and some choices were codes, version 8 before songs had tags and versions, version 9 before a level, and a
 * method of cutting, had those names, and a song a profile and notes of its own, version 10 before there were own bars, version 11 before styles had
 * a pedal, version 12 before it said who wrote it and for whom its handout is.
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
  2: (old) => ({
    ...old,
    schemaVersion: 3,
    sections: listOf(old['sections']).map((section) => ({ dynamics: 'even', ...section })),
    settled: listOf(old['settled']).map((part) => ({ fingers: [], ...part })),
    division: { ...DEFAULT_DIVISION, ...(hasCuts(old) ? { method: 'own' } : {}) },
  }),
  3: (old) => ({ ...old, schemaVersion: 4, closeHands: [] }),
  4: (old) => ({
    ...old,
    schemaVersion: 5,
    choices: withPatternId(old['choices']),
    partSettings: Object.fromEntries(
      Object.entries(recordOf(old['partSettings'])).map(([cutId, settings]) => [
        cutId,
        { ...recordOf(settings), choices: withPatternId(recordOf(settings)['choices']) },
      ]),
    ),
    settled: listOf(old['settled']).map((part) => ({
      choices: choicesFor(old, recordOf(part)['cutId']),
      isRaised: false,
      keys: null,
      fills: [],
      ...part,
    })),
    patterns: [],
    fillsTaken: [],
  }),
  5: (old) => ({ ...old, schemaVersion: 6, fingerPins: [] }),
  6: (old) => ({ ...old, schemaVersion: 7 }),
  7: (old) => ({
    ...old,
    schemaVersion: 8,
    choices: withCodes(old['choices']),
    partSettings: Object.fromEntries(
      Object.entries(recordOf(old['partSettings'])).map(([cutId, settings]) => {
        const { choices, grown, ...rest } = recordOf(settings);
        const own = grown === undefined ? {} : { grown: withCodes(grown) };
        return [cutId, { ...rest, choices: withCodes(choices), ...own }];
      }),
    ),
    settled: listOf(old['settled']).map((part) => {
      const { choices, ...rest } = recordOf(part);
      return { ...rest, choices: choices === null ? null : withCodes(choices) };
    }),
    patterns: listOf(old['patterns']).map((pattern) => {
      const { events, ...rest } = recordOf(pattern);
      return { ...rest, events: listOf(events).map(withLowFifth) };
    }),
    imported: listOf(old['imported']).map((entry) => {
      const { tick, text } = recordOf(entry);
      return { tick, said: typeof text === 'string' ? imports.asTold(text) : text };
    }),
    fillsTaken: listOf(old['fillsTaken']).map((fill) => {
      const { kind, variant } = recordOf(fill);
      return { ...fill, ...fillIds(String(kind), String(variant)) };
    }),
  }),
  8: (old) => ({ ...old, schemaVersion: 9, tags: [], version: null }),
  9: (old) => ({
    ...old,
    schemaVersion: 10,
    profile: null,
    notes: '',
    division: renamed(old['division'], { school: 'method', level: 'depth' }),
    sections: withinEach(old['sections'], 'frame', (frame) => renamed(frame, { school: 'method' })),
    choices: withLevel(old['choices']),
    settled: withinEach(old['settled'], 'choices', withLevel),
    partSettings: Object.fromEntries(
      Object.entries(recordOf(old['partSettings'])).map(([cutId, settings]) => [
        cutId,
        within(within(settings, 'choices', withLevel), 'grown', withLevel),
      ]),
    ),
  }),
  10: (old) => ({ ...old, schemaVersion: 11, ownBars: [] }),
  11: (old) => ({ ...old, schemaVersion: 12, choices: withPedalOfStyle(old['choices']) }),
  12: (old) => ({
    ...old,
    schemaVersion: 13,
    credits: { words: '', music: '' },
    handout: { for: '', from: '', lines: {} },
  }),
};

/** A change that lasts no time or begins before the song is left out, and said; the rest goes on. */
function withoutImpossibleChanges(song: Record<string, unknown>): Record<string, unknown> {
  if (!Array.isArray(song['changes'])) return song;
  // Members that are no records stay: the check of the shape names them.
  const all = song['changes'].map(recordOf) as { tick?: unknown; length?: unknown; symbol?: unknown }[];
  const isPossible = ({ tick, length }: (typeof all)[number]): boolean =>
    typeof tick !== 'number' || typeof length !== 'number' || (tick >= 0 && length >= 1);
  if (all.every(isPossible)) return song;
  const said = all
    .filter((change) => !isPossible(change))
    .map(({ tick, symbol }) => ({
      tick: Math.max(0, Math.round(Number(tick))),
      said: imports.chordLeftOut(
        typeof symbol === 'string' ? symbol.slice(0, 40) : '?',
        Number(tick) < 0 ? 'too-early' : 'no-length',
      ),
    }));
  const changes = song['changes'].filter((_, i) => isPossible(all[i]));
  return { ...song, changes, imported: [...listOf(song['imported']), ...said] };
}

/** Choices whose codes had spaces in them. */
function withCodes(stored: unknown): unknown {
  if (typeof stored !== 'object' || stored === null) return stored;
  const { thumb, ending, ...rest } = recordOf(stored);
  const code = (value: unknown): unknown => (typeof value === 'string' ? value.replaceAll(' ', '-') : value);
  return {
    ...rest,
    ...(thumb === undefined ? {} : { thumb: code(thumb) }),
    ...(ending === undefined ? {} : { ending: code(ending) }),
  };
}

/** A song that was pedalled with each chord had that from the beginning. */
function withPedalOfStyle(stored: unknown): unknown {
  const choices = recordOf(stored);
  return choices['pedal'] === 'change' ? { ...choices, pedal: 'auto' } : stored;
}

function withLowFifth(event: object): object {
  const { members, ...rest } = recordOf(event);
  if (!Array.isArray(members)) return event;
  return {
    ...rest,
    members: members.map((member: unknown) =>
      typeof member === 'string' ? member.replaceAll(' ', '-') : member,
    ),
  };
}

/** Groups of a metre that do not add up are left out, and said; it is counted as usual. */
function withoutImpossibleGroups(song: Record<string, unknown>): Record<string, unknown> {
  if (!Array.isArray(song['metreMap'])) return song;
  const said: object[] = [];
  const metreMap = song['metreMap'].map((entry: unknown) => {
    const { groups, ...metre } = recordOf(entry);
    if (!Array.isArray(groups)) return entry;
    const named = { numerator: Number(metre['numerator']), denominator: Number(metre['denominator']) };
    if (canBeGrouped(named, groups as number[])) return entry;
    const numbers = groups.filter((size) => typeof size === 'number').slice(0, 64);
    said.push({ tick: metre['tick'], said: imports.groupsLeftOut(numbers, metreName(named)) });
    return metre;
  });
  return said.length === 0 ? song : { ...song, metreMap, imported: [...listOf(song['imported']), ...said] };
}

function withLevel(choices: unknown): unknown {
  return renamed(choices, { rung: 'level' });
}

/** A stored record with one of its fields changed where it has it. */
function within(stored: unknown, field: string, change: (value: unknown) => unknown): unknown {
  const record = recordOf(stored);
  return field in record ? { ...record, [field]: change(record[field]) } : stored;
}

function withinEach(stored: unknown, field: string, change: (value: unknown) => unknown): unknown {
  return Array.isArray(stored) ? stored.map((item: unknown) => within(item, field, change)) : stored;
}

function recordOf(stored: unknown): Record<string, unknown> {
  return typeof stored === 'object' && stored !== null ? (stored as Record<string, unknown>) : {};
}

/** Choices with the pattern by its id: "Low, then chord" was stored by name. */
function withPatternId(stored: unknown): unknown {
  const { pattern, ...rest } = recordOf(stored);
  if (typeof pattern !== 'string') return stored ?? {};
  return { ...rest, pattern: pattern.toLowerCase().replace(/[^a-z0-9]+/g, '-') || 'auto' };
}

/** What held for a part when it was settled: the song's choices and its own. */
function choicesFor(old: Record<string, unknown>, cutId: unknown): unknown {
  const settings = recordOf(recordOf(old['partSettings'])[String(cutId)]);
  return { ...recordOf(withPatternId(old['choices'])), ...recordOf(withPatternId(settings['choices'])) };
}

/** The members of a stored list that are records; what is none is left for the check of the shape to name. */
function listOf(stored: unknown): object[] {
  return Array.isArray(stored)
    ? stored.filter((item): item is object => typeof item === 'object' && item !== null)
    : [];
}

function hasCuts(old: Record<string, unknown>): boolean {
  return Array.isArray(old['cuts']) && old['cuts'].length > 0;
}

/**
 * A song of this version from stored JSON of this or an older version; the input is left as it is.
 * Throws {@link SongShapeError} naming the first place that does not fit, in shape or in meaning.
 */
export function migrateSong(stored: unknown): Song {
  if (typeof stored !== 'object' || stored === null)
    throw new SongShapeError('There is no song in this file.');
  let current = stored as Record<string, unknown>;
  const version = current['schemaVersion'];
  if (!Number.isInteger(version) || Number(version) < 0)
    throw new SongShapeError('The song does not say of which version it is.');
  const from = Number(version);
  if (from > SCHEMA_VERSION) {
    throw new SongShapeError(
      `The song was saved by a newer version (${from}; this one reads ${SCHEMA_VERSION}).`,
    );
  }
  for (let at = from; at < SCHEMA_VERSION; at++) {
    const step = MIGRATIONS[at];
    if (!step) throw new SongShapeError(`Songs of version ${at} can no longer be read.`);
    current = step(current);
  }
  return checkedSong(withoutImpossibleGroups(withoutImpossibleChanges(current)));
}

/**
 * A song of this version that comes from outside, checked by shape and by meaning, its lists in time. Throws
 * {@link SongShapeError} naming the first place that does not fit.
 */
export function checkedSong(read: unknown): Song {
  const result = songSchema.safeParse(read, { reportInput: true });
  if (!result.success) throw new SongShapeError(firstIssue(result.error));
  const song = inOrder(withSayings(withSignatures(result.data)));
  const problem = meaningProblem(song);
  if (problem) throw new SongShapeError(problem);
  return song;
}

/** A key without a signature is written as the one that sounds the same, and said. */
function withSignatures(song: Song): Song {
  const written = song.keyMap.map((entry) => ({ tick: entry.tick, ...withSignature(entry) }));
  const said = song.keyMap.flatMap((key, i) =>
    keyName(key) === keyName(written[i])
      ? []
      : [
          {
            tick: key.tick,
            said: imports.keyRespelled(withSigns(keyName(key)), withSigns(keyName(written[i]))),
          },
        ],
  );
  if (said.length === 0) return song;
  return { ...song, keyMap: written, imported: [...song.imported, ...said] as Song['imported'] };
}

/** What reading found, as far as it can be worded here; what a newer version or another hand wrote is shown as it stands. */
function withSayings(song: Song): Song {
  const isKnown = ({ said: { code, facts } }: Song['imported'][number]): boolean =>
    storedPhrase(code, facts as Phrase['facts']) !== null;
  if (song.imported.every(isKnown)) return song;
  const imported = song.imported.map((entry) =>
    isKnown(entry)
      ? entry
      : {
          ...entry,
          said: {
            code: 'asTold',
            facts: [`${entry.said.code} ${JSON.stringify(entry.said.facts)}`.slice(0, 400)],
          },
        },
  );
  return { ...song, imported };
}
