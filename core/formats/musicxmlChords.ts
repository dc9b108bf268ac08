import {
  type Chord,
  CHORD_TYPES,
  type ChordType,
  halfSteps,
  memberNumber,
  type PitchClass,
  PLAIN_DEGREES,
  typeOfMembers,
  typeOfSuffix,
} from '../music';
import { child, childrenOf, childText, el, type Element } from './xmlTree';

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

const byKind = new Map<string, ChordType>();
for (const type of CHORD_TYPES) if (type.xml.length === 1) byKind.set(type.xml[0], type);
/** Kinds of the format that need degrees here. */
const OTHER_KINDS: Readonly<Record<string, string>> = {
  'major-11th': 'maj11',
  'minor-13th': 'm13',
  'major-13th': 'maj13',
};
for (const [kind, suffix] of Object.entries(OTHER_KINDS)) byKind.set(kind, typeOfSuffix(suffix) as ChordType);

/** Members by their numbers and half steps. */
const INTERVALS = new Map(
  '1P 2M 3m 3M 4P 5d 5P 5A 6M 7d 7m 7M 9m 9M 9A 11P 11A 13m 13M'
    .split(' ')
    .map((member) => [`${memberNumber(member)}:${halfSteps(member)}`, member]),
);

/** What a `<harmony>` says; `known` is false when its kind or degrees are none of ours. */
interface ReadHarmony {
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
  const base = byKind.get(kind);
  if (!base) return { symbol: `${root}pedal${over}`, known: false, kind };
  const members = base.members.map((member): Degree => ({
    number: memberNumber(member),
    halfSteps: halfSteps(member),
    isOfKind: true,
  }));
  const altered = childrenOf(harmony, 'degree').reduce(applyDegree, members);
  const intervals = altered.map((degree) => INTERVALS.get(`${degree.number}:${degree.halfSteps}`));
  const isKnown = intervals.every((interval) => interval !== undefined);
  const type = isKnown ? typeOfMembers(intervals) : base;
  return { symbol: root + type.suffix + over, known: isKnown, kind };
}

function readNote(harmony: Element, name: string): string | null {
  const element = child(harmony, name);
  const step = childText(element, `${name}-step`)?.trim().toUpperCase();
  if (!step || !/^[A-G]$/.test(step)) return null;
  const alter = Math.max(-2, Math.min(2, Math.round(Number(childText(element, `${name}-alter`) ?? 0)) || 0));
  return step + (alter < 0 ? 'b'.repeat(-alter) : '#'.repeat(alter));
}

interface Degree {
  readonly number: number;
  readonly halfSteps: number;
  /** The kind has it; a degree that is added takes its place, one added to another added one stands beside it. */
  readonly isOfKind: boolean;
}

function applyDegree(members: Degree[], degree: Element): Degree[] {
  const value = Number(childText(degree, 'degree-value'));
  const alter = Math.round(Number(childText(degree, 'degree-alter') ?? 0)) || 0;
  const act = childText(degree, 'degree-type');
  const others = members.filter(({ number }) => number !== value);
  if (act === 'subtract') return others;
  const before = members.find(({ number }) => number === value);
  const from = act === 'alter' && before ? before.halfSteps : PLAIN_DEGREES[value];
  if (from === undefined) return members;
  const beside = act === 'add' ? members.filter(({ number, isOfKind }) => number === value && !isOfKind) : [];
  return [...others, ...beside, { number: value, halfSteps: from + alter, isOfKind: false }];
}
