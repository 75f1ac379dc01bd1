import { ALL_FORMATS, CanvasSink, Input, UrlSource } from 'mediabunny'

/** A film that is open: read piece by piece, decoded by the browser (WebCodecs). */
export interface OpenFilm {
  width: number
  height: number
  /** ms */
  length: number
  sink: CanvasSink
  /** When its first picture is shown, s: some films begin later than at 0. */
  start: number
}

const open = new Map<string, Promise<OpenFilm>>()

/** Decoded pictures are no larger than this, px: enough for a slot at double density. */
const LARGEST = 1280

/** Opens a film. Throws an Error, in words, where there is nothing to be seen in it, or its codec cannot be decoded here. */
export function openFilm(id: string): Promise<OpenFilm> {
  let film = open.get(id)
  if (!film) {
    film = load(id)
    film.catch(() => open.delete(id))
    open.set(id, film)
  }
  return film
}

async function load(id: string): Promise<OpenFilm> {
  const input = new Input({
    formats: ALL_FORMATS,
    source: new UrlSource(new URL(`/api/films/${id}`, self.location.origin).href),
  })
  const broken = (why: string) =>
    new Error(`This film cannot be read. ${why} Export it as MP4 (H.264) or WebM, and bring it in again.`)
  const tracks = await input.getTracks().catch(() => {
    throw broken('The file is cut off or damaged.')
  })
  if (!tracks.length)
    throw broken('Its index is missing: the file was cut off, or copied before it was finished.')
  const track = await input.getPrimaryVideoTrack()
  if (!track) throw broken('It holds sound, but no picture.')
  if (!track.codec || !(await track.canDecode()))
    throw broken(
      `Its pictures are coded as ${track.codec ?? 'something unknown'}, which this browser does not decode.`,
    )
  const { displayWidth: width, displayHeight: height } = track
  const scale = Math.min(1, LARGEST / Math.max(width, height))
  const start = await track.getFirstTimestamp()
  const length = ((await track.computeDuration()) - start) * 1000
  const sink = new CanvasSink(track, {
    width: Math.round(width * scale),
    height: Math.round(height * scale),
    fit: 'fill',
  })
  return { width, height, length, sink, start }
}

/** Files write times in whole thousandths: a picture is looked for that much after its moment, s. */
const ROUNDING = 0.001

/** The picture that a film shows at a moment, ms from its beginning; null where it has none there. */
export async function pictureAt(
  film: OpenFilm,
  ms: number,
): Promise<HTMLCanvasElement | OffscreenCanvas | null> {
  const at = await film.sink.getCanvas(timeIn(film, ms))
  return at?.canvas ?? null
}

/** Where a moment lies in the file, s. */
const timeIn = ({ start, length }: OpenFilm, ms: number): number =>
  start + Math.min(ms / 1000 + ROUNDING, (length - 1) / 1000)

/**
 * The pictures at several moments, one after the other, in one pass: each alone would be decoded from the key picture before it.
 * @param moments ms from its beginning
 */
export async function* picturesAt(
  film: OpenFilm,
  moments: readonly number[],
): AsyncGenerator<HTMLCanvasElement | OffscreenCanvas | null> {
  const times = moments.map((ms) => timeIn(film, ms))
  for await (const at of film.sink.canvasesAtTimestamps(times)) yield at?.canvas ?? null
}
