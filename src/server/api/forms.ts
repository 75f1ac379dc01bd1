import { Problem } from '../problem'

/** A file that came with a form. */
export interface SentFile {
  bytes: Uint8Array
  name: string
}

/** A multipart form: its files and text fields. */
export interface SentForm {
  /** The file in a field. Throws a Problem (400) where none came. */
  file: (field: string) => Promise<SentFile>
  /** The same, or null where none came. */
  maybe: (field: string) => Promise<SentFile | null>
  /** Text fields that are filled in. */
  fields: Record<string, string>
}

/** Reads a multipart form, refusing what is too heavy before it is read. @param most MB */
export async function readForm(request: Request, most: number): Promise<SentForm> {
  if (Number(request.headers.get('content-length') ?? 0) > (most + 1) * 1024 * 1024)
    throw new Problem(
      413,
      'too-heavy',
      'The file is too heavy',
      `At most ${most} MB can be taken in here. Make it smaller, or export it anew.`,
    )
  const form = await request.formData().catch(() => null)
  if (!form)
    throw new Problem(
      400,
      'no-form',
      'No file came',
      'Send multipart/form-data with the file in the field that docs/api.md names.',
    )
  const maybe = async (field: string): Promise<SentFile | null> => {
    const file = form.get(field)
    if (file === null) return null
    if (!(file instanceof File))
      throw new Problem(400, 'no-file', 'No file came', `The field "${field}" has to hold a file.`)
    return { bytes: new Uint8Array(await file.arrayBuffer()), name: file.name.slice(0, 200) || field }
  }
  const file = async (field: string): Promise<SentFile> => {
    const found = await maybe(field)
    if (found) return found
    throw new Problem(
      400,
      `no-${field}`,
      field === 'file' ? 'No file came' : `No ${field} came`,
      `Send multipart/form-data with the file in the field "${field}".`,
    )
  }
  const texts = [...form].filter(
    (pair): pair is [string, string] => typeof pair[1] === 'string' && pair[1] !== '',
  )
  return { file, maybe, fields: Object.fromEntries(texts) }
}
