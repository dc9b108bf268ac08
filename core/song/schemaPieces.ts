import * as z from 'zod';
import '../schemas';
import { wellFormed } from './texts';

/** A text of at most so many letters (UTF-16). */
export const text = (most: number) => z.string().overwrite(wellFormed).max(most);
export const tick = z.number().int().min(0).max(100_000_000);
export const id = z.string().min(1).max(64);
const letter = z.enum(['C', 'D', 'E', 'F', 'G', 'A', 'B']);

export const pitchClassSchema = z.object({ letter, alter: z.number().int().min(-2).max(2) });
export const pitchSchema = pitchClassSchema.extend({ octave: z.number().int().min(-1).max(9) });
export const metre = z.object({
  numerator: z.number().int().min(1).max(64),
  denominator: z.union([
    z.literal(1),
    z.literal(2),
    z.literal(4),
    z.literal(8),
    z.literal(16),
    z.literal(32),
  ]),
  /** How its units are grouped; absent: as is usual. */
  groups: z.array(z.number().int().min(1).max(4)).max(64).optional(),
});

export const LAYOUTS = [
  'block',
  'three',
  'root',
  'partial',
  'shell',
  'fifth',
  'fifth-octave',
  'rootless',
  'tenth',
  'under-melody',
  'under-melody-long',
  'singing',
] as const;
export const layoutSchema = z.enum(LAYOUTS);

/** What the right hand may strike with strong notes of its tune. */
/** The right hand is as full as each phrase is strong. */
export const BY_PHRASE = 'by-phrase';
export const FULLER = ['under', 'above', 'two-under', 'octave', 'frame', 'chord'] as const;

/** What is struck with one note of the tune, by hand. */
export const HARMONIES = [
  'third-under',
  'sixth-under',
  'chord-under',
  'two-under',
  'octave-under',
  'drone',
  'third-above',
  'sixth-above',
  'chord-above',
  'two-above',
  'octave-above',
  'keys',
  'none',
] as const;
export const harmonySchema = z.object({
  how: z.enum(HARMONIES),
  /** The very keys, for "keys". */
  keys: z.array(pitchSchema).max(9).optional(),
});

export const lyricSchema = z.object({
  text: text(200),
  syllabic: z.enum(['single', 'begin', 'middle', 'end']),
});

export const noteSchema = z.object({
  id,
  tick,
  length: z.number().int().min(0),
  pitch: pitchSchema,
  /** Held on into the next note of the same pitch without being struck again. */
  tiedToNext: z.boolean(),
  lyric: lyricSchema.nullable(),
  /** What is sung to it the second time and further on, null where nothing is; where none is given, the same again. */
  verses: z.array(lyricSchema.nullable()).max(19).optional(),
  /** A grace note: no length of its own, struck just before its tick. */
  grace: z.boolean(),
  /** Its harmony notes, or that it has none; absent: what its level gives it. */
  harmony: harmonySchema.optional(),
  /** The same for the second and further times its bars are played; null: as the first time. */
  harmonies: z.array(harmonySchema.nullable()).max(19).optional(),
});

export const changeSchema = z.object({
  id,
  tick,
  length: z.number().int().min(1),
  /** Chord symbol as written by symbolOf, or as given where it could not be read. */
  symbol: text(40).min(1),
  /** True when the pianist gave it, false when it was proposed. */
  given: z.boolean(),
  layout: layoutSchema.nullable(),
});

/** What the pianist may choose for a song and, differently, for a part. */
export const choicesSchema = z.object({
  layout: layoutSchema,
  /** Id of a pattern, the song's own ones among them; "auto" takes the one that metre and energy suggest. */
  pattern: z.string().min(1).max(64),
  level: z.number().int().min(1).max(7),
  /** Semitones the left hand's usual register is moved, −12 … 12. */
  register: z.number().int().min(-12).max(12),
  /** "auto": as the style has it, without a style with each chord. */
  pedal: z.enum(['auto', 'none', 'change', 'half', 'held', 'end']),
  dynamics: z.enum(['even', 'growing', 'falling']),
  /** The rhythm as written, or a version of it to learn from or to swing into. */
  rhythm: z.enum(['real', 'straight', 'anticipated', 'dotted', 'swung']),
  octaveShift: z.union([z.literal(-1), z.literal(0), z.literal(1)]),
  /** Octaves the right hand is shown away from where it is played, for learning. */
  shownOctave: z.union([z.literal(-1), z.literal(0), z.literal(1)]),
  firstHand: z.enum(['right', 'left', 'chords']),
  /** How often a long chord that is held is struck again; absent: once on the level of blocks, each bar as a pattern. */
  restrike: z.enum(['once', 'bar', 'half']).optional(),
  /** Where the thumb goes in single notes: as is usual, off black keys, or on them as readily as on white; absent: usual. */
  thumb: z.enum(['usual', 'off-black', 'on-black']).optional(),
  /** Of the song: whether its last bars slow down; absent: as the style of its end has it, without one in time. */
  ending: z.enum(['in-time', 'slowing']).optional(),
  /** How much is filled in unasked on the level of fills, and which of many ways; absent: few, the best. */
  fills: z
    .object({
      measure: z.enum(['none', 'few', 'some', 'many']),
      seed: z.number().int().min(0).max(1_000_000),
    })
    .optional(),
  /** The style it is played in on the levels that move, with the pattern "auto"; absent: the one that suits the song. */
  style: z.string().min(1).max(32).optional(),
  /** How the right hand is fuller at the levels where it is, or that it is not; absent: phrase by phrase. */
  fuller: z.enum([...FULLER, 'none', BY_PHRASE]).optional(),
});

/** How a song is cut into parts while the pianist has not placed every cut. */
export const divisionSchema = z.object({
  /** "own": exactly the cuts stored; the others propose cuts round the locked ones. */
  method: z.enum(['phrase', 'types', 'bars', 'halves', 'lines', 'own']),
  /** Bars a part, for the method "bars". */
  bars: z.number().int().min(1).max(64),
  /** 1 halves, 2 quarters, 3 eighths, for the method "halves". */
  depth: z.number().int().min(1).max(3),
});

export const partSettingsSchema = z.object({
  name: text(80).nullable(),
  /** The cut of the part this one is declared the same as: they share voicings. */
  sameAs: id.nullable(),
  choices: choicesSchema.partial(),
  /** What a strain that returns has more of than the time before: its own even where the part follows another. */
  grown: choicesSchema.partial().optional(),
});

const keys = z.array(z.number().int().min(0).max(127)).min(1).max(10);
export const pinSchema = z.object({
  changeId: id,
  keys,
  fingers: z.array(z.number().int().min(1).max(5)).nullable(),
});

/** How hands that come too close at a chord make room: it is let go early, the right hand plays the key both want, or they cross. */
export const CLOSE_HANDS = ['let-go', 'share', 'cross'] as const;

/** A key of a settled part beside the melody, told from the note or change (played id) it comes from. */
export const keptKeySchema = z.object({
  hand: z.enum(['right', 'left']),
  from: id,
  /** Ticks after that one's onset. */
  after: z.number().int().min(-1_000_000).max(1_000_000),
  length: z.number().int().min(0).max(1_000_000),
  pitch: pitchSchema,
  source: z.enum(['harmony', 'chord', 'figure', 'pattern', 'fill', 'own']),
  rolled: z.number().int().min(0).max(10).nullable(),
  /** Struck just before its tick, with no length of its own. */
  grace: z.literal(true).optional(),
});

/** A finger the pianist fixed on one key, told from the note or change (as written) it comes from. */
export const fingerPinSchema = z.object({
  hand: z.enum(['right', 'left']),
  from: id,
  /** Ticks after that one's onset. */
  after: z.number().int().min(-1_000_000).max(1_000_000),
  midi: z.number().int().min(0).max(127),
  finger: z.number().int().min(1).max(5),
});

/**
 * A pattern member: a chord member's number above the root, a key of the voicing (numbers are its place from the bottom),
 * or in a fixed line the very key (MIDI).
 */
const memberSchema = z.union([
  z.number().int().min(1).max(127),
  z.enum(['lowest', 'others', 'all', 'second-bass']),
]);

/** A pattern of the pianist's own. */
export const ownPatternSchema = z.object({
  id: z.string().min(1).max(64),
  name: text(60).min(1),
  base: z.enum(['root', 'voicing', 'keys']),
  /** The metre it was made in, "3/4"; absent: it is played in any. */
  metre: z.string().max(7).optional(),
  /** Its length in beats of a quarter, over one or more bars. */
  beats: z.number().min(0.5).max(64),
  events: z
    .array(
      z.object({
        onset: z.number().min(0).max(64),
        length: z.number().min(0.0625).max(64),
        members: z.array(memberSchema).min(1).max(10),
        /** Struck just before what has the same onset, with no length of its own. */
        grace: z.literal(true).optional(),
      }),
    )
    .min(1)
    .max(256),
});

const factSchema = z.union([
  z.string().max(400),
  z.number(),
  z.boolean(),
  z.null(),
  z.array(z.union([z.string().max(200), z.number()])).max(64),
]);
const plainPhrase = z.object({ code: z.string().max(40), facts: z.array(factSchema).max(12) });
/** What is said by a code and its facts, which may take in others. */
export const saidSchema = z.object({
  code: z.string().max(40),
  facts: z.array(z.union([factSchema, plainPhrase])).max(12),
});

/** How a key is touched: let go at half its length, held for all of it, struck harder. */
export const TOUCHES = ['staccato', 'tenuto', 'accent'] as const;
export type Touch = (typeof TOUCHES)[number];

/** Notes of one hand the pianist wrote, told from a written tick on. */
export const ownBarsSchema = z.object({
  id,
  hand: z.enum(['right', 'left']),
  tick,
  length: z.number().int().min(1).max(100_000_000),
  /** In the place of all that hand would play there, or beside it. */
  how: z.enum(['instead', 'beside']),
  /** The time its bars are played that it is for, from 1; null: each time. */
  pass: z.number().int().min(1).max(1000).nullable(),
  notes: z
    .array(
      z.object({
        /** Ticks after the first. */
        after: z.number().int().min(0).max(100_000_000),
        /** 0 for a grace note. */
        length: z.number().int().min(0).max(100_000_000),
        pitch: pitchSchema,
        grace: z.literal(true).optional(),
        touch: z.enum(TOUCHES).optional(),
        /** The chord it was written over, which it follows when another stands there; absent: the very key stays. */
        over: text(40).min(1).optional(),
      }),
    )
    .max(40_000),
  /** When the pedal is down, as it was written; absent: as the part has it. */
  pedals: z
    .array(
      z.object({
        after: z.number().int().min(0).max(100_000_000),
        length: z.number().int().min(1).max(100_000_000),
      }),
    )
    .max(20_000)
    .optional(),
});
