import { useEffect } from 'react'
import { keptFaces, keptFont } from '@/core/email/fonts'
import { remembered } from '@/core/email/remember'
import type { HouseStyle } from '@/core/email/styles'

/** A house style as it is shown here: its web fonts come from the files kept here, where there are. */
export const shownHouse = remembered((house: HouseStyle): HouseStyle => ({
  ...house,
  webFonts: house.webFonts.map((f) => ({
    ...f,
    files: f.files.map((file) => (file.kept ? { ...file, address: keptFont(file.kept) } : file)),
  })),
}))

/** Lends a page the web fonts of a house style, for words that are written outside the lenses' frames. */
export function useHouseFonts({ webFonts }: HouseStyle): void {
  useEffect(() => {
    const faces = keptFaces(webFonts).map((f) => new FontFace(f.family, f.source, f.descriptors))
    faces.forEach((face) => document.fonts.add(face))
    return () => faces.forEach((face) => document.fonts.delete(face))
  }, [webFonts])
}
