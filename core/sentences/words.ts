declare const worded: unique symbol;

/** A piece of a sentence that is itself worded from a code: never a plain string. */
export type Words = string & { readonly [worded]: true };
