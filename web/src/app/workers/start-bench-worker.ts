export function startBenchWorker(): Worker {
  return new Worker(new URL('./bench.worker', import.meta.url), { type: 'module' });
}
