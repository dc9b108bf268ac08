const PARTS: Readonly<Record<number, string>> = {
  0.25: 'a quarter of a beat',
  0.5: 'half a beat',
  0.75: 'three quarters of a beat',
  1: 'one beat',
  1.5: 'one and a half beats',
  2.5: 'two and a half beats',
  3.5: 'three and a half beats',
};

/** "half a beat", "one beat", "2 beats": a number of beats as a teacher says it; others to a tenth. */
export function beatsInWords(beats: number): string {
  const rounded = Math.round(10 * beats) / 10;
  return PARTS[beats] ?? PARTS[rounded] ?? `${rounded} beats`;
}
