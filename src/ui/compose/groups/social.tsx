'use client'
import { type TileOf } from '@/core/email/tile'
import { useEffect, useRef, useState } from 'react'
import { Check } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { withScheme } from '@/core/text/link'
import { iconOf, shippedIcons, usualIcons } from '@/core/tiles/social/icons'
import { iconShapes, type SocialIcon } from '@/core/tiles/social/schema'
import { call } from '../../api'
import {
  Button,
  Choice,
  ColorField,
  fieldClass,
  Group,
  NumberField,
  Row,
  TextRow,
} from '../../parts/controls'
import { swap } from './order'
import { aligns, LinkRow, PictureChooser, Tick, type TileProps } from './parts'

type Look = Pick<TileOf<'social'>, 'size' | 'color' | 'ground' | 'shape'>

/** Has the server draw a shipped icon at double size. */
const draw = (icon: string, { size, color, ground, shape }: Look) =>
  call('POST /api/icons', { body: { icon, size: size * 2, color, ground, shape } })

/** An icon that is to be added, and where it leads. */
interface Wanted {
  icon: string
  link: string
}

/** Icons of one row. */
const MOST = 16

const drawn = (wanted: readonly Wanted[], look: Look): Promise<SocialIcon[]> =>
  Promise.all(
    wanted.map(async ({ icon, link }) => ({
      icon,
      picture: await draw(icon, look),
      alt: shippedIcons[icon]!.name,
      link,
    })),
  )

type Social = TileOf<'social'>
type Set = TileProps<'social'>['set']

export function SocialGroups({ tile, style, set }: TileProps<'social'>) {
  const [open, setOpen] = useState(0)
  const [problem, setProblem] = useState<string | null>(null)
  const latest = useRef(tile)
  latest.current = tile
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  useEffect(() => () => clearTimeout(timer.current), [])
  const attempt = async (work: () => Promise<void>) => {
    try {
      setProblem(null)
      await work()
    } catch (e) {
      setProblem((e as Error).message)
    }
  }
  const add = (wanted: readonly Wanted[]) =>
    attempt(async () => {
      const icons = await drawn(wanted, tile)
      set('add icons', { icons: [...latest.current.icons, ...icons].slice(0, MOST) })
      setOpen(latest.current.icons.length)
    })
  // A new look counts at once; the pictures follow when the hand rests.
  const restyle = (patch: Partial<Look>) => {
    set('set the icons', patch, Object.keys(patch)[0])
    const look = { ...latest.current, ...patch }
    latest.current = look
    clearTimeout(timer.current)
    timer.current = setTimeout(
      () =>
        void attempt(async () => {
          const icons = await Promise.all(
            look.icons.map(async (i) => (i.icon ? { ...i, picture: await draw(i.icon, look) } : i)),
          )
          set('draw the icons', { icons }, Object.keys(patch)[0])
        }),
      350,
    )
  }
  const put = (i: number, patch: Partial<SocialIcon>) =>
    set(
      'set the icon',
      { icons: tile.icons.map((x, k) => (k === i ? { ...x, ...patch } : x)) },
      `icon${i}-${Object.keys(patch)[0]}`,
    )
  const at = Math.min(open, tile.icons.length - 1)
  const icon = tile.icons[at]
  return (
    <>
      <IconsGroup tile={tile} at={at} setOpen={setOpen} add={add} set={set} problem={problem} />
      {icon ? (
        <IconGroup icon={icon} put={put} at={at} set={set} tile={tile} setOpen={setOpen} />
      ) : (
        <Group title="Icon">
          <p className="text-soft">There is none yet. Add one, and it can be changed here.</p>
        </Group>
      )}
      <LookGroup tile={tile} style={style} restyle={restyle} set={set} />
    </>
  )
}

/** How all icons of the row look. */
function LookGroup({
  tile,
  style,
  restyle,
  set,
}: {
  tile: Social
  style: TileProps<'social'>['style']
  restyle: (patch: Partial<Look>) => void
  set: Set
}) {
  return (
    <Group title="Look">
      <Row label="Colour">
        <ColorField
          label="Colour of the icons"
          value={tile.color}
          swatches={style.colors}
          onChange={(color) => restyle({ color })}
        />
      </Row>
      <Row label="Shape">
        <Choice
          label="Shape behind"
          value={tile.shape}
          options={iconShapes.map((v) => ({ value: v, label: v }))}
          onChange={(shape) => restyle({ shape })}
        />
      </Row>
      {tile.shape !== 'none' && (
        <Row label="Of colour">
          <ColorField
            label="Colour of the shape"
            value={tile.ground}
            swatches={style.colors}
            onChange={(ground) => restyle({ ground })}
          />
        </Row>
      )}
      <Row label="Size / gap">
        <div className="flex gap-1">
          <NumberField
            label="Size, px"
            value={tile.size}
            min={12}
            max={96}
            onChange={(size) => restyle({ size })}
          />
          <NumberField
            label="Gap, px"
            value={tile.gap}
            max={60}
            onChange={(gap) => set('set the gap', { gap }, 'gap')}
          />
        </div>
      </Row>
      <Row label="Align">
        <Choice
          label="Alignment"
          value={tile.align}
          options={aligns}
          onChange={(align) => set('align the icons', { align })}
        />
      </Row>
    </Group>
  )
}

/** One icon: what it says, where it leads, where it stands. */
function IconGroup({
  icon,
  put,
  at,
  set,
  tile,
  setOpen,
}: {
  icon: SocialIcon
  put: (i: number, patch: Partial<SocialIcon>) => void
  at: number
  set: Set
  tile: Social
  setOpen: (i: number) => void
}) {
  return (
    <Group title={icon.alt || 'Icon'}>
      <TextRow plain label="Alt text" value={icon.alt} onChange={(alt) => put(at, { alt })} />
      <LinkRow
        label={icon.share === undefined ? 'Link' : 'Pattern'}
        value={icon.link}
        onChange={(link) => put(at, { link })}
      />
      <Tick
        checked={icon.share !== undefined}
        onChange={(on) =>
          put(
            at,
            on
              ? { share: '', link: shippedIcons[icon.icon ?? '']?.share ?? icon.link }
              : { share: undefined, link: '' },
          )
        }
      >
        shares a page
      </Tick>
      {icon.share !== undefined && (
        <LinkRow label="Page" value={icon.share} onChange={(share) => put(at, { share })} />
      )}
      <TextRow
        plain
        label="Title"
        value={icon.title ?? ''}
        onChange={(v) => put(at, { title: v || undefined })}
      />
      <PlaceInRow tile={tile} at={at} set={set} setOpen={setOpen} />
    </Group>
  )
}

/** Moves an icon in its row, or takes it out. */
function PlaceInRow({
  tile,
  at,
  set,
  setOpen,
}: {
  tile: Social
  at: number
  set: Set
  setOpen: (i: number) => void
}) {
  const moveTo = (to: number) => {
    set('move the icon', { icons: swap(tile.icons, at, to) })
    setOpen(to)
  }
  return (
    <div className="flex gap-1">
      <Button disabled={at === 0} onClick={() => moveTo(at - 1)}>
        Before
      </Button>
      <Button disabled={at === tile.icons.length - 1} onClick={() => moveTo(at + 1)}>
        After
      </Button>
      <Button
        look="danger"
        onClick={() => set('take the icon out', { icons: tile.icons.filter((_, k) => k !== at) })}
      >
        Take out
      </Button>
    </div>
  )
}

/** The icons of the row, and more of them. */
function IconsGroup({
  tile,
  at,
  setOpen,
  add,
  set,
  problem,
}: {
  tile: Social
  at: number
  setOpen: (i: number) => void
  add: (wanted: readonly Wanted[]) => Promise<void>
  set: Set
  problem: string | null
}) {
  return (
    <Group title="Icons">
      <div className="flex flex-wrap gap-1" role="group" aria-label="Icons of this row">
        {tile.icons.map((x, i) => (
          <Button
            key={i}
            look={i === at ? 'main' : 'line'}
            className="px-1.5! py-0.5! text-[11px]!"
            onClick={() => setOpen(i)}
          >
            {x.alt || `Icon ${i + 1}`}
          </Button>
        ))}
      </div>
      <div className="flex gap-1">
        <MoreIcons tile={tile} add={add} set={set} />
      </div>
      <Pasted add={add} />
      <Row label="Your own">
        <PictureChooser
          label="A picture"
          onChosen={(picture) =>
            set('add an icon', { icons: [...tile.icons, { picture, alt: '', link: '' }] })
          }
        />
      </Row>
      {problem && (
        <p role="alert" className="text-[11.5px] text-terra">
          {problem}
        </p>
      )}
    </Group>
  )
}

/** Shipped icons, several at once: each press adds one or takes it out, and the list stays open. */
function MoreIcons({
  tile,
  add,
  set,
}: {
  tile: Social
  add: (wanted: readonly Wanted[]) => Promise<void>
  set: Set
}) {
  const has = (name: string) => tile.icons.some((i) => i.icon === name)
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="flex-1 border border-grout bg-sheet px-2 py-1 text-left text-xs">
        Add icons…
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          className="z-50 grid max-h-80 min-w-64 grid-cols-2 overflow-auto border border-grout bg-paper py-1 text-[12.5px]"
        >
          {Object.entries(shippedIcons).map(([name, icon]) => (
            <DropdownMenu.CheckboxItem
              key={name}
              checked={has(name)}
              className="relative py-1.5 pr-3 pl-7 outline-none data-[highlighted]:bg-wash"
              onSelect={(e) => e.preventDefault()}
              onCheckedChange={(on) =>
                on
                  ? void add([{ icon: name, link: '' }])
                  : set('take the icon out', { icons: tile.icons.filter((i) => i.icon !== name) })
              }
            >
              <DropdownMenu.ItemIndicator className="absolute left-2">
                <Check size={13} aria-hidden />
              </DropdownMenu.ItemIndicator>
              {icon.name}
            </DropdownMenu.CheckboxItem>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

/** Addresses become icons: each by its host. */
function Pasted({ add }: { add: (wanted: readonly Wanted[]) => Promise<void> }) {
  const [text, setText] = useState('')
  const addresses = text.split(/[\s,]+/).filter(Boolean)
  return (
    <form
      className="flex gap-1"
      onSubmit={(e) => {
        e.preventDefault()
        const links = addresses.map(withScheme)
        void add(links.map((link) => ({ icon: iconOf(link), link })))
        setText('')
      }}
    >
      <input
        aria-label="Addresses, from which icons are made"
        className={fieldClass}
        placeholder="or paste addresses"
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      <Button type="submit" disabled={!addresses.length}>
        Add
      </Button>
    </form>
  )
}

/** The icons that a new tile begins with. */
export const firstIcons = async (tile: TileOf<'social'>): Promise<Pick<TileOf<'social'>, 'icons'>> => ({
  icons: await drawn(
    usualIcons.map((icon) => ({ icon, link: '' })),
    tile,
  ),
})
