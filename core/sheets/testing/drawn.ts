/** A tag of a page as it is drawn. */
interface Drawn {
  readonly tag: string;
  readonly words: string;
  readonly at: (name: string) => number;
}

/** The tags of a piece of a page, in order, with the numbers they have. */
export function drawn(svg: string): Drawn[] {
  return [...svg.matchAll(/<(\w+) ([^>]*?)\/?>(?:([^<]*)<\/text>)?/g)].map(
    ([, tag, attributes, words = '']) => ({
      tag,
      words,
      at: (name) => Number(new RegExp(`(?:^| )${name}="([-\\d.]+)"`).exec(attributes)?.[1] ?? NaN),
    }),
  );
}

/** What is written on it, in order. */
export const texts = (svg: string): string[] =>
  drawn(svg)
    .filter(({ tag }) => tag === 'text')
    .map(({ words }) => words);
