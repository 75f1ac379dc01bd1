import { openTabs, tabId } from './tab'

/** A document kept in this browser until the server has acknowledged it. */
export interface Draft<T> {
  doc: T
  revision: number
}

/** Where the draft of one document is kept: each tab has its own, so that no tab takes another's away. */
export interface DraftPlace<T> {
  /** @returns whether it is kept: the browser's storage may be full or forbidden */
  remember: (draft: Draft<T>) => boolean
  forget: () => void
  /** What this tab kept; null where there is nothing, or nothing that can be read. */
  recall: () => Draft<T> | null
  /** What a tab kept that is no longer open. It becomes this tab's own. */
  inherit: () => Promise<Draft<T> | null>
}

/**
 * @param key names the document
 * @param read brings what an older version of the app left up to date; throws for what is none
 */
export function draftPlace<T>(key: string, read: (doc: unknown) => T = (doc) => doc as T): DraftPlace<T> {
  const all = `mosaicus:draft:${key}`
  const own = () => `${all}:${tabId()}`
  const drop = (name: string) => {
    try {
      localStorage.removeItem(name)
    } catch {
      /* Forbidden: then nothing was kept either. */
    }
  }
  const take = (name: string): Draft<T> | null => {
    try {
      const kept = localStorage.getItem(name)
      if (!kept) return null
      const { doc, revision } = JSON.parse(kept) as Draft<unknown>
      return { doc: read(doc), revision }
    } catch {
      drop(name)
      return null
    }
  }
  const remember = (draft: Draft<T>): boolean => {
    try {
      localStorage.setItem(own(), JSON.stringify(draft))
      return true
    } catch {
      return false
    }
  }
  return {
    remember,
    forget: () => drop(own()),
    recall: () => take(own()),
    async inherit() {
      const open = await openTabs()
      if (!open) return null
      for (const name of Object.keys(localStorage)) {
        const orphan = name === all || (name.startsWith(`${all}:`) && !open.has(name.slice(all.length + 1)))
        if (!orphan || name === own()) continue
        const draft = take(name)
        if (!draft) continue
        // Kept under this tab's name before it goes from the other's.
        if (remember(draft)) drop(name)
        return draft
      }
      return null
    },
  }
}
