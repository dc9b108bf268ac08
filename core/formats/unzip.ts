import { strFromU8, unzipSync } from 'fflate';
import { FileError, MOST_BYTES, refuseTooLarge, shortened } from './fileError';

const LOCAL_HEADER = [0x50, 0x4b, 0x03, 0x04];
const ENCRYPTED_BIT = 1;

/** True for bytes that begin like a zip archive. */
export function isZip(bytes: Uint8Array): boolean {
  return LOCAL_HEADER.every((byte, i) => bytes[i] === byte);
}

/** Text of the score inside a compressed MusicXML file (.mxl). Throws {@link FileError}. */
export function scoreInMxl(bytes: Uint8Array): string {
  refuseTooLarge(bytes.length);
  if (!isZip(bytes))
    throw new FileError('This is not a compressed MusicXML file', '', 'Choose a .mxl or .musicxml file.');
  if ((bytes[6] & ENCRYPTED_BIT) === ENCRYPTED_BIT)
    throw new FileError(
      'The archive is locked with a password',
      '',
      'Save it without a password and open it again.',
    );
  const entries = unpacked(bytes);
  const names = Object.keys(entries).filter(
    (name) => !name.startsWith('META-INF/') && !name.startsWith('__MACOSX/'),
  );
  const container = entries['META-INF/container.xml'];
  const named = container && /<rootfile[^>]*full-path="([^"]+)"/.exec(textOf(container))?.[1];
  const score =
    named !== undefined && Object.hasOwn(entries, named)
      ? named
      : names.find((name) => /\.(musicxml|xml)$/i.test(name));
  if (score === undefined) {
    const inner = names.find((name) => isZip(entries[name]));
    throw new FileError(
      inner
        ? `The archive holds another archive, "${shortened(inner, 60)}", and no score`
        : 'The archive holds no score',
      '',
      inner ? 'Unpack it first and open the file inside.' : 'Choose a .mxl or .musicxml file.',
    );
  }
  if (isZip(entries[score]))
    throw new FileError(
      `The score in the archive, "${shortened(score, 60)}", is itself an archive`,
      '',
      'Unpack it first and open the file inside.',
    );
  return textOf(entries[score]);
}

/**
 * The files of an archive by name, at most so many bytes of them. `what` it is called where it cannot be read, and what to
 * do then. Throws {@link FileError}.
 */
export function unpacked(
  bytes: Uint8Array,
  most = MOST_BYTES,
  what = 'The archive',
  remedy = 'Export the file again from where it was made.',
): Record<string, Uint8Array> {
  let total = 0;
  try {
    return unzipSync(bytes, {
      filter: ({ originalSize }) => {
        total += originalSize;
        if (total > most) refuseTooLarge(total, most);
        return true;
      },
    });
  } catch (error) {
    if (error instanceof FileError) throw error;
    throw new FileError(`${what} is damaged or cut short`, '', remedy);
  }
}

/** Text from bytes: UTF-8, or UTF-16 where a byte order mark says so. */
export function textOf(bytes: Uint8Array): string {
  const [first, second] = bytes;
  const isLittle = first === 0xff && second === 0xfe;
  if (!isLittle && !(first === 0xfe && second === 0xff)) return strFromU8(bytes).replace(/^\uFEFF/, '');
  const units: string[] = [];
  for (let i = 2; i + 1 < bytes.length; i += 2)
    units.push(
      String.fromCharCode(isLittle ? bytes[i] | (bytes[i + 1] << 8) : (bytes[i] << 8) | bytes[i + 1]),
    );
  return units.join('');
}
