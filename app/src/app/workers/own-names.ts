import { NOTE_NAMES, useNoteNames } from '@joined-hands/core/music';

// A worker is given the names of notes as its own name; it is begun with them, before anything is said.
const chosen = NOTE_NAMES.find((names) => names === self.name);
if (chosen) useNoteNames(chosen);
