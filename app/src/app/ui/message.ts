/** The message of what went wrong, without the full stop at its end: it stands within a sentence. */
export function messageOf(error: unknown): string {
  const said = error instanceof Error ? error.message : String(error);
  return said.replace(/\.$/, '');
}
