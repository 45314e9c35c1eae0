/** A worker of its own for each run, so that it can be ended with it. */
export function startDepthsWorker(): Worker {
  return new Worker(new URL('./depths.worker', import.meta.url), { type: 'module' });
}
