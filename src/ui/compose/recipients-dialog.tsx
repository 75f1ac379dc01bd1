'use client'
import { fieldsOf } from '@/core/tiles/contents'
import { fits, fieldTypes, type FieldType, type SampleRecipient } from '@/core/email/fields'
import { UNSUBSCRIBE } from '@/core/text/fields'
import type { EmailWork } from '../bench/email-work'
import { Button, cx, fieldClass } from '../parts/controls'
import { Dialog } from '../parts/dialog'

/** The sample recipients, with what each has in each field. */
export function RecipientsDialog({
  work: { email, apply },
  onClose,
}: {
  work: EmailWork
  onClose: () => void
}) {
  const names = [
    ...new Set([...fieldsOf(email).map((f) => f.name), ...(email.fields ?? []).map((f) => f.name)]),
  ].filter((n) => n !== UNSUBSCRIBE)
  const recipients = email.recipients ?? []
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
  const setRecipients = (next: SampleRecipient[], merge?: string) =>
    apply('set the sample recipients', { name: 'setEmail', what: { recipients: next } }, merge)
  const put = (i: number, patch: Partial<SampleRecipient>, key: string) =>
    setRecipients(
      recipients.map((r, k) => (k === i ? { ...r, ...patch } : r)),
      key,
    )
  const fresh = () => {
    for (let n = recipients.length + 1; ; n++)
      if (!recipients.some((r) => r.name === `Recipient ${n}`)) return `Recipient ${n}`
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title="Sample recipients"
      about="Made-up people to look at the email as. A value left empty shows the field's fallback."
      wide
    >
      {names.length === 0 && (
        <p className="text-soft">
          The email uses no fields yet. Write one into words, a link or the subject: [[given_name | friend]].
        </p>
      )}
      <Values recipients={recipients} put={put} names={names} typeOf={typeOf} setType={setType} />
      <div className="mt-2 flex gap-1">
        <Button onClick={() => setRecipients([...recipients, { name: fresh(), values: {} }])}>
          + Recipient
        </Button>
        {recipients.length > 0 && (
          <Button look="danger" onClick={() => setRecipients(recipients.slice(0, -1))}>
            Last recipient out
          </Button>
        )}
      </div>
    </Dialog>
  )
}

/** What each recipient has in each field. */
function Values({
  recipients,
  put,
  names,
  typeOf,
  setType,
}: {
  recipients: SampleRecipient[]
  put: (i: number, patch: Partial<SampleRecipient>, key: string) => void
  names: string[]
  typeOf: (name: string) => FieldType
  setType: (name: string, type: FieldType) => void
}) {
  return (
    <table className="w-full border-collapse text-xs">
      <thead>
        <tr>
          <th scope="col" className="p-1 text-left">
            Field
          </th>
          <th scope="col" className="p-1 text-left">
            Holds
          </th>
          {recipients.map((r, i) => (
            <th key={i} scope="col" className="p-1">
              <input
                aria-label={`Name of recipient ${i + 1}`}
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
            {recipients.map((r, i) => (
              <Value
                key={i}
                recipient={r}
                name={name}
                type={typeOf(name)}
                onChange={(values) => put(i, { values }, `r${i}-${name}`)}
              />
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** What one recipient has in one field. */
function Value({
  recipient: { name: who, values },
  name,
  type,
  onChange,
}: {
  recipient: SampleRecipient
  name: string
  type: FieldType
  onChange: (values: SampleRecipient['values']) => void
}) {
  const value = values[name] ?? ''
  const wrong = !fits(value, type)
  const write = (text: string) => {
    const { [name]: _, ...others } = values
    onChange(text ? { ...values, [name]: text } : others)
  }
  return (
    <td className="p-1">
      <input
        aria-label={`${name} of ${who}`}
        aria-invalid={wrong || undefined}
        className={cx(fieldClass, wrong && 'border-terra')}
        value={value}
        onChange={(e) => write(e.target.value)}
      />
    </td>
  )
}
