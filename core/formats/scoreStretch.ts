import type { HandNote } from '../hands';
import { midiOf, type Pitch } from '../music';
import { barsIn, type PlayedBar, type PlayedSong } from '../song';
import type { VoiceEvent } from './voices';

/** A stretch of a song, in played ticks. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** A bar as it is written: whole, or what of it lies in a stretch. */
export interface WrittenBar extends PlayedBar {
  /** The bar it is a piece of; absent: it is whole. */
  readonly whole?: PlayedBar;
}

/** The bars of a stretch: of those it begins and ends in, what lies in it. */
export function barsOfStretch(bars: readonly PlayedBar[], { from, to }: Stretch): WrittenBar[] {
  return barsIn(bars, from, to).map((bar) => {
    const tick = Math.max(bar.tick, from);
    const length = Math.min(bar.tick + bar.length, to) - tick;
    return length === bar.length ? bar : { ...bar, tick, length, whole: bar };
  });
}

/** What of a voice begins in a stretch; what sounds on behind it ends with it. */
export function voiceIn(voice: readonly VoiceEvent[], { from, to }: Stretch): VoiceEvent[] {
  return voice
    .filter(({ tick }) => tick >= from && tick < to)
    .map((event) => ({ ...event, length: Math.min(event.length, to - event.tick) }));
}

const MIDDLE: Pitch = { letter: 'B', alter: 0, octave: 4 };

/** Words that are sung to no tune that is written, as a voice of which only they are seen. */
export function wordsAsVoice({ words, bars, endTick }: PlayedSong): VoiceEvent[] {
  return words.map(({ tick, text, syllabic }, i): VoiceEvent => {
    const bar = bars.find((each) => tick < each.tick + each.length) ?? bars[bars.length - 1];
    const length = Math.min(words[i + 1]?.tick ?? endTick, bar.tick + bar.length) - tick;
    const note: HandNote = {
      hand: 'right',
      tick,
      length,
      midi: midiOf(MIDDLE),
      pitch: MIDDLE,
      source: 'melody',
      from: '',
      lyric: text,
      syllabic,
      grace: false,
      finger: null,
    };
    return { tick, length, notes: [note] };
  });
}
