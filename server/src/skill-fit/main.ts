import { openPoolBehind } from '../db/pool';
import { runFit } from './run-fit';

/** Reads and fits away from the process that answers requests; ends when all is written. */
async function fit(url: string): Promise<void> {
  const pool = openPoolBehind(url, 1);
  try {
    await runFit(pool);
  } finally {
    await pool.end();
  }
}

process.once('disconnect', () => process.exit(1));
process.once('message', (url: string) => {
  fit(url).then(
    () => process.exit(0),
    (error: unknown) => {
      console.error(error);
      process.exit(1);
    },
  );
});
