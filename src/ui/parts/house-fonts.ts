import { useEffect } from 'react'
import { keptFaces, withKeptFonts } from '@/core/email/fonts'
import { standInDescriptors } from '@/core/email/stand-ins'
import { remembered } from '@/core/email/remember'
import type { HouseStyle } from '@/core/email/styles'

/** A house style as it is shown here, the same each time for the same one. */
export const shownHouse = remembered((house: HouseStyle): HouseStyle => withKeptFonts(house))

/** Lends a page the web fonts of a house style and what stands in for email-safe faces, for words that are written outside the lenses' frames. */
export function useHouseFonts({ webFonts }: HouseStyle): void {
  useEffect(() => {
    const faces = [...standInDescriptors(''), ...keptFaces(webFonts)].map(
      (f) => new FontFace(f.family, f.source, f.descriptors),
    )
    faces.forEach((face) => document.fonts.add(face))
    return () => faces.forEach((face) => document.fonts.delete(face))
  }, [webFonts])
}
