import { arrangeInSlices } from '@joined-hands/core/arrange';
import type { Profile } from '@joined-hands/core/song';
import { type SongMessage, SongsKnown } from './songs-known';
import { Sender, type Sent } from './travelling';

/** Milliseconds worked before a newer job is listened for. */
const SLICE_MS = 12;

/** Lets messages in; a timer would wait four milliseconds longer each time. */
const { port1, port2 } = new MessageChannel();
const pause = (): Promise<void> =>
  new Promise((resolve) => {
    port1.onmessage = () => resolve();
    port2.postMessage(null);
  });

/** What the arrange worker answers: it arranges the open song, job after job, and remembers what it has sent. */
export function arranging() {
  let newestJob = 0;
  const songs = new SongsKnown();
  const sender = new Sender();
  return {
    /**
     * Arranges a song; the part on screen comes first through `came`, the whole after it. A newer job stops an older one
     * between slices. False when the song builds on one that is not known here: it must be sent whole.
     */
    async arrange(
      job: number,
      message: SongMessage,
      profile: Profile,
      firstPart: number,
      came: (sent: Sent) => Promise<void>,
    ): Promise<boolean> {
      newestJob = Math.max(newestJob, job);
      const song = songs.take(message);
      if (!song) return false;
      const slices = arrangeInSlices(song, profile, { firstPart });
      for (let since = performance.now(); ;) {
        if (job < newestJob) return true;
        const slice = slices.next();
        // Not waited for: the next slice is worked out while this one travels.
        if (slice.value) void came(sender.pack(slice.value));
        if (slice.done) return true;
        if (slice.value === null && performance.now() - since < SLICE_MS) continue;
        await pause();
        since = performance.now();
      }
    },
  };
}

export type Arranger = ReturnType<typeof arranging>;
