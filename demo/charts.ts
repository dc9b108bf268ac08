/** A chord for a bar, and what is sung to it. */
export type SungBar = readonly [symbol: string, words: string];

/** A chart of chords and words, however it will be written. */
export interface PastedChart {
  readonly title: string;
  readonly sections: readonly { readonly name: string; readonly rows: readonly (readonly SungBar[])[] }[];
}

const rowIn = (text: string): SungBar[] =>
  text.split('|').map((bar) => {
    const [symbol, ...words] = bar.trimStart().split(' ');
    return [symbol, words.join(' ')];
  });

const chart = (title: string, verse: readonly string[], chorus: readonly string[]): PastedChart => ({
  title,
  sections: [
    { name: 'Verse 1', rows: verse.map(rowIn) },
    { name: 'Chorus', rows: chorus.map(rowIn) },
  ],
});

/** Songs of Saltmarsh Hall as somebody would paste them: a chord a bar, words with hyphens. */
export const PASTED_CHARTS: readonly PastedChart[] = [
  chart(
    'Net Mending',
    ['Am Thread the |F nee-dle, |C pull it |G through', 'Am Knot the |Dm cor-ner, |E7 knot it |Am new'],
    ['F Low wa-ter, |C high wa-ter, |G all the night |Am long'],
  ),
  chart(
    'The Ferry Bell',
    [
      'Bb Ring for the |Eb/Bb fer-ry, |F7sus4 ring for the |F7 quay',
      'Gm7 Rope on the |Cm7 bol-lard and |F9 wind from the |Bbmaj7 sea',
    ],
    ['Eb One bell is |Bb/D wait-ing, |Cm two bells is |F gone'],
  ),
  chart(
    'A Boat for Hester',
    ['D Built her a |A/C# boat out of |Bm7 drift-wood and |F#m tar'],
    ['G Sail |Em7b5 o-ver |A7 the bar |D6 now', 'Gm6 Sail |D o-ver |E7 the |A7 star'],
  ),
  chart(
    'Salt and Lamp Oil',
    [
      'Ebm Ma-ny a |Abm7 win-ter the |Bb7 lamp was |Ebm low',
      'Cb Ma-ny a |Gb ves-sel came |Db home through the |Bb7 snow',
    ],
    ['Abm Fill it, |Ebm fill it a-|Bb7 gain, my |Ebm friend'],
  ),
  chart(
    'Eleven Steps Down',
    [
      'C E-lev-en |Caug steps to the |C6 har-bour |C7 wall',
      'F E-lev-en |Fm steps and I |C/G count them |G all',
    ],
    ['Am7 Down, |D7 down |Dm7 to the |G13 sea'],
  ),
];
