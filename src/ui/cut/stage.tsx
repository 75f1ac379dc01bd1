'use client'
import { Blocks, BookOpenText, FileArchive, Images, Palette, ScanSearch, Trash2, Type } from 'lucide-react'
import { useMemo, useState } from 'react'
import { toast } from 'sonner'
import { compile } from '@/core/compile'
import {
  addCut,
  alignCuts,
  distributeCuts,
  duplicateCut,
  extendCut,
  fillUncovered,
  mergeCuts,
  moveCut,
  moveEdge,
  placeCut,
  removeCut,
  reorderCut,
  setCut,
  splitCut,
  splitEqually,
  unlocked,
  type Alignment,
  type Side,
} from '@/core/cut/edits'
import { cutKinds } from '@/core/cut/plan'
import type { Rect } from '@/core/cut/raster'
import type { Email } from '@/core/email/schema'
import { asSample } from '@/core/text/fields'
import { useStageActions, type Action } from '../bench/actions'
import { EmailLens, LensFrame } from '../bench/lens'
import { Ribbons } from '../bench/ribbons'
import type { BenchJob, CutSession } from '../bench/types'
import { Button, cx, IconButton, Progress } from '../parts/controls'
import { ColorsDialog } from './colors-dialog'
import { DeckDialog } from './deck-dialog'
import { DesignLens } from './design-lens'
import { FilesDialog } from './files-dialog'
import { kindNames } from './kinds'
import { PicturesDialog } from './pictures-dialog'
import { CutSpine } from './spine'
import { CutTray } from './tray'
import { useCutWork, type Built } from './work'

interface Props {
  job: BenchJob
  session: CutSession
  email: Email | null
  onBuilt: (r: Built) => void
  onJob: (j: BenchJob) => void
  setActions: (a: Action[]) => void
}

type Open = 'pictures' | 'deck' | 'colors' | 'files' | null

/** The stage where a design is cut: what stays a picture, what becomes live. */
export function CutStage({ job, session, email, onBuilt, onJob, setActions }: Props) {
  const w = useCutWork({ job, session, email, onBuilt })
  const {
    plan,
    order,
    selected,
    setSelected,
    select,
    current,
    change,
    size,
    left,
    work,
    result,
    trouble,
    ties,
    hovered,
    setHovered,
  } = w
  const [open, setOpen] = useState<Open>(null)
  const [picking, setPicking] = useState(false)

  /** A new cut of a rectangle. */
  function add(drawn: Rect) {
    const made = addCut(plan, drawn, size)
    if (!made.id) {
      toast('There is no room for a cut here: cuts never overlap.')
      return
    }
    change('add a cut', () => made.plan)
    setSelected([made.id])
  }
  const near = (way: 1 | -1) => {
    const i = current ? order.findIndex((c) => c.id === current.id) : -1
    const next = order[Math.max(0, Math.min(order.length - 1, i + way))]
    if (next) select(next.id)
  }
  const merge = () => {
    const i = current ? order.findIndex((c) => c.id === current.id) : -1
    const ids = selected.length > 1 ? selected : current && order[i + 1] ? [current.id, order[i + 1]!.id] : []
    if (ids.length < 2) return
    const merged = mergeCuts(plan, ids)
    change('merge cuts', () => merged)
    setSelected(merged.cuts.filter((c) => ids.includes(c.id)).map((c) => c.id))
  }
  const remove = () => {
    if (!selected.length) return
    change('remove a cut', (p) => unlocked(p, selected).reduce(removeCut, p))
    setSelected([])
  }
  const split = (way: 'across' | 'down') => {
    if (current)
      change('split a cut', (p) =>
        splitCut(
          p,
          current.id,
          way,
          way === 'across' ? current.y + current.h / 2 : current.x + current.w / 2,
        ),
      )
  }
  const nudge = (dx: number, dy: number) =>
    selected.length &&
    change(
      selected.length > 1 ? 'move cuts' : 'move a cut',
      (p) =>
        unlocked(p, selected)
          .sort((a, b) => {
            const [ca, cb] = [a, b].map((id) => p.cuts.find((c) => c.id === id)!)
            return (cb!.y - ca!.y) * Math.sign(dy) + (cb!.x - ca!.x) * Math.sign(dx)
          })
          .reduce((q, id) => moveCut(q, id, dx, dy, size), p),
      `nudge-${selected.join()}`,
    )
  const edge = (side: Side, by: number) =>
    current &&
    !current.locked &&
    change(
      'move an edge',
      (p) => {
        const c = p.cuts.find((x) => x.id === current.id)!
        return moveEdge(
          p,
          c.id,
          side,
          (side === 'top' ? c.y : side === 'bottom' ? c.y + c.h : side === 'left' ? c.x : c.x + c.w) + by,
          size,
        )
      },
      `edge-${current.id}-${side}`,
    )
  /** Cuts everything that was left out: as pictures, since something stands there. */
  const fill = () => {
    if (left.length)
      change('cut what was left out', (p) =>
        fillUncovered(
          p,
          left.map((rect) => ({ rect, kind: 'picture', ground: null })),
          size,
        ),
      )
  }
  const duplicate = () => {
    if (!current) return
    const made = duplicateCut(plan, current.id, size)
    if (!made.id) {
      toast('There is no room under this cut for a copy: cuts never overlap.')
      return
    }
    change('duplicate a cut', () => made.plan)
    setSelected([made.id])
  }
  const trim = () =>
    current &&
    void w
      .openCutter()
      .ask({ kind: 'trim', rect: current })
      .then((r) => change('trim to the content', (p) => placeCut(p, current.id, r, size)))
  const extend = () => current && change('extend to the neighbours', (p) => extendCut(p, current.id, size))
  const align = (by: Alignment) => change('align cuts', (p) => alignCuts(p, selected, by, size))
  const distribute = (way: 'across' | 'down') =>
    change('distribute cuts', (p) => distributeCuts(p, selected, way, size))
  const lock = () =>
    change(current?.locked ? 'unlock' : 'lock', (p) =>
      selected.reduce((q, id) => setCut(q, id, { locked: !current?.locked || undefined }), p),
    )
  const reorder = (by: number) => {
    if (!current) return
    const ids = order.map((c) => c.id)
    change(
      'change the order',
      (p) => reorderCut(p, ids, current.id, ids.indexOf(current.id) + by),
      `order-${current.id}`,
    )
  }
  const readable = order.filter((c) =>
    c.kind === 'words' || c.kind === 'button' ? !c.words : c.kind === 'picture' && c.alt === null,
  )

  const none = !current,
    single = selected.length !== 1,
    few = selected.length < 2
  useStageActions(setActions, [
    { id: 'find', label: 'Find the parts', group: 'Cut', run: w.find, off: !!work },
    {
      id: 'build',
      label: 'Build the email',
      group: 'Cut',
      keys: 'Ctrl Enter',
      run: w.build,
      off: !!work || !plan.cuts.length,
    },
    { id: 'next', label: 'Next cut', group: 'Cut', keys: 'J', run: () => near(1) },
    { id: 'prev', label: 'Previous cut', group: 'Cut', keys: 'K', run: () => near(-1) },
    {
      id: 'all',
      label: 'Select all cuts',
      group: 'Cut',
      keys: 'Ctrl A',
      run: () => setSelected(order.map((c) => c.id)),
    },
    {
      id: 'fill',
      label: 'Cut everything that was left out',
      group: 'Cut',
      keys: 'N',
      run: fill,
      off: !left.length,
    },
    {
      id: 'merge',
      label: 'Merge with the next, or all selected',
      group: 'Cut',
      keys: 'M',
      run: merge,
      off: none,
    },
    { id: 'across', label: 'Split across', group: 'Cut', keys: 'S', run: () => split('across'), off: none },
    { id: 'down', label: 'Split down', group: 'Cut', keys: 'D', run: () => split('down'), off: none },
    {
      id: 'duplicate',
      label: 'Duplicate the cut',
      group: 'Cut',
      keys: 'Ctrl D',
      run: duplicate,
      off: single,
    },
    {
      id: 'trim',
      label: 'Trim the cut to its content',
      group: 'Place',
      keys: 'T',
      run: () => trim(),
      off: single,
    },
    {
      id: 'extend',
      label: 'Extend the cut to its neighbours',
      group: 'Place',
      keys: 'E',
      run: () => extend(),
      off: single,
    },
    { id: 'lock', label: 'Lock or unlock the cut', group: 'Place', keys: 'L', run: lock, off: none },
    { id: 'remove', label: 'Remove the cut', group: 'Cut', keys: 'Delete', run: remove, off: none },
    {
      id: 'earlier',
      label: 'Earlier in the reading order',
      group: 'Cut',
      keys: 'Ctrl ArrowUp',
      run: () => reorder(-1),
      off: single,
    },
    {
      id: 'later',
      label: 'Later in the reading order',
      group: 'Cut',
      keys: 'Ctrl ArrowDown',
      run: () => reorder(1),
      off: single,
    },
    {
      id: 'asread',
      label: 'Reading order by place again',
      group: 'Cut',
      run: () => change('order by place', (p) => ({ ...p, order: undefined })),
      off: !plan.order,
    },
    {
      id: 'read',
      label: 'Read the words of the selected cuts',
      group: 'Words',
      keys: 'R',
      run: () => void w.readWords(order.filter((c) => selected.includes(c.id))),
      off: none || !!work,
    },
    {
      id: 'readall',
      label: 'Read the words of all cuts that have none',
      group: 'Words',
      run: () => void w.readWords(readable),
      off: !readable.length || !!work,
    },
    {
      id: 'takeall',
      label: 'Take all words that were read surely',
      group: 'Words',
      run: () => w.takeProposals(w.sureOnes),
      off: !w.sureOnes.length,
    },
    { id: 'deck', label: 'Copy deck', group: 'Words', run: () => setOpen('deck') },
    {
      id: 'colors',
      label: 'Colours of the design',
      group: 'Design',
      keys: 'C',
      run: () => setOpen('colors'),
    },
    {
      id: 'pick',
      label: 'Pick a colour from the design',
      group: 'Design',
      keys: 'I',
      run: () => setPicking((p) => !p),
    },
    {
      id: 'pictures',
      label: 'Weight of the pictures',
      group: 'Design',
      keys: 'W',
      run: () => setOpen('pictures'),
      off: !w.pictures.length,
    },
    { id: 'files', label: 'Design and plan as files', group: 'Design', run: () => setOpen('files') },
    ...cutKinds.map((k, i): Action => ({
      id: k,
      label: `Make it ${kindNames[k].toLowerCase()}`,
      group: 'Cut',
      keys: String(i + 1),
      run: () => void w.become(selected, k),
      off: none,
    })),
    ...(['left', 'center', 'right', 'top', 'middle', 'bottom'] as const).map((by): Action => ({
      id: `align-${by}`,
      label: `Align the selected cuts: ${by}`,
      group: 'Place',
      run: () => align(by),
      off: few,
    })),
    ...(['across', 'down'] as const).map((way): Action => ({
      id: `distribute-${way}`,
      label: `Distribute the selected cuts ${way}`,
      group: 'Place',
      run: () => distribute(way),
      off: selected.length < 3,
    })),
    ...(
      [
        ['ArrowUp', 0, -1],
        ['ArrowDown', 0, 1],
        ['ArrowLeft', -1, 0],
        ['ArrowRight', 1, 0],
      ] as const
    ).flatMap(([key, x, y]): Action[] => [
      {
        id: `n1${key}`,
        label: `Move the cut by 1 px, ${key.slice(5).toLowerCase()}`,
        group: 'Place',
        keys: key,
        run: () => nudge(x, y),
        off: none,
      },
      {
        id: `n10${key}`,
        label: `Move the cut by 10 px, ${key.slice(5).toLowerCase()}`,
        group: 'Place',
        keys: `Shift ${key}`,
        run: () => nudge(10 * x, 10 * y),
        off: none,
      },
    ]),
    ...(
      [
        ['bottom', 1, 'Lower edge down', 'Alt ArrowDown'],
        ['bottom', -1, 'Lower edge up', 'Alt ArrowUp'],
        ['right', 1, 'Right edge out', 'Alt ArrowRight'],
        ['right', -1, 'Right edge in', 'Alt ArrowLeft'],
        ['top', -1, 'Upper edge up', 'Alt Shift ArrowUp'],
        ['top', 1, 'Upper edge down', 'Alt Shift ArrowDown'],
        ['left', -1, 'Left edge out', 'Alt Shift ArrowLeft'],
        ['left', 1, 'Left edge in', 'Alt Shift ArrowRight'],
      ] as const
    ).map(([side, by, label, keys]): Action => ({
      id: `${side}${by}`,
      label: `${label} by 1 px`,
      group: 'Edges',
      keys,
      run: () => edge(side, by),
      off: none,
    })),
  ])

  const bandIds = useMemo(() => plan.cuts.map((c) => `t-${c.id}`), [plan])
  const html = useMemo(
    () =>
      result &&
      compile(result.email, job.client.house, { src: previewSrc, fields: sampleFields, marks: true }),
    [result, job.client.house],
  )
  const mark = current ? `t-${current.id}` : null
  const sum = selected.length > 1
  return (
    <>
      <CutSpine
        work={w}
        onReorder={(id, to) =>
          change('change the order', (p) =>
            reorderCut(
              p,
              order.map((c) => c.id),
              id,
              to,
            ),
          )
        }
      />
      <main className="relative grid min-h-0 min-w-0 grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] bg-ground">
        <DesignLens work={w} picking={picking} onPicked={() => setPicking(false)} onAdd={add} />
        {html ? (
          <EmailLens
            name="Becomes"
            width={job.width}
            html={html}
            ties={ties}
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
        ) : (
          <LensFrame name="Becomes" detail={String(job.width)}>
            <div className="m-auto max-w-72 bg-[#fffdf8] p-4 text-[#20272b]">
              {trouble ??
                (plan.cuts.length
                  ? 'Reading the design…'
                  : 'Here you will see what the cuts become, as soon as there are some.')}
              {!plan.cuts.length && !trouble && (
                <div className="mt-3">
                  <Button look="main" className="bg-[#21508f]! text-white!" onClick={w.find}>
                    <ScanSearch size={14} /> Find the parts
                  </Button>
                </div>
              )}
            </div>
          </LensFrame>
        )}
        <Ribbons
          ties={ties}
          band={mark}
          faint={hovered ? `t-${hovered}` : null}
          order={['Design', 'Becomes']}
        />
      </main>
      <section aria-label="Tray" className="col-span-2 flex min-h-0 flex-col border-t-2 border-ink bg-paper">
        <div className="flex shrink-0 items-center gap-1.5 overflow-x-auto border-b border-grout bg-plaster px-3.5 py-1 text-xs text-soft">
          <span>Design</span>
          <span aria-hidden className="text-grout">
            /
          </span>
          <b className="whitespace-nowrap text-ink">
            {sum
              ? `${selected.length} cuts`
              : current
                ? `Cut ${order.findIndex((c) => c.id === current.id) + 1} of ${order.length}`
                : `${order.length} cuts`}
          </b>
          {selected.length > 0 && (
            <span className="ml-1 flex items-center">
              <Button look="plain" className="px-1.5!" onClick={merge}>
                Merge
              </Button>
              <Button look="plain" className="px-1.5!" onClick={() => split('across')}>
                Split across
              </Button>
              <Button look="plain" className="px-1.5!" onClick={() => split('down')}>
                Split down
              </Button>
              {current && (
                <select
                  aria-label="Split into equal parts"
                  value=""
                  className="border border-grout bg-sheet px-1 text-xs"
                  onChange={(e) => {
                    const [way, parts] = e.target.value.split(' ')
                    if (way && parts)
                      change('split into equal parts', (p) =>
                        splitEqually(p, current.id, way as 'across' | 'down', Number(parts)),
                      )
                  }}
                >
                  <option value="">Equal parts</option>
                  {(['across', 'down'] as const).flatMap((way) =>
                    [2, 3, 4, 5, 6, 8].map((n) => (
                      <option key={way + n} value={`${way} ${n}`}>
                        {n} {way}
                      </option>
                    )),
                  )}
                </select>
              )}
              <Button look="danger" className="px-1.5!" aria-label="Remove" onClick={remove}>
                <Trash2 size={13} />
              </Button>
            </span>
          )}
          <span className="ml-auto flex items-center gap-1.5">
            {work ? (
              <Progress what={work.what} done={work.done} total={work.total} onCancel={work.cancel} />
            ) : w.measuring ? (
              <Progress what="Weighing the pictures" {...w.measuring} />
            ) : null}
            {w.sureOnes.length > 0 && !work && (
              <Button look="plain" className="text-verdigris!" onClick={() => w.takeProposals(w.sureOnes)}>
                Take {w.sureOnes.length} readings
              </Button>
            )}
            {left.length > 0 && plan.cuts.length > 0 && (
              <Button look="plain" className="text-terra!" onClick={fill}>
                {left.length} left out: cut {left.length === 1 ? 'it' : 'them'}
              </Button>
            )}
            <span className="flex">
              <IconButton
                label={readable.length ? `Read the words of ${readable.length} cuts` : 'Read the words'}
                onClick={() => void w.readWords(readable.length ? readable : order)}
                disabled={!!work || !order.length}
              >
                <Type size={15} />
              </IconButton>
              <IconButton label="Copy deck" onClick={() => setOpen('deck')}>
                <BookOpenText size={15} />
              </IconButton>
              <IconButton label="Colours of the design" keys="C" onClick={() => setOpen('colors')}>
                <Palette size={15} />
              </IconButton>
              <IconButton
                label="Weight of the pictures"
                keys="W"
                onClick={() => setOpen('pictures')}
                disabled={!w.pictures.length}
              >
                <Images size={15} />
              </IconButton>
              <IconButton label="Design and plan as files" onClick={() => setOpen('files')}>
                <FileArchive size={15} />
              </IconButton>
            </span>
            <Button onClick={w.find} disabled={!!work} className={cx(work && 'opacity-60')}>
              <ScanSearch size={14} /> Find the parts
            </Button>
            <Button look="main" onClick={w.build} disabled={!!work || !plan.cuts.length}>
              <Blocks size={14} /> Build the email
            </Button>
          </span>
        </div>
        <CutTray
          work={w}
          onTrim={trim}
          onExtend={extend}
          onAlign={align}
          onDistribute={distribute}
          onLock={lock}
          onDuplicate={duplicate}
          onPick={() => setPicking(true)}
          onFiles={() => setOpen('files')}
          onJob={onJob}
        />
      </section>
      {open === 'pictures' && <PicturesDialog work={w} onClose={() => setOpen(null)} />}
      {open === 'deck' && <DeckDialog work={w} onClose={() => setOpen(null)} />}
      {open === 'colors' && <ColorsDialog work={w} onJob={onJob} onClose={() => setOpen(null)} />}
      {open === 'files' && <FilesDialog work={w} onJob={onJob} onClose={() => setOpen(null)} />}
    </>
  )
}

const previewSrc = (p: { id: string }) => (p.id.startsWith('blob:') ? p.id : `/api/pictures/${p.id}`)
const sampleFields = asSample({ unsubscribe: '#' })
