import { one, type Said } from '@/server/api/said-once'
import Link from 'next/link'
import { modeOf } from '@/standins/db'
import { withOwnPictures } from '@/standins/platform/api'
import { listTemplates, templateOf, TOKEN } from '@/standins/platform/store'
import { StandinPage } from '@/ui/standins/page'
import { Views } from '@/ui/standins/views'

export const dynamic = 'force-dynamic'
export const metadata = { title: 'Platform stand-in - Mosaicus' }

export default async function PlatformPage({ searchParams }: { searchParams: Promise<{ template?: Said }> }) {
  const templates = listTemplates()
  const asked = one((await searchParams).template) ?? templates[0]?.id
  const open = asked ? templateOf(asked) : undefined
  return (
    <StandinPage
      standin="platform"
      title="Sending-platform stand-in"
      about="Takes pictures and templates over HTTP, as a sending platform would"
      mode={modeOf('platform')}
      list={
        <>
          <p className="border-b border-grout p-3 text-soft">
            Its token: <code className="bg-paper px-1 font-mono text-[11.5px] text-ink">{TOKEN}</code>
          </p>
          <ul>
            {templates.map((t) => (
              <TemplateItem key={t.id} template={t} on={t.id === open?.id} />
            ))}
            {!templates.length && (
              <li className="p-3 text-soft">
                No template has arrived yet. Push one from a job&apos;s Hand over.
              </li>
            )}
          </ul>
        </>
      }
    >
      {open ? (
        <>
          <dl className="grid grid-cols-[70px_1fr] gap-x-2 bg-[#fffdf8] px-3 py-2 text-[12.5px] text-[#20272b]">
            <dt className="text-[#555b5e]">Subject</dt>
            <dd className="font-semibold">{open.subject}</dd>
            <dt className="text-[#555b5e]">Preheader</dt>
            <dd>{open.preheader}</dd>
            <dt className="text-[#555b5e]">Size</dt>
            <dd>
              {(Buffer.byteLength(open.html) / 1024).toFixed(1)} KB of HTML
              {open.amp && `, and ${(Buffer.byteLength(open.amp) / 1024).toFixed(1)} KB of AMP`}
            </dd>
          </dl>
          <Views
            html={withOwnPictures(open.html)}
            views={[
              { name: 'Plain text', text: open.text },
              { name: 'Source', text: open.html },
              ...(open.amp ? [{ name: 'AMP source', text: open.amp }] : []),
            ]}
          />
        </>
      ) : (
        <p className="m-auto bg-[#fffdf8] p-4 text-[#20272b]">No template is open.</p>
      )}
    </StandinPage>
  )
}

/** A template in the list. @param on whether it is the one that is open */
function TemplateItem({
  template: t,
  on,
}: {
  template: ReturnType<typeof listTemplates>[number]
  on: boolean
}) {
  return (
    <li
      className={`border-b border-l-4 border-b-grout ${on ? 'border-l-lapis bg-paper' : 'border-l-transparent'}`}
    >
      <Link
        href={`/standins/platform?template=${t.id}`}
        aria-current={on || undefined}
        className="block px-3 py-2"
      >
        <b className="block truncate font-semibold">{t.name}</b>
        <span className="block truncate text-[11.5px] text-soft">{t.subject}</span>
        <span className="font-mono text-[10.5px] text-soft">{new Date(t.at).toLocaleString('en-GB')}</span>
      </Link>
    </li>
  )
}
