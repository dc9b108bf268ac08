import { cutTo } from '../song';

/** A chord, and the words sung from it to the next. */
export interface Piece {
  readonly symbol: string;
  readonly words: string;
  /** No words stand between it and its neighbour: two such chords share what one lasts. */
  readonly shares: boolean;
}

/** Words before the first chord of a line, and each chord with its own. */
export interface Sung {
  readonly lead: string;
  readonly pieces: readonly Piece[];
}

/** A chord over the first letters of a word is struck with the word, one over its last two with what follows. */
const FIRST_LETTERS = 2;
/** No word is longer than so many letters. */
const LONGEST_WORD = 60;
/** Shorter words are not cut by a chord that stands over their middle. */
const SHORTEST_CUT = 5;

/** "[Am]Lan-terns [F]out": the chords of a line in brackets, each with its words. */
export function inBrackets(line: string): Sung {
  const [lead, ...rest] = line.split('[');
  const found = rest.flatMap((piece): { symbol: string; words: string }[] => {
    const [symbol, ...words] = piece.split(']');
    return words.length === 0 ? [] : [{ symbol: symbol.trim(), words: words.join(']') }];
  });
  return { lead: lead.trim(), pieces: paired(found) };
}

/** A line of chords over a line of words: each chord has the words from the syllable below it on. */
export function overWords(chords: readonly Placed[], words: string): Sung {
  const cuts = chords.map(({ column }) => cutAt(words, column));
  const piece = (i: number): string => {
    const text = words.slice(cuts[i], cuts[i + 1] ?? undefined);
    const cutsWord = isInWord(words, cuts[i + 1] ?? words.length) && !text.endsWith('-');
    return cutsWord ? `${text}-` : text;
  };
  const lead = words.slice(0, cuts[0]);
  return {
    lead: (isInWord(words, cuts[0]) ? `${lead}-` : lead).trim(),
    pieces: paired(chords.map(({ symbol }, i) => ({ symbol, words: piece(i) }))),
  };
}

/** A chord and the column it begins in. */
export interface Placed {
  readonly symbol: string;
  readonly column: number;
}

/** Where words are parted by a chord in a column: before the word or syllable below it. */
function cutAt(words: string, column: number): number {
  if (!isInWord(words, column)) return column;
  let from = column;
  while (from > 0 && column - from < LONGEST_WORD && !/\s/.test(words[from - 1])) from--;
  let to = column;
  while (to < words.length && to - column < LONGEST_WORD && !/\s/.test(words[to])) to++;
  const hyphen = words.slice(from, column + 1).lastIndexOf('-');
  const start = hyphen < 0 ? from : from + hyphen + 1;
  const hasSyllables = words.slice(from, to).includes('-');
  if (column - start < FIRST_LETTERS) return start;
  if (to - column <= FIRST_LETTERS) return to;
  return hasSyllables || to - from < SHORTEST_CUT ? start : column;
}

function isInWord(words: string, column: number): boolean {
  return /\S/.test(words[column - 1] ?? ' ') && /\S/.test(words[column] ?? ' ');
}

/** Two chords without words between them share, in a line that has words. */
function paired(found: readonly { symbol: string; words: string }[]): Piece[] {
  const isSung = found.some(({ words }) => words.trim() !== '');
  const pieces: Piece[] = [];
  for (let i = 0; i < found.length; i++) {
    const shares = isSung && found[i].words.trim() === '' && i + 1 < found.length;
    pieces.push({ ...found[i], shares });
    if (shares) pieces.push({ ...found[++i], shares });
  }
  return pieces;
}

const AROUND = ' \t*=~#_[](){}<>:-';

/** A name without the signs around it: "--- Chorus ---", "(Chorus):". */
export function plainly(text: string, most: number): string {
  let [from, to] = [0, text.length];
  while (from < to && AROUND.includes(text[from])) from++;
  while (to > from && AROUND.includes(text[to - 1])) to--;
  return cutTo(text.slice(from, to), most);
}
