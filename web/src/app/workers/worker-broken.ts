/** Fails when a worker cannot be loaded, or breaks off: what is asked of it would never be answered. */
export function workerBroken(worker: Worker): Promise<never> {
  const broken = new Promise<never>((_, fail) => {
    const tell = (): void => fail(new Error('The computation could not be started. Load the page again.'));
    worker.addEventListener('error', tell);
    worker.addEventListener('messageerror', tell);
  });
  // Who asks nothing of it need not hear of it.
  broken.catch(() => undefined);
  return broken;
}
