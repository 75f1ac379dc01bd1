import type { PSM, Worker } from 'tesseract.js'
import { layouts, type Layout, type Reader, type SeenLine, type View } from '@/core/cut/reading/reader'
import type { OpenCutter } from './use-cutter'

/**
 * Reads words off the design in a worker of its own and without a network: its files come from the app. One reader serves many
 * places; ending it cancels whatever it is doing.
 */
export class Ocr implements Reader {
  private worker: Promise<Worker> | null = null
  private ended = false

  private has: string

  /** @param open draws what is read @param language code of the language it begins with */
  constructor(
    private readonly open: OpenCutter,
    public language: string,
  ) {
    this.has = language
  }

  async read(view: View, layout: Layout): Promise<SeenLine[]> {
    const picture = await this.open().ask({ kind: 'view', view })
    const worker = await (this.worker ??= this.start())
    if (this.ended) throw new DOMException('Cancelled', 'AbortError')
    if (this.has !== this.language) {
      await worker.reinitialize(this.language, 1)
      this.has = this.language
    }
    await worker.setParameters({ tessedit_pageseg_mode: layouts[layout] as PSM })
    const { data } = await worker.recognize(picture, {}, { blocks: true, text: false })
    return (data.blocks ?? []).flatMap((b) => b.paragraphs.flatMap((p) => p.lines))
  }

  end(): void {
    this.ended = true
    void this.worker?.then(
      (w) => w.terminate(),
      () => {},
    )
  }

  private async start() {
    const { createWorker } = await import('tesseract.js')
    const base = new URL('/api/reading', location.href).href
    return createWorker(this.language, 1, {
      workerPath: `${base}/worker.min.js`,
      corePath: base,
      langPath: base,
      cacheMethod: 'none',
      gzip: true,
      workerBlobURL: false,
    })
  }
}
