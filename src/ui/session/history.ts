import { delMany, get, set, update } from 'idb-keyval'

/** Steps of undo and redo at one revision of a document. */
export interface History<T> {
  revision: number
  past: { doc: T; label: string }[]
  future: { doc: T; label: string }[]
}

/** Where undo is kept through a reload. */
export interface HistoryPlace<T> {
  keep: (history: History<T>) => Promise<void>
  recall: () => Promise<History<T> | null>
}

/** Steps that are kept each way, and documents that have some. */
const STEPS = 100
const DOCUMENTS = 30
const INDEX = 'mosaicus:histories'

/**
 * In this browser, beside others: documents that were not worked on for long give way. Steps share what they have in common, there as here (HTML,
 * structured cloning keeps identity). Where the browser forbids it, undo ends with the page, as everywhere.
 * @param key names the document
 * @param read tells whether a kept document is one of this version of the app; throws, or gives another, where it is not
 */
export function historyPlace<T>(key: string, read: (doc: unknown) => T): HistoryPlace<T> {
  const own = `mosaicus:history:${key}`
  const here = typeof indexedDB !== 'undefined'
  return {
    async keep({ revision, past, future }) {
      if (!here) return
      try {
        await set(own, { revision, past: past.slice(-STEPS), future: future.slice(-STEPS) })
        let old: string[] = []
        await update<string[]>(INDEX, (names = []) => {
          const all = [own, ...names.filter((n) => n !== own)]
          old = all.slice(DOCUMENTS)
          return all.slice(0, DOCUMENTS)
        })
        await delMany(old)
      } catch {
        /* Full or forbidden: the document itself is saved all the same. */
      }
    },
    async recall() {
      if (!here) return null
      try {
        const kept = await get<History<T>>(own)
        const last = kept && (kept.past.at(-1) ?? kept.future.at(-1))
        const current = last && JSON.stringify(read(last.doc)) === JSON.stringify(last.doc)
        return current ? kept : null
      } catch {
        return null
      }
    },
  }
}
