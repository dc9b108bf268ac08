import type { HandNote } from '../hands';
import { nameOf, typeset, spellInKey, type Key, classNameOf } from '../music';
import type { Pressed, Step } from '../joining';
import { barInWords, listed } from '../sentences';

/** "Bar 3, on 2 &. Left hand alone: E3 with 2." — what comes next, for eyes that are on the keys. */
export function stepInWords({ bar, count, right, left, graces, held }: Step): string {
  const where = `${barInWords(bar)}, on ${count}.`;
  const names = (notes: readonly HandNote[]): string[] => notes.map(({ pitch }) => typeset(nameOf(pitch)));
  const before = graces.length > 0 ? `; ${names(graces).join(' ')} just before` : '';
  const sounds = held.length === 0 ? '' : `; ${listed(names(held))} ${held.length === 1 ? 'is' : 'are'} held`;
  const more = `${before}${sounds}.`;
  if (right.length === 0) return `${where} Left hand alone: ${keysInWords(left)}${more}`;
  if (left.length === 0) return `${where} Right hand alone: ${keysInWords(right)}${more}`;
  return `${where} Both together: right ${keysInWords(right)}; left ${keysInWords(left)}${more}`;
}

/** "A4 with 3", "C3 E3 A3 with 5 3 1". */
function keysInWords(notes: readonly HandNote[]): string {
  const keys = notes.map(({ pitch }) => typeset(nameOf(pitch))).join(' ');
  const fingers = notes.map(({ finger }) => finger);
  return fingers.includes(null) ? keys : `${keys} with ${fingers.join(' ')}`;
}

/** What was pressed beside the step, and what is wanted; empty while nothing was wrong. */
export function slipInWords(step: Step, { wrong, octaveAway, missing }: Pressed, key: Key): string {
  const last = wrong.at(-1);
  if (last === undefined) return '';
  const name = typeset(classNameOf(spellInKey(last, key)));
  const wanted = [...step.left, ...step.right].filter(({ midi }) => missing.includes(midi));
  const keys = wanted.map(({ pitch }) => typeset(nameOf(pitch))).join(' ');
  if (octaveAway.includes(last)) return `${name} in the wrong octave: ${keys} is wanted.`;
  return keys ? `${name} is not in it: ${keys} is wanted.` : `${name} is not in it.`;
}
