import { z } from 'zod'
import { missingPath } from './missing-path'
import { missingFile } from './pictures/missing'
import { Problem } from './problem'

const things: Record<string, string> = { array: 'entries', string: 'characters' }

/** What is wrong with a value, as a person would say it; what a schema says in its own words stays. */
function saying(issue: z.core.$ZodIssue): string {
  if (!/^Too (big|small)/.test(issue.message)) return issue.message
  if (issue.code === 'too_big' && issue.origin in things)
    return `too many: at most ${issue.maximum} ${things[issue.origin]} are taken`
  if (issue.code === 'too_small' && issue.origin in things)
    return `too few: at least ${issue.minimum} ${things[issue.origin]} are needed`
  return issue.message
}

/** Any error as a problem that a person can act on. */
export function asProblem(error: unknown): Problem {
  if (error instanceof Problem) return error
  if (error instanceof z.ZodError) {
    const issues = error.issues.slice(0, 8).map((i) => ({ at: i.path.join('.'), message: saying(i) }))
    return new Problem(
      422,
      'not-as-described',
      'What was sent is not as it should be',
      issues.map((i) => `${i.at || 'body'}: ${i.message}`).join('; '),
      { issues },
    )
  }
  const path = missingPath(error)
  const missing = path && missingFile(path)
  if (missing) return missing
  if (error instanceof RangeError && /call stack/.test(error.message))
    return new Problem(
      422,
      'too-deep',
      'This is nested too deeply',
      'Its parts stand inside each other many hundred times. Make it simpler, then try again.',
    )
  const code = (error as { code?: string } | null)?.code
  if (code === 'SQLITE_FULL' || code === 'ENOSPC')
    return new Problem(
      507,
      'disk-full',
      'The disk is full',
      'The change could not be saved; what was saved before stays. Make room on the disk; the app goes on trying.',
    )
  if ((error as Error | null)?.name === 'AbortError')
    return new Problem(499, 'cancelled', 'Cancelled', 'The work was cancelled before it was done.')
  console.error(error)
  return new Problem(
    500,
    'unexpected',
    'Something went wrong in Mosaicus',
    'This is a fault of the app, not of what you did. Look whether your change was taken, then try again; keep what you wrote.',
  )
}
