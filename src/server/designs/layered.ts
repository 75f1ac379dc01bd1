import { initializeCanvas, readPsd, type Layer, type Psd } from 'ag-psd'
import sharp from 'sharp'
import { toHex } from '@/core/color/hex'
import type { DesignLayers } from '@/core/cut/layers'
import { MOST_PIXELS, refuseDesign, type Board, type ReadBoard } from './board'

// Pixels are wanted as they are; nothing is drawn.
initializeCanvas(
  () => {
    throw new Error('no canvas is used')
  },
  (width, height) =>
    ({ width, height, data: new Uint8ClampedArray(width * height * 4), colorSpace: 'srgb' }) as ImageData,
)

/** Whether a file begins as a layered raster file does (signature 8BPS). */
export const isLayered = (bytes: Buffer): boolean => bytes.subarray(0, 4).toString('latin1') === '8BPS'

function parse(bytes: Buffer, name: string, pixels: boolean): Psd {
  // The header says the size before anything is unpacked.
  if (bytes.length < 26)
    throw refuseDesign(`"${name}" starts as a layered file but breaks off. Copy or export it again.`)
  const height = bytes.readUInt32BE(14),
    width = bytes.readUInt32BE(18)
  if (width * height > MOST_PIXELS)
    throw refuseDesign(
      `"${name}" has ${width} x ${height} px, ${((width * height) / 1e6).toFixed(0)} megapixels; at most 60 can be taken in. Export the email's board alone.`,
    )
  try {
    return readPsd(bytes, {
      skipLayerImageData: true,
      skipThumbnail: true,
      skipLinkedFilesData: true,
      skipCompositeImageData: !pixels,
      useImageData: true,
      logMissingFeatures: false,
    })
  } catch {
    throw refuseDesign(
      `"${name}" starts as a layered file but is damaged, or of a kind that cannot be read (it should be RGB, 8 bits a channel). Export it as PNG.`,
    )
  }
}

const children = (l: { children?: Layer[] }): Layer[] => l.children ?? []
const boardsIn = (
  psd: Psd,
): { name: string; x: number; y: number; w: number; h: number; layer: Layer | null }[] => {
  const found = children(psd)
    .flatMap((l) => {
      const r = l.artboard?.rect
      return r
        ? [
            {
              name: l.name ?? 'Board',
              x: Math.max(0, r.left),
              y: Math.max(0, r.top),
              w: r.right - r.left,
              h: r.bottom - r.top,
              layer: l,
            },
          ]
        : []
    })
    .filter((b) => b.w > 0 && b.h > 0)
  return found.length
    ? found.reverse()
    : [{ name: 'Whole picture', x: 0, y: 0, w: psd.width, h: psd.height, layer: null }]
}

/** The artboards of a layered file, or the whole of it. */
export function layeredBoards(bytes: Buffer, name: string): Board[] {
  return boardsIn(parse(bytes, name, false)).map(({ name: n, w, h }) => ({ name: n, width: w, height: h }))
}

/**
 * One artboard of a layered file, from the merged picture that such files carry, with its words, fonts and
 * colours.
 */
export async function readLayered(bytes: Buffer, name: string, board: number): Promise<ReadBoard> {
  const psd = parse(bytes, name, true)
  const all = boardsIn(psd),
    chosen = all[board]
  if (!chosen)
    throw refuseDesign(
      `"${name}" has ${all.length === 1 ? 'one board' : `${all.length} boards`}; board ${board + 1} does not exist.`,
    )
  if (!psd.imageData)
    throw refuseDesign(
      `"${name}" holds its layers but no merged picture. Save it again so that other programs can show it (with a merged picture), or export it as PNG.`,
    )
  const x = Math.min(chosen.x, psd.width - 1),
    y = Math.min(chosen.y, psd.height - 1)
  const w = Math.min(chosen.w, psd.width - x),
    h = Math.min(chosen.h, psd.height - y)
  const { data } = psd.imageData
  const png = await sharp(Buffer.from(data.buffer, data.byteOffset, data.byteLength), {
    raw: { width: psd.width, height: psd.height, channels: 4 },
  })
    .extract({ left: x, top: y, width: w, height: h })
    .flatten({ background: '#ffffff' })
    .removeAlpha()
    .png({ compressionLevel: 6 })
    .toBuffer()
  const layers: DesignLayers = { texts: [], shapes: [] }
  for (const l of chosen.layer ? children(chosen.layer) : children(psd)) collect(l, x, y, layers)
  layers.texts.sort((a, b) => a.y - b.y || a.x - b.x)
  const notes = all.length > 1 ? [`Board "${chosen.name}" of ${all.length} was taken.`] : []
  return {
    png,
    width: w,
    height: h,
    layers: { texts: layers.texts.slice(0, 2000), shapes: layers.shapes.slice(0, 2000) },
    notes,
  }
}

function collect(l: Layer, dx: number, dy: number, out: DesignLayers): void {
  if (l.hidden || (l.opacity ?? 1) === 0) return
  const r = {
    x: (l.left ?? 0) - dx,
    y: (l.top ?? 0) - dy,
    w: (l.right ?? 0) - (l.left ?? 0),
    h: (l.bottom ?? 0) - (l.top ?? 0),
  }
  if (l.text?.text.trim()) {
    const { style, transform, paragraphStyle } = l.text
    const first = { ...style, ...l.text.styleRuns?.[0]?.style }
    const zoom = transform?.[3] ?? 1
    const size = (first.fontSize ?? 16) * zoom
    const font = first.font?.name ?? ''
    const color = first.fillColor
    const rgb = color && 'r' in color ? toHex([color.r, color.g, color.b]) : undefined
    const align = ({ left: 'left', center: 'center', right: 'right' } as const)[
      (paragraphStyle?.justification ??
        l.text.paragraphStyleRuns?.[0]?.style.justification ??
        'left') as 'left'
    ]
    const box =
      r.w > 0 && r.h > 0
        ? r
        : {
            x: (transform?.[4] ?? 0) - dx,
            y: (transform?.[5] ?? 0) - dy - size,
            w: Math.max(1, l.text.text.length * size * 0.5),
            h: size * 1.2,
          }
    // A box wraps by itself, so every line end in it was meant: one is a break, two part paragraphs.
    const text = l.text.text
      .replace(/\r\n?/g, '\n')
      .replaceAll('\u0003', '\n')
      .replace(/\n{2,}/g, '\n\n')
      .replace(/([^\n])\n(?!\n)/g, '$1\n\n')
      .trim()
    out.texts.push({
      ...box,
      text: text.slice(0, 20_000),
      size,
      ...(first.leading && !first.autoLeading ? { line: first.leading * zoom } : {}),
      ...(font ? { font } : {}),
      bold: !!first.fauxBold || /bold|black|heavy|semibold|demi/i.test(font),
      italic: !!first.fauxItalic || /italic|oblique/i.test(font),
      ...(rgb ? { color: rgb } : {}),
      align,
    })
  } else if (!l.children && r.w > 0 && r.h > 0) {
    const fill = l.vectorFill && 'color' in l.vectorFill ? l.vectorFill.color : null
    out.shapes.push({
      ...r,
      name: (l.name ?? '').slice(0, 200),
      kind: l.vectorFill || l.vectorMask ? 'shape' : 'picture',
      ...(fill && 'r' in fill ? { color: toHex([fill.r, fill.g, fill.b]) } : {}),
    })
  }
  for (const c of children(l)) collect(c, dx, dy, out)
}
