'use client'
import dynamic from 'next/dynamic'
import { useState } from 'react'
import { shownWidth } from '@/core/tiles/picture/html'
import { Button, Choice, Group, kb, NumberField, Row, TextRow } from '../../parts/controls'
import { aligns, EdgeRow, LinkRow, PictureChooser, Tick, type TileProps } from './parts'

const CropDialog = dynamic(() => import('./crop-dialog').then((m) => m.CropDialog), { ssr: false })

type Props = TileProps<'picture'>

export function PictureGroups({ tile, set, available, style }: TileProps<'picture'>) {
  const shown = shownWidth(tile, available)
  const density = tile.picture ? tile.picture.width / shown : 0
  return (
    <>
      <Group title="Says and leads">
        <TextRow
          plain
          label="Alt text"
          lines={2}
          value={tile.alt ?? ''}
          placeholder={tile.alt === '' ? 'Decoration: readers pass over it' : 'What the picture says'}
          onChange={(v) => set('write the alt text', { alt: v === '' ? null : v }, 'alt')}
        />
        <LinkRow value={tile.link} onChange={(link) => set('set the link', { link }, 'link')} />
        <div className="pl-[76px]">
          <Tick
            checked={tile.alt === ''}
            onChange={(on) => set('mark as decoration', { alt: on ? '' : null })}
          >
            Only decoration
          </Tick>
        </div>
      </Group>
      <SizeGroup tile={tile} set={set} available={available} shown={shown} density={density} />
      <OtherPictures tile={tile} style={style} set={set} />
    </>
  )
}

/** Its edge, and the pictures shown instead on narrow and at night. */
function OtherPictures({
  tile,
  style,
  set,
}: {
  tile: Props['tile']
  style: Props['style']
  set: Props['set']
}) {
  return (
    <Group title="Edge and others">
      <EdgeRow
        label="Edge"
        value={tile.edge}
        swatches={style.colors}
        onChange={(edge) => set('set the edge', { edge }, 'edge')}
      />
      <Row label="Radius">
        <NumberField
          label="Radius, px"
          value={tile.radius ?? 0}
          max={200}
          onChange={(radius) => set('set the radius', { radius: radius || undefined }, 'radius')}
        />
      </Row>
      <Row label="On narrow">
        <PictureChooser
          label={tile.narrowPicture ? 'Replace' : 'Another'}
          onChosen={(narrowPicture) =>
            set('choose a picture for narrow', { narrowPicture, narrowCrop: undefined })
          }
          onClear={
            tile.narrowPicture &&
            (() => set('same picture on narrow', { narrowPicture: undefined, narrowCrop: undefined }))
          }
        />
      </Row>
      <Row label="At night">
        <PictureChooser
          label={tile.nightPicture ? 'Replace' : 'Another'}
          onChosen={(nightPicture) => set('choose a picture for the night', { nightPicture })}
          onClear={tile.nightPicture && (() => set('same picture at night', { nightPicture: undefined }))}
        />
      </Row>
    </Group>
  )
}

/** What part of the picture is shown, here and on narrow. */
function CropRow({ tile, set, shown }: { tile: Props['tile']; set: Props['set']; shown: number }) {
  const [open, setOpen] = useState<'wide' | 'narrow' | null>(null)
  const whole = tile.crop?.of ?? tile.picture!
  return (
    <Row label="Part">
      <span className="flex gap-1">
        <Button onClick={() => setOpen('wide')}>{tile.crop ? 'Another part' : 'Crop'}</Button>
        <Button onClick={() => setOpen('narrow')}>On narrow</Button>
      </span>
      {open === 'wide' && (
        <CropDialog
          title="What part is shown"
          picture={whole}
          known={tile.crop}
          shown={shown}
          onClose={() => setOpen(null)}
          onCropped={(picture, crop) => set('crop the picture', { picture, crop })}
        />
      )}
      {open === 'narrow' && (
        <CropDialog
          title="What part is shown on narrow"
          picture={whole}
          known={tile.narrowCrop}
          // As wide as a phone at the most (common practice, no source).
          shown={Math.min(shown, 375)}
          onClose={() => setOpen(null)}
          onCropped={(narrowPicture, narrowCrop) =>
            set(
              'crop the picture on narrow',
              narrowCrop ? { narrowPicture, narrowCrop } : { narrowPicture: undefined, narrowCrop },
            )
          }
        />
      )}
    </Row>
  )
}

/** The picture and how large it is shown. */
function SizeGroup({
  tile,
  set,
  available,
  shown,
  density,
}: {
  tile: Props['tile']
  set: Props['set']
  available: number
  shown: number
  density: number
}) {
  return (
    <Group title="Size">
      <Row label="Picture">
        <PictureChooser
          label={tile.picture ? 'Replace it' : 'Choose a file'}
          onChosen={(picture) =>
            set(tile.picture ? 'replace the picture' : 'choose a picture', {
              picture,
              standsFor: undefined,
              stillPicture: undefined,
              crop: undefined,
              ...(tile.picture ? {} : { width: Math.min(available, picture.width / 2) }),
            })
          }
        />
      </Row>
      <Row label="Width">
        <div className="flex gap-1">
          <NumberField
            label="Shown width, px"
            value={tile.percent ? Math.round(shown) : tile.width}
            min={1}
            max={2000}
            onChange={(width) => set('set the width', { width, percent: undefined }, 'width')}
          />
          <NumberField
            label="Shown width, % of the room"
            value={tile.percent ?? Math.round((shown / available) * 100)}
            min={1}
            max={100}
            own={tile.percent !== undefined}
            onChange={(percent) => set('set the width', { percent }, 'percent')}
          />
          <span className="self-center font-mono text-[11px] text-soft">%</span>
        </div>
      </Row>
      <Row label="Align">
        <Choice
          label="Alignment"
          value={tile.align}
          options={aligns}
          onChange={(align) => set('align the picture', { align })}
        />
      </Row>
      {tile.picture && <CropRow tile={tile} set={set} shown={shown} />}
      {tile.picture && (
        <p className="font-mono text-[11px] leading-relaxed text-soft">
          shown {Math.round(shown * 10) / 10} of {Math.round(available * 10) / 10}, real {tile.picture.width}{' '}
          x {tile.picture.height}
          <br />
          <span className={density < 1.95 ? 'text-ochre' : ''}>{density.toFixed(2)}x</span>,{' '}
          {kb(tile.picture.bytes)} {tile.picture.type.slice(6).toUpperCase()}
        </p>
      )}
    </Group>
  )
}
