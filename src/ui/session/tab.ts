/** What names this tab: the same after a reload, and no other open tab's. */
const STORED = 'mosaicus:tab'
const lockOf = (id: string): string => `mosaicus:tab:${id}`

let known: string | undefined

const fresh = (): string => Math.random().toString(36).slice(2, 12)

function store(id: string): string {
  try {
    sessionStorage.setItem(STORED, id)
  } catch {
    /* Forbidden: it holds until the page goes. */
  }
  return id
}

/** Holds a lock for as long as the page lives (Web Locks API); a tab that was copied finds it taken and takes another name. */
function hold(id: string): void {
  if (typeof navigator === 'undefined' || !navigator.locks) return
  void navigator.locks.request(lockOf(id), { ifAvailable: true }, (lock) => {
    if (lock) return new Promise(() => {})
    known = store(fresh())
    hold(known)
    return undefined
  })
}

/** The name of this tab. */
export function tabId(): string {
  if (known) return known
  let id: string | null = null
  try {
    id = sessionStorage.getItem(STORED)
  } catch {
    /* Forbidden. */
  }
  known = id ?? store(fresh())
  hold(known)
  return known
}

/** The tabs that are open. Null where the browser does not say. */
export async function openTabs(): Promise<ReadonlySet<string> | null> {
  if (typeof navigator === 'undefined' || !navigator.locks) return null
  const { held = [] } = await navigator.locks.query()
  return new Set(
    held.flatMap((lock) => (lock.name?.startsWith(lockOf('')) ? lock.name.slice(lockOf('').length) : [])),
  )
}
