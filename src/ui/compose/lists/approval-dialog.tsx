'use client'
import { useCallback, useEffect, useState, type ReactNode } from 'react'
import { toast } from '../../parts/toast'
import type { Routes } from '@/contract'
import type { AnswerOf } from '@/contract/route'
import { call } from '../../api'
import type { EmailWork } from '../../bench/email-work'
import { Button, cx, NumberField } from '../../parts/controls'
import { Dialog } from '../../parts/dialog'

type Approval = AnswerOf<Routes['GET /api/jobs/:job/shares']>

/** The links and remarks of a job, and what can be done about them. */
function useApproval(work: EmailWork) {
  const { job, flush } = work
  const [approval, setApproval] = useState<Approval | null>(null)
  const [days, setDays] = useState(14)
  const params = { job: job.id }
  const told = (work_: Promise<Approval>) => work_.then(setApproval, (e: Error) => toast.error(e.message))
  const load = useCallback(
    () => told(call('GET /api/jobs/:job/shares', { params: { job: job.id } })),
    [job.id],
  )
  useEffect(() => void load(), [load])
  async function make() {
    await flush()
    try {
      const { id } = await call('POST /api/jobs/:job/shares', { params, body: { days } })
      await load()
      await copy(id)
    } catch (e) {
      toast.error((e as Error).message)
    }
  }
  const revoke = (share: string) =>
    void told(call('DELETE /api/jobs/:job/shares/:share', { params: { ...params, share } }))
  const settle = ({ id, settledAt }: Approval['remarks'][number]) =>
    void told(
      call('PATCH /api/jobs/:job/remarks/:remark', {
        params: { ...params, remark: id },
        body: { settled: !settledAt },
      }),
    )
  return { approval, days, setDays, make, revoke, settle }
}

/** Links for the client, what was remarked under them, and whether there is a yes. */
export function ApprovalDialog({ work, onClose }: { work: EmailWork; onClose: () => void }) {
  const { approval, days, setDays, make, revoke, settle } = useApproval(work)
  return (
    <Dialog
      open
      onClose={onClose}
      title="Approval"
      about="A link to this email, wide, narrow, at night and beside its design, for somebody without an account. It works wherever the app answers."
      wide
    >
      <div className="flex items-center gap-2 text-xs">
        <Button look="main" onClick={() => void make()}>
          Make a link
        </Button>
        good for
        <NumberField
          label="Days that the link is good"
          value={days}
          min={1}
          max={90}
          onChange={setDays}
          className="!w-12"
        />
        days
      </div>
      <ul className="mt-3" aria-label="Links">
        {approval?.shares.map((s) => (
          <Link key={s.id} share={s} onRevoke={() => revoke(s.id)} />
        ))}
      </ul>
      {!!approval?.approvals.length && (
        <>
          <h3 className="mt-4 text-[13px]">Yes</h3>
          <ul aria-label="Yes">
            {approval.approvals.map((a, i) => (
              <li key={i} className="flex items-center gap-2 border-t border-grout py-1.5 text-xs">
                <span className="min-w-0 flex-1">
                  <b className="text-verdigris">{a.by}</b> on {moment(a.at)}, to revision {a.revision}
                </span>
                <Closing share={a.share} links={approval.shares} onRevoke={revoke} />
              </li>
            ))}
          </ul>
        </>
      )}
      <h3 className="mt-4 text-[13px]">Remarks</h3>
      {approval?.remarks.length === 0 && <p className="text-xs text-soft">None yet.</p>}
      <ul aria-label="Remarks">
        {approval?.remarks.map((r) => (
          <RemarkRow
            key={r.id}
            remark={r}
            band={work.email.bands.find((b) => b.id === r.band)?.name ?? 'a band that is gone'}
            onGo={() => {
              work.select(r.tile ?? r.band)
              onClose()
            }}
            onSettle={() => settle(r)}
            closing={<Closing share={r.share} links={approval.shares} onRevoke={revoke} />}
          />
        ))}
      </ul>
    </Dialog>
  )
}

/** The address of a link, put where it can be pasted. */
async function copy(id: string): Promise<void> {
  const address = `${location.origin}/share/${id}`
  await navigator.clipboard.writeText(address).then(
    () => toast('The link is copied'),
    () => toast(address, { duration: 20_000 }),
  )
}

const day = (at: string) => new Date(at).toLocaleDateString('en-GB')
const moment = (at: string) =>
  new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })

const isOver = (share: Approval['shares'][number]): boolean =>
  !!share.revokedAt || Date.parse(share.expiresAt) < Date.now()

/** Closes the link that something came in under, where it is still open. */
function Closing({
  share,
  links,
  onRevoke,
}: {
  share: string
  links: Approval['shares']
  onRevoke: (share: string) => void
}) {
  const link = links.find((s) => s.id === share)
  if (!link || isOver(link)) return null
  return (
    <Button look="danger" title={`/share/${share}`} onClick={() => onRevoke(share)}>
      Close its link
    </Button>
  )
}

function Link({ share, onRevoke }: { share: Approval['shares'][number]; onRevoke: () => void }) {
  const over = isOver(share)
  return (
    <li className="flex items-center gap-2 border-t border-grout py-1.5 text-xs">
      <a
        href={`/share/${share.id}`}
        target="_blank"
        rel="noreferrer"
        className={cx('min-w-0 flex-1 truncate font-mono', over && 'line-through')}
      >
        /share/{share.id}
      </a>
      {share.yes && <b className="text-verdigris">{share.yes.by} said yes</b>}
      <span className="text-soft">{share.revokedAt ? 'taken back' : `until ${day(share.expiresAt)}`}</span>
      {!over && <Button onClick={() => void copy(share.id)}>Copy</Button>}
      {!over && (
        <Button look="danger" onClick={onRevoke}>
          Take back
        </Button>
      )}
    </li>
  )
}

function RemarkRow({
  remark,
  band,
  onGo,
  onSettle,
  closing,
}: {
  remark: Approval['remarks'][number]
  band: string
  onGo: () => void
  onSettle: () => void
  closing: ReactNode
}) {
  return (
    <li
      className={cx(
        'flex items-start gap-2 border-t border-grout py-1.5 text-xs',
        remark.settledAt && 'opacity-70',
      )}
    >
      <span className="min-w-0 flex-1">
        <span className="block text-[13px]">{remark.said}</span>
        <span className="text-soft">
          {remark.by} on {band}, {remark.lens.toLowerCase()}, {day(remark.at)}
        </span>
      </span>
      <Button onClick={onGo}>Go there</Button>
      {closing}
      <Button onClick={onSettle}>{remark.settledAt ? 'Take up again' : 'Settle'}</Button>
    </li>
  )
}
