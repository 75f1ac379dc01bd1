'use client'
import { Pipette } from 'lucide-react'
import { setCut } from '@/core/cut/edits'
import { Button, ColorField, Group, IconButton, Row } from '../../parts/controls'
import { type CutGroup } from './cut-group'

/** What stands behind the cut. */
export function GroundGroup({ work: w, cut, onPick }: CutGroup & { onPick: () => void }) {
  const g = w.groundAt(cut)
  const uneven = g && g.share < 0.85
  return (
    <Group title="Ground">
      <Row label="Colour">
        <ColorField
          label="Ground colour"
          value={cut.ground ?? '#ffffff'}
          swatches={w.job.client.house.colors}
          onChange={(v) =>
            w.change('set the ground colour', (p) => setCut(p, cut.id, { ground: v }), `ground-${cut.id}`)
          }
        />
      </Row>
      <span className="flex gap-1">
        <Button className="py-0!" onClick={() => void w.readGround(cut)}>
          Read it again
        </Button>
        <IconButton label="Pick it from the design" keys="I" onClick={onPick}>
          <Pipette size={14} />
        </IconButton>
      </span>
      {uneven && (
        <p className="border-l-4 border-ochre pl-2 text-[11.5px] leading-snug">
          Only {Math.round(g.share * 100)} % of its edge has one colour: a slope of colour or a texture. As
          live words it stands on {g.color} alone.{' '}
          <Button className="py-0!" onClick={() => void w.become([cut.id], 'picture')}>
            Keep it a picture
          </Button>
        </p>
      )}
      {w.seams
        .filter(({ a, b }) => a.id === cut.id || b.id === cut.id)
        .map(({ a, b, difference }) => {
          const other = a.id === cut.id ? b : a
          return (
            <p key={other.id} className="flex flex-wrap items-center gap-1 text-[11.5px] text-ochre">
              Nearly that of cut {w.order.findIndex((c) => c.id === other.id) + 1} ({difference.toFixed(2)} by
              CIEDE2000): a seam may show.{' '}
              <Button
                className="py-0!"
                onClick={() =>
                  w.change('make two grounds one', (p) => setCut(p, cut.id, { ground: other.ground }))
                }
              >
                Make it {other.ground}
              </Button>
            </p>
          )
        })}
    </Group>
  )
}
