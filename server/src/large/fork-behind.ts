import { type ChildProcess, fork } from 'node:child_process';
import { type Program, programFile } from '../programs';

/**
 * How far it steps back; all its threads do, also those that the engine starts by itself. Not as far as can be: on a
 * machine that is busy with something else all day it still gets on. What it no longer needs is cleared up by its one
 * thread: helpers of that would each have a share of the processor of their own.
 */
const NICE = '10';

/**
 * Starts a program of the build in a process of its own, which waits while others want the processor. It ends when this
 * process does.
 *
 * @param root the folder below which `dist` lies
 */
export function forkBehind(root: string, program: Program): ChildProcess {
  const child = fork(programFile(root, program), {
    execPath: 'nice',
    execArgv: ['-n', NICE, process.execPath, '--single-threaded-gc'],
  });
  // One that could not be started fails twice, the second time by what is sent to it: nobody else may listen by then.
  child.on('error', () => undefined);
  return child;
}
