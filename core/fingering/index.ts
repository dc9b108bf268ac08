export { fixedFingers, learnedFingers } from './fixed';
export { withFingers } from './hands';
export { arpeggioWarmUp, scaleWarmUp, type WarmUpNote } from './warmups';
