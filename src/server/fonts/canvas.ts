import { join } from 'node:path'
import { GlobalFonts } from '@napi-rs/canvas'
import { standIns } from '@/core/email/stand-ins'
import { packagesFolder } from '../settings'

let done = false

/**
 * Gives the canvas the fonts that ship with the app under the families they stand in for. Those of the machine are not loaded where
 * `DISABLE_SYSTEM_FONTS_LOAD` is set before the canvas is (scripts/fonts.mjs), so what it draws and measures is the same everywhere.
 */
export function lendCanvasFonts(): void {
  if (done) return
  done = true
  for (const { family, also, by, package: name, files } of standIns) {
    for (const file of files) GlobalFonts.registerFromPath(join(packagesFolder(), name, file), by)
    for (const alias of [family, ...also]) GlobalFonts.setAlias(by, alias)
  }
  for (const [generic, by] of [
    ['sans-serif', 'Arimo'],
    ['serif', 'Tinos'],
    ['monospace', 'Cousine'],
  ] as const)
    GlobalFonts.setAlias(by, generic)
}
