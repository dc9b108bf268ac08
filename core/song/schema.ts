import * as z from 'zod';
import '../schemas';
import { MODES } from '../music';
import {
  CLOSE_HANDS,
  FULLER,
  changeSchema,
  choicesSchema,
  divisionSchema,
  fingerPinSchema,
  harmonySchema,
  id,
  keptKeySchema,
  layoutSchema,
  lyricSchema,
  metre,
  noteSchema,
  ownBarsSchema,
  ownPatternSchema,
  partSettingsSchema,
  pinSchema,
  pitchClassSchema,
  pitchSchema,
  saidSchema,
  text,
  tick,
} from './schemaPieces';

/** Version of the stored shape; raise it with a migration in migrate.ts. */
export const SCHEMA_VERSION = 13;

export const songSchema = z.object({
  schemaVersion: z.literal(SCHEMA_VERSION),
  id,
  title: text(200).min(1),
  subtitle: text(200),
  /** Who wrote it, as far as it is known: printed over the music. */
  credits: z.object({ words: text(120), music: text(120) }),
  /** Words it is found by: a pupil, a concert. */
  tags: z.array(text(40).min(1)).max(20),
  /** The song it is a version of, by the id of the first, and what this one is for; null for a song of its own. */
  version: z.object({ of: id, name: text(80).min(1) }).nullable(),
  /** The profile it is arranged for, by its id; null: the first there is. */
  profile: id.nullable(),
  /** What who plays it should bear in mind: it is printed on the title page. */
  notes: text(2000),
  /** For whom and from whom its handout is, and a line for each part, by its cut. */
  handout: z.object({ for: text(80), from: text(80), lines: z.record(id, text(200)) }),
  keyMap: z.array(z.object({ tick, tonic: pitchClassSchema, mode: z.enum(MODES) })).min(1),
  metreMap: z.array(metre.extend({ tick })).min(1),
  /** Quarter notes a minute. */
  tempoMap: z.array(z.object({ tick, quartersPerMinute: z.number().min(10).max(400) })).min(1),
  feel: z.object({ kind: z.enum(['straight', 'swing', 'dotted']), ratio: z.number().min(1).max(4) }),
  /** Length of the pick-up in ticks, 0 when the song begins with a full bar. */
  pickup: tick,
  /** Written bars, the pick-up not counted. */
  barCount: z.number().int().min(1).max(4000),
  /** Spans of written bars in the order they are played; bar 0 is the pick-up. Empty: straight through. */
  playingOrder: z.array(z.object({ fromBar: z.number().int().min(0), toBar: z.number().int().min(0) })),
  melody: z.array(noteSchema),
  /** Words of a song whose melody is not written down: what is sung from each tick on. */
  words: z.array(lyricSchema.extend({ tick })),
  /** Syllables typed for which there was no note. */
  spareWords: text(4000),
  changes: z.array(changeSchema),
  /** In written ticks; loudness over the whole of a section may grow or fall. */
  sections: z.array(
    z.object({
      id,
      tick,
      name: text(80),
      energy: z.number().int().min(1).max(5),
      dynamics: z.enum(['even', 'growing', 'falling']),
      /** It frames the song and is no part of what was given: what it is, the ticks it put in, and what its putting in changed. */
      frame: z
        .object({
          kind: z.enum(['intro', 'turnaround', 'interlude', 'chorus', 'ending']),
          ticks: z.number().int().min(1).max(1_000_000),
          /** The pick-up that went into its last bar. */
          pickup: tick,
          /** The section after it goes on with one that was begun before. */
          resumes: z.boolean(),
          /** Ids of the cuts it keeps in their place, so that the other parts stay as they were, and how the song was cut before. */
          kept: z.array(id).max(4000),
          method: divisionSchema.shape.method,
        })
        .optional(),
    }),
  ),
  division: divisionSchema,
  /** In played ticks: all cuts of the method "own", else the locked ones that every proposal keeps. */
  cuts: z.array(z.object({ id, tick, locked: z.boolean() })),
  choices: choicesSchema,
  partSettings: z.record(id, partSettingsSchema),
  pins: z.array(pinSchema),
  /** Fingers on single keys; one whose key is not played any more waits until it is. */
  fingerPins: z.array(fingerPinSchema).max(20_000),
  /** By written change: what the pianist chose where the hands come too close; null: the chord gives way, whatever holds in a part this one follows. */
  closeHands: z.array(z.object({ changeId: id, how: z.enum(CLOSE_HANDS).nullable() })),
  /** Parts learned as they are: everything of them is kept, whatever is chosen elsewhere. */
  settled: z.array(
    z.object({
      cutId: id,
      /** All that held for it; null in what older versions stored, where only voicings and fingers were kept. */
      choices: choicesSchema.nullable(),
      /** Its melody is played an octave higher to make room. */
      isRaised: z.boolean(),
      voicings: z.array(pinSchema),
      /** What both hands play beside the melody; null where older versions did not store it. */
      keys: z.array(keptKeySchema).max(20_000).nullable(),
      /** Notes of the tune (played ids) in whose place something else is played. */
      silent: z.array(id).max(20_000).optional(),
      /** Ids of the fills that are played. */
      fills: z.array(z.string().max(80)),
      /** Fingers by the note or change (played id) a key comes from, and its ticks after that one's onset. */
      fingers: z.array(
        z.object({
          from: id,
          after: z.number().int(),
          midi: z.number().int().min(0).max(127),
          finger: z.number().int().min(1).max(5),
        }),
      ),
    }),
  ),
  /** What the pianist wrote by hand; of two in the same place the later one is played. */
  ownBars: z.array(ownBarsSchema).max(4000),
  /** Patterns of the pianist's own, by id. */
  patterns: z.array(ownPatternSchema).max(200),
  /** Proposed fills the pianist took. */
  fillsTaken: z.array(
    z.object({
      id: z.string().min(1).max(80),
      kind: z.string().max(40),
      variant: z.string().max(80),
      /** The pianist's own notes in its place, told from the onset of its change; a grace note has no length. */
      notes: z
        .array(
          z.object({
            after: z.number().int().min(0).max(1_000_000),
            length: z.number().int().min(0).max(1_000_000),
            pitch: pitchSchema,
          }),
        )
        .min(1)
        .max(64)
        .optional(),
    }),
  ),
  /** Ids of proposed fills the pianist declined. */
  fillsDeclined: z.array(z.string().max(80)),
  /** Changes (played ids) whose pattern is played in full though the program would thin it. */
  thinningRefused: z.array(id),
  /** What reading the file found and could not decide. */
  imported: z.array(z.object({ tick, said: saidSchema })),
  /** How strong phrases are where the pianist says so, 0 … 1, by the first note of each (played id). */
  intensities: z.record(id, z.number().min(0).max(1)).optional(),
  /** Findings the pianist has looked at and left as they are, by id. */
  dismissed: z.array(z.string().max(120)),
});

export type Song = Readonly<z.infer<typeof songSchema>>;
export type MelodyNote = Song['melody'][number];
export type Change = Song['changes'][number];
export type Harmony = z.infer<typeof harmonySchema>;
export type OwnBars = Song['ownBars'][number];
export type Lyric = z.infer<typeof lyricSchema>;
export type Choices = Song['choices'];
export type Fuller = (typeof FULLER)[number];
export type Layout = z.infer<typeof layoutSchema>;
export type Pin = Song['pins'][number];
export type FingerPin = Song['fingerPins'][number];
export type CloseHands = (typeof CLOSE_HANDS)[number];
export type Division = Song['division'];
export type Section = Song['sections'][number];
export type SettledPart = Song['settled'][number];
export type OwnPattern = Song['patterns'][number];
export type PartSettings = z.infer<typeof partSettingsSchema>;
