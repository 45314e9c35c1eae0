import { readdirSync } from 'node:fs';
import angular from 'angular-eslint';
import { createNodeResolver, importX } from 'eslint-plugin-import-x';
import tseslint from 'typescript-eslint';

/** What runs, and what only runs in Node. */
const programs = ['@doceo/server', '@doceo/web', '**/server/**', '**/web/**', 'node:*'];
/** The import arrows of the architecture: who may not import whom. */
const arrows = {
  core: [
    '@doceo/*',
    '**/contract/**',
    '**/texts/**',
    '**/server/**',
    '**/web/**',
    '**/demo/**',
    'node:*',
    'express',
    'zod',
  ],
  contract: ['@doceo/texts', '@doceo/demo', ...programs],
  texts: ['@doceo/contract', '@doceo/demo', ...programs],
  demo: programs,
  server: ['@doceo/web', '**/web/**', '@angular/*'],
  web: ['@doceo/server', '@doceo/demo', '**/server/**', '**/demo/**', 'node:*'],
};
/** What ships is one layer of a curriculum: everything else takes a curriculum as an argument. */
const SHIPPED = {
  message: 'Take the curriculum as an argument: see docs/decisions/020-curriculum-as-a-value.md.',
};
/** Where layers are put together, and tests. */
const KNOWS_SHIPPED = [
  'core/src/index.ts',
  'core/src/shipped.ts',
  'core/src/curriculum/**/*.ts',
  'server/src/teaching/curriculum.ts',
  'server/src/compute/runner.ts',
  'server/src/bench/**/*.ts',
  'web/src/app/data/teaching/*.ts',
  'demo/src/**/*.ts',
  '**/*.spec.ts',
  '**/testing/**/*.ts',
];
const arrowRule = (patterns, shipped = true) => ({
  'no-restricted-imports': [
    'error',
    {
      paths: shipped ? [{ name: '@doceo/core', importNames: ['SHIPPED_BASICS'], ...SHIPPED }] : [],
      patterns: [
        { group: patterns, message: 'This import goes against the arrows in docs/architecture.md.' },
        ...(shipped
          ? [{ group: ['@doceo/core/shipped', '**/curriculum/shipped*', '**/shipped'], ...SHIPPED }]
          : []),
      ],
    },
  ],
});

/**
 * The floors of the web application: who may not import from where. A feature is a folder with a screen; what two of
 * them need lies in `shared`. `parts` and `drawing` draw what they are given and know no service.
 */
const APP = 'web/src/app';
const FLOORS = ['theme', 'drawing', 'parts', 'workers', 'data', 'shared'];
const features = readdirSync(new URL(APP, import.meta.url), { withFileTypes: true })
  .filter((entry) => entry.isDirectory() && !FLOORS.includes(entry.name))
  .map(({ name }) => name);
const above = {
  theme: ['drawing', 'parts', 'workers', 'data', 'shared', ...features],
  drawing: ['workers', 'data', 'shared', ...features],
  parts: ['workers', 'data', 'shared', ...features],
  workers: ['drawing', 'parts', 'data', 'shared', ...features],
  data: ['drawing', 'parts', 'shared', ...features],
  shared: features,
  ...Object.fromEntries(features.map((one) => [one, features.filter((other) => other !== one)])),
};
const floors = Object.entries(above).map(([floor, others]) => ({
  target: `./${APP}/${floor}`,
  from: others.map((other) => `./${APP}/${other}`),
  message: 'See the floors in docs/architecture.md: what two features need moves down.',
}));

/** Rules that need types are oxlint's: see docs/decisions/016-native-checkers.md. */
export default tseslint.config(
  { ignores: ['**/node_modules/**', 'dist/**', '.doceo/**', '.angular/**'] },
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.recommended],
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-console': 'error',
      eqeqeq: 'error',
      'prefer-const': 'error',
      'no-restricted-syntax': [
        'error',
        {
          selector: 'ImportDeclaration[source.value="zod"] ImportSpecifier',
          message: "Write import * as z from 'zod': the named z takes all its languages into the page.",
        },
      ],
    },
  },
  ...Object.entries(arrows).map(([folder, patterns]) => ({
    files: [`${folder}/src/**/*.ts`],
    rules: arrowRule(patterns),
  })),
  ...Object.entries(arrows).flatMap(([folder, patterns]) =>
    KNOWS_SHIPPED.filter((files) => files.startsWith('**') || files.startsWith(`${folder}/`)).map(
      (files) => ({
        files: [files.startsWith('**') ? `${folder}/src/${files}` : files],
        rules: arrowRule(patterns, false),
      }),
    ),
  ),
  ...[
    ['web/src/testing/**/*.ts', arrows.web],
    ['contract/src/**/*.spec.ts', arrows.contract],
  ].map(([files, patterns]) => ({
    files: [files],
    rules: arrowRule(
      patterns.filter((pattern) => pattern !== 'node:*'),
      false,
    ),
  })),
  {
    files: ['{core,contract,texts}/src/**/index.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'Program > :not(ExportAllDeclaration, ExportNamedDeclaration[exportKind="type"])',
          message:
            'An index only passes on whole files: with more in it every screen loads all that it names (docs/decisions/014).',
        },
      ],
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.spec.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Pass a seeded random source in.' },
        { object: 'Date', property: 'now', message: 'Pass the time in.' },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch'],
    },
  },
  {
    files: ['web/src/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': [
        'error',
        [
          { type: 'element', prefix: 'doceo', style: 'kebab-case' },
          { type: 'attribute', prefix: 'doceo', style: 'camelCase' },
        ],
      ],
    },
  },
  {
    files: [`${APP}/**/*.ts`],
    plugins: { 'import-x': importX },
    settings: { 'import-x/resolver-next': [createNodeResolver({ extensions: ['.ts'] })] },
    rules: { 'import-x/no-restricted-paths': ['error', { zones: floors }] },
  },
  {
    files: ['web/src/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
  },
  {
    files: ['server/src/main.ts', 'server/src/*/main.ts', 'server/src/bench/**/*.ts', 'e2e/**/*.ts'],
    rules: { 'no-console': 'off' },
  },
);
