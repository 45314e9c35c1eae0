import { parentPort } from 'node:worker_threads';
import { type Attempt, fitSkill } from '@doceo/core';

/** Fits one skill at a time, away from the thread that answers requests. */
parentPort?.on('message', (students: Attempt[][]) => parentPort?.postMessage(fitSkill(students)));
