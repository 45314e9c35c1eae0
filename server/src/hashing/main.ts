import { constants, getPriority, setPriority } from 'node:os';
import { parentPort } from 'node:worker_threads';
import { hashSync, verifySync } from '@node-rs/argon2';
import type { Hashed, ToHash } from './hashing-thread';

/** How far it steps back. On Linux a priority is one of a thread, and this one's alone. */
const NICE = 10;

// Whoever steps back already may not come forward.
setPriority(Math.min(constants.priority.PRIORITY_LOW, getPriority() + NICE));
parentPort?.on('message', ({ password, against }: ToHash) => {
  parentPort?.postMessage(hashed(password, against));
});

function hashed(password: string, against: string | null): Hashed {
  try {
    return { answer: against === null ? hashSync(password) : verifySync(against, password) };
  } catch (error) {
    return { error: String(error) };
  }
}
