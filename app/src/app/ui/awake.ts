/**
 * Keeps the screen from going dark while it is looked at; gives what ends that. A browser that cannot, or does not want
 * to (a low battery), leaves the screen to the system: nothing is said, for nothing was lost.
 */
export function keepAwake(): () => void {
  let lock: WakeLockSentinel | null = null;
  let isOver = false;
  const ask = (): void => {
    if (!('wakeLock' in navigator) || document.visibilityState !== 'visible') return;
    navigator.wakeLock.request('screen').then(
      (given) => {
        if (isOver) void given.release();
        else lock = given;
      },
      () => undefined,
    );
  };
  // The browser lets the lock go when the page is hidden.
  document.addEventListener('visibilitychange', ask);
  ask();
  return () => {
    isOver = true;
    document.removeEventListener('visibilitychange', ask);
    void lock?.release();
  };
}
