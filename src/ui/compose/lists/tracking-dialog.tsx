'use client'
import { Plus, X } from 'lucide-react'
import { useState } from 'react'
import { linksOf, type Link } from '@/core/tiles/contents'
import { trackedHref, trackingSchema, type TrackingParameter } from '@/core/text/tracking'
import type { EmailWork } from '../../bench/email-work'
import { Button, fieldClass, IconButton } from '../../parts/controls'
import { Dialog } from '../../parts/dialog'
import { ListTable } from './table'

const usual: TrackingParameter[] = [
  { name: 'utm_source', value: 'newsletter' },
  { name: 'utm_medium', value: 'email' },
  { name: 'utm_campaign', value: '' },
]

/** The hosts in what is typed, as addresses or bare. */
const hostsIn = (typed: string): string[] =>
  typed
    .split(/[\s,]/)
    .filter(Boolean)
    .map((h) => h.replace(/^https?:\/\//i, '').split('/')[0]!)
    .filter(Boolean)

/** The parameters that the links of the email get when it leaves, with an address before and after. */
export function TrackingDialog({ work, onClose }: { work: EmailWork; onClose: () => void }) {
  const { tracking } = work.email
  const [parameters, setParameters] = useState<TrackingParameter[]>(tracking?.parameters ?? usual)
  const [hosts, setHosts] = useState(tracking?.hosts?.join(', ') ?? '')
  const named = parameters.filter((p) => p.name.trim() && p.value?.trim() !== '')
  const listed = hostsIn(hosts)
  const read = trackingSchema.safeParse({ parameters: named, ...(listed.length ? { hosts: listed } : {}) })
  const first = linksOf(work.email).find(
    ({ href }) => /^https?:/i.test(href) && (!read.success || trackedHref(href, read.data, '') !== href),
  )
  const change = (at: number, set: Partial<TrackingParameter>) =>
    setParameters(parameters.map((p, i) => (i === at ? { ...p, ...set } : p)))
  const save = (rule: typeof tracking, label: string) => {
    work.apply(label, { name: 'setEmail', what: { tracking: rule } })
    onClose()
  }
  return (
    <Dialog
      open
      onClose={onClose}
      wide
      title="What links say of where they stand"
      about="These parameters are added to the web addresses of the email when it leaves; here they stay as written. An address that has one already keeps its own."
    >
      <ListTable heads={['Parameter', 'Says', '']}>
        {parameters.map((p, i) => (
          <ParameterRow
            key={i}
            parameter={p}
            at={i + 1}
            onChange={(set) => change(i, set)}
            onRemove={() => setParameters(parameters.filter((_, j) => j !== i))}
          />
        ))}
      </ListTable>
      <Button className="mt-2" onClick={() => setParameters([...parameters, { name: '', value: '' }])}>
        <Plus size={13} /> Another parameter
      </Button>
      <label className="mt-3 block">
        <span className="mb-1 block text-soft">Hosts whose links get them; empty: all</span>
        <input
          className={fieldClass}
          value={hosts}
          placeholder="shop.example, www.shop.example"
          onChange={(e) => setHosts(e.target.value)}
        />
      </label>
      {named.length > 0 && <Outcome read={read} first={first} />}
      <div className="mt-4 flex gap-2">
        <Button look="main" disabled={!read.success} onClick={() => save(read.data, 'set what links say')}>
          Add them when it leaves
        </Button>
        {tracking && (
          <Button onClick={() => save(undefined, 'let links be as written')}>Leave links as written</Button>
        )}
      </div>
    </Dialog>
  )
}

/** What becomes of an address, or why the rule cannot be kept. */
function Outcome({
  read,
  first,
}: {
  read: ReturnType<typeof trackingSchema.safeParse>
  first: Link | undefined
}) {
  if (!read.success)
    return (
      <p role="alert" className="mt-3 text-terra">
        {read.error.issues[0]!.path.at(-1) === 'name' && 'A name takes '}
        {read.error.issues[0]!.message}
      </p>
    )
  return first ? (
    <p className="mt-3 border-l-4 border-lapis pl-3 font-mono text-[11.5px] break-all">
      {trackedHref(first.href, read.data, first.place?.band.name ?? '')}
    </p>
  ) : null
}

/** One parameter: its name, and what it says: words, fields, or the name of the band. */
function ParameterRow({
  parameter: { name, value },
  at,
  onChange,
  onRemove,
}: {
  parameter: TrackingParameter
  at: number
  onChange: (set: Partial<TrackingParameter>) => void
  onRemove: () => void
}) {
  return (
    <tr className="border-t border-grout">
      <td className="w-48 p-1">
        <input
          aria-label={`Name of parameter ${at}`}
          className={fieldClass}
          value={name}
          onChange={(e) => onChange({ name: e.target.value })}
        />
      </td>
      <td className="p-1">
        <span className="flex items-center gap-2">
          <input
            aria-label={`What parameter ${at} says`}
            className={fieldClass}
            value={value ?? ''}
            disabled={value === undefined}
            placeholder={value === undefined ? 'the name of the band' : ''}
            onChange={(e) => onChange({ value: e.target.value })}
          />
          <label className="flex items-center gap-1 whitespace-nowrap">
            <input
              type="checkbox"
              checked={value === undefined}
              onChange={(e) => onChange({ value: e.target.checked ? undefined : '' })}
            />
            name of the band
          </label>
        </span>
      </td>
      <td className="w-8 p-1">
        <IconButton label={`Remove parameter ${at}`} onClick={onRemove}>
          <X size={13} />
        </IconButton>
      </td>
    </tr>
  )
}
