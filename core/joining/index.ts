export { bumpsBetween } from './bumps';
export { countAt } from './counts';
export { type HandRelations, handsInWords, NO_RELATIONS, relateHands } from './handRelations';
export { choicesAt, leftHand, rightHand } from './hands';
export { type ChangeMeeting, type Meeting, meetingOf, meetingsOf } from './meetings';
export { rubFindings } from './rubs';
export { handsForSinging } from './singing';
