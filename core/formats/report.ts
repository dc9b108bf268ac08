import { fillName, fillVariant, inWords, functionInWords } from '../sentences';
import { type ArrangedChange, type Arrangement } from '../arrangement';
import type { HandNote } from '../hands';
import { inversionName } from '../harmony';
import { keyName, metreName, midiOf, nameOf, type Pitch, symbolOf } from '../music';
import { barAt, beatAt, keyAt } from '../song';
import { leftBounds, movementOf, optimumSemitones, rootPositionLine } from '../voicing';
import { fillPlaceInWords, partNumberAt, patternOfPart, whyOf } from '../words';

/** Totals of the left hand: ours, root position throughout, and the least semitones possible. */
export function totalsOf(
  arrangement: Arrangement,
): Record<
  'leftTravelMm' | 'rootPositionTravelMm' | 'leftSemitones' | 'rootPositionSemitones' | 'optimumSemitones',
  number
> {
  const { changes, song, profile, played, parts } = arrangement;
  const line = changes.map((c) => c.voicing);
  const ours = movementOf(line);
  const root = movementOf(
    rootPositionLine(
      changes.map((c) => c.chord),
      leftBounds(profile, 128),
      line[0] ?? null,
    ),
  );
  return {
    leftTravelMm: ours.millimetres,
    rootPositionTravelMm: root.millimetres,
    leftSemitones: ours.semitones,
    rootPositionSemitones: root.semitones,
    optimumSemitones: optimumSemitones(song, profile, played, parts),
  };
}

/** The arrangement as plain data for other programs; times in ticks of 1/960 quarter. */
export function reportOf(arrangement: Arrangement, milliseconds: number): Record<string, unknown> {
  const { song, played, parts, changes, efforts } = arrangement;
  const place = (tick: number): { bar: number; beat: number } => {
    const bar = barAt(played.bars, tick);
    return { bar: bar.number, beat: Math.round(beatAt(bar, tick) * 1000) / 1000 };
  };
  return {
    song: {
      title: song.title,
      key: keyName(keyAt(played, 0)),
      metre: metreName(song.metreMap[0]),
      tempo: song.tempoMap[0].quartersPerMinute,
      bars: song.barCount,
      pickup: song.pickup,
    },
    form: parts.map((p) => p.label).join(' '),
    parts: parts.map((part, i) => ({
      number: part.number,
      label: part.label,
      pattern: patternOfPart(arrangement, part),
      fromBar: part.fromBar,
      toBar: part.toBar,
      fromTick: part.fromTick,
      toTick: part.toTick,
      sameAs: part.relation === 'same' ? part.relatedTo : null,
      relation: part.relation,
      relatedTo: part.relatedTo,
      hands: {
        right: arrangement.relations.right[i]?.relation ?? null,
        left: arrangement.relations.left[i]?.relation ?? null,
      },
      effort: efforts[i],
    })),
    changes: changes.map((change, i) => changeReport(arrangement, change, changes[i - 1] ?? null, place)),
    meetings: arrangement.meetings.map((m) => ({
      tick: m.tick,
      ...place(m.tick),
      count: m.count,
      right: m.right,
      left: m.left,
    })),
    right: arrangement.right.map(noteReport),
    left: arrangement.left.map(noteReport),
    fills: arrangement.fills.map(({ tick, length, ...fill }) => ({
      tick,
      length,
      kind: fillName(fill.kind),
      variant: fillVariant(fill.kind, fill.variant),
      hand: fill.hand,
      where: fillPlaceInWords(played.bars, { tick, length, ...fill }),
      notes: fill.notes.map((note) => ({ tick: note.tick, length: note.length, note: nameOf(note.pitch) })),
      taken: fill.taken,
    })),
    findings: arrangement.findings.map(({ kind, tick, says, remedies }) => ({
      kind,
      tick,
      ...place(tick),
      part: partNumberAt(arrangement, tick),
      text: says.map(inWords).join(' '),
      remedies: remedies.map(({ offer }) => inWords(offer)),
    })),
    totals: { ...totalsOf(arrangement), milliseconds: Math.round(milliseconds) },
  };
}

function changeReport(
  arrangement: Arrangement,
  change: ArrangedChange,
  before: ArrangedChange | null,
  place: (tick: number) => { bar: number; beat: number },
): Record<string, unknown> {
  const { step, meeting } = change;
  const { id, tick, length, symbol, given } = change.change;
  return {
    id,
    tick,
    ...place(tick),
    length,
    symbol,
    degree: change.degree.numeral,
    job: functionInWords(change.degree.chordFunction),
    given,
    layout: change.layout,
    inversion: change.voicing.inversion,
    notes: change.pitches.map(nameOf),
    midi: change.voicing.keys,
    fingers: fingersAt(arrangement, change),
    name: `${symbolOf(change.chord)}, ${inversionName(change.voicing.inversion)}`,
    step: step ? { semitones: step.semitones, kept: step.kept, millimetres: step.millimetres } : null,
    meets: {
      how: meeting.how,
      note: meeting.note ? nameOf(meeting.note.pitch) : null,
      count: meeting.count,
      syllable: meeting.syllable,
    },
    why: whyOf(before, change),
  };
}

/** Fingers of the block where it is struck whole at the change; empty under a moving pattern. */
function fingersAt({ left }: Arrangement, { change, voicing }: ArrangedChange): number[] {
  const struck = left.filter((n) => n.tick === change.tick && voicing.keys.includes(n.midi));
  return struck.length === voicing.keys.length ? struck.flatMap((n) => n.finger ?? []) : [];
}

function noteReport(note: HandNote): Record<string, unknown> {
  const pitch: Pitch = note.pitch;
  const { tick, length, finger, source } = note;
  return { tick, length, midi: midiOf(pitch), note: nameOf(pitch), finger, source };
}
