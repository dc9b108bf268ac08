import { barInWords } from '../sentences';
import type { Arrangement } from '../arrangement';
import { type CardLine, partCard } from './partCard';
import { counted } from './titles';

/** The cards of all parts as text: what a teacher hands out, part by part. */
export function writePartCards(arrangement: Arrangement): string {
  const { title } = arrangement.song;
  const cards = arrangement.parts.flatMap((_, index) => [...cardInWords(arrangement, index), '']);
  return [title, '='.repeat([...title].length), '', ...cards].join('\n');
}

function cardInWords(arrangement: Arrangement, index: number): string[] {
  const card = partCard(arrangement, index);
  const head = `${card.title}: ${card.bars}, about ${counted(Math.max(1, Math.round(card.seconds)), 'second')}`;
  return [
    head,
    '-'.repeat([...head].length),
    ...[card.relation, card.hands].filter(Boolean),
    ...(card.firstKey ? [`First key: ${card.firstKey}.`] : []),
    ...card.lines.map(lineInWords),
    `New here: ${card.isNew}`,
  ];
}

/** "Bar 5: A B C, on 1, 2, 3; “words”; Dm on 1." */
function lineInWords({ bar, letters, counts, words, chords }: CardLine): string {
  const tune = letters === '' ? 'a rest' : counts === '' ? letters : `${letters}, on ${counts}`;
  const told = [tune, words ? `“${words}”` : '', chords].filter(Boolean).join('; ');
  return `${barInWords(bar)}: ${told}.`;
}
