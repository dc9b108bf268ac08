/** A short name for a text: two texts that differ have the same one about never (FNV-1a, twice 32 bits). */
export function fingerprint(text: string): string {
  const hash = (seed: number): number => {
    let h = seed;
    for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
    return h >>> 0;
  };
  return [0x811c9dc5, 0x9747b28c].map((seed) => hash(seed).toString(36)).join('');
}
