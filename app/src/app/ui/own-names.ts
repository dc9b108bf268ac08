import { useNoteNames } from '@joined-hands/core/music';
import { storedWays } from './own-ways';

// Before anything else is loaded: some of it names notes at once.
useNoteNames(storedWays().noteNames);
