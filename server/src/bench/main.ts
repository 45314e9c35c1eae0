import { isMainThread } from 'node:worker_threads';
import { benchBeside } from './beside-bench';
import { benchCalibration } from './calibration-bench';
import { benchCore } from './core-bench';
import { benchGrown } from './grown-bench';
import { benchDrift } from './drift-bench';
import { askUntilOver } from './probe';
import { benchSchedule } from './schedule-bench';
import { benchSignIn } from './sign-in-bench';

const PARTS: Record<string, () => void | Promise<void>> = {
  core: benchCore,
  drift: benchDrift,
  schedule: benchSchedule,
  calibration: benchCalibration,
  'sign-in': benchSignIn,
  beside: benchBeside,
  grown: benchGrown,
};

const wanted = process.argv.slice(2);
if (!isMainThread) await askUntilOver();
else
  for (const [name, bench] of Object.entries(PARTS))
    if (wanted.length === 0 || wanted.includes(name)) await bench();
