'use client'
import { cx, Group, kb } from '../../parts/controls'
import { type CutGroup } from './cut-group'

/** What the picture weighs, against the limits of the plan. */
export function Weight({ work: w, cut }: CutGroup) {
  const f = w.figureOf(cut)
  return (
    <Group title="Weight">
      {f ? (
        <dl className="grid grid-cols-[78px_1fr] gap-y-1 font-mono text-[11.5px]">
          <dt className="font-sans text-soft">This cut</dt>
          <dd data-bytes={f.picture.bytes} className={cx(f.picture.bytes > w.budget.each && 'text-terra')}>
            {kb(f.picture.bytes)} {f.picture.type.slice(6).toUpperCase()}
          </dd>
          {f.narrow && (
            <>
              <dt className="font-sans text-soft">On narrow</dt>
              <dd>
                {kb(f.narrow.picture.bytes)}, {f.narrow.picture.width} x {f.narrow.picture.height}
              </dd>
            </>
          )}
          <dt className="font-sans text-soft">Saved</dt>
          <dd>
            {f.plain > f.picture.bytes
              ? `${kb(f.plain - f.picture.bytes)}, ${Math.round((1 - f.picture.bytes / f.plain) * 100)} %`
              : 'nothing'}
          </dd>
          <dt className="font-sans text-soft">Real size</dt>
          <dd>
            {f.picture.width} x {f.picture.height}
          </dd>
          <dt className="font-sans text-soft">Likeness</dt>
          <dd>{f.likeness.toFixed(3)} SSIM</dd>
          <dt className="font-sans text-soft">All pictures</dt>
          <dd className={cx(w.total > w.budget.all && 'text-terra')}>
            {kb(w.total)} of {kb(w.budget.all)}
          </dd>
        </dl>
      ) : (
        <p className="text-soft">Being weighed…</p>
      )}
    </Group>
  )
}
