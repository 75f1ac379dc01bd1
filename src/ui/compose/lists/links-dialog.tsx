'use client'
import { useMemo, useState } from 'react'
import type { Edit } from '@/core/email/edits'
import { placesOf, type Place } from '@/core/email/walk'
import { hasScheme, withScheme } from '@/core/text/link'
import { definitionOf } from '@/core/tiles'
import { relinked } from '@/core/tiles/contents'
import type { TileLink } from '@/core/tiles/definition'
import type { EmailWork } from '../../bench/email-work'
import { Button, cx, fieldClass } from '../../parts/controls'
import { Dialog } from '../../parts/dialog'
import { ListTable } from './table'

interface Row {
  key: string
  place: Place
  link: TileLink
}

/** Every link of the email in one table, edited there. */
export function LinksDialog({ work, onClose }: { work: EmailWork; onClose: () => void }) {
  const rows = useMemo(
    () =>
      [...placesOf(work.email)].flatMap((place): Row[] =>
        definitionOf(place.tile)
          .links(place.tile)
          .map((link, i) => ({ key: `${place.tile.id}-${i}`, place, link })),
      ),
    [work.email],
  )
  const wanting = rows.filter((r) => statusOf(r.link.href).tone === 'terra').length
  return (
    <Dialog
      open
      onClose={onClose}
      title="All links"
      about={`${rows.length} links, ${wanting} to mend. Links of one tile that lead to one address change together.`}
      wide
    >
      <ListTable heads={['Where', 'Leads to', 'Status', 'Go']}>
        {rows.map((row) => (
          <LinkRow
            key={row.key}
            row={row}
            apply={work.apply}
            onGo={() => {
              work.select(row.place.tile.id)
              onClose()
            }}
          />
        ))}
      </ListTable>
    </Dialog>
  )
}

/** What there is to say of an address. */
function statusOf(href: string): { said: string; tone: 'terra' | 'ochre' | 'verdigris' } {
  const to = href.trim()
  if (!to) return { said: 'leads nowhere', tone: 'terra' }
  if (!hasScheme(to)) return { said: 'no scheme', tone: 'terra' }
  if (/^https?:\/\/(www\.)?example\.(com|org|net)\b/i.test(to)) return { said: 'an example', tone: 'ochre' }
  if (/^http:/i.test(to)) return { said: 'not encrypted', tone: 'ochre' }
  if (to.startsWith('[[')) return { said: 'a field', tone: 'verdigris' }
  return { said: 'good', tone: 'verdigris' }
}

const tones = { terra: 'bg-terra', ochre: 'bg-ochre', verdigris: 'bg-verdigris' }

function LinkRow({
  row: { place, link },
  apply,
  onGo,
}: {
  row: Row
  apply: (label: string, edit: Edit, merge?: string) => void
  onGo: () => void
}) {
  const [typed, setTyped] = useState<string | null>(null)
  const status = statusOf(typed ?? link.href)
  const label = `Address of ${link.said ?? link.from} in ${place.band.name}`
  const write = () => {
    const to = typed === null ? null : withScheme(typed.trim())
    setTyped(null)
    const edit = to === null || to === link.href ? null : relinked(place.tile, link.href, to)
    if (edit) apply('change a link', edit)
  }
  return (
    <tr className="border-t border-grout align-middle">
      <td className="max-w-40 truncate p-1">
        {place.band.name}
        <span className="block text-[11px] text-soft">{link.said ?? link.from}</span>
      </td>
      <td className="p-1">
        <input
          aria-label={label}
          className={fieldClass}
          value={typed ?? link.href}
          disabled={link.from === 'code'}
          onChange={(e) => setTyped(e.target.value)}
          onBlur={write}
          onKeyDown={(e) => {
            if (e.key === 'Enter') write()
          }}
        />
      </td>
      <td className="p-1 whitespace-nowrap">
        <i aria-hidden className={cx('mr-1.5 inline-block h-2 w-2', tones[status.tone])} />
        {status.said}
      </td>
      <td className="p-1">
        <Button look="plain" onClick={onGo}>
          Go there
        </Button>
      </td>
    </tr>
  )
}
