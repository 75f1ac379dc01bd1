import type { Box } from '../box'
import { exactly } from '../mask'
import type { PartKind } from '../plan'
import { packed, packHex, type Raster, type Rect } from '../raster'
import type { Dashed } from '../frames'

/** A part of a band: what the autocut takes it for, and how sure it is. All in design px. */
export interface Part extends Rect {
  kind: PartKind
  sure: number
  /** The column or panel it stands in: what its letters are aligned by. */
  frame: Rect
  /** The colour it stands on, and whether that is one flat colour. */
  ground: string
  /** A button's or a panel's box. */
  box?: Box
}

/** A box with a ground of its own that holds parts. */
export interface PanelFound extends Rect {
  box: Box
}

export interface PartsFound {
  parts: Part[]
  panels: PanelFound[]
}

/** What a part stands on, how many boxes deep, the column it stands in, and the frames of dashes there. */
export interface Context {
  ground: string
  depth: number
  frame: Rect
  dashed: readonly Dashed[]
}

/** What stands on one ground inside a rectangle, yet to be taken apart. */
export interface Inner {
  rect: Rect
  ground: string
  frame: Rect
  depth: number
  /** Of its corners, design px. */
  radius: number
}

/** What the taking apart of one band shares. All in design px unless said otherwise. */
export class Finding implements PartsFound {
  readonly parts: Part[] = []
  readonly panels: PanelFound[] = []
  readonly px: Int32Array
  /** Pixels taken together for one cell of a mask. */
  readonly cell: number

  /**
   * @param scale design px for each px of the email
   * @param noise channel difference that is still one colour: see `cleaned`
   * @param seams whether another ground begins above and below
   */
  constructor(
    readonly raster: Raster,
    readonly scale: number,
    readonly noise: number,
    readonly seams: { above: boolean; below: boolean },
  ) {
    this.px = packed(raster)
    this.cell = Math.max(1, Math.round(scale))
  }

  /** A rectangle of cells drawn in to the last pixel that is not the ground. */
  exact(rect: Rect, ground: string): Rect {
    return exactly(this.px, this.raster.width, rect, packHex(ground), this.noise, this.cell)
  }
}
