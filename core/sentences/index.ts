export { beatsInWords } from './beats';
export { aFill, fillIds, fillName, fillVariant } from './fillNames';
export { type DegreeFunction, type ChordFunction, functionInWords } from './functions';
export { type KeyReason, keyReasonInWords } from './keys';
export { listed } from './listed';
export { because, divides, imports, inWords, nameOfPhrase, offers, type Phrase } from './phrase';
export { roles, says, saysTheSame, storedPhrase } from './phrase';
export { inAllPlaces } from './remedies';
export type { Rub } from './roles';
