/** A stretch of a lens, in the lens's own unscaled px from its top. */
export interface Stretch {
  top: number
  height: number
  left: number
  width: number
}

/** One lens as the ties see it. */
export interface TiedLens {
  scroller: HTMLElement
  /** Screen px for each px of what it shows. */
  zoom: number
  /** Distance of the shown thing's top left corner from the scroller's content corner, screen px. */
  origin: { x: number; y: number }
  /** Where each band stands. */
  bands: Map<string, Stretch>
}

/** Keeps lenses together: scroll one and the others follow by band, since a narrow one is taller. */
export class Ties {
  private lenses = new Map<string, TiedLens>()
  private following = new Map<string, number>()
  private listeners = new Set<() => void>()
  private frame = 0

  register(name: string, lens: TiedLens): void {
    this.lenses.set(name, lens)
    this.notify()
  }
  remove(name: string): void {
    this.lenses.delete(name)
    this.notify()
  }
  all(): [string, TiedLens][] {
    return [...this.lenses]
  }
  subscribe(listener: () => void): () => void {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  /** Tells, once a frame, that something moved. */
  notify(): void {
    if (this.frame) return
    this.frame = requestAnimationFrame(() => {
      this.frame = 0
      this.listeners.forEach((l) => l())
    })
  }

  /** A lens was scrolled: the others go to the same place in the same band. */
  scrolled(name: string): void {
    this.notify()
    const lens = this.lenses.get(name)
    if (!lens) return
    const expected = this.following.get(name)
    if (expected !== undefined && Math.abs(expected - lens.scroller.scrollTop) < 2) return
    this.following.delete(name)
    const eye = lens.scroller.clientHeight * 0.3
    const y = (lens.scroller.scrollTop + eye - lens.origin.y) / lens.zoom
    const at = bandAt(lens.bands, y)
    for (const [other, o] of this.lenses) {
      if (other === name) continue
      let target = lens.scroller.scrollTop
      const there = at && o.bands.get(at.id)
      if (lens.scroller.scrollTop <= 0) target = 0
      else if (there) target = (there.top + at.part * there.height) * o.zoom + o.origin.y - eye
      else continue
      target = Math.max(0, Math.min(target, o.scroller.scrollHeight - o.scroller.clientHeight))
      this.following.set(other, target)
      o.scroller.scrollTop = target
    }
  }

  /** Brings a band into view in every lens. @param but the lens it was pressed in, which stays, so that a second press meets the same place */
  reveal(id: string, but?: string): void {
    for (const [name, lens] of this.lenses) {
      const band = lens.bands.get(id)
      if (name !== but && band) this.into(name, lens, band)
    }
    this.notify()
  }

  /** Brings a place of one lens into view; the others follow. */
  show(name: string, at: Pick<Stretch, 'top' | 'height'>): void {
    const lens = this.lenses.get(name)
    if (!lens) return
    this.into(name, lens, at)
    this.following.delete(name)
    this.scrolled(name)
  }

  /** Scrolls a lens so that a place of it is seen: in the middle, or from its top where it is higher than the view. */
  private into(name: string, l: TiedLens, at: Pick<Stretch, 'top' | 'height'>): void {
    const top = at.top * l.zoom + l.origin.y,
      bottom = top + at.height * l.zoom
    const view = l.scroller.clientHeight
    if (top >= l.scroller.scrollTop && bottom <= l.scroller.scrollTop + view) return
    const target = Math.max(
      0,
      Math.min(top - Math.max(24, (view - at.height * l.zoom) / 2), l.scroller.scrollHeight - view),
    )
    this.following.set(name, target)
    l.scroller.scrollTop = target
  }
}

/** The band at a height, or the nearest, and how far down in it. */
export function bandAt(bands: ReadonlyMap<string, Stretch>, y: number): { id: string; part: number } | null {
  let best: { id: string; part: number } | null = null,
    distance = Infinity
  for (const [id, b] of bands) {
    const d = y < b.top ? b.top - y : y > b.top + b.height ? y - b.top - b.height : 0
    if (d < distance) {
      distance = d
      best = { id, part: b.height ? Math.max(0, Math.min(1, (y - b.top) / b.height)) : 0 }
    }
  }
  return best
}
