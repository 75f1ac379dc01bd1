import { ScanSearch } from 'lucide-react'
import { useMemo } from 'react'
import { compileMapped } from '@/core/compile'
import { shownHouse } from '../parts/house-fonts'
import { asSample } from '@/core/text/fields'
import { EmailLens, LensFrame } from '../bench/lens'
import { Button } from '../parts/controls'
import type { CutWork } from './work/use-cut-work'

const previewSrc = (p: { id: string }) => (p.id.startsWith('blob:') ? p.id : `/api/pictures/${p.id}`)
const sampleFields = asSample({ unsubscribe: '#' })

/** What the cuts become, beside the design. */
export function BecomesLens({ work: w }: { work: CutWork }) {
  const { job, plan, result, trouble, hovered, setHovered, select } = w
  const bandIds = useMemo(() => plan.cuts.map((c) => `t-${c.id}`), [plan])
  const parts = useMemo(
    () =>
      result &&
      compileMapped(result.email, shownHouse(job.client.house), {
        src: previewSrc,
        fields: sampleFields,
        marks: true,
        apart: true,
      }).parts(),
    [result, job.client.house],
  )
  const mark = w.current ? `t-${w.current.id}` : null
  if (parts)
    return (
      <EmailLens
        name="Becomes"
        width={job.width}
        parts={parts}
        speaks
        ties={w.ties}
        bandIds={bandIds}
        selected={mark}
        selectedBand={mark}
        hovered={hovered ? `t-${hovered}` : null}
        onHover={(id) => setHovered(id?.slice(2) ?? null)}
        onPick={(ids) => {
          const id = ids.find((x) => bandIds.includes(x))
          if (id) select(id.slice(2))
        }}
      />
    )
  return (
    <LensFrame name="Becomes" detail={String(job.width)}>
      <div className="m-auto max-w-72 bg-[#fffdf8] p-4 text-[#20272b]">
        {trouble ??
          (plan.cuts.length
            ? 'Reading the design…'
            : 'Here you will see what the cuts become, as soon as there are some.')}
        {!plan.cuts.length && !trouble && (
          <div className="mt-3">
            <Button look="main" className="bg-[#21508f]! text-white!" onClick={() => w.find()}>
              <ScanSearch size={14} /> Find the parts
            </Button>
          </div>
        )}
      </div>
    </LensFrame>
  )
}
