import { MOST_BYTES } from '../designs/board'
import { takeInBoard, type TakenDesign } from '../designs/intake'
import { Problem } from '../problem'

/** Reads a multipart form, refusing what is too heavy before it is read. @param most bytes */
export async function readForm(request: Request, most: number): Promise<FormData> {
  if (Number(request.headers.get('content-length') ?? 0) > most + 1024 * 1024)
    throw new Problem(
      413,
      'design-too-heavy',
      'The file is too heavy',
      `At most ${Math.round(most / 1048576)} MB can be taken in. Export it as PNG or JPEG at double size.`,
    )
  const form = await request.formData().catch(() => null)
  if (!form)
    throw new Problem(
      400,
      'no-form',
      'No file came',
      'Send multipart/form-data with the file in the field that docs/api.md names.',
    )
  return form
}

/** The file of a form's field. */
export async function fileOf(
  form: FormData,
  field: string,
  title = 'No file came',
): Promise<{ bytes: Buffer; name: string } | null> {
  const file = form.get(field)
  if (file === null) return null
  if (!(file instanceof File))
    throw new Problem(400, 'no-file', title, `The field "${field}" has to hold a file.`)
  return { bytes: Buffer.from(await file.arrayBuffer()), name: file.name.slice(0, 200) || field }
}

/** The design of a form. Throws a Problem where none came. */
export async function designForm(request: Request): Promise<{ bytes: Buffer; name: string; form: FormData }> {
  const form = await readForm(request, 2 * MOST_BYTES)
  const file = await fileOf(form, 'design')
  if (!file)
    throw new Problem(
      400,
      'no-design',
      'No design came with the job',
      'Send multipart/form-data with the design in the field "design".',
    )
  return { ...file, form }
}

/** Takes in the board of a design that a form names. */
export async function takenFrom(
  form: FormData,
  file: { bytes: Buffer; name: string },
  field = 'board',
): Promise<TakenDesign> {
  const board = Number(form.get(field) ?? 0)
  return takeInBoard(file.bytes, file.name, Number.isInteger(board) && board >= 0 ? board : 0)
}
