import { arrange, arrangeInSlices, compareLayouts, type LayoutCost } from '@joined-hands/core/arrange';
import type { Arrangement } from '@joined-hands/core/arrangement';
import { easierKeys, type KeyChoice } from '@joined-hands/core/effort';
import { FileError, type OpenedFile, openFile } from '@joined-hands/core/formats';
import { keepIdentity } from '@joined-hands/core/music';
import { type Profile, type Song, type SongEdit } from '@joined-hands/core/song';
import {
  chordsFor,
  type Scope,
  type Suggestion,
  suggestionsAt,
  type Taste,
} from '@joined-hands/core/suggesting';
import { type Alternative, alternativesFor } from '@joined-hands/core/voicing';
import { expose } from 'comlink';
import { type Known, lightened, packed, type Sent, type Travelling } from './travelling';

let newestJob = 0;
let lastSong: Song | null = null;
let lastWhole: Arrangement | null = null;

const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** A file as read, or why it could not be. */
export type ReadResult =
  | { readonly kind: 'opened'; readonly opened: OpenedFile }
  | { readonly kind: 'refused'; readonly reason: string };

const arranger = {
  /**
   * Arranges a song; the part on screen comes first through `came`, the whole after it. A newer job stops an
   * older one between slices. What the interface has (`known`) is not sent again.
   */
  async arrange(
    job: number,
    song: Song,
    profile: Profile,
    firstPart: number,
    known: Known,
    came: (sent: Sent) => Promise<void>,
  ): Promise<void> {
    newestJob = Math.max(newestJob, job);
    lastSong = keepIdentity(lastSong, song);
    const slices = arrangeInSlices(lastSong, profile, { firstPart });
    let has = known;
    const send = (arrangement: Arrangement): Promise<void> => {
      const sent = packed(arrangement, has);
      has = sent.numbers;
      return came(sent);
    };
    for (;;) {
      if (job < newestJob) return;
      const slice = slices.next();
      if (slice.done) {
        lastWhole = slice.value;
        await send(slice.value);
        return;
      }
      if (slice.value) await send(slice.value);
      await pause();
    }
  },

  /** Ranked voicings of one change in the arrangement made last. */
  alternatives(changeId: string): Alternative[] {
    if (!lastWhole) return [];
    const { song, profile, played, parts } = lastWhole;
    return alternativesFor(song, profile, played, parts, changeId);
  },

  /** What each layout would cost on the song arranged last, or on one part of it. */
  compareLayouts(cutId: string | null): LayoutCost[] {
    return lastWhole ? compareLayouts(lastWhole.song, lastWhole.profile, cutId) : [];
  },

  /** Ranked chords for a change of the song arranged last, by its written id. */
  suggestionsAt(changeId: string, taste: Taste, triads: boolean): Suggestion[] {
    return lastWhole ? suggestionsAt(lastWhole.song, changeId, taste, triads) : [];
  },

  /** A set of chords for a song as an edit; null where there is nothing to suggest. */
  chordsFor(song: Song, taste: Taste, scope: Scope, triads: boolean): SongEdit | null {
    return chordsFor(song, taste, scope, triads);
  },

  /** A song as an edit would make it, to be heard before it is taken. */
  trial(song: Song, profile: Profile): Travelling {
    return lightened(arrange(song, profile, { withoutFingers: true }));
  },

  /** A melody alone, to be heard before it is taken. */
  preview(song: Song, profile: Profile): Travelling {
    const alone = { ...song, choices: { ...song.choices, rung: 1 }, partSettings: {} };
    return lightened(arrange(alone, profile, { withoutFingers: true }));
  },

  /** The song in all twelve keys, the easiest first. */
  easierKeys(song: Song, profile: Profile): KeyChoice[] {
    return easierKeys(song, profile);
  },

  /** Reads a file; what cannot be read is refused with a sentence. */
  read(name: string, bytes: Uint8Array, songId: string): ReadResult {
    try {
      return { kind: 'opened', opened: openFile(name, bytes, songId) };
    } catch (error) {
      if (error instanceof FileError) return { kind: 'refused', reason: error.message };
      throw error;
    }
  },
};

export type Arranger = typeof arranger;

expose(arranger);
