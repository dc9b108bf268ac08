import type { Choices, Song } from './schema';

/** What a stretch that frames the song is. */
export type FrameKind = 'intro' | 'turnaround' | 'interlude' | 'chorus' | 'ending';

/** A stretch to be put before, between or after what the song is: its own bars, as written. */
export interface FramePiece {
  readonly kind: FrameKind;
  /** As its part is called: "Intro". */
  readonly name: string;
  readonly bars: number;
  /** Written tick at which a part begins and before which it comes; 0: before everything; null: after everything. */
  readonly before: number | null;
  /** Ticks from the first bar line of the stretch; ids are given when it is put in. */
  readonly melody: readonly Pick<Song['melody'][number], 'tick' | 'length' | 'pitch'>[];
  readonly changes: readonly Pick<Song['changes'][number], 'tick' | 'length' | 'symbol'>[];
  /** 1 calm … 5 driving. */
  readonly energy: number;
  readonly choices: Partial<Choices>;
  /** Where the parts of the song begin, in played ticks: they stay as they are. */
  readonly cuts: readonly { readonly id: string; readonly tick: number }[];
}
