/** A worker of its own for each run, so that it can be ended with it. */
export function startPlansWorker(): Worker {
  return new Worker(new URL('./plans.worker', import.meta.url), { type: 'module' });
}
