'use client'
import { safeFonts, type WebFont } from '@/core/email/fonts'
import type { HouseStyle } from '@/core/email/styles'
import { call } from '../api'
import { Dropdown, Tick } from '../compose/groups/parts'
import { Button, fieldClass } from '../parts/controls'
import { FileButton } from '../parts/file-button'
import { toast } from '../parts/toast'

type File = WebFont['files'][number]

/** The weights that fonts come in (CSS Fonts Module Level 4, section 2.4). */
const weights = ['100', '200', '300', '400', '500', '600', '700', '800', '900'] as const

const newFile = (weight: number): File => ({ address: 'https://', weight, italic: false })

/** Fonts from an address: readers that can, load them; the others take the stack behind. A file kept here is what shows them in the app. */
export function WebFonts({
  fonts,
  onChange,
}: {
  fonts: HouseStyle['webFonts']
  onChange: (f: HouseStyle['webFonts']) => void
}) {
  const put = (i: number, patch: Partial<WebFont>) =>
    onChange(fonts.map((f, k) => (k === i ? { ...f, ...patch } : f)))
  return (
    <div className="mt-3 flex flex-col gap-3 text-xs">
      {fonts.map((f, i) => (
        <div key={i} className="flex flex-col gap-1">
          <div className="grid grid-cols-[140px_110px_1fr_auto] gap-1">
            <input
              aria-label={`Family of web font ${i + 1}`}
              className={fieldClass}
              value={f.family}
              onChange={(e) => put(i, { family: e.target.value })}
            />
            <Dropdown
              label={`Behind web font ${i + 1}`}
              value={f.fallback}
              options={safeFonts.map((v) => ({ value: v, label: `else ${v}` }))}
              onChange={(fallback) => put(i, { fallback })}
            />
            <span>
              {f.files.length < 12 && (
                <Button onClick={() => put(i, { files: [...f.files, newFile(700)] })}>+ Weight</Button>
              )}
            </span>
            <Button look="danger" onClick={() => onChange(fonts.filter((_, k) => k !== i))}>
              Take out
            </Button>
          </div>
          {f.files.map((file, n) => (
            <FontFile
              key={n}
              label={`web font ${i + 1}${n ? `, file ${n + 1}` : ''}`}
              family={f.family}
              file={file}
              onChange={(next) => put(i, { files: f.files.map((o, k) => (k === n ? next : o)) })}
              onRemove={
                f.files.length > 1 ? () => put(i, { files: f.files.filter((_, k) => k !== n) }) : undefined
              }
            />
          ))}
        </div>
      ))}
      {fonts.length < 8 && (
        <div>
          <Button
            onClick={() =>
              onChange([
                ...fonts,
                { family: `Font ${fonts.length + 1}`, fallback: 'sans', files: [newFile(400)] },
              ])
            }
          >
            + Web font
          </Button>
        </div>
      )}
    </div>
  )
}

/** One file of a font: where readers load it, its weight, and the same file kept here. */
function FontFile({
  label,
  family,
  file,
  onChange,
  onRemove,
}: {
  label: string
  family: string
  file: File
  onChange: (file: File) => void
  onRemove?: () => void
}) {
  const keep = async (sent: globalThis.File) => {
    try {
      await new FontFace(family, await sent.arrayBuffer()).load()
    } catch {
      toast.error(
        `The letters of "${sent.name}" cannot be drawn. Take a WOFF2, WOFF, TTF or OTF file that opens elsewhere.`,
      )
      return
    }
    const form = new FormData()
    form.set('font', sent)
    await call('POST /api/fonts', { form }).then(
      ({ id, measures }) => onChange({ ...file, kept: id, measures }),
      (error: Error) => toast.error(error.message),
    )
  }
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_64px_auto_auto_auto] items-center gap-1">
      <input
        aria-label={`Address of ${label}`}
        className={fieldClass}
        value={file.address}
        placeholder="https://…/font.woff2"
        onChange={(e) => onChange({ ...file, address: e.target.value })}
      />
      <Dropdown
        label={`Weight of ${label}`}
        value={String(file.weight) as (typeof weights)[number]}
        options={weights.map((value) => ({ value, label: value }))}
        onChange={(weight) => onChange({ ...file, weight: Number(weight) })}
      />
      <span className="px-2.5">
        <Tick checked={file.italic} onChange={(italic) => onChange({ ...file, italic })}>
          Italic
        </Tick>
      </span>
      <FileButton
        label={file.kept ? 'Shown here: another file' : 'File to show it here'}
        accept=".woff2,.woff,.ttf,.otf"
        onFile={(sent) => void keep(sent)}
      />
      {onRemove && (
        <Button look="danger" onClick={onRemove}>
          Take out
        </Button>
      )}
    </div>
  )
}
