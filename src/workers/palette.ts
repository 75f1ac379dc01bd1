import { paletteOf } from '@/core/cut/palette'

/** The address of a design, of which the commonest colours are wanted. */
export interface PaletteCall {
  address: string
}
export interface PaletteAnswer {
  colors: string[]
}

self.onmessage = ({ data: { address } }: MessageEvent<PaletteCall>) =>
  void colorsAt(address).then((colors) => {
    const answer: PaletteAnswer = { colors }
    self.postMessage(answer)
  })

/** The commonest colours of a picture; none where it cannot be read. */
async function colorsAt(address: string): Promise<string[]> {
  try {
    const picture = await createImageBitmap(await (await fetch(address)).blob())
    const { width, height } = picture
    const canvas = new OffscreenCanvas(width, height).getContext('2d')!
    canvas.drawImage(picture, 0, 0)
    const { data } = canvas.getImageData(0, 0, width, height)
    return paletteOf({ data, width, height }).map((c) => c.color)
  } catch {
    return []
  }
}
