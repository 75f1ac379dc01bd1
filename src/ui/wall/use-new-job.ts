'use client'
import { useEffect, useState, type FormEvent } from 'react'
import { toast } from '../parts/toast'
import { ApiProblem, call, formOf } from '../api'
import type { Board } from '../parts/boards'
import { runTask } from '../tasks/run'
import { emailOf, isChosen, isEmailFile, type From } from './from'

type Client = { id: string; name: string }
type Problem = { title: string; detail: string }

/** A name for the job from that of its file. */
const nameFrom = (file: string) =>
  file
    .replace(/\.[a-z]+$/i, '')
    .replace(/[-_]+/g, ' ')
    .replace(/^./, (c) => c.toUpperCase())

const problemOf = (e: unknown, title: string): Problem =>
  e instanceof ApiProblem ? e : { title, detail: String(e) }

/** What is said at once of an email brought in; the rest is found in Proof. */
const MOST_NOTES = 4

const nothingChosen: Partial<Record<From['begin'], Problem>> = {
  starter: { title: 'No layout yet', detail: 'Choose one of the layouts.' },
  shelf: { title: 'Nothing chosen yet', detail: "Choose something from the client's shelf." },
  elsewhere: { title: 'No email yet', detail: 'Choose its file, paste its source, or give its address.' },
}

const noDesign: Problem = {
  title: 'No design yet',
  detail: 'Choose the picture the designer sent, or drop it on the page.',
}

/**
 * What a file says itself is in it: its pages or artboards, which of them is the wide design, which the narrow
 * one, and how wide the email may be.
 */
function useBoards(design: File | null, onWidth: (px: string) => void, onProblem: (p: Problem) => void) {
  const [boards, setBoards] = useState<Board[] | null>(null)
  const [board, setBoard] = useState(0)
  const [narrow, setNarrow] = useState('')
  /** Takes a board, with the email's width that it lets one guess. */
  const choose = (list: readonly Board[], i: number) => {
    setBoard(i)
    onWidth(String(Math.max(320, Math.min(900, list[i]!.emailWidth))))
  }
  useEffect(() => {
    setBoards(null)
    setBoard(0)
    setNarrow('')
    if (!design) return
    const stop = new AbortController()
    runTask('POST /api/designs', { form: formOf({ design }) }, { signal: stop.signal }).then(
      ({ boards: found }) => {
        setBoards(found)
        const firstWide = found.findIndex((b) => !b.narrow)
        const wide = Math.max(0, firstWide),
          small = found.findIndex((b, i) => b.narrow && i !== wide)
        choose(found, wide)
        if (small >= 0) setNarrow(String(small))
      },
      (e: unknown) => {
        if ((e as Error).name !== 'AbortError') onProblem(problemOf(e, 'The design could not be read'))
      },
    )
    return () => stop.abort()
    // What it tells of is the design's alone.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [design])
  return { boards, board, narrow, setNarrow, choose }
}

/** Makes a job that begins with an email of its own. Throws an ApiProblem. */
async function begun(
  from: From,
  { clientId, width, ...what }: { clientId: string; name: string; width: string; due: string },
): Promise<{ id: string; notes: readonly string[] }> {
  const { house } = await call('GET /api/clients/:client', { params: { client: clientId } })
  const { email, notes } = await emailOf(from, { house, width: Number(width) })
  const form = formOf({ ...what, clientId, width: String(email.width) })
  const { id } = await runTask('POST /api/jobs', { form })
  await call('PUT /api/jobs/:job/email', { params: { job: id }, body: { revision: 0, email } })
  return { id, notes }
}

/** Whose job it is: a client that there is, or a new one by its name. */
function useClient(known: Client[]) {
  const [client, setClient] = useState(known[0]?.id ?? 'new')
  const [newClient, setNewClient] = useState('')
  /** Clients that were made here meanwhile. */
  const [made, setMade] = useState<Client[]>([])
  /** The client's id. A new one is made once: whatever fails after it, trying again finds it there. Throws an ApiProblem. */
  async function clientId(): Promise<string> {
    if (client !== 'new') return client
    const { id } = await call('POST /api/clients', { body: { name: newClient } })
    setMade((all) => [...all, { id, name: newClient }])
    setClient(id)
    return id
  }
  return { client, setClient, newClient, setNewClient, clients: [...known, ...made], clientId }
}

/** The job as it is described so far, and how it is made. */
export function useNewJob(file: File | 'choose' | null, clients: Client[], onMade: (id: string) => void) {
  const [design, setDesign] = useState<File | null>(null)
  const [name, setName] = useState('')
  const { clientId: chosenClient, ...whose } = useClient(clients)
  const [width, setWidth] = useState('600')
  const [due, setDue] = useState('')
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<Problem | null>(null)
  const [from, setFrom] = useState<From>({ begin: 'design' })
  const { begin } = from
  const boards = useBoards(design, setWidth, setProblem)

  const take = (f: File) => {
    if (isEmailFile(f)) {
      setFrom({ begin: 'elsewhere', file: f })
    } else {
      setFrom({ begin: 'design' })
      setDesign(f)
    }
    setProblem(null)
    setName((n) => n || nameFrom(f.name))
  }
  useEffect(() => {
    if (file instanceof File) take(file)
    if (!file) {
      setDesign(null)
      setFrom({ begin: 'design' })
      setName('')
      setProblem(null)
      setBusy(false)
    }
  }, [file])
  async function make() {
    const clientId = await chosenClient()
    if (begin !== 'design') return makeWithout(clientId)
    const from = design!
    const { board, narrow } = boards
    const pair = narrow ? { narrow: from, narrowBoard: narrow } : {}
    const form = formOf({ design: from, clientId, name, width, due, board: String(board), ...pair })
    const made = await runTask('POST /api/jobs', { form })
    // What was left out of the file, or which page was taken.
    made.notes.forEach((n) => toast(n, { duration: 9000 }))
    onMade(made.id)
  }
  /** A job that begins with an email of its own. */
  async function makeWithout(clientId: string) {
    const { id, notes } = await begun(from, { clientId, name, width, due })
    notes.slice(0, MOST_NOTES).forEach((n) => toast(n, { duration: 9000 }))
    onMade(id)
  }
  async function submit(e: FormEvent) {
    e.preventDefault()
    if (begin === 'design' && !design) return setProblem(noDesign)
    if (!isChosen(from)) return setProblem(nothingChosen[begin]!)
    setBusy(true)
    setProblem(null)
    try {
      await make()
    } catch (error) {
      setProblem(problemOf(error, 'The job could not be made'))
      setBusy(false)
    }
  }
  return {
    ...whose,
    ...{ design, take, boards, name, setName },
    ...{ width, setWidth, due, setDue, busy, problem, submit, from, setFrom, setProblem },
  }
}
export type Described = ReturnType<typeof useNewJob>
