import type { Song } from '../core/song';
import { type Score } from './compose';
import type { Marks } from './marks';
export type KeptApart = Score & {
    readonly marks: Marks;
};
/** Every mark of the tunes kept apart, by the id of the tune. */
export declare const MARKS_APART: Readonly<Record<string, Marks>>;
/** Tunes by which no weight is set. */
export declare const TUNES_APART: readonly Song[];
