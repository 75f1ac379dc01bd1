/** Pictures for drawing, by the key of `core/motion` (an id, and which frame of one that moves). */
const known = new Map<string, Promise<ImageBitmap>>()

/** Decoders of pictures that move; each holds its file. */
const decoders = new Map<string, Promise<ImageDecoder>>()

async function fetched(address: string): Promise<Blob> {
  const response = await fetch(address)
  if (!response.ok)
    throw new Error(`A picture could not be read (status ${response.status}). Put it in again.`)
  return response.blob()
}

function decoderOf(id: string): Promise<ImageDecoder> {
  let decoder = decoders.get(id)
  if (!decoder) {
    decoder = fetched(`/api/pictures/${id}`).then(
      async (blob) => new ImageDecoder({ data: await blob.arrayBuffer(), type: blob.type }),
    )
    decoders.set(id, decoder)
  }
  return decoder
}

async function load(key: string): Promise<ImageBitmap> {
  const [id, page] = key.split('#') as [string, string?]
  if (!page) return createImageBitmap(await fetched(`/api/pictures/${id}`))
  // Decoders are for secure contexts; elsewhere the server takes the frame out.
  if (typeof ImageDecoder === 'undefined')
    return createImageBitmap(await fetched(`/api/pictures/${id}?frame=${page}`))
  const { image } = await (await decoderOf(id)).decode({ frameIndex: Number(page) })
  const bitmap = await createImageBitmap(image)
  image.close()
  return bitmap
}

/** Pictures by their keys. Throws an Error, in words, for one that cannot be had. */
export async function picturesFor(keys: readonly string[]): Promise<Map<string, ImageBitmap>> {
  const loading = keys.map((key) => {
    let picture = known.get(key)
    if (!picture) {
      picture = load(key)
      picture.catch(() => known.delete(key))
      known.set(key, picture)
    }
    return picture
  })
  const pictures = await Promise.all(loading)
  return new Map(keys.map((key, i) => [key, pictures[i]!]))
}
