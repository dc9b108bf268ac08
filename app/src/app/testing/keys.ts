import type { BenchBehaviour } from '../frame/definition';
import type { Focus, KeyPress } from '../frame/keys/press';

/** The focus is on nothing that has keys of its own. */
export const NOWHERE: Focus = { inField: false, onControl: false, onRadio: false, inDialog: false };

/** A key pressed without another. */
export function press(key: string, differs: Partial<KeyPress> = {}): KeyPress {
  const code = /^\d$/.test(key) ? `Digit${key}` : '';
  return { key, code, shiftKey: false, ctrlKey: false, metaKey: false, altKey: false, ...differs };
}

/** Presses a key on a bench while the focus is on nothing; false where the key is not its own. */
export function pressOn(behaviour: BenchBehaviour, key: string, differs: Partial<KeyPress> = {}): boolean {
  const run = behaviour.readKey(press(key, differs), NOWHERE, true);
  run?.();
  return run !== null;
}

/** What a bench asks of its state for each of these keys: the method and what it is given; null for a key that is not its own. */
export function askedBy(
  behaviour: BenchBehaviour,
  state: object,
  keys: readonly (string | readonly [string, Partial<KeyPress>])[],
): readonly (readonly unknown[] | null)[] {
  let calls: unknown[][] = [];
  const methods = Object.getOwnPropertyNames(Object.getPrototypeOf(state)).filter(
    (name) => name !== 'constructor',
  );
  const own = state as Record<string, unknown>;
  for (const name of methods) own[name] = (...given: unknown[]) => void calls.push([name, ...given]);
  const asked = keys.map((key) => {
    calls = [];
    const obey = behaviour.readKey(typeof key === 'string' ? press(key) : press(...key), NOWHERE, true);
    obey?.();
    if (calls.length > 1) throw new Error(`${String(key)} does more than one thing`);
    return obey ? (calls[0] ?? []) : null;
  });
  for (const name of methods) Reflect.deleteProperty(own, name);
  return asked;
}
