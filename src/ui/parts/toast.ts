import type { ExternalToast } from 'sonner'

/** What shows short messages is brought with the first of them; whoever shows them hears of it here. */
let wanted: (() => void) | null = null
let shown: () => void
const ready = new Promise<void>((r) => (shown = r))

/** Told by what shows messages: how it is called up. */
export const onFirstToast = (call: () => void): void => void (wanted = call)
/** Told by what shows messages: it is there. */
export const toastsShown = (): void => shown()

type Kind = 'message' | 'success' | 'warning' | 'error'

async function say(kind: Kind, words: string, more?: ExternalToast): Promise<void> {
  wanted?.()
  const [{ toast: show }] = await Promise.all([import('sonner'), ready])
  show[kind](words, more)
}

const of = (kind: Kind) => (words: string, more?: ExternalToast) => void say(kind, words, more)

/** A short message at the edge of the screen. */
export const toast = Object.assign(of('message'), {
  success: of('success'),
  warning: of('warning'),
  error: of('error'),
})
