'use client'
import { useEffect, useState, type ClipboardEvent } from 'react'
import type { Routes } from '@/contract'
import type { AnswerOf } from '@/contract/route'
import type { PictureRef } from '@/core/picture/ref'
import { ApiProblem, call } from '../api'
import { Button, fieldClass, kb } from './controls'
import { Dialog } from './dialog'
import { putOnShelf, refOf, type ShelfClient } from './shelf'

type Kept = AnswerOf<Routes['GET /api/clients/:client/pictures']>['pictures'][number]

/** A client's pictures as they are searched for, and changes of them. */
function useKept(client: ShelfClient) {
  const [search, setSearch] = useState('')
  const [pictures, setPictures] = useState<Kept[] | null>(null)
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const params = { client: client.id }
  const load = (s = search) =>
    call('GET /api/clients/:client/pictures', { params, query: { search: s } }).then(
      (r) => setPictures(r.pictures),
      (e: Error) => setProblem(e.message),
    )
  useEffect(() => {
    const t = setTimeout(() => void load(search), 150)
    return () => clearTimeout(t)
  }, [search]) // eslint-disable-line react-hooks/exhaustive-deps
  async function attempt(work: () => Promise<unknown>) {
    setBusy(true)
    setProblem(null)
    try {
      await work()
      await load()
    } catch (e) {
      setProblem(e instanceof ApiProblem ? `${e.title}. ${e.detail}` : String(e))
    } finally {
      setBusy(false)
    }
  }
  const take = (files: readonly File[]) =>
    attempt(async () => {
      for (const f of files) await putOnShelf(client, f)
    })
  return { search, setSearch, pictures, busy, problem, params, attempt, take }
}

/**
 * A client's pictures: searched, with their sizes and where they are used; taken in from a file, the
 * clipboard or an address. What is kept already is not sent again.
 */
export function ShelfDialog({
  client,
  onChosen,
  onClose,
}: {
  client: ShelfClient
  onChosen: (p: PictureRef) => void
  onClose: () => void
}) {
  const { search, setSearch, pictures, busy, problem, params, attempt, take } = useKept(client)
  const paste = (e: ClipboardEvent) => {
    const files = [...e.clipboardData.files].filter((f) => f.type.startsWith('image/'))
    if (files.length) {
      e.preventDefault()
      void take(files)
    }
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title={`Pictures of ${client.name}`}
      about="Choose one, or bring one in: a file, one from the clipboard (paste it here), or an address."
      wide
    >
      <div onPaste={paste} className="flex flex-col gap-2 text-xs">
        <Search search={search} setSearch={setSearch} take={take} />
        <FromAddress busy={busy} attempt={attempt} params={params} />
        {problem && (
          <p role="alert" className="border-l-4 border-terra pl-2">
            {problem}
          </p>
        )}
        {pictures?.length === 0 && (
          <p className="text-soft">
            {search ? 'No picture goes by that name.' : 'Nothing is kept here yet.'}
          </p>
        )}
        <ul className="grid grid-cols-4 gap-2">
          {pictures?.map((p) => (
            <KeptPicture key={p.id} p={p} onChosen={onChosen} attempt={attempt} params={params} />
          ))}
        </ul>
      </div>
    </Dialog>
  )
}

/** A picture of the shelf: chosen by a press, or taken off. */
function KeptPicture({
  p,
  onChosen,
  attempt,
  params,
}: {
  p: Kept
  onChosen: (p: PictureRef) => void
  attempt: (work: () => Promise<unknown>) => Promise<void>
  params: { client: string }
}) {
  return (
    <li className="border border-grout bg-sheet">
      <button type="button" className="block w-full text-left" onClick={() => onChosen(refOf(p))}>
        <span className="grid h-24 place-items-center bg-ground">
          <img src={`/api/pictures/${p.id}`} alt="" className="max-h-24 max-w-full object-contain" />
        </span>
        <span className="block truncate px-1.5 pt-1 font-semibold">{p.name}</span>
        <span className="block px-1.5 font-mono text-[10.5px] text-soft">
          {p.width} x {p.height}, {kb(p.bytes)}
        </span>
        <span
          className="block truncate px-1.5 pb-1 text-[10.5px] text-soft"
          title={p.usedIn.map((u) => u.name).join(', ')}
        >
          {p.usedIn.length ? `in ${p.usedIn.map((u) => u.name).join(', ')}` : 'not used yet'}
        </span>
      </button>
      <Button
        look="plain"
        className="w-full py-0! text-[11px]!"
        onClick={() =>
          void attempt(() =>
            call('DELETE /api/clients/:client/pictures', { params, query: { picture: p.id } }),
          )
        }
      >
        Take off
      </Button>
    </li>
  )
}

/** A picture fetched from an address. */
function FromAddress({
  busy,
  attempt,
  params,
}: {
  busy: boolean
  attempt: (work: () => Promise<unknown>) => Promise<void>
  params: { client: string }
}) {
  const [address, setAddress] = useState('')
  return (
    <div className="grid grid-cols-[1fr_auto] gap-2">
      <input
        aria-label="Address of a picture"
        className={fieldClass}
        value={address}
        placeholder="https://…/picture.png"
        onChange={(e) => setAddress(e.target.value)}
      />
      <Button
        disabled={busy || !address.trim()}
        onClick={() =>
          void attempt(async () => {
            await call('POST /api/clients/:client/pictures', { params, body: { address } })
            setAddress('')
          })
        }
      >
        Fetch
      </Button>
    </div>
  )
}

/** Searching, and files brought in. */
function Search({
  search,
  setSearch,
  take,
}: {
  search: string
  setSearch: (v: string) => void
  take: (files: readonly File[]) => Promise<void>
}) {
  return (
    <div className="grid grid-cols-[1fr_auto] gap-2">
      <input
        aria-label="Search the pictures"
        className={fieldClass}
        value={search}
        placeholder="Search by name"
        onChange={(e) => setSearch(e.target.value)}
      />
      <label className="cursor-pointer border border-grout bg-sheet px-2.5 py-1 focus-within:outline-2">
        From files
        <input
          type="file"
          multiple
          accept="image/png,image/jpeg,image/gif"
          className="sr-only"
          onChange={(e) => {
            const f = [...(e.target.files ?? [])]
            if (f.length) void take(f)
          }}
        />
      </label>
    </div>
  )
}
