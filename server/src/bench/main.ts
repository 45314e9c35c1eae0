import { benchBeside } from './beside-bench';
import { benchCalibration } from './calibration-bench';
import { benchCore } from './core-bench';
import { benchGrown } from './grown-bench';
import { benchDrift } from './drift-bench';
import { benchSchedule } from './schedule-bench';
import { benchSignIn } from './sign-in-bench';

const PARTS: Record<string, (words: readonly string[]) => void | Promise<void>> = {
  core: benchCore,
  drift: benchDrift,
  schedule: benchSchedule,
  calibration: benchCalibration,
  'sign-in': benchSignIn,
  grown: benchGrown,
  // The last: it lets itself come behind the server's own work, and stays there.
  beside: benchBeside,
};

const wanted = process.argv.slice(2);
/** What names no part narrows one down: `beside fit`. */
const words = wanted.filter((word) => !(word in PARTS));
for (const [name, bench] of Object.entries(PARTS))
  if (wanted.length === 0 || wanted.includes(name)) await bench(words);
