import { Blocks, BookOpenText, FileArchive, Images, Palette, ScanSearch, Trash2, Type } from 'lucide-react'
import { Button, cx, IconButton, Progress } from '../parts/controls'
import { unread, type CutDialog } from './actions'
import { Language } from './language'
import { ToLookAt } from './to-look-at'
import type { ByHand } from './work/by-hand'
import type { CutWork } from './work/use-cut-work'

interface Props {
  w: CutWork
  hand: ByHand
  open: (dialog: CutDialog) => void
}

/** The bar over the tray: what is selected, what goes on, and what the stage is for. */
export function CutBar({ w, hand, open }: Props) {
  const several = w.selected.length > 1
  return (
    <div className="flex shrink-0 items-center gap-1.5 overflow-x-auto border-b border-grout bg-plaster px-3.5 py-1 text-xs text-soft">
      <span>Design</span>
      <span aria-hidden className="text-grout">
        /
      </span>
      <b className="whitespace-nowrap text-ink">
        {several
          ? `${w.selected.length} cuts`
          : w.current
            ? `Cut ${w.order.indexOf(w.current) + 1} of ${w.order.length}`
            : `${w.order.length} cuts`}
      </b>
      {w.selected.length > 0 && <Selected w={w} hand={hand} />}
      <span className="ml-auto flex items-center gap-1.5">
        {w.work ? (
          <Progress what={w.work.what} done={w.work.done} total={w.work.total} onCancel={w.work.cancel} />
        ) : w.measuring ? (
          <Progress what="Weighing the pictures" {...w.measuring} />
        ) : null}
        {w.sureOnes.length > 0 && !w.work && (
          <Button look="plain" className="text-verdigris!" onClick={() => w.takeProposals(w.sureOnes)}>
            Take {w.sureOnes.length} readings
          </Button>
        )}
        {w.left.length > 0 && w.plan.cuts.length > 0 && (
          <Button look="plain" className="text-terra!" onClick={hand.fill}>
            {w.left.length} left out: cut {w.left.length === 1 ? 'it' : 'them'}
          </Button>
        )}
        {!w.work && <ToLookAt w={w} />}
        <Dialogs w={w} open={open} />
        {w.selected.length === 0 && <Language w={w} />}
        <Button
          look={w.plan.cuts.length ? undefined : 'main'}
          onClick={() => w.find(true)}
          disabled={!!w.work}
          className={cx(w.work && 'opacity-60')}
          title="Reads the whole design first, so that words on pictures are found and each cut says what it says. Takes about a quarter of a minute."
        >
          <BookOpenText size={14} /> Read and find
        </Button>
        <Button onClick={() => w.find()} disabled={!!w.work} className={cx(w.work && 'opacity-60')}>
          <ScanSearch size={14} /> Find the parts
        </Button>
        <Button look="main" onClick={w.build} disabled={!!w.work || !w.plan.cuts.length}>
          <Blocks size={14} /> Build the email
        </Button>
      </span>
    </div>
  )
}

/** What can be done to the selected cuts. */
function Selected({ w, hand }: Omit<Props, 'open'>) {
  return (
    <span className="ml-1 flex items-center">
      <Button look="plain" className="px-1.5!" onClick={hand.merge}>
        Merge
      </Button>
      <Button look="plain" className="px-1.5!" onClick={() => void hand.split('across')}>
        Split across
      </Button>
      <Button look="plain" className="px-1.5!" onClick={() => void hand.split('down')}>
        Split down
      </Button>
      {w.current && <EqualParts onSplit={hand.splitInto} />}
      <Button look="danger" className="px-1.5!" aria-label="Remove" onClick={hand.remove}>
        <Trash2 size={13} />
      </Button>
    </span>
  )
}

function EqualParts({ onSplit }: { onSplit: (way: 'across' | 'down', parts: number) => void }) {
  return (
    <select
      aria-label="Split into equal parts"
      value=""
      className="border border-grout bg-sheet px-1 text-xs"
      onChange={(e) => {
        const [way, parts] = e.target.value.split(' ')
        if (way && parts) onSplit(way as 'across' | 'down', Number(parts))
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
  )
}

/** Reading the words, and what opens over the stage. */
function Dialogs({ w, open }: Omit<Props, 'hand'>) {
  const readable = unread(w)
  return (
    <span className="flex">
      <IconButton
        label={readable.length ? `Read the words of ${readable.length} cuts` : 'Read the words'}
        onClick={() => void w.readWords(readable.length ? readable : w.order)}
        disabled={!!w.work || !w.order.length}
      >
        <Type size={15} />
      </IconButton>
      <IconButton label="Copy deck" onClick={() => open('deck')}>
        <BookOpenText size={15} />
      </IconButton>
      <IconButton label="Colours of the design" keys="C" onClick={() => open('colors')}>
        <Palette size={15} />
      </IconButton>
      <IconButton
        label="Weight of the pictures"
        keys="W"
        onClick={() => open('pictures')}
        disabled={!w.pictures.length}
      >
        <Images size={15} />
      </IconButton>
      <IconButton label="Design and plan as files" onClick={() => open('files')}>
        <FileArchive size={15} />
      </IconButton>
    </span>
  )
}
