import { valuesOf } from './noteValues';
import { asBeatsPerMinute, type Metre, tempoTicks } from '../music';
import type { Arrangement } from '../arrangement';
import { type Part, partIndexAt } from '../parts';
import { type PlayedBar, type PlayedSong, type PlayedTempo, type Section, within } from '../song';
import { el, type Element } from './xmlTree';

/** How loud a section of each energy is, 1 calm to 5 driving. */
const DYNAMICS = ['p', 'mp', 'mf', 'f', 'ff'] as const;

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

/** A dynamic where a section begins with another than before, and a hairpin over one that grows or falls. */
function loudnessAt({ played, parts }: Arrangement, bar: PlayedBar): Element[] {
  const sections = played.sections.length > 0 ? played.sections : wholeSong(parts);
  return sections.flatMap((section, i) => {
    const next = sections[i + 1]?.tick ?? played.endTick;
    const isHere = (tick: number): boolean => tick >= bar.tick && tick < bar.tick + bar.length;
    const mark = DYNAMICS[section.energy - 1];
    const isNew = i === 0 || sections[i - 1].energy !== section.energy;
    const hairpin = { growing: 'crescendo', falling: 'diminuendo', even: null }[section.dynamics];
    const starts = isHere(section.tick) ? offset(section.tick - bar.tick) : null;
    return [
      ...(isNew && isHere(section.tick) ? [direction('below', el('dynamics', [el(mark)]), starts, 1)] : []),
      ...(hairpin && isHere(section.tick) ? [direction('below', wedge(hairpin), starts, 1)] : []),
      ...(hairpin && isHere(next - 1)
        ? [direction('below', wedge('stop'), offset(next - 1 - bar.tick), 1)]
        : []),
    ];
  });
}

function wedge(type: string): Element {
  return el('wedge', [], { type, number: '1' });
}

/** A song without sections is one of middle energy. */
function wholeSong(parts: readonly Part[]): Pick<Section, 'tick' | 'energy' | 'dynamics'>[] {
  return parts.length === 0 ? [] : [{ tick: 0, energy: 3, dynamics: 'even' }];
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
