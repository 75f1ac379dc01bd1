import base from './jest.config.mjs'

// Few samples, so that one change is judged in a moment.
process.env.MOSAICUS_SAMPLES = 'few'

/** Folders whose tests are run: the nearest, where a run of one folder names it (see stryker.config.mjs). */
const nearest = process.env.MOSAICUS_NEAREST?.split(',') ?? ['core', 'server/net']

/** The tests nearest to what the mutation run changes. */
export default {
  ...base,
  roots: nearest.map((folder) => `<rootDir>/src/${folder}`),
  setupFiles: ['<rootDir>/scripts/fail-at-once.mjs'],
  testSequencer: '<rootDir>/scripts/shortest-first.mjs',
  testPathIgnorePatterns: [
    '/core/(cut|import|house|picture)/',
    // Thousands of documents, and validators that take seconds to begin.
    '/compile/(documents|validators)\\.test',
    '/readers\\.test',
  ],
  maxWorkers: 1,
  globalSetup: undefined,
}
