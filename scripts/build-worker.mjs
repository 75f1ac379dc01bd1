/**
 * Bundles the processes of the server: what computes for long runs there, never on the thread that answers requests. Usage: node scripts/build-worker.mjs
 */
import { rmSync } from 'node:fs'
import { build } from 'esbuild'

/** What has files or native parts of its own, or is large and rarely wanted, stays a package. */
const external = [
  ...[
    'sharp',
    '@napi-rs/canvas',
    '@hyzyla/pdfium',
    'pdfjs-dist',
    'pdfjs-dist/*',
    'fontkit',
    'ag-psd',
    'mammoth',
  ],
  ...['mailparser', 'html-validate', 'css-tree', 'caniemail', 'better-sqlite3', 'nodemailer'],
]

const common = {
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  sourcemap: true,
  logLevel: 'warning',
}

/** In pieces: a process loads those that its work needs. Small packages are brought along, so that nothing has to be looked for. */
export const buildWorker = () => {
  rmSync('dist/worker', { recursive: true, force: true })
  return build({
    ...common,
    entryPoints: { worker: 'src/server/pool/worker.ts' },
    outdir: 'dist/worker',
    splitting: true,
    outExtension: { '.js': '.mjs' },
    external,
    // Packages of the older kind among them ask for "require".
    banner: { js: "import{createRequire as __cr}from'node:module';const require=__cr(import.meta.url);" },
  })
}

/** The server of countdowns that is hosted elsewhere. */
export const buildCountdown = () =>
  build({
    ...common,
    entryPoints: ['src/server/motion/countdown/alone.ts'],
    outfile: 'dist/countdown.mjs',
    packages: 'external',
  })

if (process.argv[1]?.endsWith('build-worker.mjs')) await Promise.all([buildWorker(), buildCountdown()])
