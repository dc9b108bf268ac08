import type { Profile } from '@joined-hands/core/song';
import { type Answers, answerTo, type Question } from './answers';
import { type SongMessage, SongsKnown } from './songs-known';

/** An answer, or that the song must be sent whole first. */
type Reply = { readonly answer: Answers[keyof Answers] } | { readonly isUnknown: true };

/** What the ask worker answers: questions about the songs it is sent. */
export function asking() {
  const songs = new SongsKnown();
  return {
    ask(message: SongMessage, profile: Profile, question: Question): Reply {
      const song = songs.take(message);
      return song ? { answer: answerTo(song, songs.profileLike(profile), question) } : { isUnknown: true };
    },
  };
}

export type Asked = ReturnType<typeof asking>;
