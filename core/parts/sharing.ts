import type { Choices, Song } from '../song';
import type { Related } from './relations';

/** The cut a part begins with. */
type CutAt = { readonly id: string };

/** What the pianist chose for each part stays its own when it follows another; the rest is that part's. */
export const OWN_CHOICES = ['octaveShift', 'shownOctave', 'dynamics'] as const;

/** What is chosen for a part: its own, over that of the part it follows; settled ones as they were. */
export function choicesOf(
  song: Song,
  spans: readonly CutAt[],
  shares: readonly (number | null)[],
  settled: readonly { readonly settled: boolean }[],
  index: number,
): Choices {
  const frozen = (at: number): Choices | null =>
    settled[at].settled ? (song.settled.find((part) => part.cutId === spans[at].id)?.choices ?? null) : null;
  const kept = frozen(index);
  if (kept) return kept;
  const { choices: own = {}, grown = {} } = song.partSettings[spans[index].id] ?? {};
  const leader = shares[index];
  if (leader === null) return { ...song.choices, ...own, ...grown };
  const led = frozen(leader) ?? { ...song.choices, ...song.partSettings[spans[leader].id]?.choices };
  const ownOnes = Object.fromEntries(
    OWN_CHOICES.map((choice) => [choice, own[choice] ?? song.choices[choice]]),
  );
  return { ...led, ...ownOnes, ...grown };
}

/** A part found the same shares what the other has learned, where its chords are the same too. */
export function sharedWhenFound({ relation, to, sameChords }: Related): number | null {
  return relation === 'same' && sameChords ? to : null;
}

/** A part declared the same as another follows it; one found the same does unless it was freed. Never in a ring. */
export function sharedIndex(
  song: Song,
  spans: readonly CutAt[],
  index: number,
  found: number | null,
): number | null {
  const seen = new Set([index]);
  let leader: number | null = null;
  let at: number | null = leaderOf(song, spans, index, found);
  while (at !== null && !seen.has(at)) {
    leader = at;
    seen.add(at);
    at = leaderOf(song, spans, at, null);
  }
  return at === null ? leader : null;
}

function leaderOf(song: Song, spans: readonly CutAt[], index: number, found: number | null): number | null {
  const declared = song.partSettings[spans[index].id]?.sameAs ?? null;
  if (declared === null) return found;
  const at = spans.findIndex((span) => span.id === declared);
  return at < 0 || at === index ? null : at;
}
