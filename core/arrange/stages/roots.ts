import { levelOf } from '../../levels';
import { choosePattern, heightOf, rootsTogether } from '../../patterns';
import { partIndexAt, turnOf } from '../../parts';
import { phraseIndexAt } from '../../shaping';
import { barAt } from '../../song';
import type { SongContext } from '../context';
import { windowOf } from '../windows';

/** The root of each chord that has a pattern, by played id: those of one phrase and one pattern together, wherever the cuts are. */
export function rootsOfSong(context: SongContext): ReadonlyMap<string, number> {
  const { song, parts, changes, shape, played, melody, longestNote, profile, memory } = context;
  if (!parts.some(({ choices }) => levelOf(choices).isMoving)) return NONE;
  const made = memory.of<ReadonlyMap<string, number>>('roots');
  const groups = new Map<string, { readonly list: (typeof changes)[number][]; readonly height: number }>();
  for (const change of changes) {
    const { tick } = change.change;
    const part = parts[partIndexAt(parts, tick)];
    if (!levelOf(part.choices).isMoving) continue;
    const { metre } = barAt(played.bars, tick);
    const { pattern } = choosePattern(part.choices.pattern, metre, part.energy, song.patterns, turnOf(part));
    const name = `${phraseIndexAt(shape.phrases, tick)} ${pattern.id}`;
    const group = groups.get(name) ?? { list: [], height: heightOf(pattern) };
    group.list.push(change);
    groups.set(name, group);
  }
  const all = [...groups].flatMap(([name, { list, height }]) => {
    const last = list[list.length - 1];
    const tune = windowOf(melody, list[0].change.tick, last.change.tick + last.length, longestNote);
    const from = [...list, ...tune, longestNote, profile, height];
    return [
      ...made(name, from, () => rootsTogether({ voiced: list, melody: tune, longestNote, profile, height })),
    ];
  });
  return new Map(all);
}

const NONE: ReadonlyMap<string, number> = new Map();
