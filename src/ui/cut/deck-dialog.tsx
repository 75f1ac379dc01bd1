'use client'
import { DndContext, PointerSensor, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core'
import { useState } from 'react'
import { toast } from '../parts/toast'
import { deal, deckMeta, takeDeck, type Deal, type DeckPiece } from '@/core/cut/deck'
import { saidOf } from '@/core/cut/imagemap'
import type { Cut } from '@/core/cut/plan'
import { ApiProblem, formOf } from '../api'
import { runTask } from '../tasks/run'
import { Dropdown, Tick } from '../compose/groups/parts'
import { Button, cx } from '../parts/controls'
import { Dialog } from '../parts/dialog'
import type { Design } from '../bench/types'
import { kindNames } from './kinds'
import { CutThumb } from './spine'
import type { CutWork } from './work/use-cut-work'

/** The pieces of the copy, and which cut each is dealt to. */
function useDeck(w: CutWork) {
  const [text, setText] = useState('')
  const [pieces, setPieces] = useState<DeckPiece[] | null>(null)
  const [dealt, setDealt] = useState<Deal>({})
  const [problem, setProblem] = useState<string | null>(null)
  const places = w.order.filter((c) => c.kind === 'words' || c.kind === 'button' || c.kind === 'picture')
  async function open(work: () => Promise<{ pieces: DeckPiece[] }>) {
    setProblem(null)
    try {
      const r = await work()
      const seen = await w.seenWords()
      setPieces(r.pieces)
      setDealt(deal(r.pieces, w.plan, seen))
    } catch (e) {
      setProblem(e instanceof ApiProblem ? `${e.title}. ${e.detail}` : String(e))
    }
  }
  return {
    text,
    setText,
    pieces,
    dealt,
    problem,
    places,
    design: w.job.design,
    fromText: () => open(() => runTask('POST /api/decks', { body: { text } })),
    fromFile: (file: File) => open(() => runTask('POST /api/decks', { form: formOf({ file }) })),
    again: () => setPieces(null),
    give: (piece: number, to: string) =>
      setDealt((d) => {
        const next = Object.fromEntries(Object.entries(d).map(([k, v]) => [k, v.filter((i) => i !== piece)]))
        if (to) next[to] = [...(next[to] ?? []), piece].sort((a, b) => a - b)
        return next
      }),
    placeOf: (piece: number) => Object.entries(dealt).find(([, v]) => v.includes(piece))?.[0] ?? '',
    /** What a cut is called in the lists. */
    nameOf: (c: Cut) =>
      `${w.order.indexOf(c) + 1} ${kindNames[c.kind]}${saidOf(c) ? `: ${saidOf(c).slice(0, 28)}` : ''}`,
  }
}
type Deck = ReturnType<typeof useDeck>

/**
 * Copy comes in as pieces, offered to the words cuts in reading order; each can be dragged, or given by its
 * list, to another.
 */
export function DeckDialog({ work: w, onClose }: { work: CutWork; onClose: () => void }) {
  const deck = useDeck(w)
  const { pieces, problem, places } = deck
  const take = (formatted: boolean) => {
    const meta = deckMeta(pieces!)
    w.change('take the copy', (p) => ({
      ...takeDeck(p, pieces!, deck.dealt, formatted),
      ...(meta ? { says: { ...p.says, ...meta } } : {}),
    }))
    if (meta) w.onSaid(meta)
    const count = Object.values(deck.dealt).flat().length
    toast(`${count} pieces taken. Undo brings back what stood there.`)
    onClose()
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title="Copy deck"
      about={
        pieces
          ? 'Drag a piece to another cut, or choose it in its list. What is already written in a cut that gets a piece is replaced; undo brings it back.'
          : 'Paste the copy, or drop a file: plain text, Markdown or DOCX. "Subject:", "Preheader:", "H1:", "CTA:", "Alt:" and the like before a piece say what it is.'
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
            void deck.fromFile(f)
          }
        }}
      >
        {problem && (
          <p role="alert" className="mb-2 border-l-4 border-terra pl-2">
            {problem}
          </p>
        )}
        {!pieces ? (
          <CopyForm deck={deck} />
        ) : places.length === 0 ? (
          <p>There are no words cuts or buttons yet. Find the parts first, or make some cuts words.</p>
        ) : (
          <Dealing deck={deck} pieces={pieces} onTake={take} />
        )}
      </div>
    </Dialog>
  )
}

/** The pieces are dealt to the cuts, then taken over. */
function Dealing({
  deck,
  pieces,
  onTake,
}: {
  deck: Deck
  pieces: DeckPiece[]
  onTake: (formatted: boolean) => void
}) {
  const [formatted, setFormatted] = useState(false)
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }))
  return (
    <DndContext
      id="deck"
      sensors={sensors}
      onDragEnd={({ active, over }) => {
        if (over) deck.give(Number(active.id), String(over.id))
      }}
    >
      <PiecesAndPlaces deck={deck} pieces={pieces} />
      <span className="mt-3 flex items-center gap-3">
        <Button look="main" onClick={() => onTake(formatted)}>
          Take it over
        </Button>
        <Tick checked={formatted} onChange={setFormatted}>
          With bold, links and lists
        </Tick>
        <Button look="plain" onClick={deck.again}>
          Other copy
        </Button>
      </span>
    </DndContext>
  )
}

/** The pieces beside the cuts they go to. */
function PiecesAndPlaces({ deck, pieces }: { deck: Deck; pieces: DeckPiece[] }) {
  const { places, nameOf, placeOf, give, dealt } = deck
  return (
    <div className="grid max-h-[46vh] grid-cols-2 gap-4 overflow-y-auto">
      <ol className="flex flex-col gap-1" aria-label="Pieces">
        {pieces.map((p, i) => (
          <Piece
            key={i}
            at={i}
            piece={p}
            place={placeOf(i)}
            options={places.map((c) => ({ value: c.id, label: nameOf(c) }))}
            onGive={(to) => give(i, to)}
          />
        ))}
      </ol>
      <ol className="flex flex-col gap-1" aria-label="Cuts">
        {places.map((c) => (
          <Place
            key={c.id}
            cut={c}
            design={deck.design}
            name={nameOf(c)}
            said={(dealt[c.id] ?? []).map((i) => pieces[i]!.text).join('\n\n')}
          />
        ))}
      </ol>
    </div>
  )
}

/** The copy, pasted or from a file. */
function CopyForm({ deck }: { deck: Deck }) {
  const { text, setText } = deck
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
        <Button look="main" disabled={!text.trim()} onClick={() => void deck.fromText()}>
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
              if (f) void deck.fromFile(f)
            }}
          />
        </label>
      </span>
    </>
  )
}

/** What a piece is called. */
const pieceNames: Record<DeckPiece['kind'], string> = {
  subject: 'subject',
  preheader: 'preheader',
  heading: 'heading',
  words: 'words',
  list: 'list',
  link: 'button',
  picture: 'alt text',
  note: 'note',
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
        {pieceNames[piece.kind]}
        {piece.kind === 'subject' || piece.kind === 'preheader' ? (
          <span>for the email itself</span>
        ) : (
          <Dropdown
            label={`Cut for piece ${at + 1}`}
            value={place}
            options={[{ value: '', label: 'left out' }, ...options]}
            onChange={onGive}
          />
        )}
      </div>
    </li>
  )
}

function Place({ cut, design, name, said }: { cut: Cut; design: Design; name: string; said: string }) {
  const { setNodeRef, isOver } = useDroppable({ id: cut.id })
  return (
    <li
      ref={setNodeRef}
      className={cx(
        'grid min-h-12 grid-cols-[108px_1fr] items-start gap-2 border p-1.5',
        isOver ? 'border-lapis bg-wash' : 'border-dashed border-grout',
      )}
    >
      <CutThumb design={design} cut={cut} most={108} />
      <div className="min-w-0">
        <b className="block truncate">{name}</b>
        <p className="line-clamp-3 whitespace-pre-line text-soft">{said || 'nothing'}</p>
      </div>
    </li>
  )
}
