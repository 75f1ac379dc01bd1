import type { Content } from '../content'
import { keepNew } from '../pictures/store'
import { compute } from '../pool'
import type { Imported, ReadImport } from './import'

/** Keeps the pictures that an email from elsewhere brings. */
async function kept({ pictures, ...imported }: ReadImport): Promise<Imported> {
  for (const picture of pictures) await keepNew(picture)
  return imported
}

/** Brings in an email made elsewhere: HTML, a ZIP or a message, told by its content. */
export const takeInEmail = async (content: Content, name: string, signal?: AbortSignal): Promise<Imported> =>
  kept(await compute('importFile', { content, name }, { signal }))

/** Brings in pasted HTML. */
export const takeInHtml = async (html: string, signal?: AbortSignal): Promise<Imported> =>
  kept(await compute('importHtml', { html }, { signal }))
