import type { Routes } from '@/contract'
import type { AnswerOf } from '@/contract/route'
import { cx } from '../parts/controls'
import { destinations } from './destinations'

export type Delivery = AnswerOf<Routes['GET /api/jobs/:job/deliveries']>['deliveries'][number]

/** The destinations, and what was handed over so far. */
export function Sidebar({
  chosen,
  onChoose,
  deliveries,
}: {
  chosen: string
  onChoose: (id: (typeof destinations)[number]['id']) => void
  deliveries: readonly Delivery[]
}) {
  return (
    <aside
      aria-label="Destinations"
      className="flex min-h-0 flex-col overflow-y-auto border-r border-grout bg-plaster"
    >
      <ul>
        {destinations.map((d) => (
          <li
            key={d.id}
            className={cx(
              'border-b border-l-4 border-b-grout',
              chosen === d.id ? 'border-l-lapis bg-paper' : 'border-l-transparent',
            )}
          >
            <button
              type="button"
              aria-pressed={chosen === d.id}
              onClick={() => onChoose(d.id)}
              className="flex w-full gap-2.5 px-3 py-2.5 text-left"
            >
              <d.icon
                aria-hidden
                size={17}
                className={cx('mt-0.5 shrink-0', chosen === d.id ? 'text-lapis' : 'text-soft')}
              />
              <span>
                <b className="block font-semibold">{d.label}</b>
                <span className="block text-[11.5px] leading-snug text-soft">{d.about}</span>
              </span>
            </button>
          </li>
        ))}
      </ul>
      <HandedOver deliveries={deliveries} />
    </aside>
  )
}

/** How a delivery that did not go well stands. */
const says: Record<Delivery['state'], string> = {
  done: '',
  failed: ' (failed)',
  sending: ' (under way)',
  unknown: ' (not known whether it arrived)',
}

/** What was handed over so far, the latest first. */
function HandedOver({ deliveries }: { deliveries: readonly Delivery[] }) {
  return (
    <>
      <h2 className="px-3 pt-3 pb-1 text-[13px]">Handed over so far</h2>
      <ol className="min-h-0 flex-1 px-3 pb-3">
        {deliveries.slice(0, 12).map((d) => (
          <li key={d.id} className="border-t border-grout py-1.5 text-[11.5px] leading-snug">
            <span className="flex gap-1.5">
              <i
                aria-hidden
                className={cx('mt-[5px] h-[7px] w-[7px] shrink-0', d.ok ? 'bg-verdigris' : 'bg-terra')}
              />
              <span>
                {destinations.find((x) => x.id === d.destination)?.label}: {d.summary}
                {says[d.state]}
              </span>
            </span>
            <time dateTime={d.at} className="pl-[13px] font-mono text-[10.5px] text-soft">
              {new Date(d.at).toLocaleString('en-GB', {
                day: 'numeric',
                month: 'short',
                hour: '2-digit',
                minute: '2-digit',
              })}
            </time>
          </li>
        ))}
        {!deliveries.length && <li className="text-soft">Nothing yet.</li>}
      </ol>
    </>
  )
}
