/** Hands a file to the browser's own download. */
export function download(name: string, content: string | Uint8Array, type: string): void {
  const blob = new Blob([content as BlobPart], { type });
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

/** Names some systems keep for devices. */
const RESERVED = /^(con|prn|aux|nul|com\d|lpt\d)$/;
/** Bytes of a name that every file system takes, with room for an ending. */
const MOST_BYTES = 120;

/**
 * A file name from a title in any script: its letters and digits as they are, everything else a hyphen; never a name a
 * system reserves, never too long. `fileName('Lanterns at Low Water') // => "lanterns-at-low-water"`
 */
export function fileName(title: string): string {
  const letters = title
    .normalize('NFC')
    .toLowerCase()
    .replace(/[^\p{Letter}\p{Mark}\p{Number}]+/gu, '-');
  const name = shortened(letters).split('-').filter(Boolean).join('-');
  if (name === '') return 'song';
  return RESERVED.test(name) ? `song-${name}` : name;
}

/** Cut between letters, where it is too long in bytes. */
function shortened(name: string): string {
  const bytes = new TextEncoder();
  let kept = '';
  let length = 0;
  for (const { segment } of new Intl.Segmenter().segment(name)) {
    length += bytes.encode(segment).length;
    if (length > MOST_BYTES) break;
    kept += segment;
  }
  return kept;
}
