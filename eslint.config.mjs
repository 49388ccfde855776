import tseslint from 'typescript-eslint';
import hooks from 'eslint-plugin-react-hooks';

/** Imports run one way: app → ui → core; app → server → core; workers and cli → core. */
const forbid = (files, folders, extra = []) => ({
  files,
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        paths: extra.map((use) =>
          typeof use === 'string' ? { name: use, message: 'This folder may not use it.' } : use,
        ),
        patterns: [
          ...folders.map((folder) => ({
            group: [`@/${folder}/*`, `@/${folder}`],
            message: `Imports run one way: this folder may not reach ${folder}/.`,
          })),
          { group: ['@/core/*/*'], message: "A core subject's only door is its index." },
        ],
      },
    ],
  },
});
const NODE = [
  'fs',
  'path',
  'crypto',
  'node:fs',
  'node:path',
  'node:crypto',
  'node:fs/promises',
  'node:child_process',
];
const OURS = [
  { name: 'next/link', message: 'The way to another page is Link of @/ui/system.' },
  {
    name: 'next/dynamic',
    message: 'What comes later is drawnLater of @/ui/system: it says when it does not arrive.',
  },
];
const BESIDE_UI = ['app', 'server', 'cli', 'stand-ins'];
const UI = ['react', 'react-dom', 'next', 'styled-components', 'react-aria-components'];

export default tseslint.config(
  {
    ignores: [
      '.next/**',
      '.pelvik/**',
      'node_modules/**',
      'next-env.d.ts',
      'jest.config.cjs',
      'jest.mutation.cjs',
      'jest.quick-first.cjs',
    ],
  },
  ...tseslint.configs.recommended,
  {
    plugins: { 'react-hooks': hooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_$' }],
      eqeqeq: 'error',
      'no-console': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
    },
  },
  forbid(
    ['core/**/*.ts'],
    ['app', 'ui', 'server', 'workers', 'cli', 'data', 'stand-ins'],
    [...NODE, ...UI, 'pg'],
  ),
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'Pass the time in.' },
        { object: 'Math', property: 'random', message: 'Core is pure.' },
      ],
    },
  },
  forbid(['ui/**/*.{ts,tsx}'], BESIDE_UI, [...NODE, 'pg', ...OURS]),
  // Where Link is made of it.
  forbid(['ui/system/link.tsx'], BESIDE_UI, [...NODE, 'pg']),
  forbid(['workers/**/*.ts'], ['app', 'ui', 'server', 'cli', 'stand-ins'], [...NODE, 'pg']),
  forbid(
    ['server/**/*.ts'],
    ['app', 'ui', 'cli', 'workers'],
    UI.filter((name) => name !== 'next'),
  ),
  forbid(['cli/**/*.ts'], ['app', 'ui', 'workers'], UI),
  forbid(['app/**/*.{ts,tsx}'], ['cli'], ['pg', ...OURS]),
  // What is longer draws, reads and decides at once.
  {
    files: ['ui/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts'],
    rules: { 'max-lines-per-function': ['error', { max: 100 }] },
  },
  { files: ['cli/**/*.ts'], rules: { 'no-console': 'off' } },
);
