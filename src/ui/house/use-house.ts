import { useState } from 'react'
import { toast } from '../parts/toast'
import type { HouseStyle } from '@/core/email/styles'
import { call } from '../api'
import type { SetHouse } from './set-house'

/** Steps within this time are one, ms: a colour that is dragged, a word that is typed. */
const ONE_STEP = 600

interface Steps {
  past: HouseStyle[]
  house: HouseStyle
  future: HouseStyle[]
  at: number
}

/** A house style that is being worked on: its steps, taken back and again, and its saving. */
export function useHouse(client: { id: string; house: HouseStyle }) {
  const [steps, setSteps] = useState<Steps>({ past: [], house: client.house, future: [], at: 0 })
  const [saved, setSaved] = useState(client.house)
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const set: SetHouse = (change) =>
    setSteps(({ past, house, at }) => {
      const now = Date.now()
      const one = past.length > 0 && now - at < ONE_STEP
      return { past: one ? past : [...past, house], house: change(house), future: [], at: now }
    })
  const undo = () =>
    setSteps((s) =>
      s.past.length
        ? { past: s.past.slice(0, -1), house: s.past.at(-1)!, future: [s.house, ...s.future], at: 0 }
        : s,
    )
  const redo = () =>
    setSteps((s) =>
      s.future.length
        ? { past: [...s.past, s.house], house: s.future[0]!, future: s.future.slice(1), at: 0 }
        : s,
    )
  /** @returns the house style as it was kept; null where it was not */
  async function save(): Promise<HouseStyle | null> {
    setBusy(true)
    setProblem(null)
    try {
      const kept = await call('PATCH /api/clients/:client', {
        params: { client: client.id },
        body: { house: steps.house },
      })
      const { inherit, changed } = kept.emails
      toast.success(
        `${inherit === 1 ? 'One email inherits' : `${inherit} emails inherit`} from this house style; ${changed === 1 ? 'one looks' : `${changed} look`} different now.`,
        { duration: 8000 },
      )
      setSaved(steps.house)
      return kept.house
    } catch (e) {
      setProblem((e as Error).message)
      return null
    } finally {
      setBusy(false)
    }
  }
  const { house } = steps
  return {
    ...{ house, set, undo, redo, save, busy, problem },
    changed: house !== saved,
    canUndo: steps.past.length > 0,
    canRedo: steps.future.length > 0,
  }
}
