import { expect, it } from 'vitest';
import { triedInWords } from './microphone';

it('a microphone that is tried says what it heard, and what to do', () => {
  expect([[], [62], [24], [108], [108, 36], [96, 60], [25, 107]].map((keys) => triedInWords(keys))).toEqual([
    'Nothing has been heard yet.',
    'Heard: D4. If you struck another key, put the microphone nearer to the piano.',
    'Heard: C1. Now the highest C.',
    'Heard: C8. Now the lowest C. If it does not appear here, put the microphone nearer to the bass.',
    'Both ends of the keyboard are heard: you can play.',
    'Heard: C4. Now the lowest C. If it does not appear here, put the microphone nearer to the bass.',
    'Heard: B7. If you struck another key, put the microphone nearer to the piano.',
  ]);
});
