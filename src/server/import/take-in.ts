import type { Content } from '../content'
import { guardedFetch, type FetchLimits } from '../net/guarded-fetch'
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

/** Most bytes of an email at an address, and how long each answer is waited for, ms. */
const LIMITS = { most: 2_000_000, patience: 12_000 }

/** Brings in an email that stands at a public address, as its reader sees it in a browser. */
export async function takeInAddress(
  address: string,
  signal?: AbortSignal,
  limits: Pick<FetchLimits, 'lookup' | 'ask'> = {},
): Promise<Imported> {
  const { bytes, address: base } = await guardedFetch(address, { ...LIMITS, ...limits })
  return kept(await compute('importFile', { content: bytes, name: base, base }, { signal }))
}

/** Brings in pasted HTML. */
export const takeInHtml = async (html: string, signal?: AbortSignal): Promise<Imported> =>
  kept(await compute('importHtml', { html }, { signal }))
