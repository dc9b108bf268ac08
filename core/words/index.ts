export { derivationOf, points, togetherInWords, voicingName, whyOf } from './explain';
export { learningInWords } from './learning';
export { partCard } from './partCard';
export { proofInWords } from './proof';
export { leftComesBack } from './returning';
export { partSummary } from './summary';
export { barsInWords, meetingInWords, partNumberAt, relationInWords } from './walkthrough';
export { rightHandInWords, sayIt, typesetForm, writeWalkthrough } from './walkthrough';
export { slipInWords, stepInWords } from './steps';
