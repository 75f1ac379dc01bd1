/**
 * Bundles the worker threads of the server: what computes for long runs there, never on the thread that answers requests. Packages stay outside
 * the bundle. Usage: node scripts/build-worker.mjs
 */
import { build } from 'esbuild'

const bundle = (from, to) =>
  build({
    entryPoints: [from],
    outfile: to,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    sourcemap: true,
    logLevel: 'warning',
  })

export const buildWorker = () => bundle('src/server/pool/worker.ts', 'dist/worker.mjs')

/** The server of countdowns that is hosted elsewhere. */
export const buildCountdown = () => bundle('src/server/motion/countdown/alone.ts', 'dist/countdown.mjs')

if (process.argv[1]?.endsWith('build-worker.mjs')) await Promise.all([buildWorker(), buildCountdown()])
