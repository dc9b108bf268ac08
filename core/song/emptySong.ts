import { type Choices, type Division, SCHEMA_VERSION, type Song } from './schema';

export const DEFAULT_CHOICES: Choices = {
  layout: 'block',
  pattern: 'auto',
  level: 4,
  register: 0,
  pedal: 'auto',
  dynamics: 'even',
  rhythm: 'real',
  octaveShift: 0,
  shownOctave: 0,
  firstHand: 'right',
};

export const DEFAULT_DIVISION: Division = { method: 'phrase', bars: 4, depth: 2 };

/** A song without notes in C major, 4/4, to be filled by a reader. */
export function emptySong(songId: string, title: string): Song {
  return {
    schemaVersion: SCHEMA_VERSION,
    id: songId,
    title,
    subtitle: '',
    credits: { words: '', music: '' },
    tags: [],
    version: null,
    profile: null,
    notes: '',
    handout: { for: '', from: '', lines: {} },
    keyMap: [{ tick: 0, tonic: { letter: 'C', alter: 0 }, mode: 'major' }],
    metreMap: [{ tick: 0, numerator: 4, denominator: 4 }],
    tempoMap: [{ tick: 0, quartersPerMinute: 96 }],
    feel: { kind: 'straight', ratio: 2 },
    pickup: 0,
    barCount: 1,
    playingOrder: [],
    melody: [],
    words: [],
    spareWords: '',
    changes: [],
    sections: [],
    division: DEFAULT_DIVISION,
    cuts: [],
    choices: DEFAULT_CHOICES,
    partSettings: {},
    pins: [],
    fingerPins: [],
    closeHands: [],
    settled: [],
    ownBars: [],
    patterns: [],
    fillsTaken: [],
    fillsDeclined: [],
    thinningRefused: [],
    imported: [],
    dismissed: [],
  };
}
