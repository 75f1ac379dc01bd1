/** A document kept in this browser until the server has acknowledged it. */
export interface Draft<T> {
  doc: T
  revision: number
}

/** Where the draft of one document is kept. */
export interface DraftPlace<T> {
  remember: (draft: Draft<T>) => void
  forget: () => void
  /** What was kept; null where there is nothing, or nothing that can be read. */
  recall: () => Draft<T> | null
}

/**
 * @param key names the document
 * @param read brings what an older version of the app left up to date; throws for what is none
 */
export function draftPlace<T>(key: string, read: (doc: unknown) => T = (doc) => doc as T): DraftPlace<T> {
  const name = `mosaicus:draft:${key}`
  const forget = () => {
    try {
      localStorage.removeItem(name)
    } catch {
      /* Forbidden: then nothing was kept either. */
    }
  }
  return {
    remember(draft) {
      try {
        localStorage.setItem(name, JSON.stringify(draft))
      } catch {
        /* Full or forbidden: the server still gets it. */
      }
    },
    forget,
    recall() {
      try {
        const kept = localStorage.getItem(name)
        if (!kept) return null
        const { doc, revision } = JSON.parse(kept) as Draft<unknown>
        return { doc: read(doc), revision }
      } catch {
        forget()
        return null
      }
    },
  }
}
