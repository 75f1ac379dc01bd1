/** That a document of a job was saved, and as what revision. */
export interface SavedNews {
  kind: 'cuts' | 'email'
  revision: number
}

type Hear = (news: SavedNews) => void

/** Next loads route modules apart from each other; who listens stands on the process. */
const held = globalThis as typeof globalThis & { mosaicusLive?: Map<string, Set<Hear>> }
const listeners = (): Map<string, Set<Hear>> => (held.mosaicusLive ??= new Map())

/** Tells a listener of every saving of a job's documents. @returns what ends it */
export function onSaved(jobId: string, hear: Hear): () => void {
  const all = listeners()
  const of = all.get(jobId) ?? new Set<Hear>()
  all.set(jobId, of.add(hear))
  return () => {
    of.delete(hear)
    if (!of.size) all.delete(jobId)
  }
}

export const tellSaved = (jobId: string, news: SavedNews): void =>
  listeners()
    .get(jobId)
    ?.forEach((hear) => hear(news))
