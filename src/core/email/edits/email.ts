import { produce, type Draft } from 'immer'
import type { Email } from '../schema'
import { assign, type EditOf } from './reach'

/** Sets values of the email itself: subject, preheader, title, language, own styles. */
export const setEmail: EditOf<Partial<Omit<Email, 'version' | 'bands'>>> = (email, what) =>
  produce(email, (d) => assign(d, what as Partial<Draft<Email>>))

/** Puts another email in the place of this one: a kept version, or one brought in. */
export const replace: EditOf<{ email: Email }> = (_, { email }) => email

/** Leaves a finding as it is, with why. */
export const mute: EditOf<{ finding: string; reason: string }> = (email, what) => ({
  ...email,
  muted: [...(email.muted ?? []).filter((m) => m.finding !== what.finding), what],
})

/** Takes a finding up again. */
export const unmute: EditOf<{ finding: string }> = (email, { finding }) => {
  const { muted, ...rest } = email
  if (!muted?.some((m) => m.finding === finding)) return email
  const left = muted.filter((m) => m.finding !== finding)
  return left.length ? { ...rest, muted: left } : rest
}
