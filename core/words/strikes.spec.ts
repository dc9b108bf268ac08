import { describe, expect, it } from 'vitest';
import type { HandNote, Strike } from '../hands';
import { parsePitch } from '../music';
import { fingersInWords, struckInWords, timesInWords } from './strikes';

/** "C3:5 E3:3" are two keys struck together with fingers 5 and 3. */
const strike = (keys: string): Strike =>
  keys.split(' ').map((key) => {
    const [name, finger] = key.split(':');
    return { pitch: parsePitch(name), finger: finger ? Number(finger) : null } as HandNote;
  });

describe('what is struck, in words', () => {
  it('tells a whole that repeats once, and a last strike that repeats with how often', () => {
    const told = (...keys: string[]): string => struckInWords(keys.map(strike));
    expect(told('C3')).toBe('C3');
    expect(told('C3', 'C3')).toBe('C3 twice');
    expect(told('C3', 'G3', 'C3', 'G3')).toBe('C3 G3, twice');
    expect(told('A2', 'C3 E3', 'C3 E3')).toBe('A2, then C3+E3 twice');
    expect(told('A2', 'C3 E3', 'C3 E3', 'C3 E3')).toBe('A2, then C3+E3 3 times');
    expect(told('Bb2', 'F#3', 'C3')).toBe('B♭2 F♯3 C3');
    expect([0, 1, 2, 3].map(timesInWords)).toEqual(['never', 'once', 'twice', '3 times']);
  });

  it('tells the fingers of the same strikes, and nothing where one of them is not known', () => {
    const told = (...keys: string[]): string => fingersInWords(keys.map(strike));
    expect(told('C3:5')).toBe(', finger 5');
    expect(told('C3:5', 'E3:3 G3:1', 'E3:3 G3:1')).toBe(', fingers 5, then 3-1 twice');
    expect(told('C3:5', 'E3:3 G3')).toBe('');
    expect(told('C3', 'E3:3')).toBe('');
  });
});
