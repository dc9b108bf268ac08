/** Controller numbers of a MIDI piano's pedals: the right one goes on, the left one goes back. */
const PEDALS: Record<number, 1 | -1> = { 64: 1, 67: -1 };
/** From here on a pedal counts as down. */
const DOWN = 64;

/** What listening needs of a MIDI input. */
export type PedalInput = Pick<MIDIInput, 'addEventListener' | 'removeEventListener'>;

/**
 * Listens to the pedals of MIDI keyboards: `turn` is called once each time one goes down, 1 for the right pedal, −1 for
 * the left. Gives what stops listening.
 */
export function listenToPedals(inputs: readonly PedalInput[], turn: (by: 1 | -1) => void): () => void {
  const down = new Set<number>();
  const hear = (event: Event): void => {
    const { data } = event as MIDIMessageEvent;
    if (!data || data.length < 3 || (data[0] & 0xf0) !== 0xb0) return;
    const [, controller, value] = data;
    const by = PEDALS[controller];
    if (by === undefined) return;
    if (value < DOWN) return void down.delete(controller);
    if (down.has(controller)) return;
    down.add(controller);
    turn(by);
  };
  for (const input of inputs) input.addEventListener('midimessage', hear);
  return () => {
    for (const input of inputs) input.removeEventListener('midimessage', hear);
  };
}

/** MIDI inputs where the pianist has allowed them before: nobody is asked when a page is to be turned. */
export async function inputsAllowed(ask: () => Promise<readonly MIDIInput[]>): Promise<readonly MIDIInput[]> {
  if (!(await isAllowed())) return [];
  return ask();
}

async function isAllowed(): Promise<boolean> {
  if (!('permissions' in navigator)) return false;
  try {
    const { state } = await navigator.permissions.query({ name: 'midi' as PermissionName });
    return state === 'granted';
  } catch (error) {
    // A browser that does not know the permission has no MIDI to listen to.
    if (error instanceof TypeError) return false;
    throw error;
  }
}
