import type { Font } from '../email/fonts'

/** What is drawn of a picture: whatever the canvas at hand takes. */
export interface PenImage {
  readonly width: number
  readonly height: number
}

/** What recipes draw with: the part of a canvas' context (WHATWG HTML, 4.12.5) that pages, workers and the server all have. */
export interface Pen {
  fillStyle: unknown
  strokeStyle: unknown
  globalAlpha: number
  globalCompositeOperation: string
  font: string
  textAlign: string
  textBaseline: string
  direction: string
  letterSpacing: string
  lineWidth: number
  lineCap: string
  lineJoin: string
  imageSmoothingQuality: string
  save(): void
  restore(): void
  scale(x: number, y: number): void
  translate(x: number, y: number): void
  rotate(angle: number): void
  clearRect(x: number, y: number, w: number, h: number): void
  fillRect(x: number, y: number, w: number, h: number): void
  beginPath(): void
  closePath(): void
  moveTo(x: number, y: number): void
  lineTo(x: number, y: number): void
  arc(x: number, y: number, r: number, from: number, to: number): void
  ellipse(
    x: number,
    y: number,
    rx: number,
    ry: number,
    turn: number,
    from: number,
    to: number,
    back?: boolean,
  ): void
  rect(x: number, y: number, w: number, h: number): void
  roundRect(x: number, y: number, w: number, h: number, r: number): void
  clip(): void
  fill(): void
  stroke(): void
  fillText(words: string, x: number, y: number): void
  measureText(words: string): { width: number }
  createLinearGradient(
    x: number,
    y: number,
    x2: number,
    y2: number,
  ): { addColorStop(at: number, color: string): void }
  drawImage(image: PenImage, x: number, y: number, w: number, h: number): void
  drawImage(
    image: PenImage,
    sx: number,
    sy: number,
    sw: number,
    sh: number,
    x: number,
    y: number,
    w: number,
    h: number,
  ): void
}

/** Where something is drawn. */
export interface Slot {
  /** px as it is shown, whatever the density of the file. */
  width: number
  height: number
  /** Pictures by id; null while one is not at hand. */
  picture: (id: string) => PenImage | null
  /** A font as a list of CSS families. */
  family: (font: Font) => string
  /** Which way words run where they do not say. */
  dir: 'ltr' | 'rtl'
}
