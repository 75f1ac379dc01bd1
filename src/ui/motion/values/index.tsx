'use client'
import type { ComponentType } from 'react'
import type { MadeKind } from '@/core/motion/schema'
import { CountdownValues } from './countdown'
import { FilmValues } from './film'
import type { AnyValuesProps, ValuesProps } from './parts'
import { DriftValues, GlintValues, StoryValues } from './pictures'
import { ButtonValues, FacesValues, HeadlineValues, NumberValues } from './words'

/** A strip has no values of its own: its frames are changed where they lie. */
const NoValues = () => null

const values: { [K in MadeKind]: ComponentType<ValuesProps<K>> } = {
  headline: HeadlineValues,
  number: NumberValues,
  button: ButtonValues,
  story: StoryValues,
  drift: DriftValues,
  glint: GlintValues,
  faces: FacesValues,
  strip: NoValues,
  film: FilmValues,
  countdown: CountdownValues,
}

/** The values of a moving picture's own kind. */
export function KindValues(props: AnyValuesProps) {
  const Values = values[props.made.kind] as ComponentType<AnyValuesProps>
  return <Values {...props} />
}
