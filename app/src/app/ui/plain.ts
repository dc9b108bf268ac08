/** Small letters without their marks; ♭ and ♯ as they are typed. `plain('B♭ café') // 'bb cafe'` */
export function plain(text: string): string {
  return text
    .toLowerCase()
    .replaceAll('♭', 'b')
    .replaceAll('♯', '#')
    .normalize('NFD')
    .replaceAll(/\p{Mn}/gu, '');
}

/** The words looked for, plain. */
export function wordsOf(query: string): string[] {
  return plain(query).split(/\s+/).filter(Boolean);
}
