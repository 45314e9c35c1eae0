import type { DestroyRef } from '@angular/core';

/** Keeps the screen on until something is gone, where the device can. */
export function keepAwake(destroyed: DestroyRef): void {
  let lock: WakeLockSentinel | null = null;
  const ask = (): void => {
    if (document.visibilityState === 'visible')
      navigator.wakeLock?.request('screen').then(
        (given) => (lock = given),
        () => undefined,
      );
  };
  document.addEventListener('visibilitychange', ask);
  ask();
  destroyed.onDestroy(() => {
    document.removeEventListener('visibilitychange', ask);
    void lock?.release();
  });
}
