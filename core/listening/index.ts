export { FULL_LOOK } from './ear';
export { FIRST_KEY, KeyShapes, LAST_KEY } from './keyShapes';
export { risen, Spectrum } from './spectrum';
export { type KeyListener, NoteListener } from './noteListener';
export { pianoShapes, VALUES } from './pianoShapes';
export { ScoreListener } from './scoreListener';
