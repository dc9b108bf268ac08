import type { Arrangement } from '../arrangement';
import { asBeatsPerMinute } from '../music';
import { isSaid, partsToPractise, planFor, type Task } from '../practice';
import { barAt, lastAtOrBefore } from '../song';
import { taskTitle, tempoInWords } from '../words';
import { box, line, text } from './draw';
import { type Block, paragraph } from './flow';
import type { MakeSheet } from './sheet';
import { cutTo, SIZE, widthOf } from './text';

/** "from 60 %: 62 BPM", in what the metre counts there. */
function tempoOf({ played }: Arrangement, { fromTick, fromPercent }: Task): string {
  const { quartersPerMinute } = lastAtOrBefore(played.tempoMap, fromTick);
  const { metre } = barAt(played.bars, fromTick);
  const beats = `${Math.round(asBeatsPerMinute(metre, (quartersPerMinute * fromPercent) / 100))} BPM`;
  return fromPercent < 100 ? `from ${fromPercent} %: ${beats}` : beats;
}

const [BOX, ROW, BOX_GAP] = [4.4, 7.4, 1.8];

/** Everything there is to practise at this level, in order, with a box to tick for each turn. */
export const planSheet: MakeSheet = ({ arrangement, room, practises }) => {
  const { song } = arrangement;
  const parts = partsToPractise(arrangement);
  const { tasks } = planFor(parts, {
    minutes: Infinity,
    now: 0,
    level: song.choices.level,
    first: song.choices.firstHand,
    chain: practises.chain,
    goal: practises.goal,
    cards: new Map(),
  });
  const rows = tasks.map((task): Block => ({
    height: ROW,
    above: 0,
    staysWithNext: false,
    part: task.kind === 'warm-up' || task.kind === 'whole' || task.kind === 'level' ? null : task.fromPart,
    draw: (x, y) => {
      const boxes = task.turns * (BOX + BOX_GAP);
      const tempo = isSaid(task) ? '' : tempoOf(arrangement, task);
      const tempoWidth = widthOf('from 100 %: 100 BPM', 'regular', SIZE.small) + 2;
      const title = cutTo(taskTitle(task), 'regular', SIZE.body, room.width - boxes - tempoWidth);
      const right = x + room.width;
      return [
        text(x, y + SIZE.body + 0.6, title),
        text(right - boxes - 2, y + SIZE.body + 0.4, tempo, { size: SIZE.small, anchor: 'end' }),
        ...Array.from({ length: task.turns }, (_, i) =>
          box(
            { x: right - (i + 1) * (BOX + BOX_GAP) + BOX_GAP, y: y + 0.8, width: BOX, height: BOX },
            { pen: 0.35 },
          ),
        ),
        line(x, y + ROW - 0.8, right, y + ROW - 0.8, { pen: 0.1 }),
      ].join('');
    },
  }));
  const [first] = arrangement.played.bars;
  const whole = tempoInWords(first.metre, arrangement.played.tempoMap[0].quartersPerMinute);
  return [
    ...paragraph(`The tempo of the song is ${whole}. Begin each turn at the tempo beside it.`, room.width),
    ...paragraph(
      'A box is a clean turn: to the end, without stopping. When one goes wrong twice, slower again.',
      room.width,
    ),
    ...paragraph(
      'Rest a few minutes every half hour; stop at any pain, numbness or tingling and ask a teacher or a health professional.',
      room.width,
      { above: 0.5 },
    ),
    { height: 2, above: 0, staysWithNext: true, part: null, draw: () => '' },
    ...rows,
  ];
};
