import type { Song } from '../core/song';
export declare const LATER_TUNES: readonly Song[];
/** Tunes for the tests, from 8 to 64 bars. */
export declare const TEST_TUNES: readonly Song[];
