export { fingersNotKept, fixedFingers, keyOfPin, learnedFingers } from './fixed';
export {
  costOfFingers,
  fingerPart,
  type FixedFingers,
  FROM_NOWHERE,
  type HandState,
  isFreeBetween,
  landingOf,
} from './hands';
export { arpeggioWarmUp, scaleWarmUp, type WarmUpNote } from './warmups';
export { lieOf } from './lie';
