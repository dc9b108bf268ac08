import { type Song } from '../core/song';
/** A song as its composer writes it down, bar by bar. */
export interface Score {
    readonly id: string;
    readonly title: string;
    readonly subtitle: string;
    readonly tonic: string;
    readonly mode: 'major' | 'minor';
    readonly numerator: number;
    readonly denominator: 2 | 4 | 8;
    readonly tempo: number;
    /** Notes as "A4:2" (quarters), rests as "r:1", bars between "|". A first short bar is the pick-up. */
    readonly tune: string;
    /** Chords between "|", each bar shared equally by its chords; "%" repeats the last; no chord in the pick-up. */
    readonly chords: string;
    /** Syllables in the order of the notes: "tur- ning". */
    readonly words?: string;
    /** Section names by bar. */
    readonly sections: readonly (readonly [bar: number, name: string, energy: number])[];
    readonly feel?: Song['feel'];
    /** Written bars in the order they are played; straight through when left out. */
    readonly order?: readonly (readonly [fromBar: number, toBar: number])[];
    /** Bars whose part is played an octave up. */
    readonly octaveUp?: readonly number[];
}
/** Turns a score into a song; throws when a bar does not add up, so that a slip of the pen shows at once. */
export declare function compose(score: Score): Song;
