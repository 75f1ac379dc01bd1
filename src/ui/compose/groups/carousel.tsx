'use client'
import type { CarouselTile } from '@/core/tiles/carousel/schema'
import { Group, TextRow } from '../../parts/controls'
import { AccentRow, PartsGroup, ShownRows } from './interactive'
import { LinkRow, type TileProps } from './parts'

const fresh = (): CarouselTile['slides'][number] => ({
  shows: { picture: null, alt: null },
  caption: '',
  link: '',
})

export function CarouselGroups({ tile, style, band, state, onState, set }: TileProps<'carousel'>) {
  const at = Math.min(state, tile.slides.length - 1)
  const slide = tile.slides[at]!
  const put = (label: string, patch: Partial<typeof slide>, merge?: string) =>
    set(
      label,
      { slides: tile.slides.map((s, i) => (i === at ? { ...s, ...patch } : s)) },
      merge && `slide${at}-${merge}`,
    )
  return (
    <>
      <PartsGroup
        title="Pictures"
        parts={tile.slides}
        open={at}
        nameOf={(s, i) => s.caption || s.shows.alt || `Picture ${i + 1}`}
        make={fresh}
        most={10}
        onOpen={onState}
        onChange={(label, slides) => set(label, { slides })}
      >
        <AccentRow tile={tile} role={band.role} style={style} set={set} />
      </PartsGroup>
      <Group title={`Picture ${at + 1}`}>
        <ShownRows value={slide.shows} onChange={(label, shows, merge) => put(label, { shows }, merge)} />
      </Group>
      <Group title="Beneath it">
        <TextRow
          plain
          label="Words"
          value={slide.caption}
          onChange={(caption) => put('write beneath the picture', { caption }, 'caption')}
        />
        <LinkRow value={slide.link} onChange={(link) => put('set the link', { link }, 'link')} />
        <p className="text-[11.5px] text-soft">Pictures of one size change without a jump.</p>
      </Group>
    </>
  )
}
