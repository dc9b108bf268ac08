import type { Song } from '../core/song';
import type { Marks } from './marks';
/** Every mark of these tunes, by the id of the tune. */
export declare const UNSEEN_MARKS: Readonly<Record<string, Marks>>;
/** Tunes nobody had in sight when the rules were made. */
export declare const UNSEEN_TUNES: readonly Song[];
