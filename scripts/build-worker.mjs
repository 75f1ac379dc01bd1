/**
 * Bundles the worker threads of the server: what computes for long runs there, never on the thread that answers requests. Packages stay outside
 * the bundle. Usage: node scripts/build-worker.mjs
 */
import { build } from 'esbuild'

export const buildWorker = () =>
  build({
    entryPoints: ['src/server/pool/worker.ts'],
    outfile: 'dist/worker.mjs',
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    sourcemap: true,
    logLevel: 'warning',
  })

if (process.argv[1]?.endsWith('build-worker.mjs')) await buildWorker()
