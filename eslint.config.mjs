import js from '@eslint/js'
import ts from 'typescript-eslint'
import hooks from 'eslint-plugin-react-hooks'
import a11y from 'eslint-plugin-jsx-a11y'
import redos from 'eslint-plugin-redos'

export default ts.config(
  {
    ignores: [
      '.next*',
      'dist',
      'node_modules',
      'data',
      'next-env.d.ts',
      'test-results',
      'playwright-report',
      '.stryker-tmp',
      'reports',
      'src/server/db/migrations',
    ],
  },
  js.configs.recommended,
  ...ts.configs.recommended,
  {
    files: ['**/*.ts', '**/*.tsx'],
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', ignoreRestSiblings: true }],
    },
  },
  {
    files: ['src/**/*.tsx', 'src/ui/**/*.ts'],
    plugins: { 'react-hooks': hooks, 'jsx-a11y': a11y },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'warn',
      ...a11y.flatConfigs.recommended.rules,
      // What scrolls has to be reached by keyboard (axe: scrollable-region-focusable).
      'jsx-a11y/no-noninteractive-tabindex': ['error', { roles: ['region', 'tabpanel'], tags: ['pre'] }],
      // Layers that take the pointer repeat what the spine, the tray and the shortcuts offer to the keyboard;
      // axe judges the result in e2e.
      'jsx-a11y/click-events-have-key-events': 'off',
      'jsx-a11y/no-static-element-interactions': 'off',
    },
  },
  {
    // What comes from outside is read in linear time: no pattern may try the same text again and again.
    files: ['src/**/*.ts', 'src/**/*.tsx'],
    ignores: ['**/*.test.ts', 'src/test-support/**'],
    plugins: { redos },
    rules: { 'redos/no-vulnerable': ['error', { timeout: 4000 }] },
  },
  {
    // A function is read in one go. What draws markup may be longer: the formatter breaks it into many lines.
    files: ['src/**/*.ts', 'src/**/*.tsx'],
    ignores: ['**/*.test.ts', '**/*.test.tsx', 'src/test-support/**'],
    rules: { 'max-lines-per-function': ['error', { max: 72, skipComments: true, skipBlankLines: true }] },
  },
  {
    files: ['src/core/**/*.ts', 'src/server/**/*.ts', 'src/contract/**/*.ts', 'src/workers/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'max-lines-per-function': ['error', { max: 62, skipComments: true, skipBlankLines: true }] },
  },
  {
    files: ['src/ui/**/*.tsx', 'src/ui/**/use-*.ts', 'src/app/**/*.tsx'],
    ignores: ['**/*.test.tsx'],
    rules: { 'max-lines-per-function': ['error', { max: 70, skipComments: true, skipBlankLines: true }] },
  },
  {
    files: ['**/*.mjs', '**/*.cjs'],
    languageOptions: {
      globals: {
        module: 'writable',
        process: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        Buffer: 'readonly',
        setTimeout: 'readonly',
        fetch: 'readonly',
      },
    },
  },
)
