import { calibrate, fitSkill, formatProbability, simulateSchool, type TracingParameters } from '@doceo/core';
import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';

/** How true what is foretold is, and how well parameters are found, on simulated students. */
export function benchCalibration(): void {
  const school = { students: 500, sessions: 3, attempts: 5 };
  console.log('\ncalibration on 500 simulated students: mastery foretold, and how often it is true');
  for (const { from, to, n, predicted, happened } of calibrate(
    simulateSchool(SHIPPED, 'bench', {
      ...school,
      drillIds: SHIPPED.drills.all.slice(0, 16).map(({ id }) => id),
    }),
  ))
    console.log(
      `  ${formatProbability(from)} to ${formatProbability(to)}: foretold ${formatProbability(predicted)}, true ${formatProbability(happened)}, n ${n}`,
    );

  const truth: TracingParameters = { initial: 0.06, learn: 0.12, slip: 0.05, guess: 0.1 };
  const alike = simulateSchool(SHIPPED, 'bench fit', {
    ...school,
    drillIds: ['count-the-pause'],
    parameters: { 'casting.pause': truth },
  });
  const { mean, spread } = fitSkill(alike.map(({ attempts }) => attempts));
  console.log('parameters fitted to 500 students who learn alike, and the truth');
  for (const key of ['initial', 'learn', 'slip', 'guess'] as const)
    console.log(
      `  ${key}: fitted ${mean[key].toFixed(3)} ± ${spread[key].toFixed(3)}, true ${truth[key].toFixed(3)}`,
    );
}
