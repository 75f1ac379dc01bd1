/**
 * The fonts that all drawing on this machine sees: those that ship with the project and no others, whatever the machine has. Writes `dist/fonts` (links
 * to the packages' files) and a configuration for fontconfig (https://www.freedesktop.org/software/fontconfig/fontconfig-user.html), which sharp
 * and Chromium read. Usage: node scripts/fonts.mjs
 */
import { cpSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { basename, join } from 'node:path'

const root = join(import.meta.dirname, '..')
const folder = join(root, 'dist/fonts')
const config = join(root, 'dist/fonts.conf')
const standIns = JSON.parse(readFileSync(join(root, 'src/core/email/stand-ins.json'), 'utf8'))

/** Families that CSS and SVG name without naming a font. */
const generic = { 'sans-serif': 'Arimo', serif: 'Tinos', monospace: 'Cousine', 'system-ui': 'Arimo' }

const escaped = (text) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;')
const alias = (name, by) =>
  `  <match target="pattern"><test qual="any" name="family" compare="eq"><string>${escaped(name)}</string></test><edit name="family" mode="assign" binding="same"><string>${escaped(by)}</string></edit></match>\n`

/** Writes the folder and the configuration where they are missing or old. */
export function writeFonts() {
  mkdirSync(folder, { recursive: true })
  for (const { package: name, files } of standIns)
    for (const file of files) {
      const to = join(folder, basename(file))
      if (!existsSync(to)) cpSync(join(root, 'node_modules', name, file), to)
    }
  const names = [
    ...standIns.flatMap(({ family, also, by }) => [family, ...also].map((n) => [n, by])),
    ...Object.entries(generic),
  ]
  const text = `<?xml version="1.0"?>
<!DOCTYPE fontconfig SYSTEM "urn:fontconfig:fonts.dtd">
<fontconfig>
  <dir>${escaped(folder)}</dir>
  <cachedir>${escaped(join(root, 'dist/fontcache'))}</cachedir>
${names.map(([name, by]) => alias(name, by)).join('')}  <match target="pattern"><edit name="antialias" mode="append"><bool>true</bool></edit><edit name="hinting" mode="append"><bool>true</bool></edit><edit name="hintstyle" mode="append"><const>hintslight</const></edit><edit name="rgba" mode="append"><const>none</const></edit></match>
  <match target="pattern"><edit name="family" mode="append_last"><string>Arimo</string><string>DejaVu Sans</string></edit></match>
</fontconfig>
`
  if (!existsSync(config) || readFileSync(config, 'utf8') !== text) writeFileSync(config, text)
}

/** What makes a process draw with these fonts alone: fontconfig's file, Pango's use of it (on macOS, too), no fonts of the system for the canvas. */
export const fontEnvironment = () => ({
  FONTCONFIG_FILE: config,
  PANGOCAIRO_BACKEND: 'fontconfig',
  DISABLE_SYSTEM_FONTS_LOAD: '1',
})

/** The same for this process and all that it starts, before anything is drawn. */
export function useShippedFonts() {
  writeFonts()
  Object.assign(process.env, fontEnvironment())
}

if (process.argv[1]?.endsWith('fonts.mjs')) writeFonts()
