import type { Mend, NightAnswer, NightCall } from '@/workers/night'
import type { PictureRef } from '@/core/picture/ref'
import { call, formOf } from '../api'
import { onBroken } from '../parts/on-broken'

/** Asks a worker of its own. Throws an Error, in words. */
export function askNight(what: NightCall): Promise<Exclude<NightAnswer, { error: string }>> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(new URL('../../workers/night.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<NightAnswer>) => {
      worker.terminate()
      if ('error' in data) reject(new Error(data.error))
      else resolve(data)
    }
    onBroken(worker, () => reject(new Error('The picture could not be worked on. Make it smaller.')))
    worker.postMessage(what)
  })
}

/** A picture mended for the night, kept as a new one; null where nothing came of it. Throws an Error, in words. */
export async function mendedPicture(id: string, mend: Mend): Promise<PictureRef | null> {
  const made = await askNight({ kind: 'mend', address: `/api/pictures/${id}`, mend })
  if (!('png' in made)) return null
  const file = new File([made.png], 'night.png', { type: 'image/png' })
  return call('POST /api/pictures', { form: formOf({ picture: file }) })
}
