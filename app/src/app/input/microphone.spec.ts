import { describe, expect, it } from 'vitest';
import { microphoneProblem } from './microphone';

describe('a piano heard through the microphone', () => {
  it('is said plainly where it cannot be heard', () => {
    expect(microphoneProblem(new DOMException('no', 'NotAllowedError'))).toMatch(
      /does not let the microphone/,
    );
    expect(microphoneProblem(new DOMException('no', 'NotFoundError'))).toMatch(/^No microphone was found/);
    expect(microphoneProblem(new Error('busy'))).toBe('The microphone could not be started: busy.');
  });
});
