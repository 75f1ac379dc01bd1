'use client'
import { useEffect, useMemo, useState } from 'react'
import { DropdownMenu } from 'radix-ui'
import type { AnswerOf } from '@/contract/route'
import type { Routes } from '@/contract'
import { compileMapped } from '@/core/compile'
import type { Email } from '@/core/email/schema'
import { asSample } from '@/core/text/fields'
import { shownHouse } from '../../parts/house-fonts'
import { call, type ApiProblem } from '../../api'
import { type EmailWork } from '../../bench/email-work'
import { src } from '../../bench/src'
import { EmailLens, LensFrame, type Cover } from '../../bench/lens'
import { Miniature } from '../../starters/miniature'
import { useChosenVersion } from './chosen-version'
import { differencesOf } from './differences'
import { OverBar, overStyle, Select, SplitLine, useLooking } from './over'

type Listed = AnswerOf<Routes['GET /api/jobs/:job/versions']>['versions'][number]

/** What lies over the version: nothing, the email as it is, or another version. */
const NOTHING = 'nothing over it'
const NOW = 'as it is now'

/** The kept versions of a job. */
function useVersions(job: string) {
  const [list, setList] = useState<Listed[] | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  useEffect(() => {
    call('GET /api/jobs/:job/versions', { params: { job } }).then(
      (r) => setList(r.versions),
      (e: ApiProblem) => setProblem(e.message),
    )
  }, [job])
  return { list, problem }
}

/** One kept version's email; null until it is there. */
function useVersion(job: string, version: string | null): Email | null {
  const [known, setKnown] = useState<{ version: string; email: Email } | null>(null)
  useEffect(() => {
    if (!version) return
    let current = true
    call('GET /api/jobs/:job/versions/:version', { params: { job, version } }).then(
      (r) => current && setKnown({ version, email: r.email }),
      () => current && setKnown(null),
    )
    return () => {
      current = false
    }
  }, [job, version])
  return version && known?.version === version ? known.email : null
}

/** A kept version beside the email as it is, tied to it band by band, with another over it on wish. */
export default function VersionLens({ work }: { work: EmailWork }) {
  const { job } = work
  const { list, problem } = useVersions(job.id)
  const { versions, choose } = useChosenVersion()
  const chosen = versions[job.id]
  const shown = list?.find((v) => v.id === chosen) ?? list?.[0]
  const email = useVersion(job.id, shown?.id ?? null)
  const [over, setOver] = useState<string>(NOTHING)
  const upper = useVersion(job.id, over === NOTHING || over === NOW ? null : over)
  const above = over === NOW ? work.email : upper
  if (!email || !shown || !list)
    return (
      <LensFrame name="Version">
        <p className="p-4 text-sm text-[#17191a]">
          {problem ?? (list?.length === 0 ? 'No version was kept yet: keep one under Versions.' : 'Reading…')}
        </p>
      </LensFrame>
    )
  const name = (v: Listed) =>
    `${v.name}, ${new Date(v.at).toLocaleString('en-GB', { dateStyle: 'short', timeStyle: 'short' })}`
  return (
    <Shown
      work={work}
      email={email}
      above={above}
      choose={
        <>
          <Select
            label="Version"
            value={shown.id}
            options={list.map((v) => ({ value: v.id, label: name(v) }))}
            onChange={(v) => choose(job.id, v)}
          />
          <Select
            label="Over the version"
            value={over}
            options={[
              { value: NOTHING, label: NOTHING },
              { value: NOW, label: NOW },
              ...list.filter((v) => v.id !== shown.id).map((v) => ({ value: v.id, label: name(v) })),
            ]}
            onChange={setOver}
          />
        </>
      }
    />
  )
}

/** The version in its frame. @param above what lies over it */
function Shown({
  work,
  email,
  above,
  choose,
}: {
  work: EmailWork
  email: Email
  above: Email | null
  choose: React.ReactNode
}) {
  const { house } = work.job.client
  const looking = useLooking()
  const parts = useMemo(
    () =>
      compileMapped(email, shownHouse(house), {
        src,
        fields: asSample({ unsubscribe: '#' }),
        marks: true,
        apart: true,
      }).parts(),
    [email, house],
  )
  const ids = useMemo(() => email.bands.map((b) => b.id), [email])
  const cover: Cover | undefined = above
    ? {
        style: overStyle(looking),
        node: () => (
          <Miniature
            bands={above.bands}
            house={house}
            emailWidth={above.width}
            width={above.width}
            tallest={20_000}
          />
        ),
      }
    : undefined
  return (
    <EmailLens
      name="Version"
      width={email.width}
      parts={parts}
      ties={work.ties}
      bandIds={ids}
      selectedBand={work.selection.band?.id}
      hovered={work.hovered}
      onHover={work.setHovered}
      onPick={(found) => work.pick(found, 'Version')}
      cover={cover}
      overlay={(marks) => above && <SplitLine looking={looking} marks={marks} />}
      bar={
        <>
          <div className="flex h-[26px] shrink-0 items-center gap-2 bg-groundhead px-2.5 text-xs text-[#17191a]">
            {choose}
            <span className="ml-auto whitespace-nowrap">
              <Different then={email} now={above ?? work.email} onGo={work.select} />
            </span>
          </div>
          {above && <OverBar looking={looking} of="other one" />}
        </>
      }
    />
  )
}

/** What differs, each leading to its band. */
function Different({ then, now, onGo }: { then: Email; now: Email; onGo: (id: string) => void }) {
  const found = useMemo(() => differencesOf(then, now), [then, now])
  if (!found.length) return <>the same</>
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="underline decoration-dotted">
        {found.length} different
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-50 max-h-[60vh] min-w-56 overflow-auto border border-grout bg-paper py-1"
        >
          {found.map(({ said, band }) => (
            <DropdownMenu.Item
              key={said + (band ?? '')}
              disabled={!band}
              className="px-3 py-1 text-[12.5px] outline-none data-[highlighted]:bg-wash"
              onSelect={() => band && onGo(band)}
            >
              {said}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
