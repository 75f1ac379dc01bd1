'use client'
import dynamic from 'next/dynamic'
import { LensFrame } from '../bench/lens'
import { PHONE, WorkLens, WorkTray } from '../bench/email-lenses'
import type { EmailWork } from '../bench/email-work'
import { useStageActions, type Action } from '../bench/actions'
import { fieldClass } from '../parts/controls'

const CodeField = dynamic(() => import('../parts/code-field'), {
  ssr: false,
  loading: () => <p className="p-3 text-soft">Loading the editor</p>,
})

/** An email whose HTML is written by hand: the source beside its lenses. */
export function ByHandStage({ work, setActions }: { work: EmailWork; setActions: (a: Action[]) => void }) {
  const { email } = work
  useStageActions(setActions, work.actions)
  const hand = email.hand ?? { html: '', pictures: {}, inline: false }
  return (
    <>
      <main className="col-span-2 grid min-h-0 min-w-0 grid-cols-[minmax(0,1.3fr)_minmax(0,1.06fr)_minmax(0,0.7fr)] bg-ground">
        <LensFrame
          name="Source"
          detail={`${hand.html.length} characters`}
          right={
            <label className="flex items-center gap-1">
              <input
                type="checkbox"
                className="accent-lapis"
                checked={hand.inline}
                onChange={(e) =>
                  work.apply('write the styles into the elements', {
                    name: 'setEmail',
                    what: { hand: { ...hand, inline: e.target.checked } },
                  })
                }
              />{' '}
              styles into elements
            </label>
          }
        >
          <div className="min-h-0 flex-1 overflow-hidden bg-sheet">
            <CodeField
              bare
              label="HTML of the email"
              language="html"
              value={hand.html}
              height="calc(100dvh - 270px)"
              onChange={(html) =>
                work.apply('write the HTML', { name: 'setEmail', what: { hand: { ...hand, html } } }, 'hand')
              }
            />
          </div>
        </LensFrame>
        <WorkLens work={work} name="Wide" width={email.width} speaks />
        <WorkLens work={work} name="Narrow" width={PHONE} />
      </main>
      <WorkTray work={work} />
    </>
  )
}

/** An email of plain text only: what is written, and how it is sent. */
export function PlainStage({ work, setActions }: { work: EmailWork; setActions: (a: Action[]) => void }) {
  useStageActions(setActions, work.actions)
  return (
    <>
      <main className="col-span-2 grid min-h-0 min-w-0 grid-cols-2 bg-ground">
        <LensFrame name="Words">
          <textarea
            aria-label="The whole email as plain text"
            className={`${fieldClass} min-h-0 flex-1 resize-none border-0 p-4 text-[13px]`}
            value={work.email.plain ?? ''}
            placeholder="Write here. Fields stand as [[name | fallback]]."
            onChange={(e) =>
              work.apply('write the text', { name: 'setEmail', what: { plain: e.target.value } }, 'plain')
            }
          />
        </LensFrame>
        <LensFrame name="As sent" detail="78 columns">
          <pre
            className="min-h-0 flex-1 overflow-auto bg-white p-4 font-mono text-[13px] leading-snug whitespace-pre-wrap text-[#17191a]"
            tabIndex={0}
            aria-label="The text as it is sent"
          >
            {work.text}
          </pre>
        </LensFrame>
      </main>
      <WorkTray work={work} />
    </>
  )
}
