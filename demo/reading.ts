import { DRESSINGS } from '../core/fills';
import { fillName, inWords, functionInWords, keyReasonInWords } from '../core/sentences';
import { arrange, compareLayouts } from '../core/arrange';
import type { Arrangement } from '../core/arrangement';
import { findKeys } from '../core/harmony';
import { type HandNote } from '../core/hands';
import { keyName, nameOf } from '../core/music';
import { progressionsOf } from '../core/parts';
import { barAt, beatAt, type Choices, DEFAULT_PROFILE, type Song } from '../core/song';
import { suggestionsAt, TASTES } from '../core/suggesting';
import { LAYOUT_ROWS } from '../core/voicing';
import { fillPlaceInWords, handsInWords, whyOf } from '../core/words';

/**
 * A demo song read aloud, line by line, as a teacher checks it: what was found in it, every chord with its keys and the
 * reason, what each layout does with its beginning, both hands at the moving levels. The readings beside this file were
 * read through by hand; a line that changes is a change of music that somebody has to approve.
 */
export function readingOf(song: Song): string[] {
  const plain = arrangedWith(song, {});
  return [
    `# ${song.title}`,
    ...findKeys(song)
      .slice(0, 2)
      .map(({ key, reasons }) => `key ${keyName(key)}: ${reasons.map(keyReasonInWords).join(', ')}`),
    '',
    ...partLines(plain),
    '',
    ...progressionsOf(plain.played, plain.parts).map(({ numerals, symbols }) => `${numerals} | ${symbols}`),
    '',
    ...plain.changes.map((c, i) => `${changeLine(plain, i)} | ${whyOf(plain.changes[i - 1] ?? null, c)}`),
    '',
    ...plain.findings.map(
      (f) =>
        `${placeOf(plain, f.tick)} ${f.kind}: ${f.says.map(inWords).join(' ')} → ${f.remedies.map(({ offer }) => inWords(offer)).join(' · ')}`,
    ),
    '',
    ...LAYOUT_ROWS.map(({ layout }) => `${layout}: ${beginning(arrangedWith(song, { layout }))}`),
    ...compareLayouts(song, DEFAULT_PROFILE, null).map((c) => `${c.layout}: ${c.words}`),
    '',
    ...([5, 7] as const).flatMap((level) => {
      const arrangement = arrangedWith(song, { level });
      return [
        `level ${level}`,
        `left: ${struck(arrangement, arrangement.left)}`,
        ...(arrangement.right.some(({ source }) => source === 'fill')
          ? [`right: ${struck(arrangement, arrangement.right)}`]
          : []),
        ...arrangement.fills
          .filter((f) => f.taken)
          .map((f) => `fill ${fillPlaceInWords(arrangement.played.bars, f)} (${f.id}): ${inWords(f.reason)}`),
        ...othersProposed(arrangement),
        ...arrangement.findings
          .filter((f) => f.kind === 'thinned' || f.kind === 'bump')
          .map((f) => `${placeOf(arrangement, f.tick)} ${f.says.map(inWords).join(' ')}`),
      ];
    }),
    ...(['straight', 'anticipated', 'dotted', 'swung'] as const).map(
      (rhythm) =>
        `${rhythm}: ${struck(arrangedWith(song, { rhythm }), arrangedWith(song, { rhythm }).right)}`,
    ),
    '',
    ...TASTES.flatMap(({ taste }) =>
      song.changes.slice(0, 6).map(({ id, tick }) => {
        const list = suggestionsAt(song, id, taste, false).slice(0, 4);
        return `${taste} ${tick}: ${list.map((s) => `${s.symbol} +${Math.round(s.behind * 10) / 10} (${s.why.map(inWords).join(', ')})`).join('; ')}`;
      }),
    ),
  ];
}

/** A song with other choices, without its fingers. */
export function arrangedWith(song: Song, choices: Partial<Choices>): Arrangement {
  return arrange({ ...song, choices: { ...song.choices, ...choices } }, DEFAULT_PROFILE, {
    withoutFingers: true,
  });
}

export function placeOf({ played }: Arrangement, tick: number): string {
  const bar = barAt(played.bars, tick);
  return `${bar.number}.${Math.round(100 * beatAt(bar, tick)) / 100}`;
}

function partLines(arrangement: Arrangement): string[] {
  return arrangement.parts.map((part, i) => {
    const hands = handsInWords(arrangement.relations, i);
    const related = part.relatedTo === null ? '' : ` ${part.relation} ${part.relatedTo}`;
    return `part ${part.number} ${part.label} bars ${part.fromBar}–${part.toBar}${related} | ${part.reasons.map(inWords).join(', ')} | ${hands}`;
  });
}

function changeLine(arrangement: Arrangement, index: number): string {
  const { change, degree, pitches, meeting } = arrangement.changes[index];
  const keys = pitches.map(nameOf).join(' ');
  return `${placeOf(arrangement, change.tick)} ${change.symbol} ${degree.numeral}, ${functionInWords(degree.chordFunction)} | ${keys} | ${meeting.how}`;
}

function beginning({ changes }: Arrangement): string {
  return changes
    .slice(0, 6)
    .map((c) => c.pitches.map(nameOf).join(' '))
    .join(' | ');
}

/** "3.1 A2 E3+A3": where and what a hand strikes, in the first parts of the song. */
function struck(arrangement: Arrangement, notes: readonly HandNote[]): string {
  const end = arrangement.parts[Math.min(2, arrangement.parts.length - 1)].toTick;
  const byTick = new Map<number, HandNote[]>();
  for (const note of notes.filter((n) => n.tick < end))
    byTick.set(note.tick, [...(byTick.get(note.tick) ?? []), note]);
  return [...byTick]
    .map(([tick, together]) => {
      const names = together.map((n) => `${nameOf(n.pitch)}:${n.length}`).join('+');
      return `${placeOf(arrangement, tick)} ${names}`;
    })
    .join(' ');
}

/** What else is proposed at each place, the best way of each kind. */
function othersProposed({ fills, played }: Arrangement): string[] {
  const byChange = new Map<string, string[]>();
  const told = new Set<string>();
  for (const fill of fills) {
    const { changeId, kind, taken } = fill;
    const name = `${changeId} ${kind}`;
    if (taken || told.has(name) || DRESSINGS.includes(kind)) continue;
    told.add(name);
    byChange.set(changeId, [
      ...(byChange.get(changeId) ?? []),
      `${fillName(kind)}, ${fillPlaceInWords(played.bars, fill)}`,
    ]);
  }
  return [...byChange].map(([changeId, ways]) => `or over ${changeId}: ${ways.join(' | ')}`);
}
