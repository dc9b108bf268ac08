import type { Choices } from '../song';

/** Whether two sets of choices say the same, in whatever order they were made. */
export function sameChoices(a: Partial<Choices>, b: Partial<Choices>): boolean {
  const told = (choices: Partial<Choices>): string => JSON.stringify(Object.entries(choices).sort());
  return told(a) === told(b);
}
