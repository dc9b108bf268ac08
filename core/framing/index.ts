export { betweenFor, endingsFor, FRAME_NAMES, type FrameProposal, introsFor } from './framing';
