import { readFileSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';
import { emptyDatabase } from '../../../server/src/testing/test-database';
import { DESK, launch, openTab } from '../lib/browser';
import { type RunningServer, startServer } from '../lib/server';

/** What a first visit may cost the server. */
const AIM_MS = 30;
const VISITS = 20;
/** So long after its start the server has cleared away what that left behind, milliseconds. */
const REST_MS = 20_000;
/** The clock of processes ticks so often, milliseconds. */
const TICK_MS = 10;

/** What it costs the server when a new browser comes for the first time, until it has all that it keeps on the device. */
export async function timeVisits(): Promise<void> {
  const server = await startServer(await emptyDatabase('visits'));
  try {
    const files = await visit(server);
    await wait(REST_MS);
    const before = cpuMs(server);
    for (let i = 0; i < VISITS; i++) await visit(server);
    const each = (cpuMs(server) - before) / VISITS;
    console.log(
      `\na first visit: ${each.toFixed(0)} ms of the server's processor (${(each / AIM_MS).toFixed(2)} of the aim), ${files} files for the page`,
    );
  } finally {
    await server.stop();
  }
}

/** @returns how many files the page asked for; what the worker asks for beside it does not show there */
async function visit({ url }: RunningServer): Promise<number> {
  const browser = await launch();
  const { page } = await openTab(browser, DESK, true);
  await page.goto(url);
  const requests = await page.evaluate(async () => {
    const { active } = await navigator.serviceWorker.ready;
    if (active?.state !== 'activated')
      await new Promise((resolve) => active?.addEventListener('statechange', resolve, { once: true }));
    return performance.getEntriesByType('resource').length;
  });
  await browser.close();
  return requests;
}

/** What the server has used of the processor since it began, milliseconds. */
function cpuMs({ process: { pid } }: RunningServer): number {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]?.split(' ') ?? [];
  return (Number(fields[11]) + Number(fields[12])) * TICK_MS;
}
