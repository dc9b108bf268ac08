import { valuesOf } from './noteValues';
import { asBeatsPerMinute, type Metre, tempoTicks } from '../music';
import { type Arrangement, loudnessIn } from '../arrangement';
import { type Part, partIndexAt } from '../parts';
import { type PlayedBar, type PlayedSong, type PlayedTempo, within } from '../song';
import { el, type Element } from './xmlTree';

/** What stands above and below the staves of a bar: names and numbers of parts, tempo, loudness, pedal. */
export function directionsAt(arrangement: Arrangement, bar: PlayedBar, index: number): Element[] {
  const { played } = arrangement;
  const [from, to] = [bar.tick, bar.tick + bar.length];
  const at = (tick: number): Element | null => offset(tick - bar.tick);
  const sections = within(played.sections, from, to).map((section) =>
    direction('above', el('rehearsal', section.name, { enclosure: 'none' }), at(section.tick)),
  );
  const parts = beginningIn(arrangement.parts, from, to).map((part) =>
    direction('above', el('rehearsal', part.number, { enclosure: 'square' }), at(part.fromTick)),
  );
  const tempi = played.tempoMap
    .filter(
      ({ quartersPerMinute }, i) => i === 0 || quartersPerMinute !== played.tempoMap[i - 1].quartersPerMinute,
    )
    .filter(({ tick }) => (tick >= from && tick < to) || (index === 0 && tick === 0))
    .map((entry) =>
      el(
        'direction',
        [
          el('direction-type', [tempoMark(entry, played, bar.metre)]),
          at(entry.tick),
          el('sound', [], { tempo: String(entry.quartersPerMinute) }),
        ],
        { placement: 'above' },
      ),
    );
  return [...sections, ...parts, ...tempi, ...loudnessAt(arrangement, bar), ...pedalsAt(arrangement, bar)];
}

/** The parts that begin in a stretch. */
function beginningIn(parts: readonly Part[], from: number, to: number): Part[] {
  const found: Part[] = [];
  for (let at = partIndexAt(parts, from); at < parts.length && parts[at].fromTick < to; at++)
    if (parts[at].fromTick >= from) found.push(parts[at]);
  return found;
}

/** A metronome mark; where a song slows down "rit." on the first step, the others being heard and not read. */
function tempoMark(entry: PlayedTempo, { tempoMap }: Pick<PlayedSong, 'tempoMap'>, metre: Metre): Element {
  if (!entry.isSlowing) {
    const [{ type, dots }] = valuesOf(tempoTicks(metre));
    return el('metronome', [
      el('beat-unit', type ?? 'quarter'),
      ...Array.from({ length: dots }, () => el('beat-unit-dot')),
      el('per-minute', asBeatsPerMinute(metre, entry.quartersPerMinute)),
    ]);
  }
  const isFirst = tempoMap.find(({ isSlowing }) => isSlowing) === entry;
  return el('words', isFirst ? 'rit.' : '', { 'font-style': 'italic' });
}

function direction(placement: 'above' | 'below', what: Element, at: Element | null, staff?: number): Element {
  const children = [el('direction-type', [what]), at, staff === undefined ? null : el('staff', staff)];
  return el('direction', children, { placement });
}

function offset(ticks: number): Element | null {
  return ticks === 0 ? null : el('offset', ticks);
}

/** A dynamic where it is another than before, and a hairpin over what grows or falls. */
function loudnessAt(arrangement: Arrangement, bar: PlayedBar): Element[] {
  const stretches = loudnessIn(arrangement);
  const isHere = (tick: number): boolean => tick >= bar.tick && tick < bar.tick + bar.length;
  return stretches.flatMap(({ tick, toTick, from, to, mark }, i) => {
    const isNew = i === 0 || stretches[i - 1].mark !== mark;
    const hairpin = to === from ? null : to > from ? 'crescendo' : 'diminuendo';
    const starts = isHere(tick) ? offset(tick - bar.tick) : null;
    return [
      ...(isNew && isHere(tick) ? [direction('below', el('dynamics', [el(mark)]), starts, 1)] : []),
      ...(hairpin && isHere(tick) ? [direction('below', wedge(hairpin), starts, 1)] : []),
      ...(hairpin && isHere(toTick - 1)
        ? [direction('below', wedge('stop'), offset(toTick - 1 - bar.tick), 1)]
        : []),
    ];
  });
}

function wedge(type: string): Element {
  return el('wedge', [], { type, number: '1' });
}

/** The pedal as it is played: down with a chord, changed with the next, up where it ends. */
function pedalsAt({ timeline, played }: Arrangement, bar: PlayedBar): Element[] {
  const events = within(timeline.pedals, bar.tick, bar.tick + bar.length + (isLast(played, bar) ? 1 : 0));
  const ticks = [...new Set(events.map(({ tick }) => tick))];
  return ticks.flatMap((tick) => {
    const here = events.filter((event) => event.tick === tick);
    const types = [
      ...(here.some(({ down }) => !down) ? ['stop'] : []),
      ...(here.some(({ down }) => down) ? ['start'] : []),
    ];
    return types.map((type) =>
      direction('below', el('pedal', [], { type, line: 'yes' }), offset(tick - bar.tick), 2),
    );
  });
}

function isLast({ endTick }: Arrangement['played'], bar: PlayedBar): boolean {
  return bar.tick + bar.length >= endTick;
}
