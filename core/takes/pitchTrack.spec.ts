import { describe, expect, it } from 'vitest';
import { PitchTrack, type SoundFrame } from './pitchTrack';

const A4 = 440;
const FRAME = 0.01;

/** What is told of stretches of sound a hundredth of a second long: "down 69 at 0.02", "up 69 at 0.4". */
function told(frames: readonly Partial<SoundFrame>[]): string[] {
  const track = new PitchTrack();
  return frames.flatMap((frame, i) =>
    track
      .hear({ seconds: i * FRAME, hertz: A4, clarity: 0.95, level: 0.2, ...frame })
      .map(
        ({ midi, velocity, seconds }) => `${velocity > 0 ? 'down' : 'up'} ${midi} at ${seconds.toFixed(2)}`,
      ),
  );
}

const times = (count: number, frame: Partial<SoundFrame> = {}): Partial<SoundFrame>[] =>
  Array.from({ length: count }, () => frame);
const unclear = { clarity: 0.3 };

describe('keys out of pitches', () => {
  it('begin where the pitch began that stayed for three stretches, and not before', () => {
    expect(told(times(2))).toEqual([]);
    expect(told(times(3))).toEqual(['down 69 at 0.00']);
    expect(told([...times(2), unclear, ...times(3)])).toEqual(['down 69 at 0.03']);
  });

  it('are held through twelve hundredths without a pitch, and over after them', () => {
    // Heard last at 0.09: until 0.21 it may come again.
    expect(told([...times(10), ...times(12, unclear)])).toEqual(['down 69 at 0.00']);
    expect(told([...times(10), ...times(13, unclear)])).toEqual(['down 69 at 0.00', 'up 69 at 0.22']);
    expect(told([...times(10), ...times(11, unclear), ...times(20)])).toEqual(['down 69 at 0.00']);
  });

  it('are over at once where the sound is a twenty-fifth of what it was, not where it is a little more', () => {
    const soft = (level: number): Partial<SoundFrame>[] => [
      ...times(10),
      ...times(5, { clarity: 0.3, level }),
    ];
    expect(told(soft(0.0081))).toEqual(['down 69 at 0.00']);
    expect(told(soft(0.0079))).toEqual(['down 69 at 0.00', 'up 69 at 0.10']);
  });

  it('end where the next begins: one note at a time', () => {
    expect(told([...times(10), ...times(10, { hertz: 523.25 })])).toEqual([
      'down 69 at 0.00',
      'up 69 at 0.10',
      'down 72 at 0.10',
    ]);
  });

  it('are struck again where the sound grows by more than seven tenths and keeps its pitch', () => {
    const louder = (level: number): Partial<SoundFrame>[] => [...times(20), ...times(10, { level })];
    expect(told(louder(0.33))).toEqual(['down 69 at 0.00']);
    expect(told(louder(0.35))).toEqual(['down 69 at 0.00', 'up 69 at 0.20', 'down 69 at 0.20']);
  });

  it('are none where the pitch lies between two keys, or the room alone is heard', () => {
    const between = 440 * 2 ** (0.47 / 12);
    expect(told(times(10, { hertz: between }))).toEqual([]);
    expect(told(times(10, { hertz: 440 * 2 ** (0.43 / 12) }))).toEqual(['down 69 at 0.00']);
    expect(told(times(10, { level: 0.004 }))).toEqual([]);
    expect(told(times(10, { hertz: 0 }))).toEqual([]);
  });
});
