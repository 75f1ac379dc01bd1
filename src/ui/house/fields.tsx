'use client'
import { Plus, X } from 'lucide-react'
import type { ReactNode } from 'react'
import type { HouseStyle } from '@/core/email/styles'
import { Button, ColorField, fieldClass, IconButton, TextRow } from '../parts/controls'
import { MaybeColor, Tick } from '../compose/groups/parts'
import { Buttons } from './buttons'
import { HouseFile } from './house-file'
import { PageLooks } from './page-looks'
import { Roles } from './roles'
import type { SetHouse } from './set-house'
import { TextStyles } from './text-styles'
import { WebFonts } from './web-fonts'

/** Every value of a house style. @param name of the client */
export function HouseFields({ house, set, name }: { house: HouseStyle; set: SetHouse; name: string }) {
  return (
    <div className="flex flex-col gap-5">
      <HouseFile house={house} name={name} onChange={(next) => set(() => next)} />
      <Part title="Colours">
        <Colors house={house} set={set} />
      </Part>
      <Part title="Words">
        <TextStyles house={house} set={set} />
      </Part>
      <Part title="Ground and links">
        <Grounds house={house} set={set} />
      </Part>
      <Part title="Buttons">
        <Buttons house={house} set={set} />
      </Part>
      <Part title="Parts of an email">
        <Roles house={house} set={set} />
      </Part>
      <Part title="Web fonts">
        <WebFonts fonts={house.webFonts} onChange={(webFonts) => set((h) => ({ ...h, webFonts }))} />
      </Part>
      <Part title="Footer">
        <Footer house={house} set={set} />
      </Part>
      <Part title="From the client's page">
        <PageLooks house={house} onChange={set} />
      </Part>
    </div>
  )
}

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <section>
    <h3 className="mb-1.5 border-b border-grout pb-1 text-[14px]">{title}</h3>
    {children}
  </section>
)

/** The client's colours by name, offered wherever one is chosen. */
function Colors({ house, set }: { house: HouseStyle; set: SetHouse }) {
  const put = (at: number, patch: Partial<HouseStyle['colors'][number]>) =>
    set((h) => ({ ...h, colors: h.colors.map((c, i) => (i === at ? { ...c, ...patch } : c)) }))
  return (
    <div className="grid grid-cols-2 gap-x-6 gap-y-1">
      {house.colors.map((c, i) => (
        <div key={i} className="grid grid-cols-[minmax(0,1fr)_116px_26px] gap-1">
          <input
            aria-label={`Name of colour ${i + 1}`}
            className={fieldClass}
            value={c.name}
            maxLength={60}
            onChange={(e) => e.target.value && put(i, { name: e.target.value })}
          />
          <ColorField label={`Colour ${i + 1}`} value={c.value} onChange={(value) => put(i, { value })} />
          <IconButton
            label={`Take ${c.name} out`}
            onClick={() => set((h) => ({ ...h, colors: h.colors.filter((_, k) => k !== i) }))}
          >
            <X size={13} />
          </IconButton>
        </div>
      ))}
      {house.colors.length < 40 && (
        <Button
          className="justify-self-start"
          onClick={() =>
            set((h) => ({
              ...h,
              colors: [...h.colors, { name: `Colour ${h.colors.length + 1}`, value: '#888888' }],
            }))
          }
        >
          <Plus size={13} /> Colour
        </Button>
      )}
    </div>
  )
}

/** What lies behind, and links. */
function Grounds({ house, set }: { house: HouseStyle; set: SetHouse }) {
  const link = (patch: Partial<HouseStyle['link']>) => set((h) => ({ ...h, link: { ...h.link, ...patch } }))
  const row = { swatches: house.colors }
  return (
    <div className="grid grid-cols-2 gap-x-6 gap-y-1.5">
      <MaybeColor
        {...row}
        label="Behind"
        name="Ground behind emails"
        value={undefined}
        fallback={house.ground}
        onChange={(v) => v && set((h) => ({ ...h, ground: v }))}
      />
      <MaybeColor
        {...row}
        label="At night"
        name="Ground behind emails at night"
        value={house.nightGround}
        fallback={house.ground}
        onChange={(nightGround) => set((h) => ({ ...h, nightGround }))}
      />
      <MaybeColor
        {...row}
        label="Links"
        name="Colour of links"
        value={undefined}
        fallback={house.link.color}
        onChange={(v) => v && link({ color: v })}
      />
      <MaybeColor
        {...row}
        label="At night"
        name="Colour of links at night"
        value={house.link.nightColor}
        fallback={house.link.color}
        onChange={(nightColor) => link({ nightColor })}
      />
      <Tick checked={house.link.underline} onChange={(underline) => link({ underline })}>
        links are underlined
      </Tick>
      <Tick checked={!!house.link.bold} onChange={(bold) => link({ bold: bold || undefined })}>
        links are bold
      </Tick>
    </div>
  )
}

/** Who sends, and from where: every commercial message says so. */
function Footer({ house, set }: { house: HouseStyle; set: SetHouse }) {
  const put = (patch: Partial<HouseStyle['footer']>) =>
    set((h) => ({ ...h, footer: { ...h.footer, ...patch } }))
  return (
    <div className="grid grid-cols-2 gap-x-6">
      <TextRow plain label="Sender" value={house.footer.sender} onChange={(sender) => put({ sender })} />
      <TextRow plain label="Address" value={house.footer.address} onChange={(address) => put({ address })} />
    </div>
  )
}
