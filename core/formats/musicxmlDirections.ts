import { valuesOf } from './noteValues';
import { asBeatsPerMinute, type Metre, tempoTicks, TICKS_PER_QUARTER } from '../music';
import { type Arrangement, loudnessIn } from '../arrangement';
import { firstBarTick } from '../parts';
import { barAt, type PlayedBar, type PlayedSong, type PlayedTempo, within } from '../song';
import { el, type Element } from './xmlTree';

/** What the score is in which a bar stands, and from where to where it goes. */
export interface ScoreRange {
  readonly from: number;
  readonly to: number;
  readonly isTune: boolean;
  readonly isSheet: boolean;
}

/** What stands above and below the staves of a bar: names and numbers of parts, tempo, loudness, pedal. */
export function directionsAt(arrangement: Arrangement, bar: PlayedBar, range: ScoreRange): Element[] {
  const { played, song } = arrangement;
  const { isTune, isSheet } = range;
  const [from, to] = [bar.tick, bar.tick + bar.length];
  const at = (tick: number): Element | null => offset(tick - bar.tick);
  const sections = within(played.sections, from, to).map((section) =>
    direction(
      'above',
      isSheet
        ? el('words', section.name, { 'font-weight': 'bold' })
        : el('rehearsal', section.name, { enclosure: 'none' }),
      at(section.tick),
    ),
  );
  // A part that begins with a pick-up has its number where its first bar does.
  const parts = arrangement.parts
    .filter(({ fromTick }) => numberedAt(played, fromTick) === from)
    .map((part) => direction('above', el('rehearsal', part.number, { enclosure: 'square' }), null));
  const feel =
    bar.tick === 0 && song.feel.kind !== 'straight'
      ? [direction('above', el('words', 'Swing', { 'font-style': 'italic' }), null)]
      : [];
  const tempi = played.tempoMap
    .filter(
      ({ quartersPerMinute }, i) => i === 0 || quartersPerMinute !== played.tempoMap[i - 1].quartersPerMinute,
    )
    .filter(({ tick }) => tick >= from && tick < to)
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
  // A lead sheet says what is sung and with which chords, not how it is played.
  const playing = isTune
    ? []
    : [...loudnessAt(arrangement, bar, range), ...pedalsAt(arrangement, bar, range)];
  return [...sections, ...parts, ...tempi, ...feel, ...playing];
}

/** The bar line a part has its number at, by where it begins. */
function numberedAt(played: PlayedSong, from: number): number {
  const tick = firstBarTick(played, from);
  return tick < played.endTick ? tick : barAt(played.bars, from).tick;
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
function loudnessAt(arrangement: Arrangement, bar: PlayedBar, range: ScoreRange): Element[] {
  const stretches = loudnessIn(arrangement);
  const isHere = (tick: number): boolean => tick >= bar.tick && tick < bar.tick + bar.length;
  return stretches.flatMap(({ tick, toTick, from, to, mark }, i) => {
    // At the beginning of a score it is said what is in force; a hairpin that reaches beyond its ends is cut there.
    const [start, end] = [Math.max(tick, range.from), Math.min(toTick, range.to)];
    const isNew = i === 0 || stretches[i - 1].mark !== mark || start > tick;
    const isLong = end - start >= TICKS_PER_QUARTER;
    const hairpin = to === from || !isLong ? null : to > from ? 'crescendo' : 'diminuendo';
    const starts = isHere(start) ? offset(start - bar.tick) : null;
    return [
      ...(isNew && end > start && isHere(start)
        ? [direction('below', el('dynamics', [el(mark)]), starts, 1)]
        : []),
      ...(hairpin && isHere(start) ? [direction('below', wedge(hairpin), starts, 1)] : []),
      ...(hairpin && isHere(end - 1)
        ? [direction('below', wedge('stop'), offset(end - 1 - bar.tick), 1)]
        : []),
    ];
  });
}

function wedge(type: string): Element {
  return el('wedge', [], { type, number: '1' });
}

/** The pedal as it is played: down with a chord, changed with the next, up where it ends, and where the score does. */
function pedalsAt({ timeline }: Arrangement, bar: PlayedBar, { from, to }: ScoreRange): Element[] {
  const end = bar.tick + bar.length;
  const spans = pedalSpans(timeline.pedals)
    .map((span) => ({ down: Math.max(span.down, from), up: Math.min(span.up, to) }))
    .filter(({ down, up }) => up > down);
  const isHere = (tick: number): boolean => tick >= bar.tick && (tick < end || (tick === to && end === to));
  const sign = (type: 'start' | 'stop', tick: number): Element =>
    // Not "change", which engravers draw in many ways, or not at all.
    direction('below', el('pedal', [], { type, line: 'yes' }), offset(tick - bar.tick), 2);
  return spans.flatMap(({ down, up }) => [
    ...(isHere(down) ? [sign('start', down)] : []),
    ...(isHere(up) ? [sign('stop', up)] : []),
  ]);
}

/** From where to where the pedal is down. */
function pedalSpans(events: Arrangement['timeline']['pedals']): { down: number; up: number }[] {
  const spans: { down: number; up: number }[] = [];
  let from: number | null = null;
  for (const { tick, down } of events) {
    if (from !== null) spans.push({ down: from, up: tick });
    from = down ? tick : null;
  }
  return spans;
}
