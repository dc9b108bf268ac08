export { says } from './findings';
export { because } from './reasons';
export { inAllPlaces, offers } from './remedies';
export { type DegreeJob, type Job, jobInWords } from './jobs';
export { type KeyReason, keyReasonInWords } from './keys';
export { listed } from './listed';
export { beatsInWords } from './beats';
