import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { ROOT } from '../../../server/src/testing/test-database';

/** A database of its own, which keeps what it acknowledged, and which a test may kill and start again. */
export interface OwnDatabase {
  url: string;
  /** Ends it as a power cut would. */
  kill: () => Promise<void>;
  start: () => void;
  /** Makes it hang: it takes what it is asked, and answers nothing. Ends when each of its threads stands still. */
  hang: () => Promise<void>;
  goOn: () => void;
  /** Ends it and takes its data away. */
  end: () => Promise<void>;
}

export function ownDatabase(): OwnDatabase {
  const folder = mkdtempSync(join(tmpdir(), 'doceo-own-'));
  const script = `
    import { startDatabase } from ${JSON.stringify(join(ROOT, 'scripts/lib/database.mjs'))};
    const { url, pid } = await startDatabase(${JSON.stringify(folder)});
    console.log(JSON.stringify({ url, pid }));`;
  const run = (): { url: string; pid: number } => {
    const { stdout, stderr } = spawnSync(process.execPath, ['--input-type=module', '-e', script], {
      encoding: 'utf8',
      cwd: ROOT,
      env: { ...process.env, NODE_OPTIONS: '' },
    });
    if (!stdout) throw new Error(stderr);
    return JSON.parse(stdout) as { url: string; pid: number };
  };
  let { url, pid } = run();
  const kill = async (): Promise<void> => {
    process.kill(pid, 'SIGKILL');
    for (let i = 0; i < 100 && alive(pid); i++) await pause(50);
  };
  return {
    url,
    kill,
    start: () => {
      ({ url, pid } = run());
    },
    hang: async () => {
      process.kill(pid, 'SIGSTOP');
      for (let i = 0; i < 100 && !stopped(pid); i++) await pause(50);
    },
    goOn: () => void process.kill(pid, 'SIGCONT'),
    end: async () => {
      if (alive(pid)) await kill();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

function alive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}

/** Whether all threads of a process are stopped: a signal reaches one that works or waits for the disk a little later. */
function stopped(pid: number): boolean {
  return readdirSync(`/proc/${pid}/task`).every((thread) =>
    /^State:\s*T/m.test(readFileSync(`/proc/${pid}/task/${thread}/status`, 'utf8')),
  );
}
