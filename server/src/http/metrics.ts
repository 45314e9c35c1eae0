import type { RequestHandler } from 'express';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import type { Pool } from '../db/pool';

/** Figures of this process for a monitor, in the text format that Prometheus reads. */
export interface Metrics {
  /** Times every request by its route; paths are told with their parameters' names, never their values. */
  watch: RequestHandler;
  show: RequestHandler;
}

export function metrics(pool: Pool): Metrics {
  const register = new Registry();
  collectDefaultMetrics({ register });
  const seconds = new Histogram({
    name: 'doceo_request_seconds',
    help: 'Time to answer, by method, route and status',
    labelNames: ['method', 'route', 'status'],
    buckets: [0.01, 0.05, 0.1, 0.5, 1, 5, 30],
    registers: [register],
  });
  new Gauge({
    name: 'doceo_database_waiting',
    help: 'Statements that wait for a connection',
    registers: [register],
    collect() {
      this.set(pool.queued);
    },
  });
  return {
    watch: (request, response, next) => {
      const end = seconds.startTimer({ method: request.method });
      response.once('finish', () => {
        const route = (request.route as { path?: unknown } | undefined)?.path;
        end({ route: typeof route === 'string' ? route : 'other', status: response.statusCode });
      });
      next();
    },
    show: async (_request, response) => {
      response.type(register.contentType).send(await register.metrics());
    },
  };
}
