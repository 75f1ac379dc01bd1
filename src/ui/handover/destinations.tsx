import { FileArchive, Inbox, Mail, Send, type LucideIcon } from 'lucide-react'
import Link from 'next/link'
import type { ReactNode } from 'react'
import { toast } from '../parts/toast'
import { newId } from '@/core/email/defaults'
import type { NamedPicture } from '@/core/handover/names'
import { call, callFile } from '../api'
import { runTask } from '../tasks/run'
import { TextRow } from '../parts/controls'
import { download } from '../parts/download'

/** What a person gives to destinations, by its name: an address, a token. */
export type Given = Readonly<Record<'to' | 'token', string>>

interface FormProps {
  given: Given
  onGive: (given: Partial<Given>) => void
  pictures: readonly NamedPicture[]
  /** Whether a picture lies behind words. */
  behind: boolean
}

interface Going {
  job: string
  given: Given
  signal: AbortSignal
  onProgress: (p: { done: number; total: number; what: string }) => void
}

/** A place the finished email goes to, as the stage shows it. */
interface Destination {
  id: 'zip' | 'eml' | 'test-send' | 'platform'
  label: string
  about: string
  icon: LucideIcon
  /** What the button says. */
  action: string
  /** What it is, and what it needs from the person. */
  Form: (props: FormProps) => ReactNode
  /** Where what arrived can be seen. */
  look?: { label: string; href: string }
  /** Hands over. Throws an ApiProblem, or an AbortError where it was cancelled. */
  go: (going: Going) => Promise<void>
}

const About = ({ children }: { children: ReactNode }) => <p className="leading-snug text-soft">{children}</p>

/** What becomes of pictures behind words that travel within the message (seen in Thunderbird 153). */
const BehindNote = ({ behind }: Pick<FormProps, 'behind'>) =>
  behind ? (
    <p className="border-l-4 border-ochre bg-sheet px-2 py-1 text-[12px] leading-snug">
      A picture behind words travels inside the message here: Thunderbird shows the colour behind it instead.
      Sent by a platform, where pictures have an address, it shows the picture.
    </p>
  ) : null

/** Everywhere an email can go, in the order it is shown. */
export const destinations: readonly Destination[] = [
  {
    id: 'zip',
    label: 'Files',
    about: 'A ZIP of index.html, images, text and a manifest',
    icon: FileArchive,
    action: 'Save the ZIP',
    Form: ({ pictures }) => (
      <About>
        index.html, text.txt, manifest.json
        {pictures.length === 0
          ? ' and no picture'
          : pictures.length === 1
            ? ` and ${pictures[0]!.name}`
            : ` and ${pictures.length} pictures in reading order, from ${pictures[0]!.name} on`}
        . Fields stand as written.
      </About>
    ),
    go: async ({ job, signal }) =>
      saved(await callFile('POST /api/jobs/:job/zip', { params: { job }, signal })),
  },
  {
    id: 'eml',
    label: 'Message',
    about: 'An .eml file that mail programs open',
    icon: Mail,
    action: 'Save the message',
    Form: ({ pictures, behind }) => (
      <>
        <About>
          Text and HTML as alternatives, {pictures.length} pictures inside. Fields show their fallbacks.
        </About>
        <BehindNote behind={behind} />
      </>
    ),
    go: async ({ job, signal }) =>
      saved(await callFile('POST /api/jobs/:job/eml', { params: { job }, signal })),
  },
  {
    id: 'test-send',
    label: 'Test inbox',
    about: 'A test send by SMTP to the inbox stand-in',
    icon: Inbox,
    action: 'Send the test',
    Form: ({ given, onGive, behind }) => (
      <>
        <TextRow label="To" value={given.to} onChange={(to) => onGive({ to })} />
        <BehindNote behind={behind} />
      </>
    ),
    look: { label: 'Open the inbox', href: '/standins/inbox' },
    go: async ({ job, given: { to }, signal }) => {
      await call('POST /api/jobs/:job/test-send', { params: { job }, body: { to }, signal, key: newId() })
      toast.success(`Sent to ${to}. The inbox shows what arrived.`)
    },
  },
  {
    id: 'platform',
    label: 'Sending platform',
    about: 'Pictures and template to the platform stand-in',
    icon: Send,
    action: 'Push the template',
    Form: ({ given, onGive }) => (
      <TextRow
        label="Token"
        value={given.token}
        placeholder="From the platform's page"
        onChange={(token) => onGive({ token })}
      />
    ),
    look: { label: 'Open the platform', href: '/standins/platform' },
    go: async ({ job, given: { token }, signal, onProgress }) => {
      await runTask(
        'POST /api/jobs/:job/push',
        { params: { job }, body: { token }, key: newId() },
        { onProgress, signal },
      )
      toast.success('The template arrived at the platform.')
    },
  },
]

/** A link to where what arrived can be seen. */
export const LookLink = ({ look }: { look: Destination['look'] }) =>
  look ? (
    <Link className="text-lapis underline" href={look.href} target="_blank">
      {look.label}
    </Link>
  ) : null

/** Saves a file that a route gave. */
const saved = ({ blob, name }: { blob: Blob; name: string }) => download(blob, name)
