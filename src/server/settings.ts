import { rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { boundTo } from './api/own-site'

/** Where everything the app keeps lies. Nothing is written outside it. */
export const dataFolder = (): string =>
  resolve(/* turbopackIgnore: true */ process.env.MOSAICUS_DATA ?? './data')

export const picturesFolder = (): string => join(dataFolder(), 'pictures')

export const filmsFolder = (): string => join(dataFolder(), 'films')

/** Font files of house styles. */
export const houseFontsFolder = (): string => join(dataFolder(), 'fonts')

/** The packages of the fonts that ship with the app. */
export const fontsFolder = (): string =>
  join(/* turbopackIgnore: true */ process.cwd(), 'node_modules/@fontsource')

/** The packages of all fonts. */
export const packagesFolder = (): string => join(/* turbopackIgnore: true */ process.cwd(), 'node_modules')

/** Where files lie that were sent, until their requests are answered. */
export const uploadsFolder = (): string => join(dataFolder(), 'uploads')

/** Once at the start: what was being sent when the app was stopped is of no use. */
export const clearUploads = (): void => rmSync(uploadsFolder(), { recursive: true, force: true })

const port = (): number => Number(process.env.PORT ?? 4310)

/** The address the app itself answers at; the sending-platform stand-in is reached there over HTTP. */
export const ownAddress = (): string => `http://${boundTo() ?? `127.0.0.1:${port()}`}`

/** Where the inbox stand-in listens for SMTP. */
export const smtpPort = (): number => Number(process.env.MOSAICUS_SMTP_PORT ?? port() + 1)
