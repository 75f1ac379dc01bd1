import { createRequire } from 'node:module'
import { useShippedFonts } from '../scripts/fonts.mjs'
import { chromium } from '@playwright/test'
import { launchOptions } from '../scripts/chromium'

/** The bundler that runs this bench (tsx brings it along). */
const esbuild = createRequire(createRequire(import.meta.url).resolve('tsx/package.json'))('esbuild') as {
  build: (o: object) => Promise<{ outputFiles: { text: string }[] }>
}

/**
 * What the app's worker spends on a design, in Chromium: the median time of decoding its PNG as the worker
 * does, and of the autocut, ms.
 * @param scale design px for each px of the email
 */
export async function inBrowser(png: Buffer, scale: number): Promise<{ decode: number; autocut: number }> {
  const { outputFiles } = await esbuild.build({
    stdin: {
      contents: "import { autocut } from '@/core/cut/autocut'; globalThis.autocut = autocut",
      resolveDir: process.cwd(),
    },
    bundle: true,
    minify: true,
    write: false,
    alias: { '@': `${process.cwd()}/src` },
  })
  useShippedFonts()
  const browser = await chromium.launch(launchOptions)
  try {
    const page = await browser.newPage()
    await page.goto('about:blank')
    await page.addScriptTag({ content: outputFiles[0]!.text })
    return await page.evaluate(
      async ([base64, at]) => {
        const { autocut } = globalThis as unknown as {
          autocut: (r: { width: number; height: number; data: Uint8ClampedArray }, scale: number) => unknown
        }
        const blob = new Blob([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))], { type: 'image/png' })
        const times: [number[], number[]] = [[], []]
        for (let i = 0; i < 11; i++) {
          const start = performance.now()
          const bitmap = await createImageBitmap(blob, {
            colorSpaceConversion: 'none',
            premultiplyAlpha: 'none',
          })
          const context = new OffscreenCanvas(bitmap.width, bitmap.height).getContext('2d', {
            willReadFrequently: true,
          })!
          context.drawImage(bitmap, 0, 0)
          const { width, height, data } = context.getImageData(0, 0, bitmap.width, bitmap.height)
          const decoded = performance.now()
          autocut({ width, height, data }, at)
          // The first runs warm up.
          if (i > 1) {
            times[0].push(decoded - start)
            times[1].push(performance.now() - decoded)
          }
        }
        const [decode, cut] = times.map((t) => t.sort((a, b) => a - b)[t.length >> 1]!)
        return { decode: decode!, autocut: cut! }
      },
      [png.toString('base64'), scale] as const,
    )
  } finally {
    await browser.close()
  }
}
