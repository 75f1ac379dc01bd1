import { keptFaces, type WebFont } from '@/core/email/fonts'

/** A worker's own set of faces (CSS Font Loading Module Level 3, section 4). */
declare const self: { fonts: FontFaceSet }

/** Faces that were brought, by what they are. */
const brought = new Map<string, Promise<unknown>>()

/** Brings the web fonts that are kept here; one that cannot be loaded leaves the stack behind it. */
export async function withFonts(fonts: readonly WebFont[]): Promise<void> {
  const all = keptFaces(fonts).map((face) => {
    const key = JSON.stringify(face)
    let coming = brought.get(key)
    if (!coming) {
      const loaded = new FontFace(face.family, face.source, face.descriptors)
      self.fonts.add(loaded)
      brought.set(key, (coming = loaded.load().catch(() => {})))
    }
    return coming
  })
  await Promise.all(all)
}
