import { type KeyEvent, takeOf } from '@joined-hands/core/takes';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import {
  ComputerKeys,
  midiInputs,
  MidiKeys,
  ScreenKeys,
  simulatedKeys,
  TAP_KEYS,
  TwoHandTaps,
} from './key-sources';

const cMajor = { tonic: { letter: 'C' as const, alter: 0 }, mode: 'major' as const };

/** A clock that tests turn by hand, in seconds. */
let time = 0;
const now = (): number => time;
/** A clock that is asked late: only what happened at a time of its own is told. */
const ownTime = (at = Number.NaN): number => at / 1000;

describe('the keyboard on the screen', () => {
  it('lets the last key go when the next is pressed, and hears nothing once stopped', () => {
    const events: KeyEvent[] = [];
    const keys = new ScreenKeys();
    time = 0;
    keys.press(50);
    keys.start((event) => events.push(event), now);
    keys.press(60);
    time = 0.5;
    keys.press(64);
    keys.stop();
    keys.press(67);
    expect(events.map((e) => [e.seconds, e.midi, e.velocity > 0])).toEqual([
      [0, 60, true],
      [0.5, 60, false],
      [0.5, 64, true],
    ]);
  });
});

describe('a MIDI keyboard', () => {
  it('is understood: strikes, releases, and a strike without force as a release', () => {
    const events: KeyEvent[] = [];
    const input = { onmidimessage: null } as unknown as MIDIInput;
    const keys = new MidiKeys([input]);
    time = 1;
    keys.start((event) => events.push(event), now);
    const send = (...data: number[]): void =>
      input.onmidimessage?.call(input, { data: Uint8Array.from(data) } as MIDIMessageEvent);
    send(0x90, 60, 80);
    send(0x80, 60, 64);
    send(0x91, 62, 70);
    send(0x91, 62, 0);
    send(0xb0, 64, 127);
    send(0xfe);
    expect(events.map((e) => [e.midi, e.velocity])).toEqual([
      [60, 80],
      [60, 0],
      [62, 70],
      [62, 0],
    ]);
    keys.stop();
    expect(input.onmidimessage).toBeNull();
  });

  it('says when it is gone, where there is no other', () => {
    const inputs = [0, 1].map(() => ({ state: 'connected', onstatechange: null }) as unknown as MIDIInput);
    const problems: string[] = [];
    const keys = new MidiKeys(inputs);
    keys.start(
      () => undefined,
      now,
      (problem) => problems.push(problem),
    );
    for (const [i, input] of inputs.entries()) {
      Object.assign(input, { state: 'disconnected' });
      input.onstatechange?.call(input, {} as MIDIConnectionEvent);
      expect(problems).toHaveLength(i);
    }
    expect(problems[0]).toMatch(/no longer connected\. Connect it/);
    keys.stop();
    expect(inputs.map(({ onstatechange }) => onstatechange)).toEqual([null, null]);
  });

  it('is told by the time of the strike, whenever it is heard of', () => {
    const events: KeyEvent[] = [];
    const input = { onmidimessage: null } as unknown as MIDIInput;
    new MidiKeys([input]).start((event) => events.push(event), ownTime);
    const send = (timeStamp: number, ...data: number[]): void =>
      input.onmidimessage?.call(input, { data: Uint8Array.from(data), timeStamp } as MIDIMessageEvent);
    send(1250, 0x90, 60, 80);
    send(1500, 0x80, 60, 0);
    expect(events.map(({ seconds }) => seconds)).toEqual([1.25, 1.5]);
  });

  it('is not looked for where the browser has none', async () => {
    vi.stubGlobal('navigator', {});
    expect(await midiInputs()).toEqual([]);
    vi.stubGlobal('navigator', {
      requestMIDIAccess: () => Promise.reject(new DOMException('no', 'SecurityError')),
    });
    expect(await midiInputs()).toEqual([]);
    vi.unstubAllGlobals();
  });
});

describe('the keys of the computer', () => {
  let listeners: Map<string, (event: unknown) => void>;
  const press = (type: 'keydown' | 'keyup', code: string, more: object = {}): boolean => {
    let isTaken = false;
    const event = {
      type,
      code,
      ctrlKey: false,
      metaKey: false,
      preventDefault: () => (isTaken = true),
      stopPropagation: () => undefined,
      ...more,
    };
    listeners.get(type)?.(event);
    return isTaken;
  };

  beforeEach(() => {
    listeners = new Map();
    vi.stubGlobal('document', {
      addEventListener: (type: string, act: (event: unknown) => void) => listeners.set(type, act),
      removeEventListener: (type: string) => listeners.delete(type),
    });
  });
  afterEach(() => vi.unstubAllGlobals());

  it('are told by the time they were pressed, whenever that is heard of: one by one and as taps of two hands', () => {
    for (const [keys, code] of [
      [new ComputerKeys(), 'KeyA'],
      [new TwoHandTaps(), 'KeyF'],
    ] as const) {
      const events: KeyEvent[] = [];
      keys.start((event) => events.push(event), ownTime);
      press('keydown', code, { timeStamp: 400 });
      press('keyup', code, { timeStamp: 650 });
      keys.stop();
      expect([code, events.map(({ seconds }) => seconds)]).toEqual([code, [0.4, 0.65]]);
    }
  });

  it('are a row of piano keys from middle C; held down they sound once', () => {
    const events: KeyEvent[] = [];
    const keys = new ComputerKeys();
    keys.start((event) => events.push(event), now);
    expect(press('keydown', 'KeyA')).toBe(true);
    press('keydown', 'KeyA');
    press('keyup', 'KeyA');
    press('keydown', 'KeyW');
    expect(press('keydown', 'KeyZ')).toBe(false);
    expect(press('keydown', 'KeyS', { ctrlKey: true })).toBe(false);
    expect(events.map((e) => [e.midi, e.velocity > 0])).toEqual([
      [60, true],
      [60, false],
      [61, true],
    ]);
    keys.stop();
    expect(listeners.size).toBe(0);
  });

  it('are all one key for tapping a rhythm', () => {
    const events: KeyEvent[] = [];
    const keys = new ComputerKeys(true);
    keys.start((event) => events.push(event), now);
    for (const code of ['Space', 'KeyQ', 'Digit5', 'Enter']) press('keydown', code);
    expect(press('keydown', 'F5')).toBe(false);
    expect(new Set(events.map((e) => e.midi))).toEqual(new Set([60]));
    expect(events).toHaveLength(4);
  });

  it('are one for each hand for tapping both, a key held down being one tap', () => {
    const events: KeyEvent[] = [];
    const keys = new TwoHandTaps();
    keys.start((event) => events.push(event), now);
    expect(press('keydown', 'KeyF')).toBe(true);
    press('keydown', 'KeyF', { repeat: true });
    press('keydown', 'KeyJ');
    press('keyup', 'KeyF');
    expect(press('keydown', 'KeyG')).toBe(false);
    expect(press('keydown', 'KeyJ', { altKey: true })).toBe(false);
    expect(events.map((e) => [e.midi, e.velocity > 0])).toEqual([
      [TAP_KEYS.left, true],
      [TAP_KEYS.right, true],
      [TAP_KEYS.left, false],
    ]);
    keys.stop();
    expect(listeners.size).toBe(0);
  });

  it('leave what is typed into a field alone', () => {
    const events: KeyEvent[] = [];
    const field = { target: { matches: () => true } };
    const other = { target: { matches: () => false } };
    for (const keys of [new ComputerKeys(), new TwoHandTaps()]) {
      keys.start((event) => events.push(event), now);
      expect(press('keydown', 'KeyF', field)).toBe(false);
      expect(press('keydown', 'KeyF', other)).toBe(true);
      keys.stop();
    }
    expect(events.map((e) => e.midi)).toEqual([65, TAP_KEYS.left]);
  });
});

describe('the simulated pianist', () => {
  beforeEach(() => {
    vi.useFakeTimers();
    vi.stubGlobal('window', globalThis);
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  it('plays in real time, stops when told, and is read back as what it played', () => {
    const tune = [60, 62, 64, 65].map((midi, beat) => ({ beat, beats: 1, midi }));
    const events: KeyEvent[] = [];
    const begun = Date.now();
    const pianist = simulatedKeys(tune, 120, 1, []);
    pianist.start(
      (event) => events.push(event),
      () => (Date.now() - begun) / 1000,
    );
    vi.advanceTimersByTime(700);
    expect(events.filter((e) => e.velocity > 0)).toHaveLength(2);
    vi.advanceTimersByTime(2000);
    const { melody } = takeOf(events, 120, cMajor);
    expect(melody.map((n) => [n.tick, n.pitch.letter])).toEqual([
      [0, 'C'],
      [960, 'D'],
      [1920, 'E'],
      [2880, 'F'],
    ]);
    const again = simulatedKeys(tune, 120, 1, []);
    again.start(
      (event) => events.push(event),
      () => 0,
    );
    again.stop();
    const heard = events.length;
    vi.advanceTimersByTime(3000);
    expect(events).toHaveLength(heard);
  });
});
