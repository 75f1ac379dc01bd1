'use client'
import { useState } from 'react'
import { fits, fieldTypes, type FieldType, type SampleReader } from '@/core/email/fields'
import { fieldsOf } from '@/core/handover/used'
import { UNSUBSCRIBE } from '@/core/handover/fields'
import type { EmailWork } from '../bench/email-work'
import { Button, cx, fieldClass } from '../parts/controls'
import { Dialog } from '../parts/dialog'

/**
 * Whom the lenses show the email as: fields are filled with that reader's values, and conditional bands shown
 * or left out.
 */
export function ReaderPick({ work }: { work: EmailWork }) {
  const [open, setOpen] = useState(false)
  const readers = work.email.readers ?? []
  return (
    <span className="mr-2 flex items-center gap-1">
      <select
        aria-label="Shown as"
        value={work.reader ?? ''}
        className="border border-grout bg-sheet px-1 py-[2px] text-xs text-ink"
        onChange={(e) => work.setReader(e.target.value || null)}
      >
        <option value="">Fallbacks</option>
        {readers.map((r) => (
          <option key={r.name} value={r.name}>
            {r.name}
          </option>
        ))}
      </select>
      <Button look="plain" onClick={() => setOpen(true)}>
        Readers
      </Button>
      {open && <Readers work={work} onClose={() => setOpen(false)} />}
    </span>
  )
}

function Readers({ work: { email, apply }, onClose }: { work: EmailWork; onClose: () => void }) {
  const names = [
    ...new Set([...fieldsOf(email).map((f) => f.name), ...(email.fields ?? []).map((f) => f.name)]),
  ].filter((n) => n !== UNSUBSCRIBE)
  const readers = email.readers ?? []
  const typeOf = (name: string): FieldType => email.fields?.find((f) => f.name === name)?.type ?? 'text'
  const setType = (name: string, type: FieldType) =>
    apply('set the kind of a field', {
      name: 'setEmail',
      what: {
        fields: [
          ...(email.fields ?? []).filter((f) => f.name !== name),
          ...(type === 'text' ? [] : [{ name, type }]),
        ],
      },
    })
  const setReaders = (next: SampleReader[], merge?: string) =>
    apply('set the sample readers', { name: 'setEmail', what: { readers: next } }, merge)
  const put = (i: number, patch: Partial<SampleReader>, key: string) =>
    setReaders(
      readers.map((r, k) => (k === i ? { ...r, ...patch } : r)),
      key,
    )
  const fresh = () => {
    for (let n = readers.length + 1; ; n++)
      if (!readers.some((r) => r.name === `Reader ${n}`)) return `Reader ${n}`
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title="Sample readers"
      about="Made-up people to look at the email as. A value left empty shows the field's fallback."
      wide
    >
      {names.length === 0 && (
        <p className="text-soft">
          The email uses no fields yet. Write one into words, a link or the subject: [[given_name | friend]].
        </p>
      )}
      <table className="w-full border-collapse text-xs">
        <thead>
          <tr>
            <th scope="col" className="p-1 text-left">
              Field
            </th>
            <th scope="col" className="p-1 text-left">
              Holds
            </th>
            {readers.map((r, i) => (
              <th key={i} scope="col" className="p-1">
                <input
                  aria-label={`Name of reader ${i + 1}`}
                  className={fieldClass}
                  value={r.name}
                  maxLength={60}
                  onChange={(e) => e.target.value && put(i, { name: e.target.value }, `rname${i}`)}
                />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {names.map((name) => (
            <tr key={name} className="border-t border-grout">
              <th scope="row" className="p-1 text-left font-mono font-normal">
                {name}
              </th>
              <td className="p-1">
                <select
                  aria-label={`Kind of value in ${name}`}
                  className={fieldClass}
                  value={typeOf(name)}
                  onChange={(e) => setType(name, e.target.value as FieldType)}
                >
                  {fieldTypes.map((t) => (
                    <option key={t}>{t}</option>
                  ))}
                </select>
              </td>
              {readers.map((r, i) => {
                const value = r.values[name] ?? ''
                const wrong = !fits(value, typeOf(name))
                return (
                  <td key={i} className="p-1">
                    <input
                      aria-label={`${name} of ${r.name}`}
                      aria-invalid={wrong || undefined}
                      className={cx(fieldClass, wrong && 'border-terra')}
                      value={value}
                      onChange={(e) =>
                        put(
                          i,
                          {
                            values: e.target.value
                              ? { ...r.values, [name]: e.target.value }
                              : Object.fromEntries(Object.entries(r.values).filter(([k]) => k !== name)),
                          },
                          `r${i}-${name}`,
                        )
                      }
                    />
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-2 flex gap-1">
        <Button onClick={() => setReaders([...readers, { name: fresh(), values: {} }])}>+ Reader</Button>
        {readers.length > 0 && (
          <Button look="danger" onClick={() => setReaders(readers.slice(0, -1))}>
            Last reader out
          </Button>
        )}
      </div>
    </Dialog>
  )
}
