'use client'
import { Button, Group, NumberField, Row } from '../../parts/controls'
import type { TileProps } from './parts'

export function GapGroups({ tile, set }: TileProps<'gap'>) {
  return (
    <Group title="Gap">
      <Row label="Height">
        <NumberField
          label="Height, px"
          value={tile.height}
          min={1}
          max={2000}
          onChange={(height) => set('set the height', { height }, 'height')}
        />
      </Row>
      <Row label="On narrow">
        <div className="flex gap-1">
          <NumberField
            label="Height on narrow, px"
            value={tile.narrowHeight ?? tile.height}
            min={1}
            max={2000}
            own={tile.narrowHeight !== undefined}
            onChange={(narrowHeight) => set('set the height on narrow', { narrowHeight }, 'nheight')}
          />
          {tile.narrowHeight !== undefined && (
            <Button
              look="plain"
              className="px-1! text-[11px]!"
              onClick={() => set('narrow as wide', { narrowHeight: undefined })}
            >
              as wide
            </Button>
          )}
        </div>
      </Row>
    </Group>
  )
}
