/** Specs run in a context of their own, where looking up a global is slow: the one that counting needs is handed in. */
const sandboxInjectedGlobals = ['Math'];

const nodeProject = (name) => ({
  displayName: name,
  sandboxInjectedGlobals,
  rootDir: `<rootDir>/${name}`,
  testEnvironment: 'node',
  testMatch: ['<rootDir>/**/*.spec.ts'],
  transform: {
    '^.+\\.ts$': ['ts-jest', { tsconfig: '<rootDir>/../tsconfig.jest.json', diagnostics: false }],
  },
  moduleNameMapper: { '^@doceo/(core|contract|demo)$': '<rootDir>/../$1/src/index.ts' },
});

export default {
  projects: [
    nodeProject('core'),
    nodeProject('contract'),
    nodeProject('demo'),
    { ...nodeProject('server'), setupFiles: ['<rootDir>/src/testing/settings.ts'] },
    nodeProject('e2e'),
    {
      displayName: 'web',
      sandboxInjectedGlobals,
      preset: 'jest-preset-angular',
      rootDir: '<rootDir>/web',
      setupFilesAfterEnv: ['<rootDir>/src/testing/setup.ts'],
      testMatch: ['<rootDir>/src/**/*.spec.ts'],
      transform: {
        '^.+\\.(ts|mjs|js|html)$': [
          'jest-preset-angular',
          {
            tsconfig: '<rootDir>/tsconfig.spec.json',
            stringifyContentPathRegex: '\\.(html|svg)$',
            isolatedModules: true,
            diagnostics: false,
          },
        ],
      },
      moduleNameMapper: { '^@doceo/(core|contract)$': '<rootDir>/../$1/src/index.ts' },
      transformIgnorePatterns: [
        'node_modules/(?!(.*\\.mjs$|@angular|primeng|@primeuix|d3-|dexie|ngx-echarts|echarts|suncalc))',
      ],
    },
  ],
};
