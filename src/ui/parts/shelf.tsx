'use client'
import { createContext, useContext } from 'react'
import type { PictureRef } from '@/core/picture/ref'
import { ApiProblem, call, formOf } from '../api'

const hex = async (file: Blob) =>
  [...new Uint8Array(await crypto.subtle.digest('SHA-256', await file.arrayBuffer()))]
    .map((b) => b.toString(16).padStart(2, '0'))
    .join('')

export interface ShelfClient {
  id: string
  name: string
}

/** The client whose shelf the pictures of a bench come from and go to. */
const Shelf = createContext<ShelfClient | null>(null)
export const ShelfOf = Shelf.Provider
export const useShelf = (): ShelfClient => {
  const client = useContext(Shelf)
  if (!client) throw new Error('no shelf here')
  return client
}

/**
 * Puts a file on a client's shelf. What is kept already is named by its bytes and not sent again. Throws an
 * ApiProblem for what is no picture.
 */
export async function putOnShelf(client: ShelfClient, file: File): Promise<PictureRef> {
  const params = { client: client.id }
  try {
    // Without a secure context the browser cannot hash; then the server finds out.
    if (globalThis.crypto?.subtle)
      return refOf(
        await call('POST /api/clients/:client/pictures', {
          params,
          body: { id: await hex(file), name: file.name },
        }),
      )
  } catch (e) {
    if (!(e instanceof ApiProblem) || e.status !== 404) throw e
  }
  return refOf(await call('POST /api/clients/:client/pictures', { params, form: formOf({ picture: file }) }))
}
/** A picture without what a shelf says of it. */
export const refOf = ({ id, type, width, height, bytes }: PictureRef): PictureRef => ({
  id,
  type,
  width,
  height,
  bytes,
})
