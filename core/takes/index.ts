export { findBeat } from './beatFinding';
export { type Grid, gridSaid } from './grid';
export { findMetres, type FoundMetre } from './metreFinding';
export { movedSaid, quantise, type Quantised, withoutBreaths } from './quantise';
export { type JudgedRhythm, judgeRhythm, type Stroke } from './rhythm';
export { type KeyEvent, type Mistake, playSimulated, type TuneKey, USUAL_VELOCITY } from './simulatedPianist';
export { compareTakes, keysOf, melodyNote, type Take, takeOf, withTake } from './take';
