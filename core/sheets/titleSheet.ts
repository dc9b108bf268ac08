import type { Arrangement } from '../arrangement';
import { LEVELS } from '../levels';
import { classNameOf, keyName, metreName, scaleOf, typeset } from '../music';
import { keyAt } from '../song';
import {
  barsInWords,
  counted,
  creditsInWords,
  forWhomInWords,
  learningInWords,
  pickupInWords,
  tempoInWords,
  typesetForm,
} from '../words';
import { box, line, text } from './draw';
import { type Block, heading, paragraph } from './flow';
import type { MakeSheet, SheetTask } from './sheet';
import { LEADING, SIZE, wrapped } from './text';

/** Title, what a pianist settles before beginning, the form with its bars, and what the signs mean. */
export const titleSheet: MakeSheet = (task) => {
  const { arrangement, room } = task;
  const { song } = arrangement;
  return [
    ...titled(song.title, task),
    ...[song.version?.name ?? '', creditsInWords(song.credits), forWhomInWords(song.handout)].flatMap(
      (what) => paragraph(what, room.width, { above: 1 }),
    ),
    ...factsOf(arrangement).flatMap(([name, what], i) => fact(name, what, room.width, i === 0 ? 6 : 1.2)),
    heading('The form', room),
    ...formLines(task),
    ...paragraph(learningInWords(arrangement), room.width, { above: 2 }),
    ...(song.notes ? [heading('Notes', room), ...paragraph(song.notes, room.width, { above: 1 })] : []),
    heading('The signs', room),
    ...SIGNS.filter(({ isOf }) => isOf(arrangement)).map(({ drawn, what }) => sign(drawn, what, room.width)),
  ];
};

function titled(title: string, { room }: SheetTask): Block[] {
  return paragraph(title, room.width, { face: 'title', size: SIZE.title, staysWithNext: true });
}

/** "A minor: A B C D E F G". */
function factsOf({ song, played, parts, profile }: Arrangement): [name: string, what: string][] {
  const key = keyAt(played, 0);
  const metres = [...new Set(played.bars.map(({ metre }) => metreName(metre)))];
  const levels = [...new Set(parts.map(({ choices }) => choices.level))];
  const level = (number: number): string => `${number}, ${LEVELS[number - 1].name.toLowerCase()}`;
  const scale = scaleOf(key)
    .map((note) => typeset(classNameOf(note)))
    .join(' ');
  const [metre] = played.bars.map((bar) => bar.metre);
  return [
    ['Key', typeset(keyName(key))],
    ['Scale', scale],
    ['Metre', metres.join(', ')],
    ['Tempo', tempoInWords(metre, played.tempoMap[0].quartersPerMinute)],
    ...(song.pickup > 0 ? [['Pick-up', pickupInWords(metre, song.pickup)] as [string, string]] : []),
    ['Level', levels.map(level).join('; ')],
    ['Hands', `${spans(profile)}; keyboard of ${profile.keyboard} keys`],
  ];
}

const SPANS = { 6: 'a sixth', 7: 'a seventh', 8: 'an octave', 9: 'a ninth', 10: 'a tenth' } as const;

/** "span an octave", "right spans a ninth, left an octave". */
function spans({ rightReach, leftReach }: Arrangement['profile']): string {
  const [right, left] = [SPANS[rightReach], SPANS[leftReach]];
  return right === left ? `span ${right}` : `right spans ${right}, left ${left}`;
}

const NAME_WIDTH = 26;

function fact(name: string, what: string, width: number, above: number): Block[] {
  const lines = wrapped(what, 'regular', SIZE.body, width - NAME_WIDTH);
  return lines.map((words, i) => ({
    height: SIZE.body * LEADING,
    above: i === 0 ? above : 0,
    staysWithNext: i < lines.length - 1,
    part: null,
    draw: (x, y) =>
      (i === 0 ? text(x, y + SIZE.body, name, { face: 'bold' }) : '') +
      text(x + NAME_WIDTH, y + SIZE.body, words),
  }));
}

/** Each part in a line, then the form as letters and the bars it adds up to. */
function formLines({ arrangement: { parts }, room }: SheetTask): Block[] {
  const lengths = parts.map(({ fromBar, toBar }) => toBar - fromBar + 1);
  const rows = parts.flatMap((part, i) => {
    const name = part.name ?? part.sectionName;
    const what = [typesetForm(part.label), name, barsInWords(part), counted(lengths[i], 'bar')];
    return paragraph(what.filter(Boolean).join(' · '), room.width, {
      lead: `${part.number}.  `,
      above: i === 0 ? 2 : 0.4,
    });
  });
  const sum = lengths.reduce((all, bars) => all + bars, 0);
  const letters = parts.map(({ label }) => typesetForm(label)).join(' ');
  const added = lengths.length > 1 ? `${lengths.join(' + ')} = ${counted(sum, 'bar')}` : counted(sum, 'bar');
  return [
    ...rows,
    ...paragraph(letters, room.width, { face: 'title', size: SIZE.large, above: 3, staysWithNext: true }),
    ...paragraph(added, room.width),
  ];
}

/** A sign on the sheets, what it means, and where there is one. */
interface Sign {
  readonly drawn: (x: number, y: number) => string;
  readonly what: string;
  readonly isOf: (arrangement: Arrangement) => boolean;
}

const hasRight = ({ right }: Arrangement): boolean => right.length > 0;
const hasLeft = ({ left }: Arrangement): boolean => left.length > 0;

const SIGNS: readonly Sign[] = [
  {
    drawn: (x, y) =>
      box({ x, y, width: 9, height: 4.8 }, { round: 2.4, pen: 0.55 }) +
      text(x + 1.2, y + 3.9, 'A', { face: 'bold' }) +
      text(x + 8, y + 3.4, '2', { size: SIZE.small, anchor: 'end' }),
    what: 'A key of the right hand, higher on the page where it is higher; with its finger where a phrase begins or the hand crosses.',
    isOf: hasRight,
  },
  {
    drawn: (x, y) =>
      box({ x, y, width: 9, height: 4.8 }, { fill: '#e6e6e6' }) +
      text(x + 0.8, y + 3.9, 'C', { face: 'bold' }) +
      text(x + 8.3, y + 3.4, '5', { size: SIZE.small, anchor: 'end' }),
    what: 'A key of the left hand with its finger; the lowest key lies lowest.',
    isOf: hasLeft,
  },
  {
    drawn: (x, y) =>
      line(x, y + 0.6, x + 3.6, y + 4.2, { pen: 0.9 }) + line(x, y + 4.2, x + 3.6, y + 0.6, { pen: 0.9 }),
    what: 'Both hands play together as the chord changes; thin: they only happen to play together, no chord changes.',
    isOf: (arrangement) => hasRight(arrangement) && hasLeft(arrangement),
  },
  {
    drawn: (x, y) => text(x, y + 3.6, '1  2  &', { size: SIZE.small }),
    what: 'Counts, where something is struck.',
    isOf: (arrangement) => hasRight(arrangement) || hasLeft(arrangement),
  },
];

function sign(drawn: (x: number, y: number) => string, what: string, width: number): Block {
  const lines = wrapped(what, 'regular', SIZE.body, width - 16);
  const height = Math.max(6, lines.length * SIZE.body * LEADING);
  return {
    height,
    above: 1.6,
    staysWithNext: false,
    part: null,
    draw: (x, y) =>
      drawn(x, y) +
      lines.map((words, i) => text(x + 16, y + SIZE.body + i * SIZE.body * LEADING, words)).join(''),
  };
}
