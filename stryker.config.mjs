/**
 * The mutation run: small changes are made to these files, one at a time, and the tests have to notice. By hand or
 * nightly, not in CI: `npm run mutation` (hours), or a folder with its own tests alone (minutes):
 * `MOSAICUS_NEAREST=core/color npm run mutation -- --mutate 'src/core/color/*.ts'`.
 */
const folders = ['core/compile', 'core/tiles', 'core/checks', 'core/handover', 'core/color', 'server/net']

export default {
  mutate: folders.flatMap((f) => [`src/${f}/**/*.ts`, `!src/${f}/**/*.test.ts`]),
  testRunner: 'jest',
  testRunnerNodeArgs: ['--experimental-vm-modules', '--no-warnings'],
  // Tests that reach a file through what gathers it would be left out as not related to it.
  jest: { configFile: 'jest.mutation.config.mjs', enableFindRelatedTests: false },
  coverageAnalysis: 'perTest',
  // What runs once when a module is loaded concerns every test, and would need all of them each time.
  ignoreStatic: true,
  concurrency: 2,
  reporters: ['clear-text', 'json', 'progress-append-only'],
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
  ignorePatterns: ['.next*', 'data', 'demo', 'docs', 'e2e', 'bench', 'test-results', 'playwright-report'],
}
