'use client'
import { DndContext, PointerSensor, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core'
import { useState } from 'react'
import { toast } from 'sonner'
import { deal, takeDeck, type Deal, type DeckPiece } from '@/core/cut/deck'
import { saidOf } from '@/core/cut/imagemap'
import type { Cut } from '@/core/cut/plan'
import { ApiProblem, formOf } from '../api'
import { runTask } from '../tasks/run'
import { Dropdown, Tick } from '../compose/groups/parts'
import { Button, cx } from '../parts/controls'
import { Dialog } from '../parts/dialog'
import { kindNames } from './kinds'
import type { CutWork } from './work/use-cut-work'

type Open = (work: () => Promise<{ pieces: DeckPiece[] }>) => Promise<void>

/**
 * Copy comes in as pieces, offered to the words cuts in reading order; each can be dragged, or given by its
 * list, to another.
 */
export function DeckDialog({ work: w, onClose }: { work: CutWork; onClose: () => void }) {
  const [text, setText] = useState('')
  const [pieces, setPieces] = useState<DeckPiece[] | null>(null)
  const [dealt, setDealt] = useState<Deal>({})
  const [formatted, setFormatted] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }))
  const places = w.order.filter((c) => c.kind === 'words' || c.kind === 'button')
  async function open(work: () => Promise<{ pieces: DeckPiece[] }>) {
    setProblem(null)
    try {
      const r = await work()
      setPieces(r.pieces)
      setDealt(deal(r.pieces, w.plan))
    } catch (e) {
      setProblem(e instanceof ApiProblem ? `${e.title}. ${e.detail}` : String(e))
    }
  }
  const file = (f: File) => open(() => runTask('POST /api/decks', { form: formOf({ file: f }) }))
  const give = (piece: number, to: string) =>
    setDealt((d) => {
      const next = Object.fromEntries(Object.entries(d).map(([k, v]) => [k, v.filter((i) => i !== piece)]))
      if (to) next[to] = [...(next[to] ?? []), piece].sort((a, b) => a - b)
      return next
    })
  const placeOf = (i: number) => Object.entries(dealt).find(([, v]) => v.includes(i))?.[0] ?? ''
  const name = (id: string) => {
    const c = places.find((x) => x.id === id)!
    return `${w.order.indexOf(c) + 1} ${kindNames[c.kind]}${saidOf(c) ? `: ${saidOf(c).slice(0, 28)}` : ''}`
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title="Copy deck"
      about={
        pieces
          ? 'Drag a piece to another cut, or choose it in its list. What is already written in a cut that gets a piece is replaced; undo brings it back.'
          : 'Paste the copy, or drop a file: plain text, Markdown or DOCX.'
      }
      wide
    >
      <div
        className="text-xs"
        onDragOver={(e) => e.preventDefault()}
        onDrop={(e) => {
          const f = e.dataTransfer.files[0]
          if (f) {
            e.preventDefault()
            void file(f)
          }
        }}
      >
        {problem && (
          <p role="alert" className="mb-2 border-l-4 border-terra pl-2">
            {problem}
          </p>
        )}
        {!pieces ? (
          <CopyForm text={text} setText={setText} open={open} file={file} />
        ) : places.length === 0 ? (
          <p>There are no words cuts or buttons yet. Find the parts first, or make some cuts words.</p>
        ) : (
          <DndContext
            id="deck"
            sensors={sensors}
            onDragEnd={({ active, over }) => {
              if (over) give(Number(active.id), String(over.id))
            }}
          >
            <Dealing
              pieces={pieces}
              placeOf={placeOf}
              places={places}
              name={name}
              give={give}
              dealt={dealt}
            />
            <span className="mt-3 flex items-center gap-3">
              <Button
                look="main"
                onClick={() => {
                  w.change('take the copy', (p) => takeDeck(p, pieces, dealt, formatted))
                  toast(
                    `${Object.values(dealt).flat().length} pieces taken. Undo brings back what stood there.`,
                  )
                  onClose()
                }}
              >
                Take it over
              </Button>
              <Tick checked={formatted} onChange={setFormatted}>
                With bold, links and lists
              </Tick>
              <Button look="plain" onClick={() => setPieces(null)}>
                Other copy
              </Button>
            </span>
          </DndContext>
        )}
      </div>
    </Dialog>
  )
}

/** The pieces beside the cuts they go to. */
function Dealing({
  pieces,
  placeOf,
  places,
  name,
  give,
  dealt,
}: {
  pieces: DeckPiece[]
  placeOf: (i: number) => string
  places: Cut[]
  name: (id: string) => string
  give: (piece: number, to: string) => void
  dealt: Deal
}) {
  return (
    <div className="grid max-h-[46vh] grid-cols-2 gap-4 overflow-y-auto">
      <ol className="flex flex-col gap-1" aria-label="Pieces">
        {pieces.map((p, i) => (
          <Piece
            key={i}
            at={i}
            piece={p}
            place={placeOf(i)}
            options={places.map((c) => ({ value: c.id, label: name(c.id) }))}
            onGive={(to) => give(i, to)}
          />
        ))}
      </ol>
      <ol className="flex flex-col gap-1" aria-label="Cuts">
        {places.map((c) => (
          <Place
            key={c.id}
            id={c.id}
            name={name(c.id)}
            said={(dealt[c.id] ?? []).map((i) => pieces[i]!.text).join('\n\n')}
          />
        ))}
      </ol>
    </div>
  )
}

/** The copy, pasted or from a file. */
function CopyForm({
  text,
  setText,
  open,
  file,
}: {
  text: string
  setText: (v: string) => void
  open: Open
  file: (f: File) => Promise<void>
}) {
  return (
    <>
      <textarea
        aria-label="The copy"
        rows={12}
        className="w-full border border-grout bg-sheet p-2 text-[13px]"
        value={text}
        placeholder="A blank line parts the pieces."
        onChange={(e) => setText(e.target.value)}
      />
      <span className="mt-2 flex gap-2">
        <Button
          look="main"
          disabled={!text.trim()}
          onClick={() => void open(() => runTask('POST /api/decks', { body: { text } }))}
        >
          Offer it to the cuts
        </Button>
        <label className="cursor-pointer border border-grout bg-sheet px-2.5 py-1 focus-within:outline-2">
          From a file
          <input
            type="file"
            accept=".txt,.md,.markdown,.docx,text/plain,text/markdown"
            className="sr-only"
            onChange={(e) => {
              const f = e.target.files?.[0]
              if (f) void file(f)
            }}
          />
        </label>
      </span>
    </>
  )
}

function Piece({
  at,
  piece,
  place,
  options,
  onGive,
}: {
  at: number
  piece: DeckPiece
  place: string
  options: { value: string; label: string }[]
  onGive: (to: string) => void
}) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: String(at) })
  return (
    <li
      ref={setNodeRef}
      {...listeners}
      style={transform ? { transform: `translate(${transform.x}px,${transform.y}px)` } : undefined}
      className={cx(
        'cursor-grab border border-grout bg-sheet p-1.5',
        isDragging && 'relative z-10 border-lapis',
      )}
    >
      <p className="line-clamp-3 whitespace-pre-line">{piece.text}</p>
      <div
        className="mt-1 grid grid-cols-[60px_1fr] items-center gap-1 text-[11px] text-soft"
        onPointerDown={(e) => e.stopPropagation()}
      >
        {piece.kind}
        <Dropdown
          label={`Cut for piece ${at + 1}`}
          value={place}
          options={[{ value: '', label: 'left out' }, ...options]}
          onChange={onGive}
        />
      </div>
    </li>
  )
}

function Place({ id, name, said }: { id: string; name: string; said: string }) {
  const { setNodeRef, isOver } = useDroppable({ id })
  return (
    <li
      ref={setNodeRef}
      className={cx('min-h-12 border p-1.5', isOver ? 'border-lapis bg-wash' : 'border-dashed border-grout')}
    >
      <b className="block truncate">{name}</b>
      <p className="line-clamp-3 whitespace-pre-line text-soft">{said || 'nothing'}</p>
    </li>
  )
}
