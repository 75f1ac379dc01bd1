import type { Parts } from '@/core/compile'
import { standInDescriptors } from '@/core/email/stand-ins'
import { urlIn } from '@/core/html/css-url'

/** Addresses of pictures, and the same as data. */
const asData = new Map<string, Promise<string>>()

/** A picture as a data address: one drawn from an SVG may load nothing. Empty where it cannot be had. */
function dataOf(address: string): Promise<string> {
  let known = asData.get(address)
  if (!known) {
    known = fetch(address)
      .then((r) => (r.ok ? r.blob() : Promise.reject(new Error(String(r.status)))))
      .then(
        (blob) =>
          new Promise<string>((resolve, reject) => {
            const reader = new FileReader()
            reader.onload = () => resolve(String(reader.result))
            reader.onerror = () => reject(reader.error!)
            reader.readAsDataURL(blob)
          }),
      )
      .catch(() => '')
    asData.set(address, known)
  }
  return known
}

const isOwn = (address: string): boolean => new URL(address, location.href).origin === location.origin

/** Takes out what an SVG cannot hold, and puts the app's own pictures in as data. */
async function settle(doc: Document): Promise<void> {
  doc.querySelectorAll('script, link, meta, source').forEach((e) => e.remove())
  const comments = doc.createTreeWalker(doc, NodeFilter.SHOW_COMMENT)
  const found: Node[] = []
  while (comments.nextNode()) found.push(comments.currentNode)
  found.forEach((n) => n.parentNode?.removeChild(n))
  const work: Promise<void>[] = []
  for (const img of doc.querySelectorAll('img[src]')) {
    const address = img.getAttribute('src')!
    if (address.startsWith('data:') || !isOwn(address)) continue
    work.push(dataOf(address).then((data) => img.setAttribute('src', data)))
  }
  for (const e of doc.querySelectorAll<HTMLElement>('[style*="url("]')) {
    const address = urlIn(e.style.backgroundImage)
    if (!address || address.startsWith('data:') || !isOwn(address)) continue
    work.push(dataOf(address).then((data) => void (e.style.backgroundImage = `url("${data}")`)))
  }
  for (const sheet of doc.querySelectorAll('style')) work.push(withFonts(sheet))
  work.push(withStandIns(doc))
  await Promise.all(work)
}

/** Puts in what stands in here for the families that a band names, as data: those alone, each being some 300 KB. */
async function withStandIns(doc: Document): Promise<void> {
  const said = doc.body.outerHTML
  const [bold, italic] = [
    /<(?:b|strong|h[1-6]|th)\b|font-weight:\s*(?:bold|[6-9]00)/i.test(said),
    /<(?:i|em)\b|font-style:\s*italic/i.test(said),
  ]
  const first = new Set(
    [...said.matchAll(/font-family:\s*(?:&quot;|')?([A-Za-z ]+)/g)].map(([, name]) =>
      name!.trim().toLowerCase(),
    ),
  )
  const wanted = standInDescriptors('').filter(
    ({ family, descriptors: { weight, style } }) =>
      first.has(family.toLowerCase()) && (bold || weight === '400') && (italic || style === 'normal'),
  )
  const sheet = doc.createElement('style')
  const faces = wanted.map(async ({ family, source, descriptors: { weight, style } }) => {
    const data = await dataOf(source.slice(4, -1))
    return `@font-face{font-family:'${family}';font-weight:${weight};font-style:${style};src:url(${data})}`
  })
  sheet.textContent = (await Promise.all(faces)).join('')
  doc.head.prepend(sheet)
}

/** Puts the fonts that are kept here into a sheet as data. */
async function withFonts(sheet: HTMLStyleElement): Promise<void> {
  const css = sheet.textContent
  const found = new Set([...css.matchAll(/\/api\/fonts\/[0-9a-f]{64}/g)].map(([address]) => address))
  for (const address of found)
    sheet.textContent = sheet.textContent.replaceAll(address, await dataOf(address))
}

/** A band and how much of its height is drawn, px. */
export interface DrawnBand {
  html: string
  height: number
}

/**
 * Bands of one email as pixels, as this browser draws them: their markup in an SVG's foreignObject, drawn to a canvas; together, since what they
 * share, its letters above all, is what takes time. Its limits: fonts that neither ship with the app nor are kept here are not loaded, nor
 * are pictures from elsewhere; both come out as a reader without them shows them.
 * @param width of the bands, px @param scale of the pixels against those
 */
export async function drawBands(
  parts: Pick<Parts, 'before' | 'after'>,
  bands: readonly DrawnBand[],
  width: number,
  scale = 1,
): Promise<ImageData[]> {
  const boxes = bands.map((b) => `<div style="height:${b.height}px;overflow:hidden">${b.html}</div>`)
  const doc = new DOMParser().parseFromString(`${parts.before}${boxes.join('')}${parts.after}`, 'text/html')
  // What the email says before its bands is shown nowhere.
  doc.querySelectorAll('.preheader').forEach((e) => e.remove())
  await settle(doc)
  const tall = bands.reduce((sum, b) => sum + b.height, 0)
  const markup = new XMLSerializer().serializeToString(doc.documentElement)
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${tall}"><foreignObject width="100%" height="100%">${markup}</foreignObject></svg>`
  const image = new Image()
  // Of a data address a canvas may be read; of a blob's it may not.
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`
  await image.decode()
  let top = 0
  return bands.map(({ height }) => {
    const at = top
    top += height
    const [w, h] = [Math.round(width * scale), Math.max(1, Math.round(height * scale))]
    return pixels(w, h, (c) => c.drawImage(image, 0, at, width, height, 0, 0, w, h))
  })
}

/** One band. @see drawBands */
export const drawBand = async (
  parts: Parts,
  html: string,
  width: number,
  height: number,
): Promise<ImageData> => (await drawBands(parts, [{ html, height }], width))[0]!

/** A stretch of the design at the email's width, as pixels. @param top, tall design px @param height of the picture, px */
export const drawDesign = (
  design: HTMLImageElement,
  stretch: { top: number; height: number },
  width: number,
  height: number,
): ImageData => {
  const scale = design.naturalWidth / width
  const tall = Math.min(stretch.height, height * scale)
  return pixels(width, height, (c) =>
    c.drawImage(design, 0, stretch.top, design.naturalWidth, tall, 0, 0, width, tall / scale),
  )
}

function pixels(width: number, height: number, draw: (c: CanvasRenderingContext2D) => void): ImageData {
  const canvas = document.createElement('canvas')
  canvas.width = width
  canvas.height = height
  const c = canvas.getContext('2d', { willReadFrequently: true })!
  c.fillStyle = '#ffffff'
  c.fillRect(0, 0, width, height)
  c.imageSmoothingQuality = 'high'
  draw(c)
  return c.getImageData(0, 0, width, height)
}
