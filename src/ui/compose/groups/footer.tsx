'use client'
import { textLayers } from '@/core/email/cascade'
import { footerStyle, senderOf } from '@/core/tiles/footer/html'
import { Choice, Group, Row, TextRow } from '../../parts/controls'
import { aligns, Letters, LinkRow, setLetters, Tick, type TileProps } from './parts'

type Part = Pick<TileProps<'footer'>, 'tile' | 'set'>

export function FooterGroups({ tile, email, house, style, band, ground, set }: TileProps<'footer'>) {
  return (
    <>
      <WhoGroup tile={tile} set={set} inherited={senderOf({}, style.footer)} />
      <WaysOutGroup tile={tile} set={set} />
      <Letters
        shown={footerStyle(tile, style.roles[band.role])}
        own={tile.style}
        style={style}
        ground={ground}
        layers={textLayers(house, email.styles, band.role, 'small')}
        onChange={setLetters(set)}
      />
    </>
  )
}

/** Who sends, and why one gets it. @param inherited the house's */
function WhoGroup({ tile, set, inherited }: Part & { inherited: ReturnType<typeof senderOf> }) {
  return (
    <Group title="Who and why">
      <TextRow
        plain
        label="Sender"
        value={tile.sender ?? ''}
        placeholder={tile.sender === '' ? 'none' : inherited.sender || 'who sends'}
        onChange={(v) => set('name the sender', { sender: v || undefined }, 'sender')}
      />
      <TextRow
        plain
        label="Address"
        value={tile.address ?? ''}
        placeholder={tile.address === '' ? 'none' : inherited.address || 'postal address'}
        onChange={(v) => set('write the address', { address: v || undefined }, 'address')}
      />
      <TextRow
        plain
        label="Why"
        lines={2}
        value={tile.why}
        onChange={(why) => set('say why', { why }, 'why')}
      />
      <p className="text-[11px] text-soft">Left empty, sender and address are the house&apos;s.</p>
    </Group>
  )
}

/** How one stops getting it, or chooses what one gets. */
function WaysOutGroup({ tile, set }: Part) {
  return (
    <Group title="Ways out">
      <TextRow
        plain
        label="Words"
        value={tile.unsubscribe.label}
        onChange={(label) =>
          set('write the way out', { unsubscribe: { ...tile.unsubscribe, label } }, 'unsub')
        }
      />
      <LinkRow
        value={tile.unsubscribe.link}
        onChange={(link) => set('set the link', { unsubscribe: { ...tile.unsubscribe, link } }, 'unsublink')}
      />
      <Preferences tile={tile} set={set} />
      <Row label="Align">
        <Choice
          label="Alignment"
          value={tile.align}
          options={aligns}
          onChange={(align) => set('align the footer', { align })}
        />
      </Row>
    </Group>
  )
}

/** A link to what one wants to get, where there is one. */
function Preferences({ tile: { preferences }, set }: Part) {
  return (
    <>
      <Tick
        checked={!!preferences}
        onChange={(on) =>
          set('set the preferences link', {
            preferences: on ? { label: 'Choose what we send', link: '' } : undefined,
          })
        }
      >
        a link to preferences
      </Tick>
      {preferences && (
        <>
          <TextRow
            plain
            label="Words"
            value={preferences.label}
            onChange={(label) =>
              set('write the preferences link', { preferences: { ...preferences, label } }, 'pref')
            }
          />
          <LinkRow
            value={preferences.link}
            onChange={(link) => set('set the link', { preferences: { ...preferences, link } }, 'preflink')}
          />
        </>
      )}
    </>
  )
}
