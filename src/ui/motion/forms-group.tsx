'use client'
import { useState } from 'react'
import type { Form } from '@/workers/motion/forms'
import { Button, Group, kb } from '../parts/controls'
import { download } from '../parts/download'
import { toast } from '../parts/toast'
import { formFile, type Drawn } from './engine'
import type { SetBusy } from './use-motion'

const forms: readonly { form: Form; label: string; about: string }[] = [
  {
    form: 'webp',
    label: 'Animated WebP',
    about: 'Finer and lighter than GIF, for pages and the readers that show it.',
  },
  {
    form: 'apng',
    label: 'Animated PNG',
    about: 'Every colour as it is, and soft edges on any ground; heavier than the others.',
  },
  {
    form: 'film',
    label: 'Film',
    about:
      'One round as MP4, or as WebM where this browser writes no MP4. Host it and give its address to play it in the email.',
  },
  { form: 'still', label: 'First frame', about: 'As PNG: what readers that do not animate show.' },
]

/** The same as files of other forms, for elsewhere: the email itself holds the GIF, which every reader shows. */
export function FormsGroup({
  drawn,
  name,
  setBusy,
}: {
  drawn: Drawn | null
  name: string
  setBusy: SetBusy
}) {
  const [made, setMade] = useState<{ form: Form; said: string } | null>(null)
  async function make(form: Form): Promise<void> {
    const own = new AbortController()
    const busy = (done: number) => setBusy({ what: 'Encoding', done, cancel: () => own.abort() })
    busy(0)
    try {
      const { width, height, loop, frames } = drawn!
      const { bytes, type, ending } = await formFile(
        { form, sequence: { width, height, loop, frames } },
        { signal: own.signal, onProgress: busy },
      )
      download(new Blob([bytes as Uint8Array<ArrayBuffer>], { type }), `${name}${ending}`)
      setMade({ form, said: `${name}${ending}, ${kb(bytes.length)}` })
    } catch (error) {
      if ((error as Error).name !== 'AbortError') toast.error((error as Error).message)
    } finally {
      setBusy(null)
    }
  }
  return (
    <Group title="As other files">
      <div className="flex flex-wrap gap-1">
        {forms.map(({ form, label, about }) => (
          <Button key={form} title={about} disabled={!drawn} onClick={() => void make(form)}>
            {label}
          </Button>
        ))}
      </div>
      <p role="status" className="text-[11.5px] leading-snug text-soft">
        {made ? made.said : 'For pages and film hosts. The email holds the GIF, which every reader shows.'}
      </p>
    </Group>
  )
}
