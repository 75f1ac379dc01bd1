'use client'
import { Blocks, Scan, Trash2 } from 'lucide-react'
import { useEffect, useMemo, useRef, useState } from 'react'
import { toast } from 'sonner'
import { useStore } from 'zustand'
import { compile } from '@/core/compile'
import { asSample } from '@/core/handover/fields'
import { addCut, mergeCuts, moveCut, moveEdge, removeCut, setCut, splitCut, uncovered, splitEqually } from '@/core/cut/edits'
import { nearGrounds } from '@/core/cut/near-grounds'
import { readingOrder, type Cut, type CutPlan } from '@/core/cut/plan'
import type { BuildResult } from '@/core/cut/build'
import { plainOf, textOf } from '@/core/email/richtext'
import type { Email } from '@/core/email/schema'
import { ApiProblem, callLong } from '../api'
import { useStageActions, type Action } from '../bench/actions'
import { EmailLens, LensFrame } from '../bench/lens'
import { Ribbons } from '../bench/ribbons'
import { Ties } from '../bench/ties'
import type { BenchJob, CutSession } from '../bench/types'
import { Button, Choice, ColorField, cx, Group, kb, NumberField, Progress, Row, TextRow } from '../parts/controls'
import { Cutter } from './cutter'
import { DesignLens, kindNames } from './design-lens'

export interface CropFigure { cut: string; picture: { id: string; type: string; width: number; height: number; bytes: number }; likeness: number }

interface Props {
  job: BenchJob
  session: CutSession
  email: Email | null
  onBuilt: (r: { email: Email; revision: number; plan: CutPlan; cutsRevision: number; notes: string[] }) => void
  setActions: (a: Action[]) => void
}

const rectKey = (c: Cut) => `${c.x},${c.y},${c.w},${c.h}`

/** The stage where a design is cut: what stays a picture, what becomes live. */
export function CutStage({ job, session, email, onBuilt, setActions }: Props) {
  const plan = useStore(session.store, (s) => s.doc)
  const order = useMemo(() => readingOrder(plan.cuts), [plan])
  const seams = useMemo(() => nearGrounds(plan), [plan])
  const [selected, setSelected] = useState<string[]>([])
  const [hovered, setHovered] = useState<string | null>(null)
  const [found, setFound] = useState<number[]>([])
  const [content, setContent] = useState<{ x: number[]; y: number[] }>({ x: [], y: [] })
  const [work, setWork] = useState<{ what: string; done: number; total: number; cancel: () => void } | null>(null)
  const [result, setResult] = useState<BuildResult | null>(null)
  const [figures, setFigures] = useState<Map<string, CropFigure>>(new Map())
  const [trouble, setTrouble] = useState<string | null>(null)
  const ties = useMemo(() => new Ties(), [])
  const cutter = useRef<Cutter | null>(null)
  const { design } = job
  const size = { width: design.width, height: design.height }
  const current = plan.cuts.find((c) => c.id === selected.at(-1)) ?? null
  const free = useMemo(() => uncovered(plan.cuts, { width: design.width, height: design.height }), [plan, design.width, design.height])

  const change = session.change
  const openCutter = () => (cutter.current ??= new Cutter(`/api/pictures/${design.id}`))

  // What the cuts become, made anew by the worker shortly after each change.
  useEffect(() => {
    let late = false
    const timer = setTimeout(() => {
      openCutter().ask({ kind: 'preview', plan, emailWidth: job.width, previous: email }).then((r) => { if (!late) { setResult(r); setTrouble(null) } }, (e: Error) => { if (!late && e.name !== 'AbortError') setTrouble(e.message) })
    }, 160)
    return () => { late = true; clearTimeout(timer) }
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [plan, job.width])
  // Clean edges to snap to: where bands meet, and where the selected cut's content and its surroundings begin and end.
  useEffect(() => { openCutter().ask({ kind: 'autocut', scale: design.scale }).then((a) => setFound(a.edges.map((e) => e.y)), () => {}) }, []) // eslint-disable-line react-hooks/exhaustive-deps
  const around = current && `${Math.max(0, current.y - 200)},${Math.min(design.height, current.y + current.h + 200)}`
  useEffect(() => {
    if (!around) return setContent({ x: [], y: [] })
    const [top, bottom] = around.split(',').map(Number) as [number, number]
    const timer = setTimeout(() => openCutter().ask({ kind: 'content', rect: { x: 0, y: top, w: design.width, h: bottom - top } }).then(setContent, () => {}), 250)
    return () => clearTimeout(timer)
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [around, design.width])
  useEffect(() => () => { cutter.current?.close(); cutter.current = null }, [])

  // The bytes each picture will have, from the real encoder; what it has encoded before comes at once.
  const pictureKey = plan.cuts.filter((c) => c.kind === 'picture').map(rectKey).join(';')
  const [measuring, setMeasuring] = useState<{ done: number; total: number } | null>(null)
  useEffect(() => {
    if (!pictureKey) return
    const stop = new AbortController()
    const timer = setTimeout(() => {
      const at = new Map(session.store.getState().doc.cuts.map((c) => [c.id, rectKey(c)]))
      callLong<unknown, { done: number; total: number; figure: CropFigure }>(`/api/jobs/${job.id}/crops`, { plan: session.store.getState().doc }, ({ done, total, figure }) => {
        setMeasuring(done < total ? { done, total } : null)
        setFigures((m) => new Map(m).set(at.get(figure.cut)!, figure))
      }, stop.signal).catch((e: Error) => { if (e.name !== 'AbortError') toast.error(e.message) }).finally(() => setMeasuring(null))
    }, 900)
    return () => { clearTimeout(timer); stop.abort() }
  }, [pictureKey, job.id, session])

  const figureOf = (c: Cut) => figures.get(rectKey(c))
  const total = plan.cuts.reduce((sum, c) => sum + (c.kind === 'picture' ? figureOf(c)?.picture.bytes ?? 0 : 0), 0)

  async function find() {
    const worker = openCutter()
    setWork({ what: 'Finding the bands', done: 0, total: 1, cancel: () => { worker.close(); cutter.current = null; setWork(null) } })
    try {
      const cutting = await worker.ask({ kind: 'autocut', scale: design.scale }, (done) => setWork((w) => w && { ...w, done }))
      setFound(cutting.edges.map((e) => e.y))
      // Cuts that lie where they lay keep what they say.
      const said = new Map(plan.cuts.map((c) => [rectKey(c), c]))
      change('find the bands', (p) => ({ ...p, cuts: cutting.cuts.map((c) => said.get(rectKey(c)) ?? c) }))
      setSelected(cutting.cuts[0] ? [cutting.cuts[0].id] : [])
      toast(`${cutting.cuts.length} bands found. Undo brings the former cuts back.`)
    } catch (e) {
      if ((e as Error).name !== 'AbortError') setTrouble((e as Error).message)
    } finally { setWork(null) }
  }

  async function build() {
    const stop = new AbortController()
    setWork({ what: 'Building the email', done: 0, total: plan.cuts.length, cancel: () => stop.abort() })
    try {
      await session.flush()
      const built = await callLong<Parameters<typeof onBuilt>[0], { done: number; total: number; what: string }>(`/api/jobs/${job.id}/build`, {}, (s) => setWork((w) => w && { ...w, ...s }), stop.signal)
      onBuilt(built)
    } catch (e) {
      if ((e as Error).name !== 'AbortError') toast.error(e instanceof ApiProblem ? e.title : 'The email could not be built', { description: e instanceof ApiProblem ? e.detail : (e as Error).message, duration: 9000 })
      else toast('Cancelled. Nothing was changed.')
    } finally { setWork(null) }
  }

  /** A new cut of a rectangle, with the ground colour read from the design. */
  async function add(drawn: { x: number; y: number; w: number; h: number }) {
    const made = addCut(plan, drawn, size)
    if (!made.id) { toast('There is no room for a cut here: cuts never overlap.'); return }
    change('add a cut', () => made.plan)
    setSelected([made.id])
  }

  async function become(ids: readonly string[], kind: Cut['kind']) {
    const grounds = new Map<string, string>()
    for (const id of ids) {
      const cut = plan.cuts.find((c) => c.id === id)
      if (cut && kind !== 'picture' && !cut.ground) grounds.set(id, (await openCutter().ask({ kind: 'ground', rect: cut })).color)
    }
    change(`make it ${kindNames[kind].toLowerCase()}`, (p) => ids.reduce((q, id) => setCut(q, id, { kind, ...(grounds.has(id) ? { ground: grounds.get(id)! } : {}) }), p))
  }
  async function readGround(cut: Cut) {
    const ground = await openCutter().ask({ kind: 'ground', rect: cut })
    change('read the ground colour', (p) => setCut(p, cut.id, { ground: ground.color }))
    if (ground.share < 0.9) toast(`Only ${Math.round(ground.share * 100)} % of the edge has this colour: the ground is a gradient or a texture. A picture would keep it.`)
  }

  const near = (way: 1 | -1) => { const i = current ? order.findIndex((c) => c.id === current.id) : -1; const next = order[Math.max(0, Math.min(order.length - 1, i + way))]; if (next) select(next.id) }
  const select = (id: string | null, more = false) => {
    setSelected((s) => (id === null ? [] : more ? (s.includes(id) ? s.filter((x) => x !== id) : [...s, id]) : [id]))
    if (id) ties.reveal(`t-${id}`)
  }
  const merge = () => {
    const i = current ? order.findIndex((c) => c.id === current.id) : -1
    const ids = selected.length > 1 ? selected : current && order[i + 1] ? [current.id, order[i + 1]!.id] : []
    if (ids.length < 2) return
    const merged = mergeCuts(plan, ids)
    change('merge cuts', () => merged)
    setSelected(merged.cuts.filter((c) => ids.includes(c.id)).map((c) => c.id))
  }
  const remove = () => { if (!selected.length) return; change('remove a cut', (p) => selected.reduce(removeCut, p)); setSelected([]) }
  const split = (way: 'across' | 'down') => { if (current) change('split a cut', (p) => splitCut(p, current.id, way, way === 'across' ? current.y + current.h / 2 : current.x + current.w / 2)) }
  const nudge = (dx: number, dy: number) => current && change('move a cut', (p) => moveCut(p, current.id, dx, dy, size), `nudge-${current.id}`)
  const edge = (side: 'top' | 'bottom' | 'left' | 'right', by: number) => current && change('move an edge', (p) => { const c = p.cuts.find((x) => x.id === current.id)!; return moveEdge(p, c.id, side, (side === 'top' ? c.y : side === 'bottom' ? c.y + c.h : side === 'left' ? c.x : c.x + c.w) + by, size) }, `edge-${current.id}-${side}`)
  const fill = () => { if (free[0]) void add(free[0]) }

  const none = !current
  useStageActions(setActions, [
    { id: 'find', label: 'Find the bands', group: 'Cut', run: find, off: !!work },
    { id: 'build', label: 'Build the email', group: 'Cut', keys: 'Ctrl Enter', run: build, off: !!work || !plan.cuts.length },
    { id: 'next', label: 'Next cut', group: 'Cut', keys: 'J', run: () => near(1) },
    { id: 'prev', label: 'Previous cut', group: 'Cut', keys: 'K', run: () => near(-1) },
    { id: 'fill', label: 'Cut the first uncovered area', group: 'Cut', keys: 'N', run: fill, off: !free.length },
    { id: 'merge', label: 'Merge with the next, or all selected', group: 'Cut', keys: 'M', run: merge, off: none },
    { id: 'across', label: 'Split across', group: 'Cut', keys: 'S', run: () => split('across'), off: none },
    { id: 'down', label: 'Split down', group: 'Cut', keys: 'D', run: () => split('down'), off: none },
    { id: 'remove', label: 'Remove the cut', group: 'Cut', keys: 'Delete', run: remove, off: none },
    { id: 'picture', label: 'Make it a picture', group: 'Cut', keys: '1', run: () => void become(selected, 'picture'), off: none },
    { id: 'words', label: 'Make it words', group: 'Cut', keys: '2', run: () => void become(selected, 'words'), off: none },
    { id: 'flat', label: 'Make it flat colour', group: 'Cut', keys: '3', run: () => void become(selected, 'flat'), off: none },
    ...([['ArrowUp', 0, -1], ['ArrowDown', 0, 1], ['ArrowLeft', -1, 0], ['ArrowRight', 1, 0]] as const).flatMap(([key, x, y]): Action[] => [
      { id: `n1${key}`, label: `Move the cut by 1 px, ${key.slice(5).toLowerCase()}`, group: 'Place', keys: key, run: () => nudge(x, y), off: none },
      { id: `n10${key}`, label: `Move the cut by 10 px, ${key.slice(5).toLowerCase()}`, group: 'Place', keys: `Shift ${key}`, run: () => nudge(10 * x, 10 * y), off: none },
    ]),
    { id: 'bottom+', label: 'Lower edge down by 1 px', group: 'Edges', keys: 'Alt ArrowDown', run: () => edge('bottom', 1), off: none },
    { id: 'bottom-', label: 'Lower edge up by 1 px', group: 'Edges', keys: 'Alt ArrowUp', run: () => edge('bottom', -1), off: none },
    { id: 'right+', label: 'Right edge out by 1 px', group: 'Edges', keys: 'Alt ArrowRight', run: () => edge('right', 1), off: none },
    { id: 'right-', label: 'Right edge in by 1 px', group: 'Edges', keys: 'Alt ArrowLeft', run: () => edge('right', -1), off: none },
    { id: 'top-', label: 'Upper edge up by 1 px', group: 'Edges', keys: 'Alt Shift ArrowUp', run: () => edge('top', -1), off: none },
    { id: 'top+', label: 'Upper edge down by 1 px', group: 'Edges', keys: 'Alt Shift ArrowDown', run: () => edge('top', 1), off: none },
    { id: 'left-', label: 'Left edge out by 1 px', group: 'Edges', keys: 'Alt Shift ArrowLeft', run: () => edge('left', -1), off: none },
    { id: 'left+', label: 'Left edge in by 1 px', group: 'Edges', keys: 'Alt Shift ArrowRight', run: () => edge('left', 1), off: none },
  ])

  const bandIds = useMemo(() => plan.cuts.map((c) => `t-${c.id}`), [plan])
  const html = useMemo(() => result && compile(result.email, job.client.house, { src: previewSrc, fields: sampleFields, marks: true }), [result, job.client.house])
  const mark = current ? `t-${current.id}` : null
  return (
    <>
      <aside aria-label="Cuts" className="flex min-h-0 flex-col overflow-y-auto border-r border-grout bg-plaster py-2">
        {order.length === 0 && <p className="px-3 text-soft">No cuts yet. Let Mosaicus find the bands, or draw a cut on the design.</p>}
        <ol className="flex flex-col gap-[3px]">
          {order.map((c, i) => (
            <li key={c.id}>
              <button
                type="button" onClick={(e) => select(c.id, e.shiftKey || e.ctrlKey || e.metaKey)} onMouseEnter={() => setHovered(c.id)} onMouseLeave={() => setHovered(null)}
                aria-pressed={selected.includes(c.id)}
                className={cx('grid w-full grid-cols-[54px_1fr] items-center gap-2 border-l-4 py-px pr-1.5 pl-2 text-left text-[11.5px]', selected.includes(c.id) ? 'border-lapis' : 'border-transparent')}
              >
                <CutThumb design={design} cut={c} />
                <span className="min-w-0 leading-tight">
                  <b className={cx('block truncate font-semibold', selected.includes(c.id) && 'text-lapis')}>{i + 1} {kindNames[c.kind]}</b>
                  <span className="block truncate font-mono text-[10.5px] text-soft">{c.kind === 'picture' ? (figureOf(c) ? kb(figureOf(c)!.picture.bytes) : '…') : c.ground ?? ''}</span>
                  {left(c) && <span className="block text-[10.5px] text-terra">{left(c)}</span>}
                </span>
              </button>
            </li>
          ))}
        </ol>
      </aside>
      <main className="relative grid min-h-0 min-w-0 grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] bg-ground">
        <DesignLens design={design} plan={plan} order={order} selected={selected} edges={{ x: content.x, y: [...found, ...content.y] }} ties={ties} onSelect={select} onChange={change} onAdd={(r) => void add(r)} onHover={setHovered} />
        {html ? (
          <EmailLens name="Becomes" width={job.width} html={html} ties={ties} bandIds={bandIds} selected={mark} selectedBand={mark} hovered={hovered ? `t-${hovered}` : null}
            onHover={(id) => setHovered(id?.slice(2) ?? null)} onPick={(ids) => { const id = ids.find((x) => bandIds.includes(x)); if (id) select(id.slice(2)) }} />
        ) : (
          <LensFrame name="Becomes" detail={String(job.width)}>
            <div className="m-auto max-w-72 bg-[#fffdf8] p-4 text-[#20272b]">{trouble ?? (plan.cuts.length ? 'Reading the design…' : 'Here you will see what the cuts become, as soon as there are some.')}{!plan.cuts.length && !trouble && <div className="mt-3"><Button look="main" className="bg-[#21508f]! text-white!" onClick={find}><Scan size={14} /> Find the bands</Button></div>}</div>
          </LensFrame>
        )}
        <Ribbons ties={ties} band={mark} faint={hovered ? `t-${hovered}` : null} order={['Design', 'Becomes']} />
      </main>
      <section aria-label="Tray" className="col-span-2 flex min-h-0 flex-col border-t-2 border-ink bg-paper">
        <div className="flex h-[31px] shrink-0 items-center gap-2 border-b border-grout px-3.5 text-xs text-soft">
          <span>Design</span><span aria-hidden className="text-grout">/</span>
          <b className="text-ink">{selected.length > 1 ? `${selected.length} cuts` : current ? `Cut ${order.findIndex((c) => c.id === current.id) + 1} of ${order.length}` : `${order.length} cuts`}</b>
          {selected.length > 0 && <span className="ml-2 flex"><Button look="plain" onClick={merge}>Merge</Button><Button look="plain" onClick={() => split('across')}>Split across</Button><Button look="plain" onClick={() => split('down')}>Split down</Button>{current && <select aria-label="Split into equal parts" value="" className="border border-grout bg-sheet px-1 text-xs" onChange={(e) => { const [way, parts] = e.target.value.split(' '); if (way && parts) change('split into equal parts', (p) => splitEqually(p, current.id, way as 'across' | 'down', Number(parts))) }}><option value="">Equal parts</option>{(['across', 'down'] as const).flatMap((way) => [2, 3, 4, 5, 6].map((n) => <option key={way + n} value={`${way} ${n}`}>{n} {way}</option>))}</select>}<Button look="danger" onClick={remove}><Trash2 size={13} /> Remove</Button></span>}
          <span className="ml-auto flex items-center gap-2">
            {work ? <Progress what={work.what} done={work.done} total={work.total} onCancel={work.cancel} /> : measuring ? <Progress what="Weighing the pictures" {...measuring} /> : null}
            {free.length > 0 && plan.cuts.length > 0 && <Button look="plain" className="text-terra!" onClick={fill}>{free.length} uncovered: cut the first</Button>}
            <Button onClick={find} disabled={!!work}><Scan size={14} /> Find the bands</Button>
            <Button look="main" onClick={build} disabled={!!work || !plan.cuts.length}><Blocks size={14} /> Build the email</Button>
          </span>
        </div>
        {current ? (
          <div className="grid min-h-0 flex-1 grid-cols-[210px_210px_minmax(0,1fr)_220px] overflow-y-auto">
            <Group title="Becomes">
              <Choice label="What the cut becomes" value={current.kind} options={[{ value: 'picture', label: 'Picture' }, { value: 'words', label: 'Words' }, { value: 'flat', label: 'Flat' }]} onChange={(k) => void become(selected, k)} />
              <p className="text-[11.5px] leading-snug text-soft">{{ picture: 'Cut from the design at double density, as light as it can be without a visible loss.', words: 'Live words on the exact ground of the design.', flat: 'Space in one colour; it costs nothing.' }[current.kind]}</p>
            </Group>
            <Group title="Place in the design">
              <div className="grid grid-cols-2 gap-x-2 gap-y-1.5">
                {([['Left', 'x'], ['Top', 'y'], ['Width', 'w'], ['Height', 'h']] as const).map(([label, k]) => (
                  <div key={k} className="grid grid-cols-[38px_1fr] items-center gap-1.5 text-xs text-soft">{label}
                    <NumberField label={`${label}, px`} value={current[k]} max={k === 'x' || k === 'w' ? design.width : design.height} onChange={(v) => change('place a cut', (p) => (k === 'x' ? moveCut(p, current.id, v - current.x, 0, size) : k === 'y' ? moveCut(p, current.id, 0, v - current.y, size) : k === 'w' ? moveEdge(p, current.id, 'right', current.x + v, size) : moveEdge(p, current.id, 'bottom', current.y + v, size)), `place-${k}`)} />
                  </div>
                ))}
              </div>
              <p className="font-mono text-[11px] text-soft">{Number((current.w / design.scale).toFixed(1))} x {Number((current.h / design.scale).toFixed(1))} px in the email</p>
            </Group>
            {current.kind === 'picture' && (
              <Group title="Picture">
                <TextRow label="Alt text" plain lines={3} value={current.alt ?? ''} placeholder="What the picture says" onChange={(v) => change('write the alt text', (p) => setCut(p, current.id, { alt: v === '' ? null : v }), `alt-${current.id}`)} />
                <TextRow label="Link" value={current.link} placeholder="https://" onChange={(v) => change('set the link', (p) => selected.reduce((q, id) => setCut(q, id, { link: v }), p), `link-${current.id}`)} />
              </Group>
            )}
            {current.kind === 'words' && (
              <Group title="Words">
                <TextRow label="Words" plain lines={5} value={current.words ? plainOf(current.words) : ''} placeholder="Type or paste the words. A blank line begins a new paragraph." onChange={(v) => change('write the words', (p) => setCut(p, current.id, { words: v.trim() ? textOf(v) : null }), `words-${current.id}`)} />
              </Group>
            )}
            {current.kind === 'flat' && <Group title="Flat colour"><p className="text-soft">The band shows its ground colour at this height.</p></Group>}
            {current.kind === 'picture' ? (
              <Group title="Weight">
                {figureOf(current) ? (
                  <dl className="grid grid-cols-[78px_1fr] gap-y-1 font-mono text-[11.5px]">
                    <dt className="font-sans text-soft">This cut</dt><dd data-bytes={figureOf(current)!.picture.bytes}>{kb(figureOf(current)!.picture.bytes)} {figureOf(current)!.picture.type.slice(6).toUpperCase()}</dd>
                    <dt className="font-sans text-soft">Real size</dt><dd>{figureOf(current)!.picture.width} x {figureOf(current)!.picture.height}</dd>
                    <dt className="font-sans text-soft">Likeness</dt><dd>{figureOf(current)!.likeness.toFixed(3)} SSIM</dd>
                    <dt className="font-sans text-soft">All pictures</dt><dd>{kb(total)}</dd>
                  </dl>
                ) : <p className="text-soft">Being weighed…</p>}
              </Group>
            ) : (
              <Group title="Ground">
                <Row label="Colour"><ColorField label="Ground colour" value={current.ground ?? '#ffffff'} swatches={job.client.house.colors} onChange={(v) => change('set the ground colour', (p) => setCut(p, current.id, { ground: v }), `ground-${current.id}`)} /></Row>
                <Button onClick={() => void readGround(current)}>Read it from the design</Button>
                {seams.filter(({ a, b }) => a.id === current.id || b.id === current.id).map(({ a, b, difference }) => {
                  const other = a.id === current.id ? b : a
                  return <p key={other.id} className="flex flex-wrap items-center gap-1 text-[11.5px] text-ochre">Nearly that of cut {order.findIndex((c) => c.id === other.id) + 1} ({difference.toFixed(2)} by CIEDE2000): a seam may show. <Button className="py-0!" onClick={() => change('make two grounds one', (p) => setCut(p, current.id, { ground: other.ground }))}>Make it {other.ground}</Button></p>
                })}
              </Group>
            )}
          </div>
        ) : (
          <div className="grid flex-1 grid-cols-3">
            <Group title="How cutting goes"><p className="leading-snug text-soft">Find the bands, or draw a cut on the design. Drag an edge: the neighbour gives way. Hold Alt to move one side alone. What no cut covers is hatched.</p></Group>
            <Group title="The plan"><dl className="grid grid-cols-[90px_1fr] gap-y-1 font-mono text-[11.5px]"><dt className="font-sans text-soft">Pictures</dt><dd>{plan.cuts.filter((c) => c.kind === 'picture').length}, {kb(total)}</dd><dt className="font-sans text-soft">Words</dt><dd>{plan.cuts.filter((c) => c.kind === 'words').length}</dd><dt className="font-sans text-soft">Flat colour</dt><dd>{plan.cuts.filter((c) => c.kind === 'flat').length}</dd><dt className="font-sans text-soft">Uncovered</dt><dd>{free.length ? `${free.length} areas` : 'nothing'}</dd></dl></Group>
            <Group title="Notes">{result?.notes.length ? result.notes.map((n) => <p key={n} className="text-terra">{n}</p>) : <p className="text-soft">Nothing stands in the way of building.</p>}</Group>
          </div>
        )}
      </section>
    </>
  )
}

const previewSrc = (p: { id: string }) => p.id.startsWith('blob:') ? p.id : `/api/pictures/${p.id}`
const sampleFields = asSample({ unsubscribe: '#' })

/** What a cut still lacks, in a few words. */
function left(c: Cut): string | null {
  if (c.kind === 'picture' && c.alt === null) return 'alt text'
  if (c.kind === 'words' && !c.words) return 'words'
  return null
}

/** A cut as it stands in the design, at most 54 px wide. */
function CutThumb({ design, cut }: { design: BenchJob['design']; cut: Cut }) {
  const scale = 54 / design.width
  return (
    <span aria-hidden className="relative block overflow-hidden border border-black/15" style={{ height: Math.max(6, Math.min(120, cut.h * scale)), width: 54 }}>
      <span className="absolute" style={{ left: cut.x * scale, top: 0, width: cut.w * scale, height: '100%', backgroundImage: `url(/api/pictures/${design.id}?width=160)`, backgroundSize: `${54}px auto`, backgroundPosition: `-${cut.x * scale}px -${cut.y * scale}px` }} />
    </span>
  )
}
