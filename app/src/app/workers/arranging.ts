import { arrangeInSlices } from '@joined-hands/core/arrange';
import type { Arrangement } from '@joined-hands/core/arrangement';
import type { Profile } from '@joined-hands/core/song';
import { type SongMessage, SongsKnown } from './songs-known';
import { Sender, type Sent } from './travelling';

/** Milliseconds worked before a newer request is listened for. */
const SLICE_MS = 12;
/** So long the part on screen waits for the rest, so that a song that is soon done is drawn once. */
const WAIT_MS = 24;

/** Lets messages in; a timer would wait four milliseconds longer each time. */
const { port1, port2 } = new MessageChannel();
const waiting: (() => void)[] = [];
port1.onmessage = () => waiting.shift()?.();
const pause = (): Promise<void> =>
  new Promise((resolve) => {
    waiting.push(resolve);
    port2.postMessage(null);
  });

/** Takes what was arranged for a request. */
export type Listener = (request: number, sent: Sent) => void;

/** What the arrange worker answers: it arranges the open song, request after request, and remembers what it has sent. */
export function arranging() {
  let newest = 0;
  let listener: Listener = () => undefined;
  const songs = new SongsKnown();
  const sender = new Sender();

  return {
    /**
     * Where all that is arranged goes. One way for all requests: what is sent leaves out what was sent before it, and ways of
     * their own could overtake one another.
     */
    listen(to: Listener): void {
      listener = to;
    },

    /**
     * Arranges a song; the part on screen is sent first, the whole after it. A newer request stops an older one between
     * slices. False when the song builds on one that is not known here: it must be sent whole.
     */
    async arrange(
      request: number,
      message: SongMessage,
      sentProfile: Profile,
      firstPart: number,
    ): Promise<boolean> {
      newest = Math.max(newest, request);
      const song = songs.take(message);
      if (!song) return false;
      const profile = songs.profileLike(sentProfile);
      const slices = arrangeInSlices(song, profile, { firstPart });
      const begun = performance.now();
      let toShow: Arrangement | null = null;
      for (let since = begun; ;) {
        if (request < newest) return true;
        const slice = slices.next();
        toShow = slice.value ?? toShow;
        const now = performance.now();
        if (!slice.done && now - since < SLICE_MS) continue;
        if (toShow && (slice.done || now - begun >= WAIT_MS)) {
          // Not waited for: the next slice is worked out while this one travels.
          listener(request, sender.pack(toShow));
          toShow = null;
        }
        if (slice.done) return true;
        await pause();
        since = performance.now();
      }
    },
  };
}

export type Arranger = ReturnType<typeof arranging>;
