import { api } from '@doceo/contract';
import type { Router } from 'express';
import type { Pool } from '../db/pool';
import { route } from '../http/route';
import type { FitJob } from './fit-job';
import { findFitStatus } from './skill-fit.sql';

export function skillFitRoutes(router: Router, pool: Pool, job: FitJob): void {
  route(router, pool, api.skillFit.get, 'signed-in', () => findFitStatus(pool));

  route(router, pool, api.skillFit.start, 'admin', async ({ user, log }) => {
    log.info({ userId: user.id }, 'fit of learning parameters started');
    await job.start();
    return findFitStatus(pool);
  });
}
