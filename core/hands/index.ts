export { type Hand, type HandNote, inTime, type Source } from './handNote';
export { fingerSpan, type FingerSpan } from './spans';
export { isPass, lineOfRight, type Strike, strikesOf } from './strikes';
