import { handsComingBack, type HandRelations } from '../joining';
import { inWords } from '../sentences';

/** What the hands of a part repeat, each on its own; empty where there is nothing to tell. */
export function handsInWords(relations: HandRelations, index: number): string {
  const said = handsComingBack(relations, index);
  return said ? inWords(said) : '';
}
