const { readFileSync } = require('node:fs');

/** Tells Jest where each line of a bundled spec comes from. */
module.exports = {
  process: (code, path) => ({ code, map: readFileSync(`${path}.map`, 'utf8') }),
};
