export { betweenFor, endingsFor, type FrameProposal, introsFor, stretchOf } from './framing';
