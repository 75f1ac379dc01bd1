'use client'
import { useState, type PointerEvent } from 'react'
import { cropRect, type Crop } from '@/core/picture/crop'
import type { PictureRef } from '@/core/picture/ref'
import { call, type ApiProblem } from '../../api'
import { Button, Choice, NumberField, Row } from '../../parts/controls'
import { Dialog } from '../../parts/dialog'

/** Shapes that are asked for: width over height. */
const shapes = [
  { value: 'whole', label: 'as it is', ratio: undefined },
  { value: '1', label: '1:1', ratio: 1 },
  { value: '4:3', label: '4:3', ratio: 4 / 3 },
  { value: '3:2', label: '3:2', ratio: 3 / 2 },
  { value: '16:9', label: '16:9', ratio: 16 / 9 },
  { value: '2:1', label: '2:1', ratio: 2 },
  { value: '3:1', label: '3:1', ratio: 3 },
  { value: '4:5', label: '4:5', ratio: 4 / 5 },
] as const

/** Most room of the picture in the dialog, px. */
const ROOM = { width: 660, height: 320 }

/** A part that is being chosen, and what takes it. */
function useCropping(first: Crop, onTaken: (picture: PictureRef, crop: Crop | undefined) => void) {
  const [crop, setCrop] = useState(first)
  const [problem, setProblem] = useState<ApiProblem | null>(null)
  const [busy, setBusy] = useState(false)
  const { of: whole } = crop
  const rect = cropRect(whole, crop)
  async function take() {
    setBusy(true)
    try {
      const all = rect.w === whole.width && rect.h === whole.height
      const taken = all
        ? whole
        : await call('POST /api/pictures/:picture/parts', { params: { picture: whole.id }, body: rect })
      onTaken(taken, all ? undefined : crop)
    } catch (error) {
      setProblem(error as ApiProblem)
      setBusy(false)
    }
  }
  return { crop, set: (part: Partial<Crop>) => setCrop({ ...crop, ...part }), rect, take, busy, problem }
}

/** Shape, zoom and point of a part as values. */
function CropValues({ crop, set }: { crop: Crop; set: (part: Partial<Crop>) => void }) {
  return (
    <div className="mt-3 flex max-w-md flex-col gap-1.5">
      <Row label="Shape">
        <Choice
          label="Shape"
          value={shapes.find((s) => s.ratio === crop.ratio)?.value ?? 'whole'}
          options={shapes}
          onChange={(v) => set({ ratio: shapes.find((s) => s.value === v)!.ratio })}
        />
      </Row>
      <Row label="Closer">
        <input
          type="range"
          aria-label="How much closer, %"
          min={100}
          max={800}
          step={5}
          value={Math.round(crop.zoom * 100)}
          onChange={(e) => set({ zoom: Number(e.target.value) / 100 })}
        />
      </Row>
      <Row label="Point">
        <span className="flex gap-1">
          <NumberField
            label="Point from the left, %"
            value={Math.round(crop.x * 100)}
            max={100}
            onChange={(x) => set({ x: x / 100 })}
          />
          <NumberField
            label="Point from the top, %"
            value={Math.round(crop.y * 100)}
            max={100}
            onChange={(y) => set({ y: y / 100 })}
          />
        </span>
      </Row>
    </div>
  )
}

/**
 * Chooses the part of a picture that is shown, around the point that must be seen.
 * @param known how it was cropped before @param shown what it is shown at, px of the email
 */
export function CropDialog({
  picture,
  known,
  shown,
  title,
  onCropped,
  onClose,
}: {
  picture: PictureRef
  known: Crop | undefined
  shown: number
  title: string
  onCropped: (picture: PictureRef, crop: Crop | undefined) => void
  onClose: () => void
}) {
  const first = known ?? { of: picture, x: 0.5, y: 0.5, zoom: 1 }
  const { crop, set, rect, take, busy, problem } = useCropping(first, (p, c) => {
    onCropped(p, c)
    onClose()
  })
  const { of: whole } = crop
  const density = rect.w / shown
  return (
    <Dialog
      open
      onClose={onClose}
      wide
      title={title}
      about="Press the point that must be seen, or set it beneath."
    >
      <PartOf crop={crop} onPoint={(x, y) => set({ x, y })} />
      <CropValues crop={crop} set={set} />
      <p className="mt-2 font-mono text-[11px] text-soft">
        {rect.w} x {rect.h} px of {whole.width} x {whole.height};{' '}
        <span className={density < 1.95 ? 'text-ochre' : ''}>{density.toFixed(2)}x</span> at{' '}
        {Math.round(shown)} px
      </p>
      {problem && (
        <p role="alert" className="mt-2 text-terra">
          {problem.title}. {problem.detail}
        </p>
      )}
      <div className="mt-3 flex gap-2">
        <Button look="main" disabled={busy} onClick={() => void take()}>
          {busy ? 'Cropping' : 'Show this part'}
        </Button>
        {known && (
          <Button
            onClick={() => {
              onCropped(known.of, undefined)
              onClose()
            }}
          >
            Show the whole picture
          </Button>
        )}
      </div>
    </Dialog>
  )
}

/** The whole picture with the part that is shown, and the point that must be seen. */
function PartOf({ crop, onPoint }: { crop: Crop; onPoint: (x: number, y: number) => void }) {
  const { of: whole, x, y } = crop
  const scale = Math.min(ROOM.width / whole.width, ROOM.height / whole.height)
  const rect = cropRect(whole, crop)
  const size = { width: whole.width * scale, height: whole.height * scale }
  const within = (v: number) => Math.max(0, Math.min(1, v))
  const press = (e: PointerEvent<HTMLDivElement>) => {
    if (e.type === 'pointermove' && !e.buttons) return
    const box = e.currentTarget.getBoundingClientRect()
    onPoint(within((e.clientX - box.left) / box.width), within((e.clientY - box.top) / box.height))
  }
  return (
    <div
      className="relative mx-auto touch-none overflow-hidden bg-wash outline-offset-2"
      style={size}
      // By keyboard the same is done in the fields beneath.
      role="presentation"
      onPointerDown={press}
      onPointerMove={press}
    >
      <img
        src={`/api/pictures/${whole.id}`}
        alt=""
        draggable={false}
        className="block select-none"
        style={size}
      />
      <span
        aria-hidden
        className="absolute shadow-[0_0_0_2000px_rgb(20_22_24/0.62)] outline-2 outline-white"
        style={{ left: rect.x * scale, top: rect.y * scale, width: rect.w * scale, height: rect.h * scale }}
      />
      <span
        aria-hidden
        className="absolute -m-2 h-4 w-4 border-2 border-white bg-lapis"
        style={{ left: x * size.width, top: y * size.height }}
      />
    </div>
  )
}
