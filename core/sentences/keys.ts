/** Why a key is thought to be that of a song. */
export type KeyReason =
  /** The share of the time that lies in it, in hundredths; 100: every note. */
  | { readonly kind: 'inside'; readonly percent: number }
  | { readonly kind: 'last-note'; readonly letter: string }
  | { readonly kind: 'last-note-in-tonic-chord' | 'last-chord' | 'first-chord' | 'leading-note-rises' }
  /** The degrees that tell a mode from major or minor: "6" raised in dorian. */
  | { readonly kind: 'mode'; readonly degree: number; readonly altered: 'raised' | 'lowered' };

/** "every note lies in it" · "the last note is A" · "its 6th is raised throughout" */
export function keyReasonInWords(reason: KeyReason): string {
  switch (reason.kind) {
    case 'inside':
      return reason.percent === 100 ? 'every note lies in it' : `${reason.percent} % of the time lies in it`;
    case 'last-note':
      return `the last note is ${reason.letter}`;
    case 'last-note-in-tonic-chord':
      return 'the last note belongs to its tonic chord';
    case 'last-chord':
      return 'the last chord is its tonic';
    case 'first-chord':
      return 'the first chord is its tonic';
    case 'leading-note-rises':
      return 'its raised leading note rises to it';
    case 'mode':
      return `its ${reason.degree === 2 ? '2nd' : `${reason.degree}th`} is ${reason.altered}, as in that mode`;
  }
}
