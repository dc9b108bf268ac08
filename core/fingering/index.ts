export { fixedFingers, learnedFingers } from './fixed';
export {
  fingerPart,
  type FixedFingers,
  FROM_NOWHERE,
  type HandState,
  isFreeBetween,
  landingOf,
} from './hands';
export { arpeggioWarmUp, scaleWarmUp, type WarmUpNote } from './warmups';
