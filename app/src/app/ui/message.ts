/** The message of what went wrong. */
export function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
