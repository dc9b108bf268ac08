export { betweenFor } from './between';
export { endingsFor, introsFor, stretchOf } from './framing';
export type { FrameProposal } from './proposal';
