import { DIVISIONS } from './divisions';
import { IMPORTS } from './imports';
import { FINDINGS } from './findings';
import { REASONS } from './reasons';
import { REMEDIES } from './remedies';
import { ROLES } from './roles';
import type { Words } from './words';

/** All that is said in sentences: for each code how it is worded from its facts. */
const BOOK = { ...FINDINGS, ...REMEDIES, ...REASONS, ...DIVISIONS, ...ROLES, ...IMPORTS };

type PhraseCode = keyof typeof BOOK;
type Fact = string | number | boolean | null | readonly (string | number)[] | Phrase;

/** What is said, not how it is worded: a code and its facts. Words are made of it by {@link inWords}, and nowhere read again. */
export interface Phrase {
  readonly code: PhraseCode;
  readonly facts: readonly Fact[];
}

/** Where the wording of a sentence takes in another one, the phrase is given. */
type FactOf<T> = Words extends T ? Phrase | Exclude<T, Words> : T;
type FactsOf<F> = F extends (...facts: infer P) => string ? { [I in keyof P]: FactOf<P[I]> } : never;
type Phrases<B> = { readonly [K in keyof B]: (...facts: FactsOf<B[K]>) => Phrase };

function phrasesOf<B extends object>(book: B): Phrases<B> {
  const codes = Object.keys(book).map((code) => [
    code,
    (...facts: Fact[]): Phrase => ({ code: code as PhraseCode, facts }),
  ]);
  return Object.fromEntries(codes) as Phrases<B>;
}

/** What a finding says. `says.raised('Am') // { code: 'raised', facts: ['Am'] }` */
export const says = phrasesOf(FINDINGS);
/** What a remedy offers to do. */
export const offers = phrasesOf(REMEDIES);
/** Why something was chosen or proposed, or why it is hard. */
export const because = phrasesOf(REASONS);
/** Why a part begins where it does. */
export const divides = phrasesOf(DIVISIONS);
/** What reading a file could not decide. */
export const imports = phrasesOf(IMPORTS);
/** What a note is to a chord. */
export const roles = phrasesOf(ROLES);

/** A phrase in words. `inWords(offers.leaveItOut()) // "Leave it out"` */
export function inWords({ code, facts }: Phrase): string {
  const word = BOOK[code] as (...facts: unknown[]) => string;
  return word(...facts.map((fact) => (isPhrase(fact) ? inWords(fact) : fact)));
}

function isPhrase(fact: Fact): fact is Phrase {
  return typeof fact === 'object' && fact !== null && 'code' in fact;
}

/** A stored phrase of what reading a file found, where it can be worded; null for one that cannot. */
export function storedPhrase(code: string, facts: readonly Fact[]): Phrase | null {
  if (!Object.hasOwn(IMPORTS, code)) return null;
  const phrase = { code: code as PhraseCode, facts };
  try {
    inWords(phrase);
    return phrase;
  } catch (error) {
    // Facts of another kind than the wording takes; anything else is a fault of ours.
    if (error instanceof TypeError) return null;
    throw error;
  }
}

/** Whether two phrases say the same. */
export function saysTheSame(a: Phrase, b: Phrase): boolean {
  return nameOfPhrase(a) === nameOfPhrase(b);
}

/** A name for what a phrase says: equal for equal phrases. */
export function nameOfPhrase(phrase: Phrase): string {
  return JSON.stringify([phrase.code, ...phrase.facts]);
}
