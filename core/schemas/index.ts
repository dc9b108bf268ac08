import * as z from 'zod';

// Schemas are read as they stand and not made into code: the page lets no text become code, and would say so on each view.
z.config({ jitless: true });

/** What is stored, its fields of before under the names of today; what already has today's name keeps it. */
export function renamed(stored: unknown, names: Readonly<Record<string, string>>): unknown {
  if (typeof stored !== 'object' || stored === null || Array.isArray(stored)) return stored;
  const all = Object.entries(stored).map(([name, value]) => [names[name] ?? name, value] as const);
  const inOrder = [...all.filter(([name]) => !(name in stored)), ...all.filter(([name]) => name in stored)];
  return Object.fromEntries(inOrder);
}
