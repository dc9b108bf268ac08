import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { pathsIn, songs, textOf, withValue, WRONG } from '../testing';
import { DEFAULT_PROFILE, profileSchema } from './profile';
import { migrateSong, SongShapeError } from './migrate';
import { emptySong } from './emptySong';
import { songName } from './names';
import { SCHEMA_VERSION, type Song, songSchema } from './schema';

const note = (id: string, tick: number, length: number): Song['melody'][number] => ({
  id,
  tick,
  length,
  pitch: { letter: 'A', alter: 0, octave: 4 },
  tiedToNext: false,
  lyric: null,
  grace: false,
});
const repeated: Song = {
  ...emptySong('r', 'Repeated'),
  metreMap: [{ tick: 0, numerator: 3, denominator: 4 }],
  pickup: 960,
  barCount: 4,
  melody: [
    note('up', 0, 960),
    note('a', 960, 2880),
    note('b', 3840, 2880),
    note('c', 6720, 2880),
    note('d', 9600, 2880),
  ],

  playingOrder: [
    { fromBar: 0, toBar: 2 },
    { fromBar: 1, toBar: 1 },
    { fromBar: 3, toBar: 4 },
  ],
};

const copyOf = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** Why a stored song is refused; empty where it is not. */
function whyRefused(stored: unknown): string {
  try {
    migrateSong(stored);
    return '';
  } catch (error) {
    if (error instanceof SongShapeError) return error.message;
    throw error;
  }
}

describe('shape and migration', () => {
  it('accepts every random song and gives it back the same', () => {
    fc.assert(
      fc.property(songs, (song) => {
        expect(songSchema.parse(song)).toEqual(song);
      }),
    );
  });

  it('brings version 0 up to date and leaves the old copy alone', () => {
    const { imported: _i, thinningRefused: _t, ...rest } = emptySong('old', 'Old');
    const old = { ...rest, schemaVersion: 0 };
    const copy = copyOf(old);
    expect(migrateSong(old)).toEqual(emptySong('old', 'Old'));
    expect(old).toEqual(copy);
  });

  it('gives songs of before tags and versions neither', () => {
    const { tags, version, ...rest } = emptySong('old', 'Old');
    expect(migrateSong({ ...rest, schemaVersion: 8 })).toEqual({ ...rest, tags, version });
    expect([tags, version]).toEqual([[], null]);
    const told = { ...rest, tags: ['Ann'], version: { of: 'first', name: 'for Ann' } };
    expect(migrateSong(told)).toEqual(told);
    expect(songName(migrateSong(told))).toBe('Old · for Ann');
    expect(() => migrateSong({ ...told, version: { of: 'first', name: '' } })).toThrow(
      /which version it is/i,
    );
  });

  it('turns names into codes: kinds of fills, what reading found, choices and low fifths', () => {
    const song = emptySong('old', 'Old');
    const pattern = {
      id: 'p',
      name: 'P',
      base: 'root',
      beats: 2,
      events: [{ onset: 0, length: 1, members: [1, 'second bass'] }],
    };
    const migrated = migrateSong({
      ...song,
      schemaVersion: 7,
      choices: { ...song.choices, thumb: 'off black', ending: 'in time' },
      partSettings: { cut0: { name: null, sameAs: null, choices: { thumb: 'on black' } } },
      imported: [{ tick: 0, text: 'Bar 3 does not add up.' }],
      fillsTaken: [{ id: 'walk:c1', kind: 'bass walk', variant: 'by step from below' }],
      patterns: [pattern],
    });
    expect(migrated.choices).toMatchObject({ thumb: 'off-black', ending: 'in-time' });
    expect(migrated.partSettings['cut0'].choices.thumb).toBe('on-black');
    expect(migrated.imported).toEqual([
      { tick: 0, said: { code: 'asTold', facts: ['Bar 3 does not add up.'] } },
    ]);
    expect(migrated.fillsTaken).toEqual([{ id: 'walk:c1', kind: 'walk', variant: 'step-from-below' }]);
    expect(migrated.patterns[0].events[0].members).toEqual([1, 'second-bass']);
    expect(
      profileSchema.parse({
        ...DEFAULT_PROFILE,
        experience: undefined,
        level: 'first year',
        landmarks: 'black keys',
      }),
    ).toMatchObject({
      experience: 'first-year',
      landmarks: 'black-keys',
    });
  });

  it('writes a key without a signature as the one that has one, and says so', () => {
    const song = migrateSong({
      ...emptySong('b', 'B sharp'),
      keyMap: [{ tick: 0, tonic: { letter: 'B', alter: 1 }, mode: 'major' }],
    });
    expect(song.keyMap).toEqual([{ tick: 0, tonic: { letter: 'C', alter: 0 }, mode: 'major' }]);
    expect(song.imported.map(textOf)).toEqual([
      'B♯ major has more than seven accidentals; it is written as C major, which sounds the same.',
    ]);
  });

  it('leaves groups of a metre that do not add up out, and words what cannot be worded here as it stands', () => {
    const song = emptySong('odd', 'Odd');
    const migrated = migrateSong({
      ...song,
      metreMap: [{ tick: 0, numerator: 7, denominator: 8, groups: [3, 3, 3] }],
      imported: [{ tick: 0, said: { code: 'noSuch', facts: ['x'] } }],
    });
    expect(migrated.metreMap).toEqual([{ tick: 0, numerator: 7, denominator: 8 }]);
    expect(migrated.imported.map(textOf)).toEqual([
      'noSuch ["x"]',
      'The groups 3+3+3 do not add up to 7/8: it is counted as usual. Set it in Tune › Bars.',
    ]);
  });

  it('says what is wrong in words, whatever is in whatever place, and no name of the program', () => {
    const song = { ...repeated, melody: repeated.melody.slice(0, 1), changes: repeated.changes.slice(0, 1) };
    for (const path of pathsIn(song))
      for (const wrong of WRONG) {
        const why = whyRefused(withValue(song, path, wrong));
        expect([path, why]).toEqual([
          path,
          expect.not.stringMatching(/[a-z][A-Z]|\w\.\w|undefined|NaN|Invalid/),
        ]);
      }
  });

  it('names the place that does not fit', () => {
    expect(() => migrateSong({ ...repeated, melody: [{ ...note('a', 0, 1), tick: -1 }] })).toThrow(
      /^Note 1, where it begins: it is less than 0\.$/,
    );
    const two = copyOf(repeated) as unknown as Record<string, unknown>;
    const older = {
      ...two,
      schemaVersion: 2,
      cuts: [{ id: 'mine', tick: 960, locked: false }],
      sections: [{ id: 's1', tick: 0, name: 'A', energy: 3 }],
      settled: [{ cutId: 'cut0', voicings: [] }],
    };
    delete (older as Record<string, unknown>)['division'];
    const migrated = migrateSong(older);
    // Cuts placed by hand stay exactly as they are; sections are of even loudness.
    expect(migrated.division.method).toBe('own');
    expect(migrated.sections[0].dynamics).toBe('even');
    expect(migrated.settled[0].fingers).toEqual([]);
    expect(migrated.closeHands).toEqual([]);
    expect(migrateSong({ ...older, cuts: [] }).division.method).toBe('phrase');
    expect(() => migrateSong({ ...repeated, schemaVersion: 99 })).toThrow(/newer version/);
    expect(() => migrateSong('text')).toThrow(SongShapeError);
  });
});

describe('a song of version 9', () => {
  /** The names of then, wherever they stood. */
  const ofThen = (value: unknown, at = ''): unknown => {
    if (Array.isArray(value)) return value.map((item) => ofThen(item, at));
    if (typeof value !== 'object' || value === null) return value;
    const isChoices = ['choices', 'grown'].includes(at);
    const names: Record<string, string> = {
      ...(isChoices ? { level: 'rung' } : {}),
      ...(at === 'division' ? { method: 'school', depth: 'level' } : {}),
      ...(at === 'frame' ? { method: 'school' } : {}),
    };
    return Object.fromEntries(
      Object.entries(value).map(([name, inner]) => [names[name] ?? name, ofThen(inner, name)]),
    );
  };

  it('opens the same under the names of today', () => {
    const settled = { ...emptySong('s', 'S').choices, level: 6 };
    const framed = {
      ...DEMO_SONGS[0],
      sections: DEMO_SONGS[0].sections.map((section) => ({
        ...section,
        frame: {
          kind: 'intro' as const,
          ticks: 960,
          pickup: 0,
          resumes: false,
          kept: [],
          method: 'halves' as const,
        },
      })),
      partSettings: { cut0: { name: null, sameAs: null, choices: { level: 2 }, grown: { level: 7 } } },
      settled: [
        {
          cutId: 'cut0',
          choices: settled,
          isRaised: false,
          voicings: [],
          keys: null,
          fills: [],
          fingers: [],
        },
      ],
    };
    for (const song of [...DEMO_SONGS, framed]) {
      const then = { ...(ofThen(song) as object), schemaVersion: 9 };
      expect(JSON.stringify(then)).toContain('"rung"');
      expect(JSON.stringify(then)).not.toMatch(/"(?:level|method)":"/);
      expect(migrateSong(then)).toEqual(song);
    }
  });
});

it('a song of version 12 gets room for who wrote it and for whom its handout is', () => {
  const { credits: _c, handout: _h, ...old } = emptySong('old', 'Old');
  expect(migrateSong({ ...old, schemaVersion: 12 })).toEqual({
    ...old,
    schemaVersion: SCHEMA_VERSION,
    credits: { words: '', music: '' },
    handout: { for: '', from: '', lines: {} },
  });
});

describe('a song of version 4', () => {
  const old = (): Record<string, unknown> => {
    const { patterns: _p, fillsTaken: _f, ...song } = emptySong('old', 'Old');
    return {
      ...song,
      schemaVersion: 4,
      choices: { ...song.choices, pattern: 'Low, then chord', rung: 5 },
      partSettings: { cut0: { name: null, sameAs: null, choices: { pattern: 'Waltz', layout: 'shell' } } },
      settled: [
        {
          cutId: 'cut0',
          voicings: [{ changeId: 'c1', keys: [48, 52, 55], fingers: null }],
          fingers: [{ from: 'c1', after: 0, midi: 48, finger: 5 }],
        },
      ],
    };
  };

  it('opens with patterns by id, and its settled parts frozen from what they store', () => {
    const song = migrateSong(old());
    expect(song.schemaVersion).toBe(SCHEMA_VERSION);
    expect(song.choices.pattern).toBe('low-then-chord');
    expect(song.partSettings['cut0'].choices.pattern).toBe('waltz');
    const [settled] = song.settled;
    expect(settled.choices).toEqual({ ...song.choices, pattern: 'waltz', layout: 'shell' });
    expect(settled).toMatchObject({ isRaised: false, keys: null, fills: [] });
    expect(settled.voicings.map((pin) => pin.keys)).toEqual([[48, 52, 55]]);
    expect(settled.fingers.map((f) => f.finger)).toEqual([5]);
    expect([song.patterns, song.fillsTaken]).toEqual([[], []]);
  });
});
