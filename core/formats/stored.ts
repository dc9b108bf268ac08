import type { Phrase } from '../sentences';
import type { Song } from '../song';

/** A phrase as a song stores it: the same, in lists that may be written to. */
export function stored({ code, facts }: Phrase): Song['imported'][number]['said'] {
  return { code, facts: [...facts] as Song['imported'][number]['said']['facts'] };
}
