import { type Moved, type Related } from './relations';

/**
 * "A A' B A'": a new letter for new parts, a stroke for a new ending or a variation, the same letter for a return; what is
 * moved exactly keeps its letter, with the half steps (A↑2).
 */
export function formLetters(related: readonly Pick<Related, 'relation' | 'to' | 'moved'>[]): string[] {
  const letters: string[] = [];
  let next = 0;
  for (const { relation, to, moved } of related) {
    if (relation === 'same' && to !== null) letters.push(letters[to]);
    else if ((relation === 'ending' || relation === 'varied') && to !== null)
      letters.push(withStroke(letters[to], letters));
    else if (relation === 'moved' && to !== null && moved?.semitones)
      letters.push(movedLetter(letters[to], moved.semitones));
    else letters.push(letterAt(next++));
  }
  return letters;
}

/** The letter of a part without its strokes and arrow: parts of one letter are a family. `letterOf("A''") // "A"` */
export function letterOf(label: string): string {
  return label.split(/['↑↓]/u, 1)[0];
}

/** A letter moved by half steps, told from the strain as it was first; moved back it is itself again. */
function movedLetter(label: string, semitones: number): string {
  const before = /([↑↓])(\d+)/u.exec(label);
  const by = semitones + (before ? (before[1] === '↑' ? 1 : -1) * Number(before[2]) : 0);
  return by === 0 ? letterOf(label) : `${letterOf(label)}${by > 0 ? '↑' : '↓'}${Math.abs(by)}`;
}

function withStroke(letter: string, used: readonly string[]): string {
  let name = `${letterOf(letter)}'`;
  while (used.includes(name)) name += "'";
  return name;
}

function letterAt(index: number): string {
  const letter = String.fromCharCode(65 + (index % 26));
  return index < 26 ? letter : letter + Math.floor(index / 26);
}

const GENERIC = ['unison', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh'];
/** Half steps of the major or perfect interval of so many letters. */
const MAJOR = [0, 2, 4, 5, 7, 9, 11];
const PERFECT = new Set([0, 3, 4]);

/** "a third higher in the key", "a minor third lower exactly", "an octave higher". */
export function movedInWords({ steps, semitones }: Moved): string {
  const up = steps === 0 ? (semitones ?? 0) > 0 : steps > 0;
  const way = up ? 'higher' : 'lower';
  if (semitones === null) return `${withArticle(generic(Math.abs(steps)))} ${way} in the key`;
  // The same letters, sharpened or flattened.
  if (steps === 0 && Math.abs(semitones) === 1) return `a half step ${way}, exactly`;
  const quality = qualityOf(Math.abs(steps), Math.abs(semitones), Math.sign(steps) * Math.sign(semitones));
  if (steps % 7 === 0 && semitones % 12 === 0) return `${withArticle(generic(Math.abs(steps)))} ${way}`;
  return `${withArticle(`${quality} ${generic(Math.abs(steps))}`)} ${way}, exactly`;
}

function generic(steps: number): string {
  if (steps === 7) return 'octave';
  const octaves = Math.floor(steps / 7);
  const name = GENERIC[steps % 7];
  if (octaves === 0) return name;
  return steps % 7 === 0
    ? `${octaves} octaves`
    : `${name} and ${octaves === 1 ? 'an octave' : `${octaves} octaves`}`;
}

function withArticle(name: string): string {
  if (/^\d/.test(name)) return name;
  return `${/^[aou]/.test(name) && !name.startsWith('unison') ? 'an' : 'a'} ${name}`;
}

function qualityOf(steps: number, semitones: number, sense: number): string {
  const within = steps % 7;
  const off = sense < 0 ? -semitones - MAJOR[within] : semitones - 12 * Math.floor(steps / 7) - MAJOR[within];
  if (PERFECT.has(within)) return off === 0 ? 'perfect' : off > 0 ? 'augmented' : 'diminished';
  if (off === 0) return 'major';
  if (off === -1) return 'minor';
  return off > 0 ? 'augmented' : 'diminished';
}

/** What there is to learn of one hand or of the melody. */
interface Learning {
  /** Parts that are not the same as an earlier one. */
  readonly different: number;
  readonly parts: number;
}

/** "five different parts of nine": how many stretches are not the same as an earlier one. */
export function learningOf(related: readonly { readonly relation: string }[]): Learning {
  return { different: related.filter((r) => r.relation !== 'same').length, parts: related.length };
}
