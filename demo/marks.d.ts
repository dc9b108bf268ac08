/** The marks of one song, by its id. */
export interface Marks {
    /**
     * Played bars in which a part begins, besides the first: "5" on its bar line, "5-1" one quarter before it,
     * so many quarters of a pick-up.
     */
    readonly cuts: string;
    /**
     * Chords that could be played in each written bar, bars between "|", choices between "/". Any of them is right;
     * where a bar holds two chords, any of the two is.
     */
    readonly chords: string;
}
export declare const MARKS: Readonly<Record<string, Marks>>;
