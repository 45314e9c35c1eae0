import { parentPort } from 'node:worker_threads';
import { type Attempt, fitHomeTrust, fitSkill, type HomeRecord } from '@doceo/core';

/** What is to be fitted: one skill of all students, or how far home is believed. */
export type FitTask = { skill: Attempt[][] } | { home: HomeRecord[] };

/** Fits one thing at a time, away from the thread that answers requests. */
parentPort?.on('message', (task: FitTask) =>
  parentPort?.postMessage('skill' in task ? fitSkill(task.skill) : fitHomeTrust(task.home)),
);
