export { betweenFor } from './between';
export { endingsFor, introsFor, stretchOf } from './framing';
export { ENDINGS, type FrameProposal, type FrameVariant, INTROS } from './proposal';
