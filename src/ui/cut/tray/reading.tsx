'use client'
import { Button } from '../../parts/controls'
import { type CutWork } from '../work/use-cut-work'

/** Words that were read off the picture, to be taken, changed or left. */
export function Reading({ w, id }: { w: CutWork; id: string }) {
  const r = w.proposals.get(id)!
  return (
    <div className="border-l-4 border-verdigris pl-2 text-[11.5px] leading-snug">
      <p className="max-h-14 overflow-y-auto whitespace-pre-line">{r.text}</p>
      <span className="mt-1 flex items-center gap-1">
        <Button className="py-0!" onClick={() => w.takeProposals([id])}>
          Take it
        </Button>
        <Button look="plain" className="py-0!" onClick={() => w.dropProposals([id])}>
          Leave it
        </Button>
        <span className="font-mono text-soft">{Math.round(r.sure * 100)} % sure</span>
      </span>
    </div>
  )
}
