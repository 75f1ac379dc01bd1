import type { Rect } from '../raster'
import type { PlaceWay, ReadingWay } from './channels'

/** How a part of the design is drawn before it is read. */
export interface View {
  /** Design px. */
  rect: Rect
  /** By how much it is drawn larger. */
  zoom: number
  /** Ground around it, px of what is drawn: letters at the very edge of a picture are read badly. */
  margin?: number
  /** As a way sees it, in grey; or as dark letters on white, through the channel that parts them best, with or without the lines through them. As it is by default. */
  way?: ReadingWay | PlaceWay
}

/** A rectangle by its sides, px of what was drawn. */
interface Sides {
  x0: number
  y0: number
  x1: number
  y1: number
}

/** A line as a reader gives it, px of what was drawn. */
export interface SeenLine {
  text: string
  /** 0 to 100 */
  confidence: number
  bbox: Sides
  baseline: Sides
  rowAttributes?: { rowHeight: number }
  words: { text: string; confidence: number; bbox: Sides }[]
}

/** How words lie in what is read: as a page of blocks, as one line, here and there (numbers of the reader's own page segmentation modes). */
export const layouts = { page: '3', line: '7', sparse: '11' } as const
export type Layout = keyof typeof layouts

/** Reads words off pictures (OCR). What it is asked after it was ended is rejected with an AbortError. */
export interface Reader {
  /** Code of the language that it reads, such as eng; a change counts from the next reading on. */
  language: string
  read(view: View, layout: Layout): Promise<SeenLine[]>
}
