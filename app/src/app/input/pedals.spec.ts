import { afterEach, describe, expect, it, vi } from 'vitest';
import { inputsAllowed, listenToPedals, type PedalInput } from './pedals';

class Input {
  private readonly listeners = new Set<(event: Event) => void>();
  addEventListener = (_: string, hear: (event: Event) => void): unknown => this.listeners.add(hear);
  removeEventListener = (_: string, hear: (event: Event) => void): unknown => this.listeners.delete(hear);
  send(...data: number[]): void {
    for (const hear of this.listeners) hear({ data: Uint8Array.from(data) } as unknown as Event);
  }
}

describe('pedals that turn pages', () => {
  it('turn once each time one goes down: the right on, the left back, keys and other controllers not', () => {
    const [input, turns] = [new Input(), [] as number[]];
    const stop = listenToPedals([input as unknown as PedalInput], (by) => turns.push(by));
    input.send(0xb0, 64, 63);
    input.send(0xb0, 64, 64);
    input.send(0xb3, 64, 127);
    input.send(0xb0, 64, 0);
    input.send(0xb0, 64, 127);
    input.send(0xb0, 67, 127);
    input.send(0xb0, 66, 127);
    input.send(0x90, 64, 127);
    input.send(0xb0);
    expect(turns).toEqual([1, 1, -1]);
    stop();
    input.send(0xb0, 64, 0);
    input.send(0xb0, 64, 127);
    expect(turns).toEqual([1, 1, -1]);
  });
});

describe('inputs that were allowed before', () => {
  afterEach(() => vi.unstubAllGlobals());
  const asked = vi.fn(async () => ['input'] as unknown as MIDIInput[]);

  it('are listened to without asking anybody', async () => {
    vi.stubGlobal('navigator', { permissions: { query: async () => ({ state: 'prompt' }) } });
    expect(await inputsAllowed(asked)).toEqual([]);
    expect(asked).not.toHaveBeenCalled();
    vi.stubGlobal('navigator', { permissions: { query: async () => ({ state: 'granted' }) } });
    expect(await inputsAllowed(asked)).toEqual(['input']);
    vi.stubGlobal('navigator', {});
    expect(await inputsAllowed(asked)).toEqual([]);
    expect(asked).toHaveBeenCalledTimes(1);
  });

  it('are none where the browser does not know the permission; another failure is told', async () => {
    const failing = (error: Error) => ({ permissions: { query: () => Promise.reject(error) } });
    vi.stubGlobal('navigator', failing(new TypeError('midi is no permission')));
    expect(await inputsAllowed(asked)).toEqual([]);
    vi.stubGlobal('navigator', failing(new Error('no document')));
    await expect(inputsAllowed(asked)).rejects.toThrow('no document');
  });
});
