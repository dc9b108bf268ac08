import { Interval } from 'tonal';
import { type Chord, CHORD_TYPES, type ChordType, memberNumber, type PitchClass } from '../music';
import { child, childrenOf, childText, el, type Element } from './xmlTree';

/** What degree 1 … 13 is without alteration: a major scale with a flat seventh (MusicXML 4.0, degree-alter). */
const PLAIN: Record<number, number> = { 1: 0, 2: 2, 3: 4, 4: 5, 5: 7, 6: 9, 7: 10, 9: 14, 11: 17, 13: 21 };

interface XmlDegree {
  readonly act: 'add' | 'alter' | 'subtract';
  readonly value: number;
  readonly alter: number;
}

function degreesOf(type: ChordType): XmlDegree[] {
  return type.xml.slice(1).map((text) => {
    const [act, value, alter] = text.split(' ');
    return { act: act as XmlDegree['act'], value: Number(value), alter: Number(alter ?? 0) };
  });
}

/** `<root>`, `<kind>`, `<bass>` and `<degree>` of a chord, or of no chord, in the order the format asks. */
export function harmonyContent(chord: Chord | null): Element[] {
  if (!chord) return [el('root', [el('root-step', 'C', { text: '' })]), el('kind', 'none', { text: 'N.C.' })];
  const note = (name: string, pitch: PitchClass): Element =>
    el(name, [el(`${name}-step`, pitch.letter), pitch.alter === 0 ? null : el(`${name}-alter`, pitch.alter)]);
  const degrees = degreesOf(chord.type).map(({ act, value, alter }) =>
    el('degree', [el('degree-value', value), el('degree-alter', alter), el('degree-type', act)]),
  );
  return [
    note('root', chord.root),
    el('kind', chord.type.xml[0], { text: chord.type.suffix }),
    ...(chord.bass ? [note('bass', chord.bass)] : []),
    ...degrees,
  ];
}

const byMembers = new Map(CHORD_TYPES.map((type) => [signature(type.members.map(degreeAndSemitones)), type]));
const byKind = new Map<string, ChordType>();
for (const type of CHORD_TYPES) if (type.xml.length === 1) byKind.set(type.xml[0], type);
/** Kinds written by others that mean one of ours. */
const OTHER_KINDS: Record<string, string> = {
  'major-11th': 'maj9',
  'minor-13th': 'm11',
  'major-13th': 'maj9',
};

function degreeAndSemitones(member: string): [number, number] {
  return [memberNumber(member), Interval.semitones(member) as number];
}

function signature(members: readonly (readonly [number, number])[]): string {
  return [...members]
    .sort((a, b) => a[0] - b[0] || a[1] - b[1])
    .map((m) => m.join(':'))
    .join(' ');
}

/** What a `<harmony>` says; `known` is false when its kind or degrees are none of ours. */
export interface ReadHarmony {
  readonly symbol: string;
  readonly known: boolean;
  readonly kind: string;
}

/** Reads one `<harmony>`. An unknown kind becomes the root alone, unknown degrees are dropped; both say so. */
export function readHarmony(harmony: Element): ReadHarmony {
  const kind = childText(harmony, 'kind') ?? 'major';
  if (kind === 'none') return { symbol: 'N.C.', known: true, kind };
  const root = readNote(harmony, 'root');
  if (root === null) return { symbol: 'N.C.', known: false, kind: 'without a root' };
  const bass = readNote(harmony, 'bass');
  const over = bass === null ? '' : `/${bass}`;
  const base = byKind.get(kind) ?? CHORD_TYPES.find((t) => t.suffix === OTHER_KINDS[kind]);
  if (!base) return { symbol: `${root}pedal${over}`, known: false, kind };
  const members = base.members.map(degreeAndSemitones);
  const altered = childrenOf(harmony, 'degree').reduce(applyDegree, members);
  const type = byMembers.get(signature(altered));
  return { symbol: root + (type ?? base).suffix + over, known: type !== undefined && byKind.has(kind), kind };
}

function readNote(harmony: Element, name: string): string | null {
  const element = child(harmony, name);
  const step = childText(element, `${name}-step`)?.trim().toUpperCase();
  if (!step || !/^[A-G]$/.test(step)) return null;
  const alter = Math.max(-2, Math.min(2, Math.round(Number(childText(element, `${name}-alter`) ?? 0)) || 0));
  return step + (alter < 0 ? 'b'.repeat(-alter) : '#'.repeat(alter));
}

function applyDegree(members: [number, number][], degree: Element): [number, number][] {
  const value = Number(childText(degree, 'degree-value'));
  const alter = Math.round(Number(childText(degree, 'degree-alter') ?? 0)) || 0;
  const act = childText(degree, 'degree-type');
  const others = members.filter(([number]) => number !== value);
  if (act === 'subtract') return others;
  const before = members.find(([number]) => number === value);
  const from = act === 'alter' && before ? before[1] : PLAIN[value];
  return from === undefined ? members : [...others, [value, from + alter]];
}
