import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { serveFile } from '@/server/api/serve'
import { notFound } from '@/server/problem'
import { trainedData } from '@/server/reading/languages'

/**
 * The files of the text recognition that the page's worker loads, by name: they ship with the app, so that no
 * network is needed. Trained data of other languages than English lies where it was brought.
 */
const files: Record<string, [path: string, type: string]> = {
  'worker.min.js': ['tesseract.js/dist/worker.min.js', 'text/javascript'],
  ...Object.fromEntries(
    [
      'tesseract-core-simd-lstm',
      'tesseract-core-lstm',
      'tesseract-core-simd',
      'tesseract-core',
      'tesseract-core-relaxedsimd-lstm',
      'tesseract-core-relaxedsimd',
    ].flatMap((n) => [
      [`${n}.wasm.js`, [`tesseract.js-core/${n}.wasm.js`, 'text/javascript']],
      [`${n}.wasm`, [`tesseract.js-core/${n}.wasm`, 'application/wasm']],
      [`${n}.js`, [`tesseract.js-core/${n}.js`, 'text/javascript']],
    ]) as [string, [string, string]][],
  ),
}

export const GET = serveFile('GET /api/reading/:file', async ({ params: { file } }) => {
  const known = Object.hasOwn(files, file) ? files[file] : undefined
  const path = known
    ? join(/* turbopackIgnore: true */ process.cwd(), 'node_modules', known[0])
    : trainedData(file.replace(/\.traineddata\.gz$/, ''))
  if (!path) throw notFound('file of the text recognition', file)
  return new Response(new Uint8Array(await readFile(path)), {
    headers: {
      'content-type': known?.[1] ?? 'application/gzip',
      'cache-control': 'public, max-age=86400',
      'x-content-type-options': 'nosniff',
    },
  })
})
