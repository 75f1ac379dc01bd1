import { createCanvas } from '@napi-rs/canvas'
import { countdownGif } from '@/core/motion/countdown/gif'
import { leftIn } from '@/core/motion/countdown/moment'
import type { CountdownDesign } from '@/core/motion/countdown/address'
import { drawSheet, type CountdownSheet } from '@/core/motion/countdown/sheet'
import type { Pen } from '@/core/motion/pen'
import { familyOf } from './fonts'

/** Sheets are kept up to so many bytes: older ones are drawn anew. */
const MOST_BYTES = 64 * 1024 * 1024
const sheets = new Map<string, CountdownSheet>()
let kept = 0
const bytesOf = ({ base, over, digits }: CountdownSheet): number =>
  base.length + over.length + digits.reduce((sum, d) => sum + d.length, 0)

/** Keeps a sheet, and lets go of those that were not asked for longest. */
function keep(key: string, sheet: CountdownSheet): void {
  sheets.set(key, sheet)
  kept += bytesOf(sheet)
  for (const [old, gone] of sheets) {
    if (kept <= MOST_BYTES || old === key) return
    sheets.delete(old)
    kept -= bytesOf(gone)
  }
}

/** Bytes of the sheets that are kept. */
export const sheetBytes = (): number => kept

/** What a design is put together of, drawn when it is first wanted. @param left s @param fonts the folder of the font packages */
function sheetOf(design: CountdownDesign, left: number, fonts: string): CountdownSheet {
  const first = leftIn(design.units, left)[0]!
  const key = JSON.stringify([design, Math.max(2, String(first).length)])
  const known = sheets.get(key)
  if (known) {
    sheets.delete(key)
    sheets.set(key, known)
    return known
  }
  const canvas = createCanvas(
    Math.round(design.width * design.density),
    Math.round(design.height * design.density),
  )
  const pen = canvas.getContext('2d')
  const sheet = drawSheet(
    {
      pen: pen as unknown as Pen,
      read: ({ x, y, w, h }) => pen.getImageData(x, y, w, h).data,
      family: (face) => familyOf(fonts, face),
    },
    design,
    first,
  )
  keep(key, sheet)
  return sheet
}

/** The next minute of a countdown as a GIF. @param left until its end, whole seconds @param fonts the folder of the font packages */
export const countdownPicture = ({
  design,
  left,
  fonts,
}: {
  design: CountdownDesign
  left: number
  fonts: string
}): Uint8Array => countdownGif(sheetOf(design, left, fonts), design, left)
