const PRESSES = ['pointerdown', 'keydown'];
/** So long after a press what follows from it is done, in milliseconds. */
const QUIET_MS = 1000;

/** Where a browser cannot tell when it is idle, at once. */
function whenIdle(work: () => void): void {
  if ('requestIdleCallback' in globalThis) requestIdleCallback(work);
  else work();
}

/** Knows when nothing is done, so that what can wait is in nobody's way. */
export class Quiet {
  private lastPress = -Infinity;
  private heard: (() => void) | null = null;

  constructor(pressed: EventTarget) {
    for (const kind of PRESSES)
      pressed.addEventListener(
        kind,
        () => {
          this.lastPress = performance.now();
          this.heard?.();
        },
        { capture: true },
      );
  }

  /** Once something was pressed. */
  async pressed(): Promise<void> {
    if (this.lastPress === -Infinity) await new Promise<void>((resolve) => (this.heard = resolve));
  }

  /** Once nothing was pressed for a second and the browser is idle. */
  async comes(): Promise<void> {
    for (;;) {
      const left = this.lastPress + QUIET_MS - performance.now();
      if (left <= 0) break;
      await new Promise((resolve) => setTimeout(resolve, left));
    }
    await new Promise<void>(whenIdle);
  }
}
