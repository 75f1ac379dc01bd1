import base from './jest.config.mjs'

// Few samples, so that one change is judged in a moment.
process.env.MOSAICUS_SAMPLES = 'few'

/** The tests nearest to what the mutation run changes (see stryker.config.mjs). */
export default {
  ...base,
  roots: ['<rootDir>/src/core', '<rootDir>/src/server/net'],
  testPathIgnorePatterns: [
    '/core/(cut|import|house|picture)/',
    // Thousands of documents, and validators that take seconds to begin.
    '/compile/(documents|validators)\\.test',
    '/readers\\.test',
  ],
  maxWorkers: 1,
  globalSetup: undefined,
}
