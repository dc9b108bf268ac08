/** What went wrong, as it is told. */
export function told(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
