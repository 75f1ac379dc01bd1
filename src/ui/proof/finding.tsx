import { TriangleAlert, VolumeX } from 'lucide-react'
import { useState } from 'react'
import type { Finding } from '@/core/checks'
import { Button, cx, fieldClass } from '../parts/controls'

interface Props {
  finding: Finding
  /** The band it lies in, where it lies in one. */
  band: string | undefined
  /** Whether its place is selected. */
  on: boolean
  onGo: () => void
  onFix: () => void
  onLeave: (reason: string) => void
  onTakeUp: () => void
}

/** One matter: what, where and why; a press leads to its place. It is mended, or left with a reason. */
export function FindingItem({ finding: f, band, on, onGo, onFix, onLeave, onTakeUp }: Props) {
  const [leaving, setLeaving] = useState(false)
  return (
    <li
      className={cx(
        'border-b border-l-4 border-b-grout',
        on ? 'border-l-lapis bg-paper' : 'border-l-transparent',
      )}
    >
      <button type="button" onClick={onGo} className="block w-full px-2.5 pt-2 pb-1.5 text-left">
        <span className="flex items-start gap-1.5 font-semibold">
          {f.muted ? (
            <VolumeX aria-hidden size={13} className="mt-[3px] shrink-0 text-soft" />
          ) : (
            <TriangleAlert
              aria-hidden
              size={13}
              className={cx('mt-[3px] shrink-0', f.severity === 'mend' ? 'text-terra' : 'text-ochre')}
            />
          )}
          <span className="min-w-0 break-words">
            {f.what}
            <span className="sr-only">
              , {f.muted ? 'left as it is' : f.severity === 'mend' ? 'to mend' : 'to mind'}
            </span>
          </span>
        </span>
        <span className="mt-0.5 block text-[11.5px] leading-snug text-soft">
          {band && <i className="not-italic">{band}: </i>}
          {f.muted ? `Left as it is: ${f.muted}` : f.why}
        </span>
      </button>
      {leaving ? (
        <Reason
          onCancel={() => setLeaving(false)}
          onSave={(reason) => {
            setLeaving(false)
            onLeave(reason)
          }}
        />
      ) : (
        <div className="flex items-center gap-1 px-2.5 pb-2 pl-[29px]">
          {f.fix && !f.muted && (
            <Button className="min-w-0" onClick={onFix}>
              <span className="truncate">{f.fix.label}</span>
            </Button>
          )}
          {f.muted ? (
            <Button look="plain" className="px-1! text-[11.5px]!" onClick={onTakeUp}>
              Take it up again
            </Button>
          ) : (
            <Button look="plain" className="shrink-0 px-1! text-[11.5px]!" onClick={() => setLeaving(true)}>
              Leave it…
            </Button>
          )}
        </div>
      )}
    </li>
  )
}

/** Why a matter is left as it is. */
function Reason({ onSave, onCancel }: { onSave: (reason: string) => void; onCancel: () => void }) {
  const [reason, setReason] = useState('')
  return (
    <form
      className="flex flex-col gap-1 px-2.5 pb-2 pl-[29px]"
      onSubmit={(e) => {
        e.preventDefault()
        if (reason.trim()) onSave(reason.trim())
      }}
    >
      <input
        aria-label="Why it is left as it is"
        className={cx(fieldClass, 'font-sans')}
        placeholder="Because…"
        maxLength={300}
        value={reason}
        // The person has just asked to write here.
        // eslint-disable-next-line jsx-a11y/no-autofocus
        autoFocus
        onKeyDown={(e) => {
          if (e.key !== 'Escape') return
          e.stopPropagation()
          onCancel()
        }}
        onChange={(e) => setReason(e.target.value)}
      />
      <span className="flex gap-1">
        <Button type="submit" disabled={!reason.trim()}>
          Leave it as it is
        </Button>
        <Button look="plain" onClick={onCancel}>
          Cancel
        </Button>
      </span>
    </form>
  )
}
