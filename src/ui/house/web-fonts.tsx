'use client'
import { safeFonts, type WebFont } from '@/core/email/fonts'
import type { HouseStyle } from '@/core/email/styles'
import { Button, fieldClass } from '../parts/controls'
import { Dropdown } from '../compose/groups/parts'

/** Fonts from an address: readers that can, load them; the others take the stack behind. */
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
    <div className="mt-3 flex flex-col gap-1 text-xs">
      {fonts.map((f, i) => (
        <div key={i} className="grid grid-cols-[140px_minmax(0,1fr)_110px_auto] gap-1">
          <input
            aria-label={`Family of web font ${i + 1}`}
            className={fieldClass}
            value={f.family}
            onChange={(e) => put(i, { family: e.target.value })}
          />
          <input
            aria-label={`Address of web font ${i + 1}`}
            className={fieldClass}
            value={f.files[0]!.address}
            placeholder="https://…/font.woff2"
            onChange={(e) =>
              put(i, { files: [{ ...f.files[0]!, address: e.target.value }, ...f.files.slice(1)] })
            }
          />
          <Dropdown
            label={`Behind web font ${i + 1}`}
            value={f.fallback}
            options={safeFonts.map((v) => ({ value: v, label: `else ${v}` }))}
            onChange={(fallback) => put(i, { fallback })}
          />
          <Button look="danger" onClick={() => onChange(fonts.filter((_, k) => k !== i))}>
            Take out
          </Button>
        </div>
      ))}
      {fonts.length < 8 && (
        <div>
          <Button
            onClick={() =>
              onChange([
                ...fonts,
                {
                  family: `Font ${fonts.length + 1}`,
                  fallback: 'sans',
                  files: [{ address: 'https://', weight: 400, italic: false }],
                },
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
