import Link from 'next/link'
import { modeOf } from '@/standins/db'
import { listMessages, readMessage } from '@/standins/inbox/store'
import { StandinPage } from '@/ui/standins/page'
import { Views } from '@/ui/standins/views'

export const dynamic = 'force-dynamic'
export const metadata = { title: 'Inbox stand-in - Mosaicus' }

export default async function InboxPage({ searchParams }: { searchParams: Promise<{ message?: string }> }) {
  const messages = await listMessages()
  const asked = (await searchParams).message ?? messages[0]?.id
  const open = asked ? await readMessage(asked) : null
  return (
    <StandinPage
      standin="inbox"
      title="Inbox stand-in"
      about="Takes test sends by SMTP on this machine and shows what arrived"
      mode={modeOf('inbox')}
      list={
        <ul>
          {messages.map((m) => (
            <li
              key={m.id}
              className={`border-b border-l-4 border-b-grout ${m.id === open?.id ? 'border-l-lapis bg-paper' : 'border-l-transparent'}`}
            >
              <Link
                href={`/standins/inbox?message=${m.id}`}
                aria-current={m.id === open?.id || undefined}
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
            <li className="p-3 text-soft">
              Nothing has arrived yet. Send a test from a job&apos;s Hand over.
            </li>
          )}
        </ul>
      }
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
              text, HTML, {open.parts.length} pictures ({(open.bytes / 1024).toFixed(0)} KB in all)
            </dd>
          </dl>
          <Views
            html={open.html}
            views={[
              { name: 'Plain text', text: open.text },
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
