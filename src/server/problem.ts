/** What a problem says, as a value that can be stored and sent to another thread. */
export interface ProblemLike {
  status: number
  kind: string
  title: string
  detail: string
  extra: Record<string, unknown>
}

/**
 * An error a person can act on: what happened, why, and what to do. It becomes `application/problem+json`
 * (RFC 9457).
 */
export class Problem extends Error implements ProblemLike {
  constructor(
    readonly status: number,
    /** A short name of the kind of problem, the last part of its `type`. */
    readonly kind: string,
    readonly title: string,
    readonly detail: string,
    readonly extra: Record<string, unknown> = {},
  ) {
    super(`${title}: ${detail}`)
  }

  static of({ status, kind, title, detail, extra }: ProblemLike): Problem {
    return new Problem(status, kind, title, detail, extra)
  }

  toJSON(): ProblemLike {
    const { status, kind, title, detail, extra } = this
    return { status, kind, title, detail, extra }
  }
}

export const notFound = (what: string, id: string): Problem =>
  new Problem(
    404,
    'not-found',
    `There is no such ${what}`,
    `No ${what} has the id "${id.slice(0, 60)}". It may have been removed; go back to the wall and pick one.`,
  )

/** What is stored cannot be read. @param error what the reading says */
export function brokenDocument(error: unknown, revision?: number): Problem {
  const issues = (error as { issues?: { path: PropertyKey[]; message: string }[] }).issues?.slice(0, 3) ?? []
  const why = issues.map((i) => `${i.path.map(String).join('.')}: ${i.message}`).join('; ')
  return new Problem(
    422,
    'document-broken',
    'What is saved cannot be read',
    `${why || (error as Error).message}. Take the job back to a version, or mend the document and save it over this one.`,
    revision === undefined ? {} : { revision },
  )
}
