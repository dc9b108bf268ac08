export { bumpsBetween } from './bumps';
export { countAt } from './counts';
export {
  type HandRelated,
  type HandRelations,
  handsComingBack,
  NO_RELATIONS,
  relateHand,
} from './handRelations';
export { choicesAt, leftHand, struckNote } from './hands';
export { type ChangeMeeting, type Meeting, meetingOf, meetingsOf } from './meetings';
export { withRolls } from './rolls';
export { rubFindings } from './rubs';
export { handsForSinging } from './singing';
export { judgePressed, keysOfStep, type Pressed, type Step, stepsIn } from './steps';
export type { PartHands, PartTask } from './task';
