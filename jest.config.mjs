/** Specs run in a context of their own, where looking up a global is slow: the one that counting needs is handed in. */
const sandboxInjectedGlobals = ['Math'];

/** `scripts/test.mjs` bundles the specs; see `scripts/lib/specs.mjs`. */
const project = (name, rest = {}) => ({
  displayName: name,
  sandboxInjectedGlobals,
  rootDir: `<rootDir>/.doceo/specs/${name}`,
  testEnvironment: 'node',
  testMatch: ['<rootDir>/**/*.spec.js'],
  setupFiles: ['<rootDir>/../../../scripts/lib/fixed-seed.cjs'],
  dependencyExtractor: '<rootDir>/../../../scripts/lib/no-dependencies.cjs',
  transform: { '\\.spec\\.js$': '<rootDir>/../../../scripts/lib/built-spec.cjs' },
  ...rest,
});

export default {
  testSequencer: '<rootDir>/scripts/lib/longest-first.cjs',
  projects: [
    project('core'),
    project('contract'),
    project('texts'),
    project('demo'),
    project('server'),
    project('e2e'),
    project('web', { testEnvironment: 'jsdom', setupFiles: [] }),
  ],
};
