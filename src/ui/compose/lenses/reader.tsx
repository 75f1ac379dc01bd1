'use client'
import { Moon } from 'lucide-react'
import { useEffect, useState } from 'react'
import type { Parts } from '@/core/compile'
import { sentenceOf, type Forecast } from '@/core/readers/forecast'
import { profiles, windowsOf } from '@/core/readers/profiles'
import { WorkLens } from '../../bench/email-lenses'
import type { EmailWork } from '../../bench/email-work'
import { forecastOf } from '../../bench/forecasts'
import { IconButton } from '../../parts/controls'
import { toast } from '../../parts/toast'
import { Select } from './over'

const KEY = 'reader-lens'

/** The reader that was last looked at in this browser. */
function remembered(): string {
  try {
    const id = localStorage.getItem(KEY)
    return profiles.find((p) => p.id === id)?.id ?? profiles[0]!.id
  } catch {
    return profiles[0]!.id
  }
}

/** The email as one reader shows it; while that is worked out after an edit, as it was shown before. */
function useForecast(parts: Parts, reader: string, night: boolean): Forecast | null {
  const [known, setKnown] = useState<{ reader: string; forecast: Forecast } | null>(null)
  useEffect(() => {
    let wanted = true
    forecastOf(reader, parts, { night }).then(
      (forecast) => wanted && setKnown({ reader, forecast }),
      (e: Error) => wanted && toast.error(e.message),
    )
    return () => {
      wanted = false
    }
  }, [parts, reader, night])
  return known?.reader === reader ? known.forecast : null
}

/** The email as a reader shows it, by day or at night, beside the email as written. */
export default function ReaderLens({ work }: { work: EmailWork }) {
  const [id, setId] = useState(remembered)
  const [night, setNight] = useState(false)
  const profile = profiles.find((p) => p.id === id)!
  const forecast = useForecast(work.parts, id, night && profile.dark !== null)
  const choose = (next: string) => {
    setId(next)
    try {
      localStorage.setItem(KEY, next)
    } catch {
      // A full store costs no more than the choice.
    }
  }
  return (
    <WorkLens
      key={id}
      work={work}
      name="Reader"
      width={windowsOf(profile)[0]}
      parts={forecast?.parts ?? work.parts}
      bar={
        <div className="flex min-h-6 items-center gap-1.5 bg-groundhead px-2 text-xs text-[#17191a]">
          <Select
            label="Reader"
            value={id}
            options={profiles.map((p) => ({ value: p.id, label: p.name }))}
            onChange={choose}
          />
          <span className="ml-auto truncate" role="status">
            {forecast ? sentenceOf(forecast.effects) : 'Working it out…'}
          </span>
        </div>
      }
      right={
        profile.dark && (
          <IconButton
            label={night ? 'By day' : 'At night'}
            active={night}
            className="!h-5"
            onClick={() => setNight((n) => !n)}
          >
            <Moon size={12} />
          </IconButton>
        )
      }
    />
  )
}
