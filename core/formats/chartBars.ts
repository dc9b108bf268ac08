import { overWords } from './chartWords';
import { FileError } from './fileError';

const MOST_CHORDS_A_BAR = 32;

/** Words may go on so far behind the last bar line and still be drawn to the bars. */
const BEYOND = 12;

/** A bar as a chart has it. */
export interface ChartBar {
  /** What it holds, one share each. */
  readonly tokens: readonly string[];
  readonly repeatStarts: boolean;
  readonly repeatEnds: boolean;
  /** The pass its ending is for, where one begins here. */
  readonly ending: number | null;
  /** Where it begins in its line, in columns. */
  readonly column: number;
}

/** The bars between the "|" signs of a line; "||" is one line, ":|" alone ends a repeat. Throws {@link FileError}. */
export function chartBars(text: string, line: number): ChartBar[] {
  const bars: ChartBar[] = [];
  const pieces = text.replace(/\|\|+/g, (lines) => `${' '.repeat(lines.length - 1)}|`).split('|');
  let column = 0;
  pieces.forEach((piece, i) => {
    const body = piece.trim();
    const isOutside = body === '' && (i === 0 || i === pieces.length - 1);
    const last = bars.at(-1);
    if (body === ':' && last) bars[bars.length - 1] = { ...last, repeatEnds: true };
    else if (!isOutside && body !== ':') bars.push({ ...barIn(body, line), column });
    column += piece.length + 1;
  });
  return bars;
}

function barIn(body: string, line: number): Omit<ChartBar, 'column'> {
  const tokens = tokensOf(body.replace(/^:/, '').replace(/:$/, ''));
  const ending = /^[[(]?([1-9])[.)\]]$/.exec(tokens[0] ?? '');
  if (ending) tokens.shift();
  if (tokens.length > MOST_CHORDS_A_BAR)
    throw new FileError(`${tokens.length} chords in one bar`, `line ${line}`, 'Write at most 32.');
  return {
    tokens,
    repeatStarts: body.startsWith(':'),
    repeatEnds: body.endsWith(':') && body.length > 1,
    ending: ending && Number(ending[1]),
  };
}

/** What a bar holds, one share each; slashes that stand together, or after a chord, are a beat each: "C / / /", "C ///". */
export function tokensOf(body: string): string[] {
  return body
    .trim()
    .split(/\s+/)
    .filter(Boolean)
    .flatMap((token) => {
      let end = token.length;
      while (token[end - 1] === '/') end--;
      const isSlashes = token.length - end >= 2;
      const chord = isSlashes ? token.slice(0, end) : token;
      return [...(chord ? [chord] : []), ...(isSlashes ? token.slice(end) : '')];
    });
}

/** The words of each bar, where they are drawn below it: bars wider than their chords; null where they are not. */
export function wordsByBar(text: string, bars: readonly ChartBar[], words: string): string[] | null {
  const isWide = text.split('|').some((piece) => piece.endsWith('   ') && piece.trim() !== '');
  if (!isWide || bars.length < 2 || words.length > text.length + BEYOND) return null;
  const { lead, pieces } = overWords(
    bars.map(({ column }) => ({ symbol: '', column })),
    words,
  );
  return pieces.map((piece, i) => (i === 0 ? `${lead} ${piece.words}` : piece.words));
}
