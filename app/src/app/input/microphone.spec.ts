import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Judge } from '../workers/judge';
import { microphoneKeys, microphoneProblem } from './microphone';

describe('a piano heard through the microphone', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('says when it is pulled out, and lets go of it', async () => {
    const track = { onended: null as (() => void) | null, stop: vi.fn() };
    const node = { connect: vi.fn(), disconnect: vi.fn() };
    const context = {
      ...{ sampleRate: 44_100, state: 'running', close: vi.fn() },
      audioWorklet: { addModule: async () => undefined },
      createMediaStreamSource: () => node,
    };
    vi.stubGlobal('AudioContext', function AudioContext() {
      return context;
    });
    vi.stubGlobal('AudioWorkletNode', function AudioWorkletNode() {
      return { port: {} };
    });
    vi.stubGlobal('navigator', {
      mediaDevices: { getUserMedia: async () => ({ getTracks: () => [track] }) },
    });
    const asked: unknown[] = [];
    const judge = { listenFor: async (...all: unknown[]) => void asked.push(all) } as unknown as Judge;
    const keys = await microphoneKeys(judge, null);
    // More samples than a piano needs are halved before they are listened to.
    expect(asked).toEqual([[null, 22_050, 1, []]]);
    const problems: string[] = [];
    keys.start(
      () => undefined,
      () => 0,
      (problem) => problems.push(problem),
    );
    expect(problems).toEqual([]);
    track.onended?.();
    expect(problems).toEqual([expect.stringMatching(/microphone is no longer connected/)]);
    keys.stop();
    expect([track.stop, node.disconnect, context.close].map((f) => f.mock.calls.length)).toEqual([1, 1, 1]);
  });

  it('is said plainly where it cannot be heard', () => {
    expect(microphoneProblem(new DOMException('no', 'NotAllowedError'))).toMatch(
      /does not let the microphone/,
    );
    expect(microphoneProblem(new DOMException('no', 'NotFoundError'))).toMatch(/^No microphone was found/);
    expect(microphoneProblem(new Error('busy'))).toBe('The microphone could not be started: busy.');
  });
});
