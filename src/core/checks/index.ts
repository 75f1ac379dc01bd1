import type { Style } from '../email/cascade'
import type { Email } from '../email/schema'
import { altLong } from './alt-long'
import { altMissing } from './alt-missing'
import { answers } from './answers'
import { byHand } from './by-hand'
import type { Check, Finding, PictureLooks } from './check'
import { codeChanged } from './code-changed'
import { conditionalBroken } from './conditional-broken'
import { contrastLow } from './contrast-low'
import { countdownPast } from './countdown-past'
import { empty } from './empty'
import { fieldValue } from './field-value'
import { formWarned } from './form-warned'
import { headingOrder } from './heading-order'
import { linkMissing } from './link-missing'
import { linkScheme } from './link-scheme'
import { motion } from './motion'
import { nightForecast } from './night-forecast'
import { pictureAtNight } from './picture-at-night'
import { preheaderMissing } from './preheader-missing'
import { checkedByBand, runChecks, scopeOf } from './run'
import { subject } from './subject'
import { unsubscribeMissing } from './unsubscribe-missing'
import { weight } from './weight'
import { wordsOnPicture } from './words-on-picture'
import { wordsPictured } from './words-pictured'
import { wordsSmall } from './words-small'

export type { Check, Finding, PictureLooks, Severity, Stage, Where } from './check'

/** Every check, one line for each file beside this one. */
export const checks: readonly Check[] = [
  subject,
  preheaderMissing,
  unsubscribeMissing,
  weight,
  empty,
  altMissing,
  answers,
  formWarned,
  altLong,
  linkMissing,
  linkScheme,
  contrastLow,
  countdownPast,
  wordsSmall,
  wordsPictured,
  motion,
  nightForecast,
  pictureAtNight,
  wordsOnPicture,
  headingOrder,
  fieldValue,
  codeChanged,
  conditionalBroken,
  byHand,
]

/**
 * What the checks find in an email. @param style the house style with the email's own values over it @param html as
 * it will be handed over @param bytes of the HTML in UTF-8 @param looks what is known of its pictures
 */
export const findingsOf = (
  email: Email,
  style: Style,
  html: string,
  bytes: number,
  looks?: PictureLooks,
): Finding[] => runChecks(checks, scopeOf(email, style, html, bytes, looks))

/** The same a band at a time, for who has to give way meanwhile: what the checks of tiles find is remembered. */
export const findingsByBand = (email: Email, style: Style): Generator<void> =>
  checkedByBand(checks, scopeOf(email, style, '', 0))
