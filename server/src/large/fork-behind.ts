import { type ChildProcess, fork } from 'node:child_process';
import { join } from 'node:path';

/** How far it steps back; all its threads do, also those that the engine starts by itself. */
const NICE = '19';

/**
 * Starts a program of the build in a process of its own, which waits while others want the processor. It ends when this
 * process does.
 *
 * @param root the folder below which `dist` lies
 */
export function forkBehind(root: string, program: string): ChildProcess {
  return fork(join(root, `dist/${program}.mjs`), {
    execPath: 'nice',
    execArgv: ['-n', NICE, process.execPath],
  });
}
