import type { Song } from '../core/song';
/** Songs the application ships with, in the order of the shelf. */
export declare const DEMO_SONGS: readonly Song[];
