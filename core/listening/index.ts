export { FIRST_KEY, KeyShapes, LAST_KEY } from './keyShapes';
export { type KeyListener, NoteListener } from './noteListener';
export { pianoShapes } from './pianoShapes';
export { ScoreListener } from './scoreListener';
