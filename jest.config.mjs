import { useShippedFonts } from './scripts/fonts.mjs'

// Before the workers start: what they draw is the same on every machine.
useShippedFonts()

/** Jest runs the TypeScript sources as native ES modules (unified packages ship no CommonJS). */
export default {
  testEnvironment: 'node',
  roots: ['<rootDir>/src', '<rootDir>/demo'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          target: 'es2022',
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'es6' },
      },
    ],
  },
  // Both cores, also where there are only two.
  maxWorkers: 2,
  // The server computes on worker threads, which run a bundle.
  globalSetup: '<rootDir>/scripts/jest-setup.mjs',
  testTimeout: 60000,
}
