const Sequencer = require('@jest/test-sequencer').default;

/** Specs that take longest, by the end of their path: begun last, one of them would run while the others have nothing left. */
const LONGEST = [
  'e2e/walk/walk',
  'e2e/trust/kills',
  'e2e/screens/rig',
  'e2e/trust/first-start',
  'e2e/trust/devices',
  'e2e/screens/benches',
  'e2e/trust/old-database',
  'server/session/session',
  'server/db/db',
  'web/app/rig/rig',
  'server/students/students',
  'server/fuzz/fuzz',
];

/** Its place in that list; behind all of it when it is not there. */
function place({ path }) {
  const at = LONGEST.findIndex((one) => path.endsWith(`/${one}.spec.js`));
  return at < 0 ? LONGEST.length : at;
}

module.exports = class LongestFirst extends Sequencer {
  sort(tests) {
    return super.sort(tests).sort((one, other) => place(one) - place(other));
  }
};
