'use client'
import { useState } from 'react'
import { rowsOf, whyNoList } from '@/core/interact/list'
import { call } from '../../api'
import { Button, Group, NumberField, Row, TextRow } from '../../parts/controls'
import { LinkRow, type TileProps } from './parts'

/** The sender that a list is asked for from the bench. */
const SENDER = 'bench@mosaicus.example'

export function LiveGroups({ tile, set }: TileProps<'live'>) {
  const names = ['title', 'text', 'price', 'link', 'picture'] as const
  return (
    <>
      <FetchGroup tile={tile} set={set} />
      <Group title="What of each is shown">
        {names.map((name) => (
          <TextRow
            key={name}
            label={name[0]!.toUpperCase() + name.slice(1)}
            value={tile[name]}
            placeholder="not shown"
            onChange={(v) => set('choose what is shown', { [name]: v }, name)}
          />
        ))}
      </Group>
      <Group title="How many, and where to">
        <Row label="At most">
          <NumberField
            label="How many at most"
            value={tile.most}
            min={1}
            max={30}
            onChange={(most) => set('say how many', { most }, 'most')}
          />
        </Row>
        <TextRow
          plain
          label="Link says"
          value={tile.label}
          onChange={(label) => set('write the link', { label }, 'label')}
        />
        <TextRow
          plain
          label="All says"
          value={tile.more}
          onChange={(more) => set('write what leads to all', { more }, 'more')}
        />
        <LinkRow
          label="All at"
          value={tile.page}
          onChange={(page) => set('say where all of it is', { page }, 'page')}
        />
      </Group>
    </>
  )
}

const NO_ROWS = 'Its entries have none of the values that are named here.'

/** Where the list is fetched, and what is kept of it for readers that fetch nothing. */
function FetchGroup({ tile, set }: Pick<TileProps<'live'>, 'tile' | 'set'>) {
  const [said, setSaid] = useState<string[]>([])
  const [busy, setBusy] = useState(false)
  async function fetchNow() {
    setBusy(true)
    try {
      const heard = await call('POST /api/interact/ask', {
        body: { url: tile.address, method: 'GET', fields: [], sender: SENDER, version: 2 },
      })
      const rows = heard.status ? rowsOf(heard.body, tile) : []
      setSaid(
        rows.length
          ? [`${rows.length} ${rows.length === 1 ? 'line' : 'lines'} kept.`, ...heard.refused]
          : [
              ...heard.refused,
              ...(heard.refused.length ? [] : [whyNoList(heard.body, tile.items) ?? NO_ROWS]),
            ],
      )
      if (rows.length) set('fetch the list', { rows })
    } catch (e) {
      setSaid([(e as Error).message])
    } finally {
      setBusy(false)
    }
  }
  return (
    <Group title="Where it is fetched">
      <TextRow
        label="Address"
        value={tile.address}
        placeholder="https://"
        onChange={(address) => set('set the address', { address }, 'address')}
      />
      <TextRow
        label="List at"
        value={tile.items}
        placeholder="items"
        onChange={(items) => set('say where the list stands', { items }, 'items')}
      />
      <Button disabled={busy || !tile.address.trim()} onClick={() => void fetchNow()}>
        {busy ? 'Fetching…' : 'Fetch it now'}
      </Button>
      <p className="text-[11.5px] text-soft">{tile.rows.length} kept for readers that fetch nothing.</p>
      <div role="status" className="text-[11.5px] text-soft">
        {said.map((s) => (
          <p key={s}>{s}</p>
        ))}
      </div>
    </Group>
  )
}
