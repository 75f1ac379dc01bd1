import { one, type Said } from '@/server/api/said-once'
import Link from 'next/link'
import { whyStatic } from '@/core/interact/reader'
import { compute } from '@/server/pool'
import { modeOf } from '@/standins/db'
import { dynamicFor } from '@/standins/inbox/dynamic'
import { listMessages, readMessage, type Message, type WholeMessage } from '@/standins/inbox/store'
import { DynamicMail } from '@/ui/standins/dynamic'
import { StandinPage } from '@/ui/standins/page'
import { Views } from '@/ui/standins/views'

export const dynamic = 'force-dynamic'
export const metadata = { title: 'Inbox stand-in - Mosaicus' }

export default async function InboxPage({
  searchParams,
}: {
  searchParams: Promise<{ message?: Said; days?: Said }>
}) {
  const messages = await listMessages()
  const asked = one((await searchParams).message) ?? messages[0]?.id
  const open = asked ? await readMessage(asked) : null
  const days = Math.max(0, Math.min(400, Number(one((await searchParams).days)) || 0))
  return (
    <StandinPage
      standin="inbox"
      title="Inbox stand-in"
      about="Takes test sends by SMTP on this machine and shows what arrived"
      mode={modeOf('inbox')}
      list={<MessageList messages={messages} open={open?.id} />}
    >
      {open ? (
        <>
          <dl className="grid grid-cols-[70px_1fr] gap-x-2 bg-[#fffdf8] px-3 py-2 text-[12.5px] text-[#20272b]">
            <dt className="text-[#555b5e]">Subject</dt>
            <dd className="font-semibold">{open.subject}</dd>
            <dt className="text-[#555b5e]">From, to</dt>
            <dd>
              {open.from}, {open.to}
            </dd>
            <dt className="text-[#555b5e]">Parts</dt>
            <dd>
              {open.order.map((t) => partNames[t] ?? t).join(', ')}, {open.parts.length} pictures (
              {(open.bytes / 1024).toFixed(0)} KB in all)
            </dd>
          </dl>
          {open.amp && <Dynamic open={open} days={days} />}
          <Views
            html={open.html}
            views={[
              { name: 'Plain text', text: open.text },
              ...(open.amp ? [{ name: 'AMP source', text: open.amp }] : []),
              { name: 'Headers', text: open.headers.map((h) => `${h.name}: ${h.value}`).join('\n') },
              { name: 'As sent', text: open.raw.slice(0, 60_000) },
            ]}
          />
        </>
      ) : (
        <p className="m-auto bg-[#fffdf8] p-4 text-[#20272b]">Nothing is open.</p>
      )}
    </StandinPage>
  )
}

const partNames: Record<string, string> = {
  'text/plain': 'text',
  'text/x-amp-html': 'AMP',
  'text/html': 'HTML',
}

/** What becomes of the AMP part in a reader. */
async function Dynamic({ open, days }: { open: WholeMessage; days: number }) {
  const on = dynamicFor(open.from)
  const { messages } = await compute('checkAmp', { html: open.amp })
  const sent = Date.parse(open.at)
  const why = whyStatic({
    amp: true,
    html: open.html !== '',
    dynamic: on,
    sent,
    now: sent + days * 86_400_000,
    order: open.order,
    errors: messages.filter((m) => m.severity === 'ERROR').map((m) => m.message),
  })
  return <DynamicMail sender={open.from} on={on} why={why} amp={open.amp} message={open.id} days={days} />
}

function MessageList({ messages, open }: { messages: readonly Message[]; open: string | undefined }) {
  return (
    <ul>
      {messages.map((m) => (
        <li
          key={m.id}
          className={`border-b border-l-4 border-b-grout ${m.id === open ? 'border-l-lapis bg-paper' : 'border-l-transparent'}`}
        >
          <Link
            href={`/standins/inbox?message=${m.id}`}
            aria-current={m.id === open || undefined}
            className="block px-3 py-2"
          >
            <b className="block truncate font-semibold">{m.subject || 'No subject'}</b>
            <span className="block truncate text-[11.5px] text-soft">to {m.to}</span>
            <span className="font-mono text-[10.5px] text-soft">
              {new Date(m.at).toLocaleString('en-GB')}, {(m.bytes / 1024).toFixed(0)} KB
            </span>
          </Link>
        </li>
      ))}
      {!messages.length && (
        <li className="p-3 text-soft">Nothing has arrived yet. Send a test from a job&apos;s Hand over.</li>
      )}
    </ul>
  )
}
